import { throughRows, toEnd } from './in-steps.js';

const rows = Array.from({ length: 1_700 }, (_, i) => i);

describe('work in steps', () => {
  it('halts every so many rows, tells how many it is through with, and misses none', () => {
    const seen: number[] = [];
    const steps = throughRows(rows, (row) => seen.push(row));
    const told: number[] = [];
    for (const many of steps) {
      expect(seen).toHaveLength(many);
      told.push(many);
    }
    expect(told).toEqual([500, 1_000, 1_500]);
    expect(seen).toEqual(rows);
  });
  it('comes to the same where nobody halts it, and to the error of a row', () => {
    function* sum() {
      let all = 0;
      yield* throughRows(rows, (row) => (all += row));
      return all;
    }
    expect(toEnd(sum())).toBe((1_699 * 1_700) / 2);
    const broken = throughRows(rows, (row) => {
      if (row === 3) throw new Error('row 3');
    });
    expect(() => toEnd(broken)).toThrow('row 3');
  });
});

import fc from 'fast-check';
import { reckonSum } from '../sum.js';
import { sumOf } from '../sums.js';

describe('parts of a mixed ink', () => {
  const mix = (kg: number, parts: string) => {
    const sum = sumOf('mix');
    if (!sum) throw new Error('no sum');
    return reckonSum(sum, { kg, parts });
  };
  it('are of the sum of all parts, and come to what is wanted (identity)', () => {
    const figures = fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(figures, fc.double({ min: 0.1, max: 50, noNaN: true }), (parts, kg) => {
        if (parts.every((part) => part === 0)) return;
        const answer = mix(kg, parts.map((part, i) => `Ink ${String.fromCharCode(65 + i)} ${part}`).join(', '));
        const made = parts.map((_, i) => answer.figures[`kg${i}`]?.value ?? NaN);
        expect(made.reduce((sum, one) => sum + one, 0)).toBeCloseTo(kg, 9);
        const all = parts.reduce((sum, part) => sum + part, 0);
        expect(made[0]).toBeCloseTo(((parts[0] ?? 0) / all) * kg, 9);
      }),
    );
  });
  it('that cannot be read, or that are none, are told', () => {
    for (const parts of ['Yellow', 'Yellow 0, Red 0', ';', 'Yellow 60, 30'])
      expect(mix(5, parts).issues).toMatchObject([{ code: 'sum.parts', path: 'parts' }]);
  });
});

describe('plates', () => {
  const plates = (values: Record<string, number | string>) => {
    const sum = sumOf('plates');
    return sum && reckonSum(sum, values).figures['plates']?.value;
  };
  it('are those of every form and side, one set where it is turned (identity, handbook chapter 4 "Offset plate count")', () => {
    expect(plates({ forms: 3 })).toBe(24);
    expect(plates({ forms: 3, style: 'work and turn' })).toBe(12);
    expect(plates({ forms: 1, front: 5, back: 4, style: 'work and turn' })).toBe(5);
    expect(plates({ forms: 1, front: 4, back: 0 })).toBe(4);
    expect(plates({ forms: 2, versions: 3, changing: 1 })).toBe(18);
    expect(plates({ forms: 1, impressions: 310_000, life: 150_000 })).toBe(24);
  });
});

import { uniform } from '../kernel/index.js';
import { type Span, NEVER, OpenTime, joinSpans, meetSpans, withoutSpans } from './open-time.js';

/** Spans as minutes, one by one. */
const minutes = (spans: readonly Span[]): number[] =>
  spans.flatMap(([from, to]) => Array.from({ length: to - from }, (_, i) => from + i));

function someSpans(seed: number): Span[] {
  const ends = Array.from({ length: 12 }, (_, i) => Math.floor(uniform(seed, i) * 400)).sort((a, b) => a - b);
  return joinSpans(ends.flatMap((to, i): Span[] => (i % 2 ? [[ends[i - 1] ?? 0, to]] : [])));
}

describe('open time, against counting minute by minute', () => {
  it.each([1, 2, 3, 4, 5])('seed %i', (seed) => {
    const open = new OpenTime(someSpans(seed));
    const each = minutes(open.spans);
    for (let at = 0; at < 420; at++) {
      const before = each.filter((minute) => minute < at).length;
      expect(open.openBefore(at)).toBe(before);
      expect(open.startAt(at)).toBe(each[at] ?? NEVER);
      if (at > 0) expect(open.endAt(at)).toBe(at > each.length ? NEVER : (each[at - 1] ?? 0) + 1);
      const until = open.openUntil(at);
      if (until <= open.total && until > 0) expect(open.endAt(until)).toBeGreaterThanOrEqual(at);
      if (until > 1) expect(open.endAt(until - 1)).toBeLessThan(at);
    }
  });
  it.each([1, 2, 3])('sets of spans, seed %i', (seed) => {
    const [a, b] = [someSpans(seed), someSpans(seed + 50)];
    const [inA, inB] = [new Set(minutes(a)), new Set(minutes(b))];
    expect(minutes(meetSpans(a, b))).toEqual([...inA].filter((minute) => inB.has(minute)));
    expect(minutes(withoutSpans(a, b))).toEqual([...inA].filter((minute) => !inB.has(minute)));
  });
  it('puts together what touches, and leaves out what is empty', () => {
    expect(
      joinSpans([
        [5, 9],
        [1, 3],
        [3, 5],
        [7, 7],
      ]),
    ).toEqual([[1, 9]]);
  });
});

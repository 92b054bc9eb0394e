import type { ControlChart } from './control-charts.js';

/** Patterns that chance alone hardly ever makes. */
export const RUN_RULES = {
  'beyond 3': 'Western Electric 1956',
  '2 of 3 beyond 2': 'Western Electric 1956',
  '4 of 5 beyond 1': 'Western Electric 1956',
  '8 on one side': 'Western Electric 1956',
  '6 rising or falling': 'Nelson 1984',
  '14 alternating': 'Nelson 1984',
  '15 within 1': 'Nelson 1984',
  '8 outside 1': 'Nelson 1984',
} as const;
export type RunRule = keyof typeof RUN_RULES;

/** A pattern, from its first point to the one that completes it. */
export interface RunSignal {
  readonly rule: RunRule;
  readonly from: number;
  readonly to: number;
}

/** Whether a pattern is complete with the last of some points, in deviations from the centre, oldest first. */
type Test = (last: readonly number[]) => boolean;

const onOneSide = (last: readonly number[], beyond: number, most: number): boolean =>
  [1, -1].some((side) => {
    const out = last.filter((z) => z * side > beyond);
    // The point that completes it is out itself.
    return out.length >= most && (last.at(-1) ?? 0) * side > beyond;
  });
const steps = (last: readonly number[]): number[] => last.slice(1).map((z, i) => Math.sign(z - (last[i] ?? z)));

const TESTS: Readonly<Record<RunRule, readonly [points: number, test: Test]>> = {
  'beyond 3': [1, (last) => onOneSide(last, 3, 1)],
  '2 of 3 beyond 2': [3, (last) => onOneSide(last, 2, 2)],
  '4 of 5 beyond 1': [5, (last) => onOneSide(last, 1, 4)],
  '8 on one side': [8, (last) => onOneSide(last, 0, 8)],
  '6 rising or falling': [6, (last) => [1, -1].some((way) => steps(last).every((step) => step === way))],
  '14 alternating': [
    14,
    (last) => steps(last).every((step, i, all) => step !== 0 && (i === 0 || step === -(all[i - 1] ?? 0))),
  ],
  '15 within 1': [15, (last) => last.every((z) => Math.abs(z) < 1)],
  '8 outside 1': [
    8,
    (last) => last.every((z) => Math.abs(z) > 1) && last.some((z) => z > 0) && last.some((z) => z < 0),
  ],
};

/** How many deviations a point is from its centre; any distance is far where nothing ever varied. */
const deviationsOf = ({ points, limits }: ControlChart): number[] =>
  points.map((value, i) => {
    const { centre = value, sigma = 0 } = limits[i] ?? {};
    if (value === centre) return 0;
    return sigma > 0 ? (value - centre) / sigma : Math.sign(value - centre) * Infinity;
  });

/**
 * Patterns in a chart, in the order of the points that complete them. Source: literature, Western Electric 1956 and Nelson 1984.
 * @param rules those that are looked for.
 */
export function runSignals(
  chart: ControlChart,
  rules: readonly RunRule[] = Object.keys(RUN_RULES) as RunRule[],
): RunSignal[] {
  const z = deviationsOf(chart);
  return z.flatMap((_, to) =>
    rules.flatMap((rule): RunSignal[] => {
      const [points, test] = TESTS[rule];
      const from = to - points + 1;
      return from >= 0 && test(z.slice(from, to + 1)) ? [{ rule, from, to }] : [];
    }),
  );
}

import fc from 'fast-check';
import jStat from 'jstat';
import { normal } from '../kernel/index.js';
import { beyondTolerance, capabilityOf } from './capability.js';
import {
  type ControlChart,
  CHART_CONSTANTS,
  faultsChart,
  individualsChart,
  meanRangeChart,
  shareChart,
} from './control-charts.js';
import { driftOf } from './drift.js';
import { type RunRule, runSignals } from './run-rules.js';

describe('constants of control charts', () => {
  it('d2 is the mean range of normal numbers (identity, by integration); A2 and D4 follow from the deviation of the range', () => {
    const step = 0.002;
    for (const [n, { d2, A2, D3, D4 }] of Object.entries(CHART_CONSTANTS).map(
      ([size, of]) => [Number(size), of] as const,
    )) {
      let mean = 0;
      for (let x = -8; x <= 8; x += step) {
        const phi = jStat.normal.cdf(x, 0, 1);
        mean += (1 - phi ** n - (1 - phi) ** n) * step;
      }
      expect(d2).toBeCloseTo(mean, 3);
      expect(A2).toBeCloseTo(3 / (mean * Math.sqrt(n)), 2);
      expect(D3 === 0 || Math.abs(D3 + D4 - 2) < 1e-9).toBe(true);
    }
  });
});

describe('control charts', () => {
  it('of single values: the worked example (literature: NIST/SEMATECH e-Handbook 6.3.2.2)', () => {
    const chart = individualsChart([49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]);
    const [limits] = chart?.values.limits ?? [];
    expect(limits?.centre).toBeCloseTo(50.81, 10);
    expect(chart?.ranges.limits[0]?.centre).toBeCloseTo(1.8778, 4);
    expect(limits?.lower).toBeCloseTo(45.8159, 4);
    expect(limits?.upper).toBeCloseTo(55.8041, 4);
    expect(individualsChart([1])).toBeUndefined();
  });

  it('of means and ranges: by the constants (identity)', () => {
    const groups = [
      [10, 12, 11],
      [9, 11, 13],
      [12, 12, 15],
    ];
    const chart = meanRangeChart(groups);
    const centre = (11 + 11 + 13) / 3;
    expect(chart?.means.points).toEqual([11, 11, 13]);
    expect(chart?.ranges.points).toEqual([2, 4, 3]);
    expect(chart?.means.limits[0]?.upper).toBeCloseTo(centre + 1.023 * 3, 10);
    expect(chart?.ranges.limits[0]).toMatchObject({ centre: 3, lower: 0, upper: 2.574 * 3 });
    expect(meanRangeChart([[1, 2], [1]])).toBeUndefined();
    expect(meanRangeChart([[1], [2]])).toBeUndefined();
  });

  it('of shares and faults: limits of each point by how much was looked at, none below 0 (identity)', () => {
    const counts = [
      { found: 4, of: 100 },
      { found: 2, of: 400 },
    ];
    const shares = shareChart(counts);
    const p = 6 / 500;
    expect(shares?.limits[1]?.upper).toBeCloseTo(p + 3 * Math.sqrt((p * (1 - p)) / 400), 12);
    expect(shares?.limits[0]?.lower).toBe(0);
    const faults = faultsChart(counts);
    expect(faults?.limits[0]?.upper).toBeCloseTo(p + 3 * Math.sqrt(p / 100), 12);
    expect(shareChart([{ found: 0, of: 0 }])).toBeUndefined();
  });
});

describe('run rules (literature: Western Electric 1956, Nelson 1984)', () => {
  const chartOf = (z: readonly number[]): ControlChart => ({
    points: z,
    limits: z.map(() => ({ centre: 0, lower: -3, upper: 3, sigma: 1 })),
  });
  const found = (z: readonly number[]): string[] =>
    runSignals(chartOf(z)).map(({ rule, from, to }) => `${rule} ${from}-${to}`);
  const zigzag = (n: number, size: number): number[] =>
    Array.from({ length: n }, (_, i) => (i % 2 === 0 ? size : -size));

  it.each<[RunRule, number[], string[]]>([
    ['beyond 3', [0.1, 3.1, -0.1, -3.1], ['1-1', '3-3']],
    ['beyond 3', [3, -3], []],
    ['2 of 3 beyond 2', [2.1, -0.1, 2.2], ['0-2']],
    ['2 of 3 beyond 2', [2.1, -2.1, 0.1], []],
    ['4 of 5 beyond 1', [1.1, 1.2, 0.5, 1.3, 1.1], ['0-4']],
    ['4 of 5 beyond 1', [1.1, 1.2, -1.5, 1.3, -1.1], []],
    ['8 on one side', [0.1, 0.2, 0.1, 0.3, 0.2, 0.1, 0.4, 0.1], ['0-7']],
    ['8 on one side', [0.1, 0.2, 0.1, 0.3, 0, 0.1, 0.4, 0.1], []],
    ['6 rising or falling', [-0.5, -0.3, -0.1, 0.1, 0.3, 0.5], ['0-5']],
    ['6 rising or falling', [-0.5, -0.3, -0.3, 0.1, 0.3, 0.5], []],
    ['6 rising or falling', [0.9, 0.7, 0.3, 0.1, -0.3, -0.5], ['0-5']],
    ['14 alternating', zigzag(14, 0.5), ['0-13']],
    ['14 alternating', zigzag(13, 0.5), []],
    ['15 within 1', [...zigzag(12, 0.9), 0.1, 0.2, 0.1], ['0-14']],
    ['8 outside 1', [1.1, -1.2, 1.3, -1.4, 1.1, -1.1, 1.2, -1.1], ['0-7']],
  ])('%s in %j', (rule, z, places) => {
    const chart = chartOf(z);
    expect(runSignals(chart, [rule]).map(({ from, to }) => `${from}-${to}`)).toEqual(places);
  });

  it('find next to nothing in chance alone, and a shift soon', () => {
    const noise = Array.from({ length: 2_000 }, (_, i) => normal(11, i));
    const alone = runSignals(chartOf(noise), ['beyond 3']).length;
    // 0.27 % of normal numbers lie beyond three deviations.
    expect(alone).toBeLessThan(15);
    const shifted = [...noise.slice(0, 50), ...noise.slice(50, 90).map((z) => z + 2)];
    expect(runSignals(chartOf(shifted)).some(({ to }) => to >= 50 && to < 60)).toBe(true);
    expect(found([0, 0, 0])).toEqual([]);
  });

  it('do not take the limit that is cut off at nothing for a deviation', () => {
    const shares = shareChart(Array.from({ length: 9 }, (_, i) => ({ found: i === 8 ? 1 : 0, of: 100 })));
    expect(shares && runSignals(shares, ['2 of 3 beyond 2'])).toEqual([]);
  });
});

describe('capability', () => {
  it('is the width of the tolerance by that of the process (identity), with an interval that narrows with the values', () => {
    const values = [9.8, 10.2, 10, 9.9, 10.1, 10.3, 9.7, 10];
    const told = capabilityOf(values, { lower: 9, upper: 10.6 });
    const deviation = Math.sqrt(0.28 / 7);
    expect(told?.deviation).toBeCloseTo(deviation, 10);
    expect(told?.cp).toBeCloseTo(1.6 / (6 * deviation), 10);
    expect(told?.cpk).toBeCloseTo(0.6 / (3 * deviation), 10);
    const wide = capabilityOf([...values, ...values, ...values], { lower: 9, upper: 10.6 });
    expect((wide?.high ?? 9) - (wide?.low ?? 0)).toBeLessThan((told?.high ?? 0) - (told?.low ?? 9));
    expect(capabilityOf(values, { upper: 10.6 })).toMatchObject({ cp: undefined });
    expect(capabilityOf(values, {})).toBeUndefined();
    expect([beyondTolerance(values, { lower: 9.8, upper: 10.2 }), beyondTolerance(values, {})]).toEqual([2, 0]);
    expect(capabilityOf([1, 1], { upper: 2 })).toBeUndefined();
  });
});

describe('drift', () => {
  const sheets = Array.from({ length: 40 }, (_, i) => (i + 1) * 500);
  const noise = (seed: number): number[] => sheets.map((_, i) => 1.4 + 0.02 * normal(seed, i));

  it('is found where it began, and how fast it goes', () => {
    const drift = driftOf(
      sheets,
      noise(3).map((value, i) => value + Math.max(0, (sheets[i] ?? 0) - 10_000) * 2e-5),
    );
    expect(Math.abs((drift?.at ?? 0) - 10_000)).toBeLessThanOrEqual(2_000);
    expect(drift?.slope).toBeGreaterThan(1.4e-5);
    expect(drift?.slope).toBeLessThan(2.8e-5);
    expect(drift?.change).toBeGreaterThan(0.14);
  });

  it('is not found in chance alone, nor in too few readings (property over seeds)', () => {
    const hits = Array.from({ length: 300 }, (_, seed) => driftOf(sheets, noise(seed + 1))).filter(
      (one) => one !== undefined,
    );
    expect(hits.length).toBeLessThan(6);
    expect(driftOf([1, 2, 3], [1, 5, 9])).toBeUndefined();
  });

  it('of a clean bend is exact (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 30 }), fc.double({ min: 1e-5, max: 1e-2, noNaN: true }), (from, slope) => {
        const bend = sheets[from] ?? 0;
        const drift = driftOf(
          sheets,
          sheets.map((x) => 1 + Math.max(0, x - bend) * slope),
        );
        expect(drift?.at).toBe(bend);
        expect(drift?.slope).toBeCloseTo(slope, 8);
      }),
    );
  });
});

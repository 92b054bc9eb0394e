import * as fc from 'fast-check';
import { judgeColour, movesOf } from './advice.js';
import { type RegisterFit, fitRegister } from './fit.js';
import type { MarkPlace, Offset, SheetReading } from './reading.js';
import { runOf } from './run.js';
import { type TrueRegister, standInCamera } from './stand-in.js';

const found = (marks: readonly MarkPlace[], offsets: readonly Offset[]): RegisterFit => {
  const outcome = fitRegister(marks, offsets, 'x');
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return outcome.value;
};
const codes = (marks: readonly MarkPlace[], offsets: readonly Offset[]): string[] => {
  const outcome = fitRegister(marks, offsets, 'x');
  return outcome.ok ? [] : outcome.issues.map(({ code, path }) => `${code} ${path}`);
};

const ACROSS: readonly MarkPlace[] = [
  { xMm: 60, yMm: 350 },
  { xMm: 960, yMm: 350 },
];
const FOUR: readonly MarkPlace[] = [
  { xMm: 60, yMm: 60 },
  { xMm: 960, yMm: 60 },
  { xMm: 60, yMm: 660 },
  { xMm: 960, yMm: 660 },
];
const STEPS = { moveMm: 0.01, cockMmPerM: 0.01 };

describe('two marks on a line across (the example of handbook chapter 5, identity)', () => {
  const offsets = [
    { dx: 0.06, dy: 0.1 },
    { dx: 0.02, dy: 0.16 },
  ];
  const fit = found(ACROSS, offsets);

  it('finds mean, rotation and stretch', () => {
    expect(fit.across).toBeCloseTo(0.04, 12);
    expect(fit.around).toBeCloseTo(0.13, 12);
    expect(fit.rotation * 1000).toBeCloseTo(0.0667, 4);
    expect((fit.stretchAcross ?? 0) * 1e6).toBeCloseTo(-44.4, 1);
    expect(fit.stretchAround).toBeUndefined();
  });

  it('moves everything back, and leaves +-0.02 mm across to the trap', () => {
    const moves = movesOf(fit, STEPS);
    expect([moves.acrossMm, moves.aroundMm, moves.cockMmPerM].map((n) => Math.round(n * 1e4) / 1e4)).toEqual([
      -0.04, -0.13, -0.0667,
    ]);
    expect(moves.steps).toEqual({ across: -4, around: -13, cock: -7 });
    expect(fit.afterMoves.map(({ dx }) => Math.round(dx * 1e9) / 1e9)).toEqual([0.02, -0.02]);
    for (const { dy } of fit.afterMoves) expect(dy).toBeCloseTo(0, 12);
    expect(fit.unexplainedMm).toBeCloseTo(0, 12);
  });
});

describe('the fit', () => {
  const offsetsOf = (marks: readonly MarkPlace[], t: TrueRegister): Offset[] =>
    standInCamera({ seed: 1, marks, colours: { C: t }, sheetNoiseMm: 0, markNoiseMm: 0 }).read(0).colours[
      'C'
    ] as Offset[];
  const still = { driftAcross: 0, driftAround: 0 };

  it('recovers known moves and stretches to a micrometre from three marks and more', () => {
    const small = fc.double({ min: -0.3, max: 0.3, noNaN: true });
    const share = fc.double({ min: -2e-4, max: 2e-4, noNaN: true });
    const place = fc.record({ xMm: fc.integer({ min: 0, max: 1020 }), yMm: fc.integer({ min: 0, max: 720 }) });
    fc.assert(
      fc.property(
        small,
        small,
        share,
        share,
        share,
        fc.array(place, { maxLength: 3 }),
        (across, around, rotation, sx, sy, more) => {
          const marks = [...FOUR.slice(0, 3), ...more];
          const t = { across, around, rotation, stretchAcross: sx, stretchAround: sy, ...still };
          const fit = found(marks, offsetsOf(marks, t));
          expect(fit.across).toBeCloseTo(across, 6);
          expect(fit.around).toBeCloseTo(around, 6);
          // At a metre from the middle.
          expect(fit.rotation * 1000).toBeCloseTo(rotation * 1000, 6);
          expect((fit.stretchAcross ?? 0) * 1000).toBeCloseTo(sx * 1000, 6);
          expect((fit.stretchAround ?? 0) * 1000).toBeCloseTo(sy * 1000, 6);
          expect(fit.unexplainedMm).toBeLessThan(1e-6);
        },
      ),
    );
  });

  it('is the least squares answer: no other turn or stretch leaves less', () => {
    const camera = standInCamera({
      seed: 5,
      marks: FOUR,
      colours: { C: { across: 0.05, around: 0, rotation: 1e-4, stretchAcross: 5e-5, stretchAround: 0, ...still } },
      sheetNoiseMm: 0,
      markNoiseMm: 0.02,
    });
    const offsets = camera.read(3).colours['C'] ?? [];
    const fit = found(FOUR, offsets);
    const left = (change: Partial<Record<'rotation' | 'sx' | 'sy', number>>): number =>
      FOUR.reduce((sum, { xMm, yMm }, i) => {
        const [u, v] = [xMm - fit.middle.xMm, yMm - fit.middle.yMm];
        const t = fit.rotation + (change.rotation ?? 0);
        const dx = (offsets[i]?.dx ?? 0) - fit.across - ((fit.stretchAcross ?? 0) + (change.sx ?? 0)) * u + t * v;
        const dy = (offsets[i]?.dy ?? 0) - fit.around - t * u - ((fit.stretchAround ?? 0) + (change.sy ?? 0)) * v;
        return sum + dx * dx + dy * dy;
      }, 0);
    expect(fit.unexplainedMm).toBeCloseTo(Math.sqrt(left({}) / 8), 12);
    for (const by of [-1e-5, 1e-5])
      for (const key of ['rotation', 'sx', 'sy'] as const) expect(left({ [key]: by })).toBeGreaterThan(left({}));
  });

  it.each<[string, readonly MarkPlace[], readonly Offset[]]>([
    ['register.too-few-marks x', [{ xMm: 1, yMm: 1 }], [{ dx: 0, dy: 0 }]],
    ['register.too-few-marks x', ACROSS, [{ dx: 0, dy: 0 }]],
    [
      'register.offset-too-large x[1]',
      ACROSS,
      [
        { dx: 0, dy: 0 },
        { dx: 60, dy: 0 },
      ],
    ],
    [
      'register.offset-too-large x[0]',
      ACROSS,
      [
        { dx: Number.NaN, dy: 0 },
        { dx: 0, dy: 0 },
      ],
    ],
    [
      'register.marks-on-a-line x',
      [
        { xMm: 0, yMm: 0 },
        { xMm: 100, yMm: 50 },
      ],
      [
        { dx: 0, dy: 0 },
        { dx: 0, dy: 0 },
      ],
    ],
    [
      'register.marks-on-a-line x',
      [
        { xMm: 9, yMm: 9 },
        { xMm: 9, yMm: 9 },
      ],
      [
        { dx: 0, dy: 0 },
        { dx: 0, dy: 0 },
      ],
    ],
  ])('%s', (wanted, marks, offsets) => {
    expect(codes(marks, offsets)).toEqual([wanted]);
  });
});

describe('advice', () => {
  const judge = (t: Partial<TrueRegister>, scatterMm = 0, drifts = false) => {
    const zero = {
      across: 0,
      around: 0,
      rotation: 0,
      stretchAcross: 0,
      stretchAround: 0,
      driftAcross: 0,
      driftAround: 0,
    };
    const camera = standInCamera({
      seed: 1,
      marks: FOUR,
      colours: { C: { ...zero, ...t } },
      sheetNoiseMm: 0,
      markNoiseMm: 0,
    });
    const offsets = camera.read(0).colours['C'] ?? [];
    const fit = found(FOUR, offsets);
    return judgeColour({ marks: FOUR, offsets, fit, toleranceMm: 0.1, leastTrapMm: 0.05, scatterMm, drifts });
  };

  it.each<[string, Partial<TrueRegister>, string[]]>([
    ['nothing out', { across: 0.02 }, ['in-tolerance']],
    ['lateral', { across: 0.2 }, ['move-plate']],
    ['twist', { rotation: 3e-4 }, ['cock-plate']],
    ['both', { around: -0.2, rotation: 3e-4 }, ['move-plate', 'cock-plate']],
    ['stretched', { stretchAcross: 2e-4 }, ['stretch']],
  ])('%s', (_, t, advice) => {
    expect(judge(t).advice).toEqual(advice);
  });

  it('looks at lays and feeder where sheets differ more than the mean is off', () => {
    expect(judge({ across: 0.08 }, 0.15).advice).toEqual(['look-at-lays']);
  });
  it('says that a colour drifts while it is still in', () => {
    expect(judge({ across: 0.02 }, 0, true).advice).toEqual(['drift']);
  });
  it('makes the trap cover what moves leave, and never less than the process asks for', () => {
    expect(judge({ across: 0.3 }).trapMm).toBe(0.05);
    const stretched = judge({ stretchAcross: 2e-4 });
    expect(stretched.trapMm).toBeCloseTo(2e-4 * 450, 9);
    expect(stretched.leftMm).toBe(stretched.trapMm);
  });
});

describe('the stand-in camera and the trend', () => {
  const setting = (drift: number) => ({
    seed: 7,
    marks: FOUR,
    colours: {
      C: {
        across: 0.03,
        around: 0,
        rotation: 0,
        stretchAcross: 0,
        stretchAround: 0,
        driftAcross: drift,
        driftAround: 0,
      },
      M: { across: 0, around: 0.05, rotation: 0, stretchAcross: 0, stretchAround: 0, driftAcross: 0, driftAround: 0 },
    },
    sheetNoiseMm: 0.01,
    markNoiseMm: 0.005,
  });
  const run = (drift: number, sheets = 60): SheetReading[] => {
    const camera = standInCamera(setting(drift));
    return Array.from({ length: sheets }, (_, i) => camera.read(i * 50));
  };

  it('gives the same readings for the same seed, whatever was asked before', () => {
    const [a, b] = [standInCamera(setting(0)), standInCamera(setting(0))];
    a.read(1);
    expect(a.read(9)).toEqual(b.read(9));
    expect(standInCamera({ ...setting(0), seed: 8 }).read(9)).not.toEqual(b.read(9));
  });

  it('scatters as it is told to (identity, within sampling)', () => {
    const { scatterMm, mean, drifts } = runOf('C', run(0, 400), 0.1);
    expect(scatterMm).toBeGreaterThan(Math.hypot(0.01, 0.005) * 0.9);
    expect(scatterMm).toBeLessThan(Math.hypot(0.01, 0.005) * 1.1);
    for (const { dx, dy } of mean) {
      expect(dx).toBeCloseTo(0.03, 2);
      expect(dy).toBeCloseTo(0, 2);
    }
    expect(drifts).toBe(false);
  });

  it('finds a drift that matters, and its size', () => {
    const { drifts, driftPerThousand } = runOf('C', run(0.04), 0.1);
    expect(drifts).toBe(true);
    expect(driftPerThousand.dx).toBeCloseTo(0.04, 2);
    expect(runOf('M', run(0.04), 0.1).drifts).toBe(false);
    // Too few sheets tell nothing.
    expect(runOf('C', run(0.04, 2), 0.1).drifts).toBe(false);
    expect(runOf('C', run(0.04, 1), 0.1).scatterMm).toBe(0);
  });
});

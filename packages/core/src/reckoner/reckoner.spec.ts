import fc from 'fast-check';
import { blockThicknessMm, caseFor, gluedSpineMm, loadingMetres } from '../finishing/index.js';
import { unitsFor } from '../flow/index.js';
import { creepMm } from '../imposition/index.js';
import { evaluate } from '../kernel/index.js';
import { conditioningHours, rollHours, rollKg, rollLengthM, sheeterLengthM, sheeterOutput } from '../paper/index.js';
import { inkKg } from '../press/index.js';
import { readRoute } from './sums/count-sums.js';
import { type SumAnswer, type SumValues, reckonSum, resultsOf } from './sum.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { SUM_EXAMPLES } from './sum-examples.js';
import { SUMS, sumOf } from './sums.js';

function reckon(id: string, values: SumValues): SumAnswer {
  const sum = sumOf(id);
  if (!sum) throw new Error(`no sum ${id}`);
  return reckonSum(sum, values);
}
const results = (id: string, values: SumValues): Record<string, number> =>
  Object.fromEntries(resultsOf(reckon(id, values)).map((figure) => [figure.id, figure.value]));
const codes = (id: string, values: SumValues): string[] =>
  reckon(id, values).issues.map(({ code, path }) => `${code} ${path}`);

describe('sums', () => {
  it.each(SUMS.map(({ id }) => id))(
    '%s is reckoned, every figure by its formula, and asks for exactly what it lacks',
    (id) => {
      const values = SUM_EXAMPLES[id] ?? {};
      const answer = reckon(id, values);
      expect(answer.issues).toEqual([]);
      expect(answer.shown.length + answer.texts.length).toBeGreaterThan(0);
      for (const { formula, inputs, value } of Object.values(answer.figures)) {
        expect(Number.isFinite(value)).toBe(true);
        if (formula === undefined) continue;
        const again = evaluate(formula, (name) => answer.figures[inputs[name] ?? '']?.value ?? NaN);
        expect(again).toBe(value);
      }
      const wanted = SUMS.find((one) => one.id === id)?.fields.filter(({ usual }) => usual === undefined) ?? [];
      for (const field of wanted) {
        const without = { ...values, [field.id]: undefined };
        expect(codes(id, without)).toEqual([`sum.missing ${field.id}`]);
      }
    },
  );

  it('say whether norms of the works go into them, and come to something else where it has others', () => {
    const [sheets, spine] = [sumOf('press-sheets'), sumOf('spine')];
    if (!sheets || !spine) throw new Error('no such sums');
    expect(reckonSum(spine, SUM_EXAMPLES['spine'] ?? {}).byNorms).toBe(false);
    const shipped = reckonSum(sheets, SUM_EXAMPLES['press-sheets'] ?? {});
    expect(shipped.byNorms).toBe(true);
    const own = {
      ...SHIPPED_WORKS,
      norms: { ...SHIPPED_WORKS.norms, 'sure.p': { value: 0.999, source: { label: 'set by user' } as const } },
    };
    const sure = (answer: SumAnswer): number => answer.figures['sure']?.value ?? 0;
    expect(sure(reckonSum(sheets, SUM_EXAMPLES['press-sheets'] ?? {}, own))).toBeGreaterThan(sure(shipped));
  });

  it('never answer with no number, whatever is typed (property)', () => {
    const one = fc.constantFrom(...SUMS);
    const typed = fc.oneof(
      fc.double({ noNaN: false }),
      fc.integer({ min: -5, max: 100_000 }),
      fc.string({ maxLength: 12 }),
    );
    fc.assert(
      fc.property(one, fc.array(typed, { minLength: 12, maxLength: 12 }), (sum, values) => {
        const answer = reckonSum(sum, Object.fromEntries(sum.fields.map(({ id }, i) => [id, values[i]])));
        for (const { value } of resultsOf(answer)) expect(Number.isFinite(value)).toBe(true);
        if (answer.shown.length === 0 && answer.texts.length === 0) expect(answer.issues.length).toBeGreaterThan(0);
      }),
      { numRuns: 500 },
    );
  });

  it('tell what is wrong at its field', () => {
    expect(codes('spine', { pages: 240.5, caliper: 110 })).toEqual(['sum.whole pages']);
    expect(codes('spine', { pages: 240, caliper: 0 })).toEqual(['sum.range caliper']);
    expect(codes('roll', { outer: 60, caliper: 100 })).toEqual(['sum.roll outer']);
    expect(codes('n-up', { width: 100, height: 100, pieceWidth: 210, pieceHeight: 297 })).toEqual([
      'sum.none-fits pieceWidth',
    ]);
    expect(codes('basis-to-gsm', { pounds: 74, grade: 'velvet' })).toEqual(['sum.choice grade']);
    expect(codes('break-even', { fixedA: 1, thousandA: 1, fixedB: 2, thousandB: 2 })).toEqual([
      'sum.never-even thousandB',
    ]);
    expect(codes('check-character', { digits: '12a' })).toEqual(['sum.digits digits']);
    expect(codes('number-list', { first: 1, count: 2_000_000, digits: 6 })).toEqual(['sum.too-few-digits digits']);
    expect(codes('press-sheets', { quantity: 100, route: 'print 200 1.5 %, 7' })).toEqual(['sum.route route']);
    expect(codes('press-sheets', { quantity: 100, route: 'print 10 120 %' })).toEqual(['sum.route route']);
  });
});

describe('sums against what is known', () => {
  it('74 lb text is 109.5 g/m2, 20 lb bond 75.2 (identity: pound and inch of 1959)', () => {
    expect(results('basis-to-gsm', { pounds: 74, grade: 'text' })['gsm']).toBeCloseTo(109.5, 1);
    expect(results('basis-to-gsm', { pounds: 20, grade: 'bond' })['gsm']).toBeCloseTo(75.2, 1);
    const back = results('gsm-to-basis', { gsm: 109.525, grade: 'text' })['pounds'];
    expect(back).toBeCloseTo(74, 2);
  });

  it('a roll of 1,000 mm on 76 mm at 0.1 mm holds 7,809 m, and back (identity: the ring over the caliper)', () => {
    const { length = 0 } = results('roll', { outer: 1000, core: 76, caliper: 100 });
    expect(length).toBeCloseTo((Math.PI * (1000 ** 2 - 76 ** 2)) / 400, 6);
    expect(results('roll-diameter', { length, core: 76, caliper: 100 })['outer']).toBeCloseTo(1000, 6);
  });

  it('paper from the cold stands as practice says: 6 h, and 20 to 24 h (handbook chapter 3)', () => {
    expect(results('conditioning', { volume: 0.25, kelvin: 5 })).toMatchObject({ from: 6, to: 6 });
    const { from, to } = results('conditioning', { volume: 1, kelvin: 10 });
    expect(from).toBeCloseTo(20, 9);
    expect(to).toBeCloseTo(24, 9);
  });

  it('spine, creep and case are those of the handbook (chapters 4 and 7)', () => {
    expect(results('spine', { pages: 240, caliper: 110, cover: 0 })['block']).toBeCloseTo(13.2, 9);
    // 0.10 mm, the eighth sheet: 0.70 / 1.10 / 1.40 mm.
    const creep = (method: string) => results('creep', { pages: 32, caliper: 100, method })['creep'] ?? 0;
    expect([creep('thumb'), creep('round'), creep('square')].map((mm) => mm.toFixed(2))).toEqual([
      '0.70',
      '1.10',
      '1.40',
    ]);
  });

  it('sheets by route are those of the flow engine at every station (identity)', () => {
    const route = fc.array(
      fc.record({
        setup: fc.integer({ min: 0, max: 300 }),
        percent: fc.integer({ min: 0, max: 200 }),
        out: fc.integer({ min: 1, max: 16 }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), route, (quantity, stations) => {
        const text = stations
          .map(({ setup, percent, out }, i) => `work${'abcde'[i] ?? ''} ${setup} ${percent / 10} % x${out}`)
          .join('; ');
        const read = readRoute(text);
        expect(read.issues).toEqual([]);
        let wanted = quantity;
        for (const { setup, running, yield: each } of [...read.stations].reverse()) {
          const step = { id: 's', path: '', inputs: [], outputs: [], setup, running, incidents: [], finishing: true };
          wanted = unitsFor(step, { material: 'm', yield: each, samples: 0 }, wanted);
        }
        const found = results('press-sheets', { quantity, route: text });
        expect(found['step']).toBe(wanted);
        expect(found['added'] ?? Infinity).toBeLessThanOrEqual(found['step'] ?? 0);
      }),
      { numRuns: 60 },
    );
  });

  it('a lot of 1,000 at 1.0 is looked at by 80, accepted with 2 (handbook chapter 9; memory, ISO 2859-1)', () => {
    expect(results('sampling', { lot: 1000, aql: '1' })).toMatchObject({ n: 80, accept: 2, reject: 3 });
  });

  it('check characters are those of the standards (ISO/IEC 7064: 079X, 79444; GS1: 4006381333931; from memory)', () => {
    const texts = (digits: string, system: string) =>
      reckon('check-character', { digits, system }).texts.map(({ text }) => text);
    expect(texts('079', 'MOD 11-2')).toEqual(['X', '079X']);
    expect(texts('794', 'MOD 97-10')).toEqual(['44', '79444']);
    expect(texts('400638133393', 'GS1 mod 10')).toEqual(['1', '4006381333931']);
  });

  it('a thousand sheets of 25 by 38 in at 104 g/m2 weigh 63.7 kg, 140.5 lb (identity)', () => {
    const found = results('paper-weight', { width: 635, height: 965.2, gsm: 104 });
    expect(found['kgPerThousand']).toBeCloseTo(63.74, 2);
    expect(found['poundsPerThousand']).toBeCloseTo(140.5, 1);
  });

  it('two ways cost the same where their lines cross (identity)', () => {
    expect(results('break-even', { fixedA: 100, thousandA: 50, fixedB: 400, thousandB: 20 })).toEqual({
      even: 10_000,
      both: 600,
    });
  });

  it('come to what the functions of core come to that plans are reckoned by (differential)', () => {
    const roll = results('roll', { outer: 980, core: 150, caliper: 92, width: 870, gsm: 115, speed: 240 });
    const metres = rollLengthM(980, 150, 92);
    expect(roll['length']).toBeCloseTo(metres, 6);
    expect(roll['kg']).toBeCloseTo(rollKg(metres, 870, 115), 6);
    expect(roll['hours']).toBeCloseTo(rollHours(metres, 240), 9);
    const web = { webWidthMm: 1_000, edgeTrimMm: 5, sheetAcrossMm: 490, cutLengthMm: 700 };
    const sheets = results('roll-to-sheets', {
      length: 5_000,
      width: 1_000,
      trim: 5,
      across: 490,
      cut: 700,
      wanted: 9_999,
    });
    expect(sheets['sheets']).toBe(sheeterOutput(web, 5_000));
    expect(sheets['metres']).toBeCloseTo(sheeterLengthM(web, 9_999) ?? 0, 9);
    const made = results('case', {
      width: 152,
      height: 229,
      pages: 336,
      caliper: 95,
      board: 2.5,
      square: 3,
      joint: 7,
      turnIn: 15,
    });
    const block = { widthMm: 152, heightMm: 229, thicknessMm: blockThicknessMm(336, 95) };
    const boards = caseFor(block, { squareMm: 3, jointMm: 7, turnInMm: 15, boardMm: 2.5 });
    expect([made['boardWidth'], made['boardHeight'], made['clothHeight']]).toEqual([
      boards.boardWidthMm,
      boards.boardHeightMm,
      boards.clothHeightMm,
    ]);
    expect(made['strip']).toBeCloseTo(boards.stripWidthMm, 9);
    expect(made['clothWidth']).toBeCloseTo(boards.clothWidthMm, 9);
    const spine = results('spine', { pages: 336, caliper: 95, cover: 280, covers: 2 });
    expect(spine['spine']).toBeCloseTo(gluedSpineMm(blockThicknessMm(336, 95), 280, 2), 9);
    const creep = results('creep', { pages: 64, caliper: 95, method: 'round' });
    expect(creep['creep']).toBeCloseTo(creepMm(15, 95, 'round'), 9);
    const ink = results('ink', { impressions: 12_000, width: 700, height: 1_000, coverage: 35, film: 1.1 });
    expect(ink['kg']).toBeCloseTo(inkKg(12_000, 0.7, 0.35, 1.1), 9);
    const cold = conditioningHours(0.7, 13);
    expect(results('conditioning', { volume: 0.7, kelvin: 13 })).toMatchObject({
      from: expect.closeTo(cold.from, 9) as number,
      to: expect.closeTo(cold.to, 9) as number,
    });
    const pallet = results('pallet', { length: 400, width: 300, depth: 200, kg: 9, boxes: 200 });
    const size = { lengthMm: 1_200, widthMm: 800 };
    expect(pallet['loading']).toBeCloseTo(loadingMetres(pallet['pallets'] ?? 0, size), 9);
  });
});

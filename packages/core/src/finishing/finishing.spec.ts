import { uniform } from '../kernel/index.js';
import { blockThicknessMm, caseFor, coverSheet, gluedSpineMm } from './book.js';
import { checkCharacters } from './check-characters.js';
import {
  type NumberPlan,
  numberLines,
  orderOnSheet,
  printedNumber,
  readSkips,
  replaceVoids,
  runNumber,
} from './numbering.js';
import { type SingleOrder, batchOrders, checkKits, checkersFor } from './on-demand.js';
import { boxFor, loadingMetres, palletFor, transportCode } from './packing.js';
import { type PanelFold, alongFirst, foldPanels, foldedPiece } from './panels.js';
import { type Scan, checkScans } from './section-scan.js';

describe('books', () => {
  it('240 pages at 110 um are 13.2 mm (handbook chapter 7)', () => {
    expect(blockThicknessMm(240, 110)).toBeCloseTo(13.2, 9);
    expect(gluedSpineMm(13.2, 200, 2)).toBeCloseTo(13.6, 9);
  });

  it('the case of a block of 150 x 220 x 13.2 (handbook chapter 7)', () => {
    const made = caseFor(
      { widthMm: 150, heightMm: 220, thicknessMm: 13.2 },
      { squareMm: 3, jointMm: 7, turnInMm: 15, boardMm: 2.5 },
    );
    expect(made).toEqual({
      boardWidthMm: 146,
      boardHeightMm: 226,
      stripWidthMm: 18.2,
      jointMm: 7,
      clothWidthMm: 354.2,
      clothHeightMm: 256,
    });
  });

  it('one board caliper more in the joint widens the cloth by two (identity)', () => {
    const settings = { squareMm: 3, jointMm: 7, turnInMm: 15, boardMm: 2.5 };
    const block = { widthMm: 150, heightMm: 220, thicknessMm: 13.2 };
    const [plain, more] = [caseFor(block, settings), caseFor(block, { ...settings, jointCalipers: 1 })];
    expect(more.clothWidthMm - plain.clothWidthMm).toBeCloseTo(5, 9);
  });

  it('a cover holds two pages, their trims and the spine, twice as high two-up', () => {
    expect(coverSheet({ widthMm: 148, heightMm: 210 }, 3, 10)).toEqual({ widthMm: 312, heightMm: 216 });
    expect(coverSheet({ widthMm: 148, heightMm: 210 }, 3, 10, 2).heightMm).toBe(432);
  });
});

describe('fold panels', () => {
  const settings = { letterShortMm: 1.5, rollStepMm: 1, gateShortMm: 1.5, caliperMm: 0.1 };
  const panels = (kind: PanelFold, lengthMm: number, folds: number, caliperMm = 0.1) => {
    const made = foldPanels(kind, { lengthMm, otherMm: 210 }, folds, { ...settings, caliperMm });
    if (!made.ok) throw new Error(made.reason);
    return made.panels;
  };

  it('letter fold: the inner panel 1.5 mm shorter (handbook chapter 7)', () => {
    expect(panels('letter', 297, 2).panelsMm).toEqual([99.5, 99.5, 98]);
  });
  it('roll fold: each inner panel 1 mm shorter than the one before', () => {
    expect(panels('roll', 397, 3).panelsMm).toEqual([100, 100, 99, 98]);
  });
  it('gate fold: both flaps short of the middle', () => {
    const [left, middle, right] = panels('gate', 397, 2).panelsMm;
    expect([left, middle, right]).toEqual([98.5, 200, 98.5]);
  });
  it('accordion equal, map across it', () => {
    expect(panels('accordion', 400, 3).panelsMm).toEqual([100, 100, 100, 100]);
    expect(panels('map', 400, 3)).toMatchObject({ crossMm: [105], foldedWidthMm: 100, foldedHeightMm: 105, layers: 8 });
    expect(panels('accordion', 400, 3).lines.map(({ way }) => way)).toEqual(['up', 'down', 'up']);
  });
  it.each<[PanelFold, number]>([
    ['half', 1],
    ['letter', 2],
    ['roll', 4],
    ['gate', 2],
    ['parallel', 2],
    ['right-angle', 1],
    ['accordion', 5],
    ['map', 4],
  ])('%s: panels add to the sheet, lines stand between them (identity)', (kind, folds) => {
    for (const caliper of [0.08, 0.5, 1.1]) {
      const { panelsMm, lines } = panels(kind, 480, folds, caliper);
      expect(panelsMm.reduce((a, b) => a + b, 0)).toBeCloseTo(480, 9);
      expect(lines).toHaveLength(panelsMm.length - 1);
      let at = 0;
      lines.forEach((line, i) => expect(line.atMm).toBeCloseTo((at += panelsMm[i] ?? 0), 9));
    }
  });
  it('thick paper shortens by what goes around it', () => {
    const [outer, , inner] = panels('letter', 297, 2, 1.2).panelsMm;
    expect((outer ?? 0) - (inner ?? 0)).toBeCloseTo(2.4, 9);
  });
  it('the folded piece is the longest panel, before shortening, and lies on itself as often as it has panels', () => {
    for (const [kind, folds] of [
      ['half', 1],
      ['letter', 2],
      ['roll', 3],
      ['accordion', 3],
      ['gate', 2],
      ['parallel', 2],
      ['map', 4],
    ] as const) {
      const none = { letterShortMm: 0, rollStepMm: 0, gateShortMm: 0, caliperMm: 0 };
      const made = foldPanels(kind, { lengthMm: 480, otherMm: 300 }, alongFirst(kind, folds), none);
      const piece = foldedPiece(kind, { lengthMm: 480, otherMm: 300 }, folds);
      if (!made.ok) throw new Error(made.reason);
      expect([kind, piece.lengthMm, piece.otherMm, piece.layers]).toEqual([
        kind,
        made.panels.foldedWidthMm,
        made.panels.foldedHeightMm,
        made.panels.layers,
      ]);
    }
  });
  it('refuses panels that no folder takes, with the length that would do, and a panel against its own', () => {
    const refused = foldPanels('accordion', { lengthMm: 60, otherMm: 100 }, 5, settings);
    expect(refused).toEqual({ ok: false, reason: 'too-short', needsMm: 120 });
    expect(foldPanels('accordion', { lengthMm: 120, otherMm: 100 }, 5, settings).ok).toBe(true);
  });

  it('panels by hand: refused where one folds against the one before, misses the piece, or is one too many', () => {
    const told = (kind: PanelFold, panels: readonly number[], lengthMm = panels.reduce((a, b) => a + b, 0)) =>
      foldPanels(kind, { lengthMm, otherMm: 100 }, panels.length - 1, { ...settings, caliperMm: 0.1 }, panels);
    expect(told('letter', [100, 100, 101])).toEqual({ ok: false, reason: 'against-panel', panel: 2, mostMm: 100 });
    expect(told('roll', [100, 100, 99, 98]).ok).toBe(true);
    expect(told('roll', [100, 100, 99, 99])).toEqual({ ok: false, reason: 'against-panel', panel: 3, mostMm: 98.8 });
    // Nothing folds in against anything in an accordion.
    expect(told('accordion', [100, 100, 101]).ok).toBe(true);
    expect(told('letter', [100, 100, 99], 297)).toEqual({ ok: false, reason: 'sum', sumMm: 299 });
    expect(foldPanels('letter', { lengthMm: 297, otherMm: 210 }, 2, settings, [148, 149])).toEqual({
      ok: false,
      reason: 'count',
      wanted: 3,
    });
  });
});

describe('check characters', () => {
  it('ISO/IEC 7064 as its examples have it (standard, from memory, recomputed)', () => {
    expect(checkCharacters('0794', 'MOD 11-2')).toBe('0');
    expect(checkCharacters('079', 'MOD 11-2')).toBe('X');
    expect(checkCharacters('794', 'MOD 97-10')).toBe('44');
  });
  it('GS1 mod 10: 629104150021 closes with 3 (GS1 General Specifications, from memory, recomputed)', () => {
    expect(checkCharacters('629104150021', 'GS1 mod 10')).toBe('3');
    // The General Specifications' own serial shipping code (from memory, recomputed).
    expect(transportCode('37610425', 2_123_456)).toBe('376104250021234569');
  });
  it('is 1 modulo 97, and by the weights of MOD 11-2 1 modulo 11, for any number (identity)', () => {
    for (let n = 1; n < 3000; n += 7) {
      const digits = String(n);
      expect(Number(`${digits}${checkCharacters(digits, 'MOD 97-10')}`) % 97).toBe(1);
      const check = checkCharacters(digits, 'MOD 11-2');
      const all = Array.from(digits, Number).concat(check === 'X' ? 10 : Number(check));
      expect(all.reverse().reduce((sum, digit, i) => sum + digit * 2 ** i, 0) % 11).toBe(1);
    }
  });
  it('notices a wrong digit and two that have changed places', () => {
    const good = checkCharacters('123456', 'MOD 97-10');
    expect(checkCharacters('123465', 'MOD 97-10')).not.toBe(good);
    expect(checkCharacters('123356', 'MOD 97-10')).not.toBe(good);
  });
  it('takes digits alone', () => {
    expect(() => checkCharacters('12a', 'MOD 11-2')).toThrow('digits wanted');
  });
});

describe('numbering', () => {
  const PLAN: NumberPlan = { first: 1, step: 1, prefix: 'GF', digits: 6, check: 'none', skips: [], lowestOnTop: false };

  it('prints prefix, digits and check characters', () => {
    expect(printedNumber(42, { ...PLAN, check: 'MOD 97-10' })).toBe('GF00004269');
    expect(printedNumber(42, PLAN)).toBe('GF000042');
  });

  it('leaves the skips out and loses no place', () => {
    const plan = { ...PLAN, skips: [3, 4, 7] };
    expect(Array.from({ length: 6 }, (_, n) => runNumber(n, plan))).toEqual([1, 2, 5, 6, 8, 9]);
    const down = { ...PLAN, first: 10, step: -1, skips: [8] };
    expect(Array.from({ length: 4 }, (_, n) => runNumber(n, down))).toEqual([10, 9, 7, 6]);
    expect(readSkips('7, 100-102')).toEqual([7, 100, 101, 102]);
    expect(readSkips('9-7')).toBeUndefined();
    expect(readSkips('seven')).toBeUndefined();
  });

  it('cut piles laid one on another run in sequence, for random sheets (simulated)', () => {
    let drawn = 0;
    const noise = (): number => uniform(3, drawn++);
    for (let turn = 0; turn < 60; turn++) {
      const [sheets, positions] = [1 + Math.floor(noise() * 40), 1 + Math.floor(noise() * 24)];
      for (const lowestOnTop of [false, true]) {
        const plan = { ...PLAN, lowestOnTop, first: 1 + Math.floor(noise() * 500) };
        // Sheets come one on another: what is numbered first lies lowest. Each pile holds one position of all sheets.
        const printed = Array.from({ length: positions }, (_, position) =>
          Array.from({ length: sheets }, (_, sheet) =>
            runNumber(orderOnSheet(sheet, position, sheets, lowestOnTop), plan),
          ),
        );
        const wanted = Array.from({ length: sheets * positions }, (_, n) => plan.first + n);
        // Numbers run up from the lowest of a pile, or from its top; piles follow each other by position.
        const read = printed.flatMap((pile) => (lowestOnTop ? [...pile].reverse() : pile));
        expect(read).toEqual(wanted);
      }
    }
  });

  it('lists what stands where, and replaces voids from behind the run', () => {
    const lines = numberLines(PLAN, 3, 2, 1, 2);
    expect(lines).toEqual([
      { sheet: 2, position: 1, printed: 'GF000002' },
      { sheet: 2, position: 2, printed: 'GF000005' },
    ]);
    expect(replaceVoids([4, 2, 4], 6, PLAN)).toEqual([
      { number: 4, printed: 'GF000004', replacedBy: 'GF000007' },
      { number: 2, printed: 'GF000002', replacedBy: 'GF000008' },
    ]);
  });
});

describe('the scan of sections', () => {
  const codes = ['J.01', 'J.02', 'J.03', 'J.04'];
  const scans = (...read: string[]): Scan[] => read.map((code) => ({ code, upright: true }));

  it('passes sound blocks', () => {
    expect(checkScans(codes, scans(...codes, ...codes))).toEqual({ ok: true, blocks: 2 });
  });
  it.each([
    ['missing', scans('J.01', 'J.03', 'J.04'), 1],
    ['doubled', scans('J.01', 'J.01', 'J.02'), 1],
    ['wrong', scans('J.01', 'J.04', 'J.03', 'J.02'), 1],
    ['foreign', scans('J.01', 'K.02'), 1],
    ['turned', [...scans('J.01'), { code: 'J.02', upright: false }], 1],
    ['missing', scans('J.01', 'J.02', 'J.03', 'J.04', 'J.01'), 5],
  ] as const)('stops at a %s one', (fault, stream, at) => {
    expect(checkScans(codes, stream)).toMatchObject({ ok: false, fault, at });
  });
  it('says in which block', () => {
    expect(checkScans(codes, scans(...codes, 'J.01', 'J.02', 'J.04'))).toMatchObject({
      block: 1,
      wanted: 'J.03',
      read: 'J.04',
    });
  });
});

describe('packing', () => {
  const PALLET = { lengthMm: 1200, widthMm: 800, ownHeightMm: 144, heightMm: 1500, kg: 900 };

  it('stacks pieces beside each other where one stack is too tall', () => {
    const box = boxFor({ widthMm: 100, heightMm: 150, thicknessMm: 1, massG: 10 }, 600, 4);
    expect(box).toMatchObject({ innerMm: [305, 155, 205], outerMm: [313, 163, 213], kg: 6 });
  });
  it('lays boxes on a pallet by height and by mass', () => {
    const light = palletFor({ outerMm: [400, 300, 200], kg: 5 }, 100, PALLET);
    expect(light).toMatchObject({ perLayer: 8, layers: 6, perPallet: 48, pallets: 3, heightMm: 1344, kg: 240 });
    const heavy = palletFor({ outerMm: [400, 300, 200], kg: 30 }, 100, PALLET);
    expect(heavy).toMatchObject({ layers: 3, perPallet: 24, pallets: 5 });
    expect(palletFor({ outerMm: [1300, 900, 200], kg: 5 }, 1, PALLET)).toBeUndefined();
  });
  it('a pallet of 800 x 1200 takes 0.4 m of a truck (handbook chapter 7)', () => {
    expect(loadingMetres(1, PALLET)).toBeCloseTo(0.4, 9);
    expect(loadingMetres(33, PALLET)).toBeCloseTo(13.2, 9);
  });
});

describe('books on demand', () => {
  const order = (id: string, change: Partial<SingleOrder> = {}): SingleOrder => ({
    id,
    title: id,
    widthMm: 148,
    heightMm: 210,
    pages: 161,
    stock: 'cream',
    film: 'matt',
    due: '2026-12-05',
    ...change,
  });
  it('run in batches of one format, paper and film, earliest first', () => {
    const batches = batchOrders([
      order('a'),
      order('b', { film: 'gloss', due: '2026-12-01' }),
      order('c', { due: '2026-12-02' }),
    ]);
    expect(batches.map(({ orders }) => orders.map(({ id }) => id))).toEqual([['b'], ['c', 'a']]);
    expect(batches[1]?.leaves).toBe(162);
  });
  it('kits are matched code by code', () => {
    expect(checkKits(['1', '2'], ['1', '2'])).toEqual({ ok: true });
    expect(checkKits(['1', '2'], ['1', '3'])).toEqual({ ok: false, fault: 'not the same', at: 1 });
    expect(checkKits(['1', '2'], ['1'])).toEqual({ ok: false, fault: 'no cover', at: 1 });
    expect(checkKits(['1'], ['1', '2'])).toEqual({ ok: false, fault: 'no block', at: 1 });
  });
  it('the final check keeps up with so many people (handbook chapter 7: 8 to 15 s a book)', () => {
    expect(checkersFor(600, 12)).toBe(2);
    expect(checkersFor(601, 12)).toBe(3);
  });
});

import { poundToGsm } from '../kernel/index.js';
import { BASIS_SHEETS, LINER_GSM_PER_POUND, bulkOf, pagesPerInch, poundsPerThousand } from './basis.js';
import { CONDITIONING_KELVIN, CONDITIONING_VOLUMES_M3, conditioningHours } from './conditioning.js';
import { fanOut } from './fan-out.js';
import {
  rollDiameterMm,
  rollHours,
  rollKg,
  rollLengthM,
  rollLengthOfKg,
  sheeterLanes,
  sheeterLengthM,
  sheeterOutput,
  shortRolls,
} from './roll.js';
import { ENVELOPES, US_SHEETS_IN, isoSize } from './sizes.js';
import { caliperUm, kgPerThousand } from './weight.js';

describe('sizes', () => {
  // standard: ISO 216 and ISO 217, as listed in handbook chapter 3
  it.each([
    ['A0', 841, 1189],
    ['A1', 594, 841],
    ['A2', 420, 594],
    ['A3', 297, 420],
    ['A4', 210, 297],
    ['A5', 148, 210],
    ['A6', 105, 148],
    ['B0', 1000, 1414],
    ['B1', 707, 1000],
    ['B2', 500, 707],
    ['B3', 353, 500],
    ['RA0', 860, 1220],
    ['RA1', 610, 860],
    ['RA2', 430, 610],
    ['SRA0', 900, 1280],
    ['SRA1', 640, 900],
    ['SRA2', 450, 640],
  ])('%s is %i x %i mm', (name, widthMm, heightMm) => {
    expect(isoSize(name)).toEqual({ widthMm, heightMm });
  });

  it('folds C5 out of C4 and C6 out of C5, as ISO 269 halves them (standard, from memory)', () => {
    const { C4, C5, C6 } = ENVELOPES;
    expect([C5?.widthMm, C5?.heightMm]).toEqual([Math.floor((C4?.heightMm ?? 0) / 2), C4?.widthMm]);
    expect([C6?.widthMm, C6?.heightMm]).toEqual([Math.floor((C5?.heightMm ?? 0) / 2), C5?.widthMm]);
    expect(US_SHEETS_IN).toContainEqual([25, 38]);
  });

  it('does not know other names', () => {
    expect(isoSize('A11')).toBeUndefined();
    expect(isoSize('toString')).toBeUndefined();
  });
});

describe('weight', () => {
  it('weighs sheets', () => {
    expect(kgPerThousand(720, 1020, 115)).toBeCloseTo(84.456, 9); // identity, handbook chapter 3
    expect(kgPerThousand(210, 297, 80)).toBeCloseTo(4.9896, 9); // identity, handbook chapter 3
  });

  it('derives caliper from bulk', () => {
    expect(caliperUm(90, 0.92)).toBeCloseTo(82.8, 9); // identity
  });
});

describe('US weights (handbook chapter 3)', () => {
  it('weighs a thousand of any size by the basis: 70 lb text is 140 lb at 25 x 38 and 70 lb at 19 x 25 (identity)', () => {
    expect(poundsPerThousand(70, [25, 38], BASIS_SHEETS.text)).toBeCloseTo(140, 9);
    expect(poundsPerThousand(70, [19, 25], BASIS_SHEETS.text)).toBeCloseTo(70, 9);
  });
  it('tells liners by a thousand square feet: 4.8824 g for a pound (identity)', () => {
    expect(LINER_GSM_PER_POUND).toBeCloseTo(4.8824, 4);
  });
  it.each([
    ['bond', 3.7597],
    ['cover', 2.7041],
    ['bristol', 2.1928],
    ['index', 1.808],
    ['tag', 1.6275],
    ['text', 1.4801],
  ] as const)('one pound of %s is %d g (identity)', (grade, gsm) => {
    expect(poundToGsm(1, BASIS_SHEETS[grade])).toBeCloseTo(gsm, 4);
  });
  it('counts pages to an inch and reads bulk back', () => {
    expect(pagesPerInch(100)).toBe(508);
    expect(bulkOf(caliperUm(90, 0.92), 90)).toBeCloseTo(0.92, 12);
  });
});

describe('rolls (identities of handbook chapter 3)', () => {
  it('D 1000, core 76, 0.100 mm: 7,808.6 m; 880 mm wide at 80 g: 549.7 kg', () => {
    expect(rollLengthM(1000, 76, 100)).toBeCloseTo(7808.6, 1);
    expect(rollKg(rollLengthM(1000, 76, 100), 880, 80)).toBeCloseTo(549.7, 1);
    expect(rollDiameterMm(rollLengthM(1000, 76, 100), 76, 100)).toBeCloseTo(1000, 9);
  });
  it('600 kg, 480 mm, 200 g: 6,250 m, 25 minutes at 250 m/min', () => {
    expect(rollLengthOfKg(600, 480, 200)).toBeCloseTo(6250, 9);
    expect(rollHours(6250, 250) * 60).toBeCloseTo(25, 9);
  });
  it('12,000 m make 4,000 rolls of 3 m', () => {
    expect(shortRolls(12_000, 3)).toBe(4000);
  });
  it('sheets: lanes by floor((web - 2 trims) / sheet), output by whole cuts', () => {
    const cut = { webWidthMm: 1030, edgeTrimMm: 5, sheetAcrossMm: 510, cutLengthMm: 720 };
    expect(sheeterLanes(cut)).toBe(2);
    expect(sheeterOutput(cut, 7.2)).toBe(20);
    expect(sheeterLengthM(cut, 21)).toBeCloseTo(11 * 0.72, 12);
    expect(sheeterLengthM({ ...cut, sheetAcrossMm: 1100 }, 1)).toBeUndefined();
  });
});

describe('conditioning (handbook chapter 3)', () => {
  it('0.25 m3 and 5 K about 6 h; 1 m3 and 10 K 20 to 24 h; never over three days', () => {
    expect(conditioningHours(0.25, 5)).toEqual({ from: 6, to: 6 });
    const large = conditioningHours(1, 10);
    expect([large.from, large.to].map((h) => Math.round(h * 1e6) / 1e6)).toEqual([20, 24]);
    expect(conditioningHours(4, 20).to).toBe(72);
    for (const volume of CONDITIONING_VOLUMES_M3)
      for (const kelvin of CONDITIONING_KELVIN) {
        const { from, to } = conditioningHours(volume, kelvin);
        expect(to).toBeGreaterThanOrEqual(from);
      }
  });
});

describe('fan-out', () => {
  it('grows three times as much across the grain as along (handbook chapter 3)', () => {
    const grown = fanOut(1000, 700, 'width', 10, 0.0001);
    expect(grown.heightMm).toBeCloseTo(0.7, 12);
    expect(grown.widthMm).toBeCloseTo(1 / 3, 12);
    expect(grown.edgeAroundMm).toBeCloseTo(0.35, 12);
    expect(fanOut(1000, 700, 'height', -10, 0.0001).acrossPpm).toBeCloseTo(-1000, 9);
  });
});

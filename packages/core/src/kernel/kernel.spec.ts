import fc from 'fast-check';
import {
  add,
  ceil,
  ceilRatio,
  compare,
  divide,
  floor,
  floorRatio,
  fraction,
  multiply,
  subtract,
  toNumber,
} from './fraction.js';
import {
  footToM,
  gsmToPound,
  inchToMm,
  kgToPound,
  mmToInch,
  mToFoot,
  pointToUm,
  poundToGsm,
  poundToKg,
  umToPoint,
} from './units.js';

describe('fractions', () => {
  it('reads a number as the decimal that was written', () => {
    expect(fraction(0.002)).toEqual({ num: 1n, den: 500n });
    expect(fraction(-1.5)).toEqual({ num: -3n, den: 2n });
    expect(fraction(12)).toEqual({ num: 12n, den: 1n });
  });

  it('guards the floors and ceilings that doubles get wrong (handbook chapter 6)', () => {
    expect(floorRatio(85, 0.17)).toBe(500); // doubles: 499
    expect(floorRatio(82 * 3.175, 127 + 3.175)).toBe(2); // doubles: 1
    const good = multiply(fraction(3), subtract(fraction(1), fraction(0.002)));
    expect(ceil(divide(fraction(1497), good))).toBe(500); // doubles: 501
    expect(ceil(divide(fraction(3807), subtract(fraction(1), fraction(0.06))))).toBe(4050); // doubles: 4,051
  });

  it('rounds both ways on both sides of nought', () => {
    expect([ceil(fraction(-1.5)), floor(fraction(-1.5)), ceil(fraction(1.5)), floor(fraction(1.5))]).toEqual([
      -1, -2, 2, 1,
    ]);
    expect(ceilRatio(10, 4)).toBe(3);
  });

  it('keeps the laws of arithmetic', () => {
    const value = fc.integer({ min: -1_000_000, max: 1_000_000 }).map((n) => fraction(n / 1000));
    fc.assert(
      fc.property(value, value, value, (a, b, c) => {
        expect(compare(add(a, b), add(b, a))).toBe(0);
        expect(compare(multiply(a, add(b, c)), add(multiply(a, b), multiply(a, c)))).toBe(0);
        expect(compare(subtract(add(a, b), b), a)).toBe(0);
        expect(floor(a)).toBeLessThanOrEqual(toNumber(a));
        expect(ceil(a)).toBeGreaterThanOrEqual(toNumber(a));
      }),
    );
  });
});

describe('units', () => {
  // identity: handbook chapter 3, gsm for one pound of a grade
  it.each([
    ['bond', [17, 22], 3.7597],
    ['cover', [20, 26], 2.7041],
    ['bristol', [22.5, 28.5], 2.1928],
    ['index', [25.5, 30.5], 1.808],
    ['tag', [24, 36], 1.6275],
    ['text', [25, 38], 1.4801],
  ] as const)('one pound of %s', (_, basis, gsm) => {
    expect(poundToGsm(1, basis)).toBeCloseTo(gsm, 4);
    expect(gsmToPound(poundToGsm(70, basis), basis)).toBeCloseTo(70, 9);
  });

  it('converts lengths, masses and calipers both ways', () => {
    expect(inchToMm(1)).toBe(25.4); // standard: international inch
    expect(mmToInch(inchToMm(17))).toBeCloseTo(17, 12);
    expect(footToM(1)).toBeCloseTo(0.3048, 15); // standard: international foot
    expect(mToFoot(footToM(5280))).toBeCloseTo(5280, 9);
    expect(poundToKg(1)).toBeCloseTo(0.45359237, 12); // standard: 1959 agreement
    expect(kgToPound(poundToKg(70))).toBeCloseTo(70, 12);
    expect(pointToUm(10)).toBeCloseTo(254, 9); // identity
    expect(umToPoint(pointToUm(12))).toBeCloseTo(12, 12);
  });
});

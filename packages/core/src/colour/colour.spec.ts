import * as culori from 'culori';
import * as fc from 'fast-check';
import { AIM_SETS, isOnAim } from './aims.js';
import { type Lab, ciede2000 } from './ciede2000.js';
import { asSuppliedKg, mixInk } from './recipe.js';

// literature: Sharma, Wu and Dalal 2005, table 1. First colour, second colour, difference.
const PAIRS: readonly (readonly number[])[] = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1],
  [50, 2.5, 0, 50, 3.2972, 0, 1],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
];

describe('CIEDE2000', () => {
  it.each(PAIRS.map((pair, i) => [i + 1, pair] as const))('pair %i of Sharma, Wu and Dalal (literature)', (_, pair) => {
    const [l1 = 0, a1 = 0, b1 = 0, l2 = 0, a2 = 0, b2 = 0, wanted] = pair;
    const [one, other] = [
      { l: l1, a: a1, b: b1 },
      { l: l2, a: a2, b: b2 },
    ];
    expect(ciede2000(one, other)).toBeCloseTo(wanted ?? 0, 4);
    expect(ciede2000(other, one)).toBeCloseTo(wanted ?? 0, 4);
  });

  it('agrees over 10,000 random pairs with culori (general-purpose library)', () => {
    const reference = culori.differenceCiede2000();
    const channel = fc.double({ min: -110, max: 110, noNaN: true });
    const lab = fc.record({ l: fc.double({ min: 0, max: 100, noNaN: true }), a: channel, b: channel });
    const as = (colour: Lab) => ({ mode: 'lab65' as const, ...colour });
    fc.assert(
      fc.property(lab, lab, (one, other) => {
        expect(Math.abs(ciede2000(one, other) - reference(as(one), as(other)))).toBeLessThan(1e-4);
      }),
      { numRuns: 10_000 },
    );
  });
});

describe('aims', () => {
  it('keep to the tolerance of their own edition', () => {
    const [set] = AIM_SETS;
    if (!set) throw new Error('no aims');
    expect(isOnAim(set, 'C', { l: 54, a: -33, b: -49 })).toBe(true);
    expect(isOnAim(set, 'C', { l: 54, a: -30, b: -49 })).toBe(false);
    expect(isOnAim(set, 'Copper', { l: 50, a: 0, b: 0 })).toBeUndefined();
  });
});

describe('mixing', () => {
  const recipe = [
    { ink: 'Warm red', parts: 62.5 },
    { ink: 'Yellow', parts: 30 },
    { ink: 'Black', parts: 7.5 },
  ];

  it('weighs each base by its part, rests first (identity)', () => {
    const mixed = mixInk(
      recipe,
      8,
      [
        { name: 'Rest of HB-2041', kg: 1.5 },
        { name: 'Older rest', kg: 0.5 },
      ],
      'colour',
    );
    expect(mixed).toEqual({
      ok: true,
      value: {
        rests: [
          { name: 'Rest of HB-2041', kg: 1.5 },
          { name: 'Older rest', kg: 0.5 },
        ],
        newKg: 6,
        bases: [
          { ink: 'Warm red', kg: 3.75 },
          { ink: 'Yellow', kg: 1.8 },
          { ink: 'Black', kg: 0.45 },
        ],
      },
    });
  });

  it('mixes nothing where rests are enough, and takes no more of them than wanted', () => {
    const mixed = mixInk(recipe, 1, [{ name: 'Rest', kg: 5 }], 'colour');
    expect(mixed.ok && [mixed.value.newKg, mixed.value.rests[0]?.kg]).toEqual([0, 1]);
  });

  it('adds up to what is wanted, whatever the recipe', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 1, maxLength: 8 }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (weights, kg) => {
          const sum = weights.reduce((a, b) => a + b, 0);
          const parts = weights.map((weight, i) => ({ ink: `ink ${i}`, parts: (weight / sum) * 100 }));
          const mixed = mixInk(parts, kg, [], 'colour');
          expect(mixed.ok && mixed.value.bases.reduce((total, one) => total + one.kg, 0)).toBeCloseTo(kg, 6);
        },
      ),
    );
  });

  it.each([
    ['ink.recipe-sum colour.recipe', recipe.slice(0, 2), 1],
    ['ink.recipe-empty colour.recipe', [], 1],
    ['ink.recipe-part colour.recipe[0].parts', [{ ink: 'Black', parts: -1 }], 1],
    ['ink.quantity colour.kg', recipe, Number.NaN],
  ] as const)('%s', (wanted, parts, kg) => {
    const mixed = mixInk(parts, kg, [], 'colour');
    expect(mixed.ok ? [] : mixed.issues.map(({ code, path }) => `${code} ${path}`)).toEqual([wanted]);
  });

  it('draws more of a thin ink than its dry film weighs (identity)', () => {
    expect(asSuppliedKg(4, 0.4)).toBe(10);
  });
});

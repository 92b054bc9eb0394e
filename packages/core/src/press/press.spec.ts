import { inkKg } from './ink.js';
import { countPlates } from './work-style.js';

describe('plates', () => {
  // identity, handbook chapter 4: trail map 4 by work-and-turn, 8 sheetwise, 8 perfected
  it.each([
    ['work-and-turn', 4],
    ['work-and-tumble', 4],
    ['sheetwise', 8],
    ['perfecting', 8],
    ['single', 4],
  ] as const)('%s, four colours', (style, plates) => {
    expect(countPlates(style, 4, style === 'single' ? 0 : 4, 5000, 200_000).plates).toBe(plates);
  });

  it('makes new sets as plates wear, twice as soon where a plate prints each sheet twice', () => {
    expect(countPlates('sheetwise', 4, 4, 150_000, 200_000).sets).toBe(1);
    expect(countPlates('work-and-turn', 4, 4, 150_000, 200_000)).toEqual({
      perSet: 4,
      sets: 2,
      plates: 8,
      impressions: 300_000,
    });
  });

  it('needs none for an unprinted side', () => {
    expect(countPlates('single', 0, 0, 5000, 200_000).plates).toBe(0);
  });
});

describe('ink', () => {
  it('is impressions by area by coverage by film (identity, handbook chapter 5)', () => {
    expect(inkKg(10_000, 0.5, 0.2, 1.15)).toBeCloseTo(1.15, 12);
  });
});

import fc from 'fast-check';
import { upperBound } from './bound.js';
import { GuillotineSearch } from './guillotine.js';
import { indexBelow, normalLengths } from './normal-lengths.js';

const problem = (width: number, height: number, cellWidth: number, cellHeight: number) => ({
  width,
  height,
  cellWidth,
  cellHeight,
});

describe('normal lengths', () => {
  it('are all sums of both sides up to the limit', () => {
    expect(normalLengths(3, 5, 11)).toEqual([0, 3, 5, 6, 8, 9, 10, 11]);
    expect(normalLengths(4, 4, 10)).toEqual([0, 4, 8]);
    expect(normalLengths(20, 30, 10)).toEqual([0]);
  });
  it('are found by halving, the greatest not above a value', () => {
    const lengths = normalLengths(3, 5, 40);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), (value) => {
        const slow = lengths.reduce((best, length, i) => (length <= value ? i : best), 0);
        expect(indexBelow(lengths, value)).toBe(slow);
      }),
    );
  });
});

describe('bound on any pattern', () => {
  it.each([
    // 22 x 16 with 5 x 3: area gives 23.47; both sides are reached by sums, so 23 (identity)
    [22, 16, 5, 3, 23],
    // 11 x 6 with 4 x 3: area 5.5, sums reach 11 and 6
    [11, 6, 4, 3, 5],
    // 5 x 5 with 2 x 1: 25 / 2 = 12.5; rods of 1 x 2 leave at least one square bare: 12 (Barnes 1979)
    [5, 5, 2, 1, 12],
    // 5 x 5 with 3 x 2: area 4.17; 4 is reached around a hole of one
    [5, 5, 3, 2, 4],
    // rods of 1 x 4 in 6 x 6 leave min(2 x 2, 2 x 2) = 4 squares bare, so 8 pieces of 1 x 4, though 36 / 4 = 9 (Barnes 1979)
    [6, 6, 4, 1, 8],
    // nothing fits
    [2, 2, 3, 1, 0],
  ])('%i x %i with %i x %i holds at most %i', (width, height, cellWidth, cellHeight, most) => {
    expect(upperBound(problem(width, height, cellWidth, cellHeight), 'either')).toBe(most);
  });

  it('is whole columns by whole rows where pieces lie one way', () => {
    expect(upperBound(problem(10, 7, 4, 3), 'upright')).toBe(4);
    expect(upperBound(problem(10, 7, 4, 3), 'turned')).toBe(3);
  });

  it('scales: the same problem in other units has the same bound (identity)', () => {
    const n = fc.integer({ min: 1, max: 40 });
    fc.assert(
      fc.property(n, n, n, n, fc.integer({ min: 2, max: 9 }), (w, h, p, q, times) => {
        expect(upperBound(problem(w * times, h * times, p * times, q * times), 'either')).toBe(
          upperBound(problem(w, h, p, q), 'either'),
        );
      }),
    );
  });

  it('is never below a pattern that is not guillotine: the pinwheel of four 3 x 2 around a hole', () => {
    // The pinwheel holds 4 on 5 x 5; no cut goes from edge to edge, so the search finds 3 and the bound must say 4.
    expect(new GuillotineSearch(problem(5, 5, 3, 2)).count).toBe(3);
    expect(upperBound(problem(5, 5, 3, 2), 'either')).toBe(4);
  });
});

describe('search', () => {
  it('never holds less on a larger sheet, nor of a smaller piece (law)', () => {
    const n = fc.integer({ min: 5, max: 60 });
    const count = (...sizes: [number, number, number, number]): number => new GuillotineSearch(problem(...sizes)).count;
    fc.assert(
      fc.property(n, n, fc.integer({ min: 2, max: 20 }), fc.integer({ min: 2, max: 20 }), (w, h, p, q) => {
        const here = count(w, h, p, q);
        expect(count(w + 3, h, p, q)).toBeGreaterThanOrEqual(here);
        expect(count(w, h, p - 1, q)).toBeGreaterThanOrEqual(here);
        expect(count(h, w, q, p)).toBe(here);
      }),
    );
  });
});

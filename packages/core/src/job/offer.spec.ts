import fc from 'fast-check';
import { MOST_MARGIN, offerPrice, offerWorking } from './offer.js';

describe('the price of an offer (identity)', () => {
  it.each([
    [800, 0.2, 1_000, { total: 1_000, perThousand: 1_000 }],
    [800, 0, 500, { total: 800, perThousand: 1_600 }],
    // 100 / 0.85 = 117.647...: up to the next hundredth; a third of it and so on too.
    [100, 0.15, 3_000, { total: 117.65, perThousand: 39.22 }],
    [0, 0.3, 10, { total: 0, perThousand: 0 }],
  ])('of a cost of %p with %p of the price earned, %p pieces', (cost, margin, quantity, price) => {
    expect(offerPrice(cost, margin, quantity)).toEqual(price);
  });

  it('never earns less than the margin, and at most a hundredth more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.double({ min: 0, max: MOST_MARGIN, noNaN: true }),
        (cost, margin) => {
          const { total } = offerPrice(cost, margin, 1);
          expect(total * (1 - margin)).toBeGreaterThanOrEqual(cost - 1e-6);
          expect((total - 0.0101) * (1 - margin)).toBeLessThanOrEqual(cost + 1e-6);
        },
      ),
    );
  });

  it('is opened to its working', () => {
    expect(offerWorking(800, 0.2)).toBe('price = cost / (1 - margin) = 800.00 / (1 - 0.2) = 1,000.00');
  });
});

import fc from 'fast-check';
import { mostPages, splitPages, splitProposals } from './split.js';

describe('sections', () => {
  it('splits 36 pages into 32 + 4 (handbook chapter 4)', () => {
    expect(splitPages(36, 32)).toEqual([32, 4]);
    expect(splitPages(160, 32)).toEqual([32, 32, 32, 32, 32]);
    expect(splitPages(160, 16)).toHaveLength(10);
  });

  it('splits no odd counts', () => {
    expect(splitPages(30, 32)).toEqual([]);
    expect(splitPages(0, 32)).toEqual([]);
    expect(splitPages(-4, 32)).toEqual([]);
  });

  it('keeps the page count and the limit, in every proposal, each once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.constantFrom(4, 8, 16, 32), (quarters, most) => {
        const proposals = splitProposals(quarters * 4, most);
        expect(proposals).toContainEqual(splitPages(quarters * 4, most));
        for (const sections of proposals) {
          expect(sections.reduce((sum, pages) => sum + pages, 0)).toBe(quarters * 4);
          expect(Math.max(...sections)).toBeLessThanOrEqual(most);
        }
        expect(new Set(proposals.map(String)).size).toBe(proposals.length);
      }),
    );
  });

  it('offers several ways: 160 pages as 5 x 32 or 10 x 16 (handbook chapter 4)', () => {
    const offered = splitProposals(160, 32).map((split) => `${split.length} x ${split[0] ?? 0}`);
    expect(offered).toEqual(expect.arrayContaining(['5 x 32', '10 x 16', '20 x 8']));
    expect(splitProposals(48, 32).map(String)).toContain('24,24');
    expect(splitProposals(30, 32)).toEqual([]);
  });

  it('knows how many pages a stock folds into (handbook chapter 4)', () => {
    expect([90, 91, 135, 170, 171].map(mostPages)).toEqual([32, 16, 16, 8, 4]);
  });
});

import fc from 'fast-check';
import { type GridRequest, placeGrid } from './grid.js';
import { mostPages, pageGrid, sectionSize, splitPages } from './section.js';

const B1: GridRequest = {
  sheetWidthMm: 1020,
  sheetHeightMm: 720,
  margins: { gripperMm: 12, tailMm: 8, sideMm: 5 },
  pieceWidthMm: 426,
  pieceHeightMm: 600,
  sheetGrain: 'width',
  pieceGrain: 'any',
  mirror: 'none',
};

describe('plain grid', () => {
  it('lays A2 with bleed two up on B1 (identity, handbook chapter 4)', () => {
    expect(placeGrid(B1)).toMatchObject({ count: 2, columns: 2, rows: 1, turned: false });
  });

  it('turns the piece where that holds more', () => {
    expect(placeGrid({ ...B1, pieceWidthMm: 600, pieceHeightMm: 426 })).toMatchObject({ count: 2, turned: true });
  });

  it('lays an A5 spread eight up with the spine along the grain, nine up without', () => {
    const spread = { ...B1, margins: { gripperMm: 12, tailMm: 12, sideMm: 5 }, pieceWidthMm: 302, pieceHeightMm: 216 };
    // 1,010 / 216 = 4 across, 696 / 302 = 2 up; without grain 1,010 / 302 = 3 by 696 / 216 = 3
    expect(placeGrid({ ...spread, pieceGrain: 'height' })).toMatchObject({
      count: 8,
      columns: 4,
      rows: 2,
      turned: true,
    });
    expect(placeGrid(spread).count).toBe(9);
  });

  it('keeps to even columns and rows where the layout has to mirror', () => {
    const piece = { ...B1, pieceWidthMm: 300, pieceHeightMm: 200 };
    expect(placeGrid({ ...piece, pieceGrain: 'width', mirror: 'columns' })).toMatchObject({ columns: 2, rows: 3 });
    expect(placeGrid({ ...piece, pieceGrain: 'width', mirror: 'rows' })).toMatchObject({ columns: 3, rows: 2 });
  });

  it('says 0 where not one piece fits', () => {
    expect(placeGrid({ ...B1, pieceWidthMm: 1100, pieceHeightMm: 1100 }).count).toBe(0);
  });

  it('stays inside the margins and never holds more than the area allows', () => {
    const side = fc.integer({ min: 20, max: 900 });
    fc.assert(
      fc.property(side, side, fc.constantFrom('none', 'columns', 'rows'), (pieceWidthMm, pieceHeightMm, mirror) => {
        const grid = placeGrid({ ...B1, pieceWidthMm, pieceHeightMm, mirror });
        expect(grid.count * pieceWidthMm * pieceHeightMm).toBeLessThanOrEqual(1010 * 700);
        if (grid.count === 0) return;
        expect(grid.leftMm).toBeGreaterThanOrEqual(5);
        expect(grid.leftMm + grid.columns * grid.cellWidthMm).toBeLessThanOrEqual(1015);
        expect(grid.bottomMm).toBeGreaterThanOrEqual(12);
        expect(grid.bottomMm + grid.rows * grid.cellHeightMm).toBeLessThanOrEqual(712);
      }),
    );
  });
});

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

  it('keeps the page count and the limit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 200 }), fc.constantFrom(4, 8, 16, 32), (quarters, most) => {
        const sections = splitPages(quarters * 4, most);
        expect(sections.reduce((sum, pages) => sum + pages, 0)).toBe(quarters * 4);
        expect(Math.max(...sections)).toBeLessThanOrEqual(most);
      }),
    );
  });

  it('knows how many pages a stock folds into (practice, handbook chapter 4)', () => {
    expect([90, 91, 135, 170, 171].map(mostPages)).toEqual([32, 16, 16, 8, 4]);
  });

  it('holds half the pages on a side and adds trims', () => {
    for (const pages of [4, 8, 16, 32, 64]) {
      const grid = pageGrid(pages);
      expect((grid?.across ?? 0) * (grid?.down ?? 0)).toBe(pages / 2);
    }
    expect(sectionSize({ widthMm: 148, heightMm: 210 }, { across: 2, down: 1 }, 3)).toEqual({
      widthMm: 302,
      heightMm: 216,
    });
    expect(pageGrid(12)).toBeUndefined();
  });
});

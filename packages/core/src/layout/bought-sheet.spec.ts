import { alongTheWeb, outOfBought } from './bought-sheet.js';

const press = { widthMm: 500, heightMm: 350, grain: 'width' } as const;

describe('press sheets out of a bought sheet', () => {
  it('keeps the grain: 700 x 1000 grain along 1000 gives four of 500 x 350 grain along 500 (identity)', () => {
    expect(outOfBought({ widthMm: 700, heightMm: 1000, grain: 'height' }, press, 0)).toMatchObject({
      out: 4,
      usedShare: 1,
    });
    // grain along 700: only the 350 side may lie along the 1,000, so 700 / 500 = 1 by 1000 / 350 = 2
    expect(outOfBought({ widthMm: 700, heightMm: 1000, grain: 'width' }, press, 0).out).toBe(2);
  });
  it('loses sheets to a trim all round', () => {
    expect(outOfBought({ widthMm: 700, heightMm: 1000, grain: 'height' }, press, 2).out).toBe(1);
  });
  it('says 0 where the press sheet is larger', () => {
    expect(outOfBought({ widthMm: 300, heightMm: 300, grain: 'width' }, press, 0).out).toBe(0);
  });
  it('lies on a web with its grain along it (handbook chapter 3)', () => {
    expect(alongTheWeb(press)).toEqual({ acrossMm: 350, lengthMm: 500 });
    expect(alongTheWeb({ ...press, grain: 'height' })).toEqual({ acrossMm: 500, lengthMm: 350 });
  });
});

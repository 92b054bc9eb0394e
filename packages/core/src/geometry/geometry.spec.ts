import fc from 'fast-check';
import { clearance, distanceToSegment, isInside, standOff } from './clearance.js';
import { simplify } from './simplify.js';
import { selfCrossing } from './check-outline.js';
import { type Outline, edgesOf, halfTurn, perimeter, quarterTurn, shift, signedArea } from './point.js';

const square: Outline = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];

describe('outlines (identity)', () => {
  it('have area, length and turns', () => {
    expect([signedArea(square), perimeter(square)]).toEqual([100, 40]);
    expect(signedArea([...square].reverse())).toBe(-100);
    expect(signedArea(quarterTurn(square))).toBe(100);
    expect(halfTurn(square)[1]).toEqual({ x: -10, y: -0 });
    expect([isInside({ x: 5, y: 5 }, square), isInside({ x: 15, y: 5 }, square)]).toEqual([true, false]);
  });
  it('are found to cross themselves', () => {
    expect(selfCrossing(square)).toBeUndefined();
    expect(selfCrossing([square[0], square[2], square[1], square[3]].flatMap((p) => p ?? []))).toEqual({
      first: 0,
      second: 2,
    });
  });
});

describe('simplified outlines', () => {
  it('leave out no point that stands further away than asked (Douglas and Peucker 1973)', () => {
    const circle = Array.from({ length: 200 }, (_, i) => ({
      x: 60 * Math.cos((2 * Math.PI * i) / 200),
      y: 60 * Math.sin((2 * Math.PI * i) / 200),
    }));
    const fewer = simplify(circle, 0.5);
    expect(fewer.length).toBeLessThan(50);
    for (const point of circle)
      expect(Math.min(...edgesOf(fewer).map(([a, b]) => distanceToSegment(point, a, b)))).toBeLessThanOrEqual(0.5);
    expect(simplify(square, 0.1)).toEqual(square);
  });
});

describe('clearance', () => {
  it('is the least distance, 0 where they meet', () => {
    expect(clearance(square, shift(square, 14, 0))).toBe(4);
    expect(clearance(square, shift(square, 13, 14))).toBe(5);
    expect(clearance(square, shift(square, 5, 5))).toBe(0);
    expect(
      clearance(square, [
        { x: 4, y: 4 },
        { x: 6, y: 4 },
        { x: 5, y: 6 },
      ]),
    ).toBe(0);
  });
  it('stands off squares by their width and the gap, less where a corner may slip past', () => {
    expect(standOff(square, square, 0, 4)).toBeCloseTo(14, 9);
    // 3 above the other: its corner passes at sqrt(5^2 - 3^2) = 4
    expect(standOff(square, square, 13, 5)).toBeCloseTo(14, 9);
    expect(standOff(square, square, 16, 5)).toBeUndefined();
  });
  it('is exact: at the stand-off the clearance is the gap, a little nearer it is less', () => {
    const corner = fc.record({ x: fc.integer({ min: 0, max: 60 }), y: fc.integer({ min: 0, max: 60 }) });
    const triangle = fc.tuple(corner, corner, corner).filter((t) => Math.abs(signedArea(t)) > 20);
    fc.assert(
      fc.property(
        triangle,
        triangle,
        fc.integer({ min: -50, max: 50 }),
        fc.integer({ min: 1, max: 9 }),
        (a, b, dy, gap) => {
          const x = standOff(a, b, dy, gap);
          if (x === undefined) {
            expect(clearance(a, shift(b, 0, dy))).toBeGreaterThanOrEqual(gap - 1e-9);
            return;
          }
          expect(clearance(a, shift(b, x, dy))).toBeCloseTo(gap, 6);
          expect(clearance(a, shift(b, x - 0.01, dy))).toBeLessThan(gap);
          expect(clearance(a, shift(b, x + 7, dy))).toBeGreaterThanOrEqual(gap - 1e-9);
        },
      ),
    );
  });
});

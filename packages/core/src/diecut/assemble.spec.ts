import { type Point, signedArea } from '../geometry/index.js';
import { MOST_PIECES, assembleDie } from './assemble.js';
import type { DieLine } from './drawing.js';
import { walkOutline } from './walk-outline.js';

const at = (...numbers: number[]): Point[] =>
  Array.from({ length: numbers.length / 2 }, (_, i) => ({ x: numbers[2 * i] ?? 0, y: numbers[2 * i + 1] ?? 0 }));
const cut = (...numbers: number[]): DieLine => ({ kind: 'cut', points: at(...numbers) });
const square = [cut(0, 0, 10, 0), cut(10, 0, 10, 10), cut(10, 10, 0, 10), cut(0, 10, 0, 0)];
const codes = (lines: DieLine[], gapMm = 0.1): string[] =>
  assembleDie('x', lines, [], gapMm, 'p').issues.map(({ code }) => code);

describe('outer boundary', () => {
  const area = (runs: Point[][]): number => {
    const walked = walkOutline(runs);
    return walked.kind === 'outline' ? Math.abs(signedArea(walked.outline)) : -1;
  };

  it('goes around inner walls and leaves what hangs inside', () => {
    const ring = at(0, 0, 30, 0, 30, 20, 0, 20, 0, 0);
    expect(area([ring])).toBe(600);
    expect(
      area([at(0, 0, 10, 0), at(10, 0, 30, 0), at(30, 0, 30, 20, 10, 20), at(10, 20, 0, 20, 0, 0), at(10, 0, 10, 20)]),
    ).toBe(600);
    expect(area([ring, at(0, 0, 15, 10)])).toBe(600);
  });

  it('is that of the largest of several nets', () => {
    expect(area([at(0, 0, 5, 0, 5, 5, 0, 5, 0, 0), at(100, 0, 130, 0, 130, 20, 100, 20, 100, 0)])).toBe(600);
  });

  it('begins well on a level lower edge, and on one that is level but for rounding', () => {
    expect(area([at(0, 1e-13, 10, 0, 10, 10, 0, 10, 0, 1e-13)])).toBeCloseTo(100, 6);
    expect(area([at(0, 0, 10, 1e-13, 10, 10, 0, 10, 0, 0)])).toBeCloseTo(100, 6);
  });

  it('tells the nearest loose ends where nothing closes', () => {
    const walked = walkOutline([at(0, 0, 10, 0, 10, 10), at(0, 3, 0, 10)]);
    expect(walked).toMatchObject({ kind: 'open', gapMm: 3 });
    expect(walkOutline([])).toEqual({ kind: 'none' });
  });
});

describe('a blank out of loose lines', () => {
  it('runs anticlockwise from its lower left corner, whichever way it was drawn', () => {
    for (const lines of [
      square,
      [...square].reverse().map(({ points }) => cut(...[...points].reverse().flatMap(({ x, y }) => [x + 7, y - 3]))),
    ]) {
      const { drawing } = assembleDie('x', lines, [], 0.1, 'p');
      expect(drawing && signedArea(drawing.outline)).toBe(100);
      expect(Math.min(...(drawing?.outline ?? []).map(({ x }) => x))).toBe(0);
      expect(Math.min(...(drawing?.outline ?? []).map(({ y }) => y))).toBe(0);
    }
  });

  it('takes creases and areas along, moved with the outline', () => {
    const moved = square.map(({ points }) => cut(...points.flatMap(({ x, y }) => [x + 5, y + 5])));
    const crease: DieLine = { kind: 'crease', points: at(5, 10, 15, 10) };
    const { drawing } = assembleDie(
      'x',
      [...moved, crease],
      [{ kind: 'keep-out', outline: at(6, 6, 8, 6, 8, 8) }],
      0.1,
      'p',
    );
    expect(drawing?.lines).toEqual([{ kind: 'crease', points: at(0, 5, 10, 5) }]);
    expect(drawing?.areas).toEqual([{ kind: 'keep-out', outline: at(1, 1, 3, 1, 3, 3) }]);
  });

  it('keeps a line that is crease once and cut once: the kinds differ', () => {
    expect(codes([...square, { kind: 'crease', points: at(0, 0, 10, 0) }])).toEqual([]);
    expect(codes([...square, cut(10, 0, 0, 0)])).toEqual(['die.duplicate-lines']);
  });

  it('joins ends up to the gap asked for and no further', () => {
    const open = [cut(0, 0, 10, 0), cut(10, 0, 10, 10), cut(10, 10, 0, 10), cut(0, 10, 0, 0.4)];
    expect(codes(open, 0.5)).toEqual(['die.gap-closed']);
    expect(codes(open, 0.3)).toEqual(['die.open-outline']);
  });

  it('is refused where there is too much of it', () => {
    const many = Array.from({ length: MOST_PIECES + 1 }, (_, i) => cut(i, 0, i, 1));
    expect(codes(many)).toEqual(['die.too-many']);
  });
});

import { uniform } from '../kernel/index.js';
import { type Pattern, layPatterns } from '../layout/index.js';
import { type Cut, type CutPiece, type CuttingProgramme, cuttingProgramme } from './guillotine.js';

interface Rect {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}
const key = ({ x, y }: Rect): string => [...x, ...y].map((n) => n.toFixed(2)).join(',');
const AXIS: Readonly<Record<Cut['back'], 'x' | 'y'>> = { left: 'x', right: 'x', gripper: 'y', tail: 'y' };

/** Cuts a pile as the programme says, by gauge and edge at the back alone; returns what lies there at the end. */
function simulate(sheet: { widthMm: number; heightMm: number }, { cuts }: CuttingProgramme): Set<string> {
  const piles = new Map<string, Rect>();
  const whole: Rect = { x: [0, sheet.widthMm], y: [0, sheet.heightMm] };
  piles.set(key(whole), whole);
  for (const cut of cuts) {
    const axis = AXIS[cut.back];
    for (const wanted of cut.piles) {
      const pile = piles.get(key(wanted));
      if (!pile) throw new Error(`no pile ${key(wanted)}`);
      const [low, high] = pile[axis];
      const at = cut.back === 'left' || cut.back === 'gripper' ? low + cut.gaugeMm : high - cut.gaugeMm;
      if (at <= low || at >= high) throw new Error(`knife at ${at} outside ${low} to ${high}`);
      piles.delete(key(pile));
      for (const span of [
        [low, at],
        [at, high],
      ] as const) {
        const part: Rect = axis === 'x' ? { ...pile, x: span } : { ...pile, y: span };
        piles.set(key(part), part);
      }
    }
  }
  return new Set(piles.keys());
}

const rectOf = ({ xMm, yMm, widthMm, heightMm }: CutPiece): string =>
  key({ x: [xMm, xMm + widthMm], y: [yMm, yMm + heightMm] });

/** Pieces of a pattern in the middle of a sheet that is so much larger all round. */
function onSheet(pattern: Pattern, edge: number): { sheet: { widthMm: number; heightMm: number }; pieces: CutPiece[] } {
  return {
    sheet: { widthMm: pattern.widthMm + 2 * edge, heightMm: pattern.heightMm + 2 * edge },
    pieces: pattern.pieces.map((piece) => ({ ...piece, xMm: piece.xMm + edge, yMm: piece.yMm + edge })),
  };
}
const grid = (columns: number, rows: number, bleedMm: number) => {
  const [w, h] = [100, 70];
  const pieces: CutPiece[] = [];
  for (let i = 0; i < columns; i++)
    for (let j = 0; j < rows; j++)
      pieces.push({
        xMm: 20 + bleedMm + i * (w + 2 * bleedMm),
        yMm: 20 + bleedMm + j * (h + 2 * bleedMm),
        widthMm: w,
        heightMm: h,
      });
  return {
    sheet: { widthMm: 40 + columns * (w + 2 * bleedMm), heightMm: 40 + rows * (h + 2 * bleedMm) },
    pieces,
  };
};
const programme = (sheet: { widthMm: number; heightMm: number }, pieces: readonly CutPiece[]): CuttingProgramme => {
  const made = cuttingProgramme(sheet, pieces, 25);
  if (!made) throw new Error('no programme');
  return made;
};

describe('cutting programme', () => {
  it('takes 8 cuts for 2 x 2 with trims and gutters (handbook chapter 7)', () => {
    const { sheet, pieces } = grid(2, 2, 3);
    expect(programme(sheet, pieces).cuts).toHaveLength(8);
  });

  it('takes one cut between pieces that butt', () => {
    const { sheet, pieces } = grid(3, 2, 0);
    // Four trims, two cuts across and one up.
    expect(programme(sheet, pieces).cuts).toHaveLength(7);
  });

  it('begins with trims against the reference edges, and lays the trimmed edge to the back', () => {
    const { sheet, pieces } = grid(2, 2, 3);
    const [first, second] = programme(sheet, pieces).cuts;
    expect(first).toMatchObject({ falls: 'trim', quarterTurns: 0 });
    expect(['left', 'gripper']).toContain(first?.back);
    expect(second).toMatchObject({ falls: 'trim', quarterTurns: 2 });
  });

  it('says which cuts the clamp cannot hold', () => {
    const sheet = { widthMm: 200, heightMm: 100 };
    const narrow = [0, 1].map((i): CutPiece => ({ xMm: 80 + i * 20, yMm: 10, widthMm: 20, heightMm: 80 }));
    const made = programme(sheet, narrow);
    expect(made.tooShort.every(({ gaugeMm }) => gaugeMm < 25)).toBe(true);
    expect(made.tooShort.length).toBeGreaterThan(0);
    expect(made.wasteMm2).toBe(200 * 100 - 2 * 20 * 80);
  });

  it('takes the other edge to the back where that spares a strip too short for the clamp', () => {
    // A narrow piece at the right would be left alone at the back gauge: 20 mm.
    const pieces: CutPiece[] = [
      { xMm: 10, yMm: 10, widthMm: 200, heightMm: 100 },
      { xMm: 220, yMm: 10, widthMm: 20, heightMm: 100 },
    ];
    const sheet = { widthMm: 250, heightMm: 120 };
    const made = programme(sheet, pieces);
    expect(made.tooShort).toEqual([]);
    expect(made.cuts).toHaveLength(6);
    const left = simulate(sheet, made);
    for (const piece of pieces) expect(left.has(rectOf(piece))).toBe(true);
    // Mirrored, the usual order does it.
    const mirrored = pieces.map((piece) => ({ ...piece, xMm: 250 - piece.xMm - piece.widthMm }));
    expect(programme(sheet, mirrored).tooShort).toEqual([]);
  });

  it('has none for pieces that no full cut parts', () => {
    // Four pieces around a hole: the pinwheel.
    const wheel: CutPiece[] = [
      { xMm: 0, yMm: 0, widthMm: 20, heightMm: 10 },
      { xMm: 20, yMm: 0, widthMm: 10, heightMm: 20 },
      { xMm: 10, yMm: 20, widthMm: 20, heightMm: 10 },
      { xMm: 0, yMm: 10, widthMm: 10, heightMm: 20 },
    ];
    expect(cuttingProgramme({ widthMm: 30, heightMm: 30 }, wheel, 25)).toBeUndefined();
    expect(cuttingProgramme({ widthMm: 30, heightMm: 30 }, [], 25)).toBeUndefined();
  });

  it('parts every piece of random patterns when a pile is cut by it, and never takes more cuts than plain strips', () => {
    let drawn = 0;
    const pick = (from: number, to: number): number => Math.round(from + uniform(7, drawn++) * (to - from));
    let mixed = 0;
    for (let n = 0; n < 300; n++) {
      const { proposals } = layPatterns({
        widthMm: pick(300, 1000),
        heightMm: pick(250, 700),
        pieceWidthMm: pick(50, 240),
        pieceHeightMm: pick(40, 240),
        bleedMm: pick(0, 4),
        gutterMm: 0,
        turns: 'either',
        mirror: 'none',
      });
      for (const pattern of proposals) {
        if (pattern.count === 0 || pattern.count > 100) continue;
        const { sheet, pieces } = onSheet(pattern, pick(0, 12));
        const made = programme(sheet, pieces);
        const left = simulate(sheet, made);
        for (const piece of pieces) expect(left.has(rectOf(piece))).toBe(true);
        if (pattern.grid)
          expect(made.cuts.length).toBeLessThanOrEqual(4 + 2 * (pattern.grid.columns - 1 + pattern.grid.rows - 1));
        else mixed += 1;
      }
    }
    expect(mixed).toBeGreaterThan(20);
  });
});

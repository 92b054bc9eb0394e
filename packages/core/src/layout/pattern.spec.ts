import fc from 'fast-check';
import type { PatternRequest, PlacedPiece } from './pattern-request.js';
import { layPatterns } from './pattern.js';

const request = (over: Partial<PatternRequest>): PatternRequest => ({
  widthMm: 1010,
  heightMm: 700,
  pieceWidthMm: 420,
  pieceHeightMm: 594,
  bleedMm: 3,
  gutterMm: 0,
  turns: 'either',
  mirror: 'none',
  ...over,
});
const best = (over: Partial<PatternRequest>) => layPatterns(request(over)).proposals[0];

/** Checks a pattern by its positions alone: inside the area, apart by the distance, cut apart by cuts edge to edge. */
function faults(pieces: readonly PlacedPiece[], { widthMm, heightMm, bleedMm, gutterMm }: PatternRequest): string[] {
  const tolerance = 1e-6;
  const apart = Math.max(2 * bleedMm, gutterMm);
  const found: string[] = [];
  for (const p of pieces) {
    const inside =
      p.xMm >= bleedMm - tolerance &&
      p.yMm >= bleedMm - tolerance &&
      p.xMm + p.widthMm <= widthMm - bleedMm + tolerance &&
      p.yMm + p.heightMm <= heightMm - bleedMm + tolerance;
    if (!inside) found.push('outside');
  }
  const clear = (low: number, high: number): boolean => high >= low + apart - tolerance;
  const cuttable = (group: readonly PlacedPiece[]): boolean => {
    if (group.length <= 1) return true;
    for (const [at, size] of [
      ['xMm', 'widthMm'],
      ['yMm', 'heightMm'],
    ] as const) {
      const sorted = [...group].sort((a, b) => a[at] - b[at]);
      let end = -Infinity;
      for (const [i, piece] of sorted.entries()) {
        if (i > 0 && clear(end, piece[at])) return cuttable(sorted.slice(0, i)) && cuttable(sorted.slice(i));
        end = Math.max(end, piece[at] + piece[size]);
      }
    }
    return false;
  };
  if (!cuttable(pieces)) found.push('no cut from edge to edge parts them');
  return found;
}

/** The most pieces by trying every cut at every whole unit: slow, and without any theory of normal lengths. */
function bruteForce(width: number, height: number, w: number, h: number, turns: PatternRequest['turns']): number {
  const known = new Map<number, number>();
  const most = (x: number, y: number): number => {
    const key = x * 100 + y;
    const before = known.get(key);
    if (before !== undefined) return before;
    let found = (turns !== 'turned' && x >= w && y >= h) || (turns !== 'upright' && x >= h && y >= w) ? 1 : 0;
    for (let cut = 1; cut <= x / 2; cut++) found = Math.max(found, most(cut, y) + most(x - cut, y));
    for (let cut = 1; cut <= y / 2; cut++) found = Math.max(found, most(x, cut) + most(x, y - cut));
    known.set(key, found);
    return found;
  };
  return most(width, height);
}

describe('guillotine pattern', () => {
  it('lays A2 with bleed two up on B1 (identity, handbook chapter 4)', () => {
    expect(best({})).toMatchObject({ count: 2, arrangement: 'upright', grid: { columns: 2, rows: 1 } });
  });

  it('mixes both ways where that holds more (worked by hand)', () => {
    // 10 x 7 with 4 x 3: upright 2 x 2 = 4, turned 3 x 1 = 3; two upright columns (4) and one turned column of 3 x 4
    // beside them on the 2 left over do not fit; 4 + 3 + 3 = 10 wide: one upright column of 2, two turned columns of 1,
    // and above the turned ones 6 x 3 for one upright: 2 + 2 + 1 = 5 = floor(70 / 12).
    const { proposals, bound } = layPatterns(
      request({ widthMm: 10, heightMm: 7, pieceWidthMm: 4, pieceHeightMm: 3, bleedMm: 0 }),
    );
    expect(proposals[0]).toMatchObject({ count: 5, arrangement: 'mixed' });
    expect(proposals.map(({ count }) => count)).toEqual([5, 4, 3]);
    expect(bound).toBe(5);
  });

  it('butts pieces of one ground with one knife cut and keeps a gutter between others', () => {
    const strip = { widthMm: 100, heightMm: 50, pieceWidthMm: 50, pieceHeightMm: 50, bleedMm: 0 };
    expect(best({ ...strip }).count).toBe(2);
    expect(best({ ...strip, gutterMm: 4 }).count).toBe(1);
    expect(best({ ...strip, widthMm: 104, gutterMm: 4 }).pieces.map(({ xMm }) => xMm)).toEqual([0, 54]);
    // With bleeds of 3 and a gutter of 8 the gutter decides between the pieces, the bleed at the edge.
    const bled = best({ ...strip, widthMm: 114, heightMm: 56, bleedMm: 3, gutterMm: 8 });
    expect(bled.pieces.map(({ xMm, yMm }) => [xMm, yMm])).toEqual([
      [3, 3],
      [61, 3],
    ]);
    expect([bled.widthMm, bled.heightMm]).toEqual([114, 56]);
  });

  it('keeps to one way where the grain asks for it', () => {
    expect(best({ pieceWidthMm: 594, pieceHeightMm: 420, turns: 'upright' }).count).toBe(1);
    expect(best({ pieceWidthMm: 594, pieceHeightMm: 420, turns: 'turned' })).toMatchObject({
      count: 2,
      arrangement: 'turned',
    });
  });

  it('says 0 where not one piece fits', () => {
    expect(best({ pieceWidthMm: 2000 }).count).toBe(0);
  });

  it('reads measures as written: two labels of 127 with 3.175 between them want 257.175 mm (identity)', () => {
    const labels = { heightMm: 127, pieceWidthMm: 127, pieceHeightMm: 127, bleedMm: 0, gutterMm: 3.175 };
    expect(best({ ...labels, widthMm: 81 * 3.175 }).count).toBe(2);
    expect(best({ ...labels, widthMm: 81 * 3.175 - 0.001 }).count).toBe(1);
  });

  const length = fc.integer({ min: 1, max: 30 });
  const turns = fc.constantFrom('either', 'upright', 'turned');

  it('is as good as trying every cut on small sheets (identity), and never above the bound', () => {
    fc.assert(
      fc.property(length, length, length, length, turns, (widthMm, heightMm, pieceWidthMm, pieceHeightMm, way) => {
        const { proposals, bound } = layPatterns(
          request({ widthMm, heightMm, pieceWidthMm, pieceHeightMm, bleedMm: 0, turns: way }),
        );
        expect(proposals[0].count).toBe(bruteForce(widthMm, heightMm, pieceWidthMm, pieceHeightMm, way));
        expect(bound).toBeGreaterThanOrEqual(proposals[0].count);
      }),
    );
  });

  const measure = fc.integer({ min: 400, max: 9000 }).map((n) => n / 10);
  it('lies inside, apart and cuttable edge to edge, in every proposal', () => {
    fc.assert(
      fc.property(
        measure,
        measure,
        turns,
        fc.constantFrom('none', 'columns', 'rows'),
        fc.constantFrom(0, 3),
        fc.constantFrom(0, 5, 8),
        (pieceWidthMm, pieceHeightMm, way, mirror, bleedMm, gutterMm) => {
          const asked = request({ pieceWidthMm, pieceHeightMm, turns: way, mirror, bleedMm, gutterMm });
          for (const { pieces, count } of layPatterns(asked).proposals) {
            expect(faults(pieces, asked)).toEqual([]);
            expect(pieces).toHaveLength(count);
          }
        },
      ),
    );
  });

  it('mirrors about the middle for work-and-turn and work-and-tumble', () => {
    const asked = request({ pieceWidthMm: 148, pieceHeightMm: 105, mirror: 'columns' });
    const { pieces, widthMm } = layPatterns(asked).proposals[0];
    const key = ({ xMm, yMm, turned }: PlacedPiece): string => `${xMm.toFixed(3)} ${yMm.toFixed(3)} ${turned}`;
    const image = pieces.map((piece) => ({ ...piece, xMm: widthMm - piece.xMm - piece.widthMm }));
    expect(image.map(key).sort()).toEqual(pieces.map(key).sort());
    expect(pieces.length % 2).toBe(0);
  });
});

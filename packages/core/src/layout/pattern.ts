import type { Mm } from '../kernel/index.js';
import { upperBound } from './bound.js';
import { type PlacedCell, GuillotineSearch, isSearchable } from './guillotine.js';
import {
  type CellProblem,
  type PatternRequest,
  type PlacedPiece,
  type Turns,
  cellProblem,
  distanceMm,
  toMm,
} from './pattern-request.js';

/** How the pieces of a pattern lie: all one way in rows and columns, or both ways mixed. */
export type Arrangement = 'upright' | 'turned' | 'mixed';
/** How equal pieces lie on a sheet. */
export const ARRANGEMENTS = ['upright', 'turned', 'mixed'] as const;

/** Equal pieces laid for edge-to-edge cuts. */
export interface Pattern {
  readonly arrangement: Arrangement;
  readonly count: number;
  /** Columns and rows of a plain grid; absent in a mixed pattern. */
  readonly grid?: { readonly columns: number; readonly rows: number };
  readonly pieces: readonly PlacedPiece[];
  /** Smallest rectangle that holds all trimmed pieces with their bleeds. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

function cellSize({ cellWidth, cellHeight }: CellProblem, turned: boolean): readonly [number, number] {
  return turned ? [cellHeight, cellWidth] : [cellWidth, cellHeight];
}

function gridCells(problem: CellProblem, turned: boolean): { cells: PlacedCell[]; columns: number; rows: number } {
  const [w, h] = cellSize(problem, turned);
  const [columns, rows] = [Math.floor(problem.width / w), Math.floor(problem.height / h)];
  const cells = Array.from({ length: columns * rows }, (_, i) => ({
    x: (i % columns) * w,
    y: Math.floor(i / columns) * h,
    turned,
  }));
  return { cells, columns, rows };
}

/** Half the area where the pattern has to mirror; a middle distance belongs half to each side. */
function halved(problem: CellProblem, mirror: PatternRequest['mirror']): CellProblem {
  if (mirror === 'columns') return { ...problem, width: Math.floor(problem.width / 2) };
  if (mirror === 'rows') return { ...problem, height: Math.floor(problem.height / 2) };
  return problem;
}

/** The half pattern and its mirror image beside or above it, touching at the middle. */
function mirrored(cells: readonly PlacedCell[], problem: CellProblem, mirror: PatternRequest['mirror']): PlacedCell[] {
  if (mirror === 'none') return [...cells];
  const across = mirror === 'columns';
  const ends = cells.map((cell) => {
    const [w, h] = cellSize(problem, cell.turned);
    return across ? cell.x + w : cell.y + h;
  });
  const middle = Math.max(0, ...ends);
  const image = cells.map((cell, i) =>
    across ? { ...cell, x: 2 * middle - (ends[i] ?? 0) } : { ...cell, y: 2 * middle - (ends[i] ?? 0) },
  );
  return [...cells, ...image];
}

function patternOf(
  request: PatternRequest,
  problem: CellProblem,
  arrangement: Arrangement,
  cells: readonly PlacedCell[],
  grid?: { columns: number; rows: number },
): Pattern {
  const distance = distanceMm(request);
  const pieces = cells.map(({ x, y, turned }): PlacedPiece => {
    const [w, h] = cellSize(problem, turned);
    return {
      xMm: toMm(x) + request.bleedMm,
      yMm: toMm(y) + request.bleedMm,
      widthMm: toMm(w) - distance,
      heightMm: toMm(h) - distance,
      turned,
    };
  });
  const end = (along: (piece: PlacedPiece) => number): number =>
    pieces.length === 0 ? 0 : Math.max(...pieces.map(along)) + request.bleedMm;
  return {
    arrangement,
    count: pieces.length,
    pieces,
    widthMm: end(({ xMm, widthMm }) => xMm + widthMm),
    heightMm: end(({ yMm, heightMm }) => yMm + heightMm),
    ...(grid ? { grid } : {}),
  };
}

const allows = (turns: Turns, turned: boolean): boolean => turns === 'either' || (turns === 'turned') === turned;

/** What a sheet holds: the proposals, best first, and the most that any pattern could hold. */
export interface Patterns {
  /** Never empty; the first holds most, and a plain grid goes before a mixed pattern that holds no more. */
  readonly proposals: readonly [Pattern, ...Pattern[]];
  /** No pattern of whatever kind holds more. */
  readonly bound: number;
}

/**
 * Lays equal pieces on an area for edge-to-edge cuts: the plain grid either way, and the best mixed pattern where that
 * holds more. Exact for guillotine patterns of pieces that are not tiny; the bound is certified for any. A count of 0 says that not one piece fits.
 * With a mirror, half the area is laid and mirrored; the bound then speaks of twice the half.
 * Source: see `GuillotineSearch` and `upperBound`; handbook chapter 4 "Flat work: n-up".
 */
export function layPatterns(request: PatternRequest): Patterns {
  const { mirror, turns } = request;
  const problem = halved(cellProblem(request), mirror);
  const times = mirror === 'none' ? 1 : 2;
  const plain = [false, true]
    .filter((turned) => allows(turns, turned))
    .map((turned) => {
      const { cells, columns, rows } = gridCells(problem, turned);
      return patternOf(request, problem, turned ? 'turned' : 'upright', mirrored(cells, problem, mirror), {
        columns: columns * (mirror === 'columns' ? 2 : 1),
        rows: rows * (mirror === 'rows' ? 2 : 1),
      });
    })
    .sort((a, b) => b.count - a.count);
  const bound = times * upperBound(problem, turns);
  const proposals = [...plain];
  const most = plain[0]?.count ?? 0;
  if (turns === 'either' && most < bound && isSearchable(problem)) {
    const search = new GuillotineSearch(problem);
    if (search.count * times > most)
      proposals.unshift(patternOf(request, problem, 'mixed', mirrored(search.cells(), problem, mirror)));
  }
  const [first, ...rest] = proposals;
  if (!first) throw new Error('a request without a way to turn');
  return { proposals: [first, ...rest.filter(({ count }) => count > 0)], bound };
}

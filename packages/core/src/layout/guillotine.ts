import { indexBelow, normalLengths } from './normal-lengths.js';
import type { CellProblem } from './pattern-request.js';

/** A cell in place, in whole units from the lower left corner. */
export interface PlacedCell {
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}

/** How a rectangle is cut: whole piece, waste, or one cut from edge to edge into two rectangles. */
type Choice = { readonly kind: 'piece'; readonly turned: boolean } | { readonly kind: 'x' | 'y'; readonly at: number };

const NO_CUTS = new Int32Array(0);

/** Work from which a rectangle is not searched: pieces so small that a mixed pattern gains next to nothing. */
const MOST_WORK = 1e8;

/** Whether a search of a problem ends in a blink. */
export function isSearchable({ width, height, cellWidth, cellHeight }: CellProblem): boolean {
  const lengths = (limit: number): number => (limit / cellWidth + 1) * (limit / cellHeight + 1);
  // Sums of both sides are at most so many; those that coincide make it fewer.
  const [xs, ys] = [Math.min(width, lengths(width)), Math.min(height, lengths(height))];
  return xs * ys * (xs + ys) <= MOST_WORK || exactWork(cellWidth, cellHeight, width, height) <= MOST_WORK;
}

function exactWork(cellWidth: number, cellHeight: number, width: number, height: number): number {
  const [xs, ys] = [width, height].map((limit) => normalLengths(cellWidth, cellHeight, limit).length) as [
    number,
    number,
  ];
  return xs * ys * (xs + ys);
}

/**
 * The most equal cells that edge-to-edge cuts can get out of a rectangle, both orientations mixed: dynamic programming
 * over the normal lengths, best(w, h) = the greatest sum over one cut along either side. Exact for guillotine patterns.
 * A rectangle whose best reaches the area ratio is not searched further.
 * Cost: at worst the product of both numbers of lengths times their sum; real sizes take well under a millisecond.
 * Source: literature, Gilmore and Gomory 1966; Herz 1972 for the normal lengths.
 */
export class GuillotineSearch {
  private readonly xs: readonly number[];
  private readonly ys: readonly number[];
  private readonly best: Int32Array;

  constructor(private readonly problem: CellProblem) {
    const { width, height, cellWidth, cellHeight } = problem;
    this.xs = normalLengths(cellWidth, cellHeight, width);
    this.ys = normalLengths(cellWidth, cellHeight, height);
    this.best = new Int32Array(this.xs.length * this.ys.length);
    this.fill();
  }

  get count(): number {
    return this.best.at(-1) ?? 0;
  }

  /** For each length and each cut below its half, the index of what is left beside the cut. */
  private static restIndices(lengths: readonly number[]): readonly Int32Array[] {
    return lengths.map((length, i) => {
      let rest = i;
      const most = indexBelow(lengths, length / 2);
      const indices = new Int32Array(most + 1);
      for (let cut = 1; cut <= most; cut++) {
        const left = length - (lengths[cut] ?? 0);
        while ((lengths[rest] ?? 0) > left) rest--;
        indices[cut] = rest;
      }
      return indices;
    });
  }

  private fill(): void {
    const { xs, ys, best } = this;
    const { cellWidth, cellHeight } = this.problem;
    const area = cellWidth * cellHeight;
    const rows = ys.length;
    const [restX, restY] = [GuillotineSearch.restIndices(xs), GuillotineSearch.restIndices(ys)];
    for (let i = 1; i < xs.length; i++) {
      const x = xs[i] ?? 0;
      const cutsX = restX[i] ?? NO_CUTS;
      for (let j = 1; j < rows; j++) {
        const y = ys[j] ?? 0;
        const most = Math.floor((x * y) / area);
        if (most === 0) continue;
        let found = (x >= cellWidth && y >= cellHeight) || (x >= cellHeight && y >= cellWidth) ? 1 : 0;
        const cutsY = restY[j] ?? NO_CUTS;
        for (let cut = 1; cut < cutsX.length && found < most; cut++) {
          const sum = (best[cut * rows + j] ?? 0) + (best[(cutsX[cut] ?? 0) * rows + j] ?? 0);
          if (sum > found) found = sum;
        }
        for (let cut = 1; cut < cutsY.length && found < most; cut++) {
          const sum = (best[i * rows + cut] ?? 0) + (best[i * rows + (cutsY[cut] ?? 0)] ?? 0);
          if (sum > found) found = sum;
        }
        best[i * rows + j] = found;
      }
    }
  }

  private at(i: number, j: number): number {
    return this.best[i * this.ys.length + j] ?? 0;
  }

  /** A choice that gives the best count of a rectangle; undefined where nothing fits. */
  private choose(i: number, j: number): Choice | undefined {
    const { xs, ys } = this;
    const { cellWidth, cellHeight } = this.problem;
    const [x, y, wanted] = [xs[i] ?? 0, ys[j] ?? 0, this.at(i, j)];
    if (wanted === 0) return undefined;
    if (wanted === 1) return { kind: 'piece', turned: x < cellWidth || y < cellHeight };
    for (let cut = 1; (xs[cut] ?? Infinity) <= x / 2; cut++)
      if (this.at(cut, j) + this.at(indexBelow(xs, x - (xs[cut] ?? 0)), j) === wanted)
        return { kind: 'x', at: xs[cut] ?? 0 };
    for (let cut = 1; (ys[cut] ?? Infinity) <= y / 2; cut++)
      if (this.at(i, cut) + this.at(i, indexBelow(ys, y - (ys[cut] ?? 0))) === wanted)
        return { kind: 'y', at: ys[cut] ?? 0 };
    throw new Error('a best count without a cut that gives it');
  }

  /** The cells of a best pattern, pushed to the lower left. */
  cells(): PlacedCell[] {
    const { xs, ys } = this;
    const cells: PlacedCell[] = [];
    const walk = (i: number, j: number, x: number, y: number): void => {
      const choice = this.choose(i, j);
      if (!choice) return;
      if (choice.kind === 'piece') cells.push({ x, y, turned: choice.turned });
      else if (choice.kind === 'x') {
        walk(indexBelow(xs, choice.at), j, x, y);
        walk(indexBelow(xs, (xs[i] ?? 0) - choice.at), j, x + choice.at, y);
      } else {
        walk(i, indexBelow(ys, choice.at), x, y);
        walk(i, indexBelow(ys, (ys[j] ?? 0) - choice.at), x, y + choice.at);
      }
    };
    walk(xs.length - 1, ys.length - 1, 0, 0);
    return cells;
  }
}

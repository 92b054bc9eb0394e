import { type Issue, error } from '../kernel/index.js';
import type { Fold, FoldScheme } from './fold-scheme.js';

/**
 * A leaf of the sheet on its way through the folder: where it stood on the flat sheet (column from the left and row from
 * the bottom, inner side up), and how it lies now: -1 where it has been turned over left to right, or bottom to top.
 */
interface Leaf {
  readonly column: number;
  readonly row: number;
  readonly sx: 1 | -1;
  readonly sy: 1 | -1;
}

/** What lies under the folder: leaves of each place, undermost first. */
type Packet = readonly (readonly (readonly Leaf[])[])[];

/** Where the closed spine of the folded packet is, as it lies. */
export type SpineEdge = 'left' | 'right' | 'top' | 'bottom';

/** A sheet once it is folded: its leaves as they lie, and where its spine is. */
export interface FoldedSection {
  /** Leaves as they lie, undermost first; two stacks, the lower and the upper, where two books are bound as one. */
  readonly stacks: readonly (readonly Leaf[])[];
  readonly spine: SpineEdge;
}

const turnOver = (stack: readonly Leaf[], across: boolean): Leaf[] =>
  [...stack]
    .reverse()
    .map((leaf) => (across ? { ...leaf, sx: leaf.sx === 1 ? -1 : 1 } : { ...leaf, sy: leaf.sy === 1 ? -1 : 1 }));

/** Swaps columns and rows, so that one routine folds both ways. */
const transpose = (packet: Packet): Packet =>
  (packet[0] ?? []).map((_, column) => packet.map((row) => row[column] ?? []));
const reverseColumns = (packet: Packet): Packet => packet.map((row) => [...row].reverse());

/** Folds or slits the columns from `at` on over or under those before it. Undefined where the moving part is the wider one. */
function moveRight(packet: Packet, at: number, { kind, under }: Fold, across: boolean): Packet | undefined {
  const columns = packet[0]?.length ?? 0;
  if (!Number.isInteger(at) || at < 1 || at >= columns || columns - at > at) return undefined;
  return packet.map((row) =>
    row.slice(0, at).map((stack, column) => {
      const from = kind === 'fold' ? 2 * at - 1 - column : column + at;
      const moving = row[from] ?? [];
      const laid = kind === 'fold' ? turnOver(moving, across) : moving;
      return under ? [...laid, ...stack] : [...stack, ...laid];
    }),
  );
}

function applyFold(packet: Packet, fold: Fold): Packet | undefined {
  const { direction, at } = fold;
  const across = direction === 'right over left' || direction === 'left over right';
  const backwards = direction === 'left over right' || direction === 'bottom over top';
  const lying = across ? packet : transpose(packet);
  const length = lying[0]?.length ?? 0;
  const line = at ?? length / 2;
  const moved = moveRight(backwards ? reverseColumns(lying) : lying, backwards ? length - line : line, fold, across);
  if (!moved) return undefined;
  const back = backwards ? reverseColumns(moved) : moved;
  return across ? back : transpose(back);
}

const SPINES: Readonly<Record<Fold['direction'], SpineEdge>> = {
  'right over left': 'right',
  'left over right': 'left',
  'top over bottom': 'top',
  'bottom over top': 'bottom',
};

/**
 * Folds a scheme down to one packet, or to two books above one another. The last fold makes the spine.
 * Issues: `fold.line-outside` (the fold's line is not inside what lies there, or the smaller part would have to be
 * wrapped around), `fold.not-one-packet` (pages still lie beside each other at the end), `fold.no-spine` (the last
 * station is a slit). Cost: leaves x folds. Source: identity (a fold turns over what it moves).
 */
export function foldSection(
  scheme: FoldScheme,
  books: 1 | 2,
  path: string,
): { folded?: FoldedSection; issues: Issue[] } {
  let packet: Packet = Array.from({ length: scheme.rows * books }, (_, row) =>
    Array.from({ length: scheme.columns }, (__, column): readonly Leaf[] => [{ column, row, sx: 1, sy: 1 }]),
  );
  for (const [i, fold] of scheme.folds.entries()) {
    const next = applyFold(packet, fold);
    if (!next) {
      const params = { scheme: scheme.name, fold: i + 1, direction: fold.direction };
      return { issues: [error('fold.line-outside', `${path}.folds[${i}]`, params)] };
    }
    packet = next;
  }
  const [columns, rows] = [packet[0]?.length ?? 0, packet.length];
  if (rows !== books || columns !== 1) {
    return { issues: [error('fold.not-one-packet', `${path}.folds`, { scheme: scheme.name, columns, rows })] };
  }
  const last = scheme.folds.at(-1);
  if (last?.kind !== 'fold') return { issues: [error('fold.no-spine', `${path}.folds`, { scheme: scheme.name })] };
  return { folded: { stacks: packet.map((row) => row[0] ?? []), spine: SPINES[last.direction] }, issues: [] };
}

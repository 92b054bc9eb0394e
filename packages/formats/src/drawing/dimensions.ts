import type { LayoutDrawing } from '@druckerei/core';

/** One length of a dimension chain, millimetres along it. */
export interface Dimension {
  readonly from: number;
  readonly to: number;
}

/** Lengths shorter than this have no room for their figure, millimetres. */
const NARROW = 18;

/** Chain between edges, each once, to a hundredth of a millimetre. */
function chainOf(edges: readonly number[]): Dimension[] {
  const stops = [...new Set(edges.map((edge) => Math.round(edge * 100) / 100))].sort((a, b) => a - b);
  return stops.slice(1).map((to, i) => ({ from: stops[i] ?? 0, to }));
}

/** Dimensions of a layout from edge to edge of every trimmed piece, across the sheet and up it; y runs down. */
export function dimensionsOf({ sheet, pieces }: LayoutDrawing): {
  readonly across: readonly Dimension[];
  readonly up: readonly Dimension[];
} {
  return {
    across: chainOf([0, sheet.width, ...pieces.flatMap(({ trim }) => [trim.x, trim.x + trim.width])]),
    up: chainOf([0, sheet.height, ...pieces.flatMap(({ trim }) => [trim.y, trim.y + trim.height])]),
  };
}

export const isTold = ({ from, to }: Dimension): boolean => to - from >= NARROW;
export const middle = ({ from, to }: Dimension): number => (from + to) / 2;
export const lengthText = ({ from, to }: Dimension): string => String(Math.round((to - from) * 100) / 100);

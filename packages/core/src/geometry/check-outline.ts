import { cross } from './clearance.js';
import { type Outline, edgesOf } from './point.js';

/** Where an outline crosses itself: the first pair of its edges that do, by number; undefined where none do. */
export function selfCrossing(outline: Outline): { readonly first: number; readonly second: number } | undefined {
  const edges = edgesOf(outline);
  for (const [first, [a, b]] of edges.entries()) {
    const later = edges.slice(first + 1).findIndex(([c, d]) => cross(a, b, c, d));
    if (later >= 0) return { first, second: first + 1 + later };
  }
  return undefined;
}

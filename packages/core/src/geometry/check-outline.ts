import { cross } from './clearance.js';
import { type Outline, type Point, edgesOf } from './point.js';

/** Where an outline crosses itself: the first pair of its edges that do, by number; undefined where none do. */
export function selfCrossing(outline: Outline): { readonly first: number; readonly second: number } | undefined {
  const edges = edgesOf(outline);
  for (let i = 0; i < edges.length; i++) {
    for (let j = i + 1; j < edges.length; j++) {
      const [a, b] = edges[i] as readonly [Point, Point];
      const [c, d] = edges[j] as readonly [Point, Point];
      if (cross(a, b, c, d)) return { first: i, second: j };
    }
  }
  return undefined;
}

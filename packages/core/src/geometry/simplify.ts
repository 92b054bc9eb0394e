import type { Mm } from '../kernel/index.js';
import { distanceToSegment } from './clearance.js';
import type { Outline, Point } from './point.js';

/** Points of an open run that are needed so that none left out stands further away than the tolerance. */
function run(points: readonly Point[], toleranceMm: Mm): Point[] {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || points.length < 3) return [...points];
  let [furthest, at] = [0, 0];
  points.forEach((point, i) => {
    const away = distanceToSegment(point, first, last);
    if (away > furthest) [furthest, at] = [away, i];
  });
  if (furthest <= toleranceMm) return [first, last];
  return [...run(points.slice(0, at + 1), toleranceMm).slice(0, -1), ...run(points.slice(at), toleranceMm)];
}

/**
 * An outline with fewer points, none of those left out further away than the tolerance. For searching: what is found
 * with it has to be checked with the outline itself. Source: literature, Douglas and Peucker 1973.
 */
export function simplify(outline: Outline, toleranceMm: Mm): Outline {
  const half = Math.floor(outline.length / 2);
  const [first] = outline;
  if (!first || half < 2) return outline;
  const front = run(outline.slice(0, half + 1), toleranceMm);
  const back = run([...outline.slice(half), first], toleranceMm);
  return [...front.slice(0, -1), ...back.slice(0, -1)];
}

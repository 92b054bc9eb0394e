/** A point of a drawing. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Most that a straight piece may stand away from the curve it replaces, millimetres. Source: practice. */
const CHORD_MM = 0.05;

/** Parts of an arc so that no chord stands further away than allowed; at least two. Source: identity (sagitta). */
function parts(radius: number, sweep: number): number {
  const step = 2 * Math.acos(Math.max(-1, 1 - CHORD_MM / Math.max(radius, CHORD_MM)));
  return Math.min(720, Math.max(2, Math.ceil(Math.abs(sweep) / Math.max(step, 1e-3))));
}

/** An arc, angles in radians, anticlockwise where the sweep is above 0. */
export function arcPoints(centre: Spot, radius: number, start: number, sweep: number): Spot[] {
  const n = parts(radius, sweep);
  return Array.from({ length: n + 1 }, (_, i) => ({
    x: centre.x + radius * Math.cos(start + (sweep * i) / n),
    y: centre.y + radius * Math.sin(start + (sweep * i) / n),
  }));
}

/**
 * The arc between two points of a polyline with a bulge: the tangent of a quarter of its angle, above 0 anticlockwise.
 * Without the first point. Source: the open DXF reference; identity.
 */
export function bulgePoints(a: Spot, b: Spot, bulge: number): Spot[] {
  if (!bulge) return [b];
  const chord = Math.hypot(b.x - a.x, b.y - a.y);
  const sweep = 4 * Math.atan(bulge);
  const radius = chord / (2 * Math.sin(Math.abs(sweep) / 2));
  const away = Math.sqrt(Math.max(0, radius * radius - (chord * chord) / 4)) * (Math.abs(bulge) <= 1 ? 1 : -1);
  const side = bulge > 0 ? 1 : -1;
  const centre = {
    x: (a.x + b.x) / 2 - (side * away * (b.y - a.y)) / chord,
    y: (a.y + b.y) / 2 + (side * away * (b.x - a.x)) / chord,
  };
  const start = Math.atan2(a.y - centre.y, a.x - centre.x);
  return [...arcPoints(centre, radius, start, sweep).slice(1, -1), b];
}

/** An ellipse or a part of one: centre, end of the long half axis from it, ratio of both, parameters in radians. */
export function ellipsePoints(centre: Spot, major: Spot, ratio: number, start: number, end: number): Spot[] {
  const sweep = end > start ? end - start : end - start + 2 * Math.PI;
  const n = parts(Math.hypot(major.x, major.y), sweep);
  return Array.from({ length: n + 1 }, (_, i) => {
    const t = start + (sweep * i) / n;
    return {
      x: centre.x + major.x * Math.cos(t) - ratio * major.y * Math.sin(t),
      y: centre.y + major.y * Math.cos(t) + ratio * major.x * Math.sin(t),
    };
  });
}

/** Points to each span of a spline. */
const SPAN_PARTS = 24;

/** A point of a B-spline. Source: literature, de Boor 1972. */
function deBoor(degree: number, controls: readonly Spot[], knots: readonly number[], t: number): Spot {
  let k = degree;
  while (k < controls.length - 1 && t >= (knots[k + 1] ?? Infinity)) k += 1;
  const d = controls.slice(k - degree, k + 1).map(({ x, y }) => ({ x, y }));
  for (let r = 1; r <= degree; r++) {
    for (let j = degree; j >= r; j--) {
      const [low, high] = [knots[j + k - degree] ?? 0, knots[j + 1 + k - r] ?? 0];
      const a = high === low ? 0 : (t - low) / (high - low);
      const [before, own] = [d[j - 1] ?? { x: 0, y: 0 }, d[j] ?? { x: 0, y: 0 }];
      d[j] = { x: (1 - a) * before.x + a * own.x, y: (1 - a) * before.y + a * own.y };
    }
  }
  return d[degree] ?? { x: 0, y: 0 };
}

/** A B-spline without weights, as points. Controls must be more than the degree, knots one more than both together. */
export function splinePoints(degree: number, controls: readonly Spot[], knots: readonly number[]): Spot[] {
  const inner = knots.slice(degree, controls.length + 1);
  const spans = [...new Set(inner)].sort((a, b) => a - b);
  return spans.flatMap((from, i): Spot[] => {
    const to = spans[i + 1];
    if (to === undefined) return controls.length > 0 ? [deBoor(degree, controls, knots, from)] : [];
    return Array.from({ length: SPAN_PARTS }, (_, n) =>
      deBoor(degree, controls, knots, from + ((to - from) * n) / SPAN_PARTS),
    );
  });
}

/** A cubic of a path by its four points, without the first. Source: identity (Bernstein form). */
export function cubicPoints(a: Spot, b: Spot, c: Spot, d: Spot): Spot[] {
  return Array.from({ length: SPAN_PARTS }, (_, i) => {
    const t = (i + 1) / SPAN_PARTS;
    const u = 1 - t;
    const mix = (p: number, q: number, r: number, s: number): number =>
      u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s;
    return { x: mix(a.x, b.x, c.x, d.x), y: mix(a.y, b.y, c.y, d.y) };
  });
}

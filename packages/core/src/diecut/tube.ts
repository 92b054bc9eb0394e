import type { Mm } from '../kernel/index.js';
import type { Outline, Point } from '../geometry/index.js';
import type { DieArea, DieDrawing, DieLine } from './drawing.js';

/** What stands on the end of one panel of a tube: its edge from the panel's left to its right corner, and its creases. */
export interface PanelEnd {
  /** Heights above the panel, from left to right; x from the panel's left corner. Empty: the panel ends straight. */
  readonly edge: readonly Point[];
  readonly creases: readonly (readonly Point[])[];
  /** A flap folds on the panel's end, so there is a crease; else the end is cut. */
  readonly hinged: boolean;
}

/** An end that stays open. */
export const NO_END: PanelEnd = { edge: [], creases: [], hinged: false };

/** A plain flap of the panel's full width. */
export const plainFlap = (width: Mm, height: Mm, insetMm: Mm = 0): PanelEnd => ({
  edge: [
    { x: insetMm, y: 0 },
    { x: insetMm, y: height },
    { x: width - insetMm, y: height },
    { x: width - insetMm, y: 0 },
  ],
  creases: [],
  hinged: true,
});

/** A flap that narrows to its end (dust flap, one corner slanted away on each side). */
export const taperedFlap = (width: Mm, height: Mm, taperMm: Mm): PanelEnd => ({
  edge: [
    { x: 0, y: 0 },
    { x: taperMm, y: height },
    { x: width - taperMm, y: height },
    { x: width, y: 0 },
  ],
  creases: [],
  hinged: true,
});

/** A closing panel with its tuck. The tuck's corners are cut off so that it finds its way in. */
export const tuckFlap = (width: Mm, closure: Mm, tuck: Mm): PanelEnd => {
  const corner = Math.min(tuck / 2, width / 4);
  return {
    edge: [
      { x: 0, y: 0 },
      { x: 0, y: closure },
      { x: 0, y: closure + tuck - corner },
      { x: corner, y: closure + tuck },
      { x: width - corner, y: closure + tuck },
      { x: width, y: closure + tuck - corner },
      { x: width, y: closure },
      { x: width, y: 0 },
    ],
    creases: [
      [
        { x: 0, y: closure },
        { x: width, y: closure },
      ],
    ],
    hinged: true,
  };
};

/** One panel of a tube with what hangs on it above and below. Millimetres. */
export interface TubePanel {
  readonly width: Mm;
  readonly top: PanelEnd;
  readonly bottom: PanelEnd;
}

const place = ({ edge }: PanelEnd, x: Mm, y: Mm, up: 1 | -1): Point[] =>
  edge.map((point) => ({ x: x + point.x, y: y + up * point.y }));

/** Drops points that repeat the one before, and the last where it repeats the first. */
export function tidy(points: readonly Point[]): Outline {
  const same = (a: Point | undefined, b: Point): boolean => a?.x === b.x && a.y === b.y;
  const kept = points.filter((point, i) => !same(points[i - 1], point));
  const [first] = kept;
  return first && kept.length > 1 && same(kept.at(-1), first) ? kept.slice(0, -1) : kept;
}

/** Ends of two hinged flaps side by side are told apart by a cut between them; creases lie only where flaps hinge. */
function endCreases(
  panels: readonly TubePanel[],
  x: readonly Mm[],
  y: Mm,
  which: 'top' | 'bottom',
  up: 1 | -1,
): DieLine[] {
  return panels.flatMap((panel, i) => {
    const end = panel[which];
    const left = x[i] ?? 0;
    const hinge: DieLine[] = end.hinged
      ? [
          {
            kind: 'crease',
            points: [
              { x: left + (end.edge[0]?.x ?? 0), y },
              { x: left + (end.edge.at(-1)?.x ?? panel.width), y },
            ],
          },
        ]
      : [];
    const inner = end.creases.map((points): DieLine => ({
      kind: 'crease',
      points: points.map((p) => ({ x: left + p.x, y: y + up * p.y })),
    }));
    return [...hinge, ...inner];
  });
}

/**
 * A tube: panels side by side with creases between them, a glue flap at the left, and ends above and below.
 * The lower left corner of the blank's box is the origin. Source: identity (panels laid flat).
 */
export function drawTube(name: string, flapMm: Mm, depthMm: Mm, panels: readonly TubePanel[]): DieDrawing {
  const xs: Mm[] = [];
  let x = flapMm;
  for (const { width } of panels) {
    xs.push(x);
    x += width;
  }
  const lowest = Math.max(0, ...panels.flatMap(({ bottom }) => bottom.edge.map((p) => p.y)));
  const [bottomY, topY] = [lowest, lowest + depthMm];
  const slant = Math.min(flapMm / 2, depthMm / 4);
  const flap: Outline =
    flapMm > 0
      ? [
          { x: flapMm, y: topY },
          { x: 0, y: topY - slant },
          { x: 0, y: bottomY + slant },
          { x: flapMm, y: bottomY },
        ]
      : [];
  const below = panels.flatMap(({ width, bottom }, i): Point[] => {
    const left = xs[i] ?? 0;
    return [{ x: left, y: bottomY }, ...place(bottom, left, bottomY, -1), { x: left + width, y: bottomY }];
  });
  const above = [...panels].reverse().flatMap(({ width, top }, k): Point[] => {
    const left = xs[panels.length - 1 - k] ?? 0;
    return [{ x: left + width, y: topY }, ...place(top, left, topY, 1).reverse(), { x: left, y: topY }];
  });
  const upright = (at: Mm): DieLine => ({
    kind: 'crease',
    points: [
      { x: at, y: bottomY },
      { x: at, y: topY },
    ],
  });
  const areas: DieArea[] = flapMm > 0 ? [{ kind: 'glue', outline: flap }] : [];
  return {
    name,
    outline: tidy([...below, ...above, ...flap]),
    lines: [
      ...xs.slice(flapMm > 0 ? 0 : 1).map(upright),
      ...endCreases(panels, xs, topY, 'top', 1),
      ...endCreases(panels, xs, bottomY, 'bottom', -1),
    ],
    areas,
  };
}

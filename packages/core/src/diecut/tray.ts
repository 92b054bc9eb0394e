import type { Mm } from '../kernel/index.js';
import type { Outline } from '../geometry/index.js';
import type { DieArea, DieDrawing, DieLine } from './drawing.js';
import { tidy } from './tube.js';

/** Most that a corner tab reaches along the wall that it is glued to. Source: practice. */
const MOST_TAB_MM = 25;

/** Glue tabs narrow by this at each end, so that they go in freely. Source: practice. */
const TAB_EASE_MM = 1.5;

/**
 * A tray of one base with four walls; each end wall carries two tabs that are glued inside the side walls.
 * @param base outer crease to crease, length across and width up; @param wallMm height of the walls.
 * Source: identity (walls laid flat); tab size practice.
 */
export function drawTray(name: string, lengthMm: Mm, widthMm: Mm, wallMm: Mm): DieDrawing {
  const tab = Math.min(MOST_TAB_MM, lengthMm / 3);
  const ease = Math.min(TAB_EASE_MM, wallMm / 4);
  const [x0, x1, x2, x3] = [0, wallMm, wallMm + lengthMm, 2 * wallMm + lengthMm];
  const [y0, y1, y2, y3] = [0, wallMm, wallMm + widthMm, 2 * wallMm + widthMm];
  // Tabs stand on the ends of the left and right walls, reaching up and down beside the side walls.
  const [low, high] = [y1 - tab, y2 + tab];
  const outline: Outline = tidy([
    { x: x1, y: y0 },
    { x: x2, y: y0 },
    { x: x2, y: y1 },
    { x: x2 + ease, y: low },
    { x: x3 - ease, y: low },
    { x: x3, y: y1 },
    { x: x3, y: y2 },
    { x: x3 - ease, y: high },
    { x: x2 + ease, y: high },
    { x: x2, y: y2 },
    { x: x2, y: y3 },
    { x: x1, y: y3 },
    { x: x1, y: y2 },
    { x: x1 - ease, y: high },
    { x: x0 + ease, y: high },
    { x: x0, y: y2 },
    { x: x0, y: y1 },
    { x: x0 + ease, y: low },
    { x: x1 - ease, y: low },
    { x: x1, y: y1 },
  ]);
  const crease = (ax: Mm, ay: Mm, bx: Mm, by: Mm): DieLine => ({
    kind: 'crease',
    points: [
      { x: ax, y: ay },
      { x: bx, y: by },
    ],
  });
  const tabArea = (left: Mm, right: Mm, root: Mm, tip: Mm): DieArea => ({
    kind: 'glue',
    outline: [
      { x: left, y: root },
      { x: right, y: root },
      { x: right - ease, y: tip },
      { x: left + ease, y: tip },
    ],
  });
  return {
    name,
    outline,
    lines: [
      crease(x1, y1, x2, y1),
      crease(x1, y2, x2, y2),
      crease(x1, y1, x1, y2),
      crease(x2, y1, x2, y2),
      crease(x0, y1, x1, y1),
      crease(x0, y2, x1, y2),
      crease(x2, y1, x3, y1),
      crease(x2, y2, x3, y2),
    ],
    areas: [tabArea(x0, x1, y1, low), tabArea(x0, x1, y2, high), tabArea(x2, x3, y1, low), tabArea(x2, x3, y2, high)],
  };
}

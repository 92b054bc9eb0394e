import { UM } from '../kernel/index.js';
import type { Family, Job } from '../job/index.js';
import type { Material } from '../material/index.js';
import type { Plan } from '../plan/index.js';
import type { Operation } from '../route/index.js';
import { type Shape, type ShapeRole, type Spot, type StationDrawing, measure } from './drawing.js';

/** How a product is drawn: what of it is seen. */
type Look = 'leaf' | 'folded' | 'stitched' | 'bound' | 'cased' | 'box' | 'roll' | 'sheet of labels';

const LOOKS: Readonly<Record<Family, Look>> = {
  flat: 'leaf',
  folded: 'folded',
  'web-leaflet': 'stitched',
  'saddle-stitched': 'stitched',
  'perfect-bound': 'bound',
  'case-bound': 'cased',
  carton: 'box',
  wallet: 'bound',
  'laminated-box': 'box',
  'corrugated-case': 'box',
  envelope: 'leaf',
  'paper-roll': 'roll',
  labels: 'sheet of labels',
  numbered: 'leaf',
  stationery: 'leaf',
  'on-demand': 'bound',
  gang: 'leaf',
};

const PACKING: readonly Operation[] = ['band', 'wrap', 'box', 'pallet', 'count'];
/** How far what goes back is drawn aside and up: a receding edge at half its length, at 45 degrees. Source: common practice. */
const RECEDE = 0.5 * Math.SQRT1_2;
/** Edges that recede by less than this share of the longest are not told apart. */
const LEAST_RECEDE = 0.008;

interface Body {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
}

/** The product as it comes to be packed: what goes into the first packing station, else what leaves the route. */
function productState({ steps, edges }: Plan): Material | undefined {
  const operations = new Map(steps.map(({ id, operation }) => [id, operation]));
  const isPacking = (id: string | null): boolean => id === null || PACKING.includes(operations.get(id) ?? 'print');
  const ends = edges.filter(({ from, to }) => isPacking(to) && from !== null && !isPacking(from));
  return (ends.at(-1) ?? edges.find(({ to }) => to === null))?.state;
}

/** A box stands on its base: length of the opening before us, its width going back, its depth up. */
function bodyOf(job: Job, plan: Plan, look: Look): Body | undefined {
  const [blank] = job.components.filter(({ kind }) => kind === 'blank');
  if (look === 'box' && blank?.die?.kind === 'structure')
    return { width: blank.widthMm ?? 0, height: blank.die.depthMm, depth: blank.heightMm ?? 0 };
  const state = productState(plan);
  return state && { width: state.widthMm, height: state.heightMm, depth: state.caliperUm / UM };
}

const path = (role: ShapeRole, points: readonly Spot[], closed = true): Shape => ({
  kind: 'path',
  role,
  points,
  closed,
});
const line = (role: ShapeRole, a: Spot, b: Spot): Shape => path(role, [a, b], false);

/** What tells the looks apart, on the front face, whose upper left corner is at `top`. */
function details(look: Look, { width, height }: Body, top: number, aside: number): Shape[] {
  const at = (share: number): number => top + height * share;
  switch (look) {
    case 'stitched': {
      const wire = Math.max(height * 0.05, 6);
      return [0.25, 0.75].map((share) =>
        line('edge', { x: width * 0.012, y: at(share) - wire / 2 }, { x: width * 0.012, y: at(share) + wire / 2 }),
      );
    }
    case 'bound':
      return [line('fold', { x: width * 0.05, y: top }, { x: width * 0.05, y: top + height })];
    case 'cased':
      return [
        line('fold', { x: width * 0.045, y: top }, { x: width * 0.045, y: top + height }),
        line('fold', { x: width * 0.075, y: top }, { x: width * 0.075, y: top + height }),
      ];
    case 'folded':
      return [
        line(
          'fold',
          { x: width, y: top + height * 0.02 },
          { x: width + aside * 0.5, y: top + height * 0.02 - aside * 0.5 },
        ),
      ];
    case 'box':
      return [
        line('fold', { x: aside * 0.15, y: top - aside * 0.15 }, { x: width + aside * 0.15, y: top - aside * 0.15 }),
      ];
    case 'sheet of labels':
      return [{ kind: 'box', role: 'cut', x: width * 0.06, y: at(0.06), width: width * 0.88, height: height * 0.88 }];
    default:
      return [];
  }
}

const ROUND = 36;
/** A roll lying before us: its end as a circle, its width going back. */
function rollShapes(width: number, diameter: number): { shapes: Shape[]; width: number; height: number } {
  const r = diameter / 2;
  const aside = width * RECEDE;
  const circle = (radius: number): Spot[] =>
    Array.from({ length: ROUND }, (_, i) => {
      const turn = (2 * Math.PI * i) / ROUND;
      return { x: r + radius * Math.cos(turn), y: aside + r + radius * Math.sin(turn) };
    });
  const slant = r * Math.SQRT1_2;
  const a = { x: r - slant, y: aside + r - slant };
  const b = { x: r + slant, y: aside + r + slant };
  const shapes = [
    path('piece', [a, { x: a.x + aside, y: a.y - aside }, { x: b.x + aside, y: b.y - aside }, b]),
    path('sheet', circle(r)),
    path('block', circle(r)),
    path('window', circle(r * 0.3)),
  ];
  return { shapes, width: diameter + aside, height: diameter + aside };
}

/**
 * The product to scale, from its front, what lies behind drawn going back at half its length: a planner knows a job by its
 * look. Sizes are those of the plan's last material before it is packed; boxes are set up. Undefined where nothing is
 * made. Source: identity (sizes), common practice (an oblique drawing).
 */
export function productPicture(job: Job, plan: Plan): StationDrawing | undefined {
  const look = LOOKS[job.family];
  const body = bodyOf(job, plan, look);
  if (!body || !(body.width > 0) || !(body.height > 0)) return undefined;
  const title = $localize`${job.title}, to scale`;
  if (look === 'roll') {
    const drawn = rollShapes(body.width, Math.max(body.depth, body.width * 0.15));
    return { title, widthMm: drawn.width, heightMm: drawn.height, shapes: drawn.shapes };
  }
  const { width: w, height: h, depth } = body;
  const aside = Math.max(depth * RECEDE, Math.max(w, h) * LEAST_RECEDE);
  const edge: ShapeRole = look === 'box' ? 'piece' : 'block';
  const cover: ShapeRole = look === 'cased' ? 'cloth' : 'piece';
  const shapes: Shape[] = [
    path(edge, [
      { x: 0, y: aside },
      { x: aside, y: 0 },
      { x: w + aside, y: 0 },
      { x: w, y: aside },
    ]),
    path(edge, [
      { x: w, y: aside },
      { x: w + aside, y: 0 },
      { x: w + aside, y: h },
      { x: w, y: h + aside },
    ]),
    { kind: 'box', role: cover, x: 0, y: aside, width: w, height: h },
    ...details(look, body, aside, aside),
    measure({ x: 0, y: h + aside }, { x: w, y: h + aside }, w),
    measure({ x: w + aside, y: aside }, { x: w + aside, y: h + aside }, h),
  ];
  return { title, widthMm: w + aside, heightMm: h + aside, shapes };
}

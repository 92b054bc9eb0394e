import { type Sequence, type Shop, type Timetable, inOrder, moved, timetable } from '../schedule/index.js';
import { type FloorProblem, type FloorShop, besideOf, floorShop } from './floor-shop.js';
import { type FloorPlan, type FloorSlot, judgedOf, toldFloor } from './plan-floor.js';

/** Where the planner puts a station: ahead of another on its machine, behind it, or on another machine. */
export interface FloorMove {
  readonly job: number;
  readonly step: string;
  readonly before?: { readonly job: number; readonly step: string } | undefined;
  readonly after?: { readonly job: number; readonly step: string } | undefined;
  readonly machine?: string | undefined;
}

/** What a move comes to. */
export interface FloorMoved {
  /** Jobs that are through at another minute, with how many minutes later; the most delayed first. */
  readonly shifted: readonly { readonly job: number; readonly minutes: number }[];
  /** Minutes of set-up more, less where negative. */
  readonly setUp: number;
  /** Orders late more, less where negative. */
  readonly lateOrders: number;
}

/** When stations run, as far as their order needs it. */
export interface Standing {
  readonly slots: readonly Pick<FloorSlot, 'job' | 'step' | 'machine' | 'place' | 'start' | 'end'>[];
}

/** The sequence of a schedule that stands: stations in the order of their time, what it does not know behind. */
export function sequenceOf({ shop }: FloorShop, standing: Standing): Sequence {
  const slots = new Map(standing.slots.map((slot) => [`${slot.job}/${slot.step}`, slot]));
  const key = (operation: number): [number, number] => {
    const slot = slots.get(shop.operations[operation]?.id ?? '');
    return [slot?.start ?? Infinity, slot?.end ?? Infinity];
  };
  const modes = shop.operations.map(({ id, modes: all }) => {
    const machine = slots.get(id)?.machine;
    return Math.max(
      0,
      all.findIndex((mode) => mode.machine !== undefined && shop.resources[mode.machine]?.id === machine),
    );
  });
  return {
    order: ordered(shop, key),
    modes,
    beside: shop.operations.map(({ id, modes: all, frozen }, i) => {
      const mode = all[modes[i] ?? 0];
      return frozen ? frozen.beside : mode ? besideOf(shop, mode, slots.get(id)?.place) : [];
    }),
  };
}

/** Operations by their time, each behind what it waits for; what is frozen first. */
function ordered(shop: Shop, key: (operation: number) => [number, number]): number[] {
  const rank = shop.operations.map(({ frozen }, i): [number, number, number] => [frozen ? 0 : 1, ...key(i)]);
  return inOrder(shop, (a, b) => {
    const [x, y] = [rank[a] ?? [], rank[b] ?? []];
    for (let k = 0; k < 3; k++) if (x[k] !== y[k]) return (x[k] ?? 0) - (y[k] ?? 0);
    return a - b;
  });
}

/** A schedule that stands, laid out once for whatever is tried with it. */
export class FloorMoves {
  private readonly floor: FloorShop;
  private readonly was: Sequence;
  private readonly before: Timetable;
  private readonly places: ReadonlyMap<string, number>;

  /** @param problem of now; @param standing whose order is kept. */
  constructor(
    private readonly problem: FloorProblem,
    private readonly standing: FloorPlan,
  ) {
    this.floor = floorShop(problem);
    this.was = sequenceOf(this.floor, standing);
    this.before = timetable(this.floor.shop, this.was);
    this.places = new Map(this.floor.shop.operations.map(({ id }, operation) => [id, operation]));
  }

  /** The sequence with one station elsewhere; undefined where it cannot be there: it waits for what it would go ahead of, or has begun. */
  private changed(move: FloorMove): Sequence | undefined {
    const { shop } = this.floor;
    const at = (of: { readonly job: number; readonly step: string } | undefined): number | undefined =>
      of && this.places.get(`${of.job}/${of.step}`);
    const operation = at(move);
    if (operation === undefined) return undefined;
    const mode =
      move.machine === undefined
        ? undefined
        : (shop.operations[operation]?.modes.findIndex(
            (one) => one.machine !== undefined && shop.resources[one.machine]?.id === move.machine,
          ) ?? -1);
    if (mode !== undefined && mode < 0) return undefined;
    const [before, after] = [at(move.before), at(move.after)];
    if ((move.before && before === undefined) || (move.after && after === undefined)) return undefined;
    return moved(shop, this.was, operation, {
      ...(mode === undefined ? {} : { mode }),
      ...(before === undefined ? {} : { before }),
      ...(after === undefined ? {} : { after }),
    });
  }

  /** What the schedule comes to with one station elsewhere and nothing else chosen anew; undefined where it cannot be there. */
  effect(move: FloorMove): FloorMoved | undefined {
    const changed = this.changed(move);
    if (!changed) return undefined;
    const { shop } = this.floor;
    const after = timetable(shop, changed);
    const [was, now] = [judgedOf(shop, this.before), judgedOf(shop, after)];
    const shifted = this.problem.jobs
      .map(({ id }, order) => ({ job: id, minutes: (after.through[order] ?? 0) - (this.before.through[order] ?? 0) }))
      .filter(({ minutes }) => minutes !== 0)
      .sort((a, b) => b.minutes - a.minutes);
    return { shifted, setUp: now.setUp - was.setUp, lateOrders: now.lateOrders - was.lateOrders };
  }

  /** The same schedule, told whole; undefined as with {@link effect}. @param rough without what would help. */
  plan(move: FloorMove, rough: boolean): FloorPlan | undefined {
    const changed = this.changed(move);
    return changed && toldFloor(this.problem, this.floor, changed, { evaluations: 0, seed: this.standing.seed }, rough);
  }
}

/** See {@link FloorMoves.plan}. */
export const moveFloor = (
  problem: FloorProblem,
  standing: FloorPlan,
  move: FloorMove,
  rough = false,
): FloorPlan | undefined => new FloorMoves(problem, standing).plan(move, rough);

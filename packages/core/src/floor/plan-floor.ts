import {
  type Cause,
  type Judged,
  type Sequence,
  type Shop,
  type Slot,
  type Timetable,
  BOUND_ROUNDS,
  Improver,
  NEVER,
  chainOf,
  firstSchedule,
  ordersAlone,
  type PricedBound,
  priceBetween,
  pricedBound,
  timetable,
} from '../schedule/index.js';
import { type ChangePart, type DressInk, changeOver, washesOf } from './change-over.js';
import { type FloorProblem, type FloorShop, floorShop } from './floor-shop.js';
import type { FloorHold, FloorLie } from './holds.js';
import { normsOf } from '../norms/index.js';
import { type Help, helpsFor } from './helps.js';

/** What a station waits for before it begins. */
export interface FloorCause {
  readonly kind: Cause['kind'];
  /** What was before: a station of a job. */
  readonly job: number | null;
  readonly step: string | null;
  /** Machine or tool that it held. */
  readonly held: string | null;
  /** Minute from which on it could begin, open hours aside. */
  readonly minute: number;
  /** What it is released by, where it waits for that. */
  readonly hold: FloorHold | FloorLie | null;
}

/** When a station runs; minutes from the origin. */
export interface FloorSlot {
  readonly job: number;
  readonly step: string;
  readonly machine: string | null;
  /** Place of the crew that runs it; null where no crew is told for its machine. */
  readonly place: string | null;
  readonly start: number;
  readonly setUp: number;
  readonly end: number;
  readonly frozen: boolean;
  /** What is changed on the machine before, beside the set-up that the work takes anyhow. */
  readonly changes: readonly Pick<ChangePart, 'what' | 'times' | 'hours'>[];
  /** Units that are washed for it, with the inks before and after. */
  readonly washes: readonly { readonly from: SlotInk; readonly to: SlotInk }[];
  /** What an hour of its machine is worth then: weighted minutes late that one more would save. */
  readonly dear: number;
  readonly cause: FloorCause;
}

/** An ink in a unit. */
export type SlotInk = Pick<DressInk, 'unit' | 'name' | 'aim'>;

/** A job that is late. */
export interface FloorLate {
  readonly job: number;
  readonly minutes: number;
  /** Minutes that it is late even if it had the works to itself. */
  readonly alone: number;
  /** Of its stations that one that waits longest for what another holds, its material there; null where none waits. */
  readonly waits: { readonly job: number; readonly step: string; readonly minutes: number } | null;
  /** What it is through with, walked back to the beginning: station by station. */
  readonly chain: readonly { readonly job: number; readonly step: string }[];
  readonly helps: readonly Help[];
}

/** A schedule in words of the floor. */
export interface FloorPlan {
  readonly origin: number;
  readonly slots: readonly FloorSlot[];
  /** When each job is through, minutes, and how many are to spare until it is due: negative where it is late, null where nobody waits. */
  readonly through: readonly { readonly job: number; readonly minute: number; readonly spare: number | null }[];
  readonly late: readonly FloorLate[];
  /** Stations that never come to run, with the machine that is never open or that nobody ever runs; null where what they wait for never comes. */
  readonly never: readonly { readonly job: number; readonly step: string; readonly machine: string | null }[];
  /** Stations that begin later than the planner has fixed, with how many minutes. */
  readonly unkept: readonly { readonly job: number; readonly step: string; readonly minutes: number }[];
  /** Jobs that never come to run are left out of it. */
  readonly judged: Judged;
  /** Weighted minutes late that no schedule can do without. */
  readonly bound: number;
  readonly evaluations: number;
  readonly seed: number;
  /** What would help is not tried yet, and the bound is the one that is known at once. */
  readonly rough: boolean;
}

/** How long to better a schedule. */
export interface FloorEffort {
  readonly evaluations: number;
  readonly seed: number;
}

/** Machine minutes of all ways to do all operations beyond which no prices are looked for: it would take a minute. */
const MOST_PRICED = 1e9;

/** Late jobs that are explained with what would help: each is tried. */
const MOST_HELPED = 12;

/** Whether an operation waits for its release, and not for its pin. */
const isReleased = ({ operations }: Shop, { operation, cause }: Slot): boolean =>
  cause.kind === 'release' && cause.minute > 0 && cause.minute === operations[operation]?.release;

function slotsOf(
  { shop, places, dresses, holds }: FloorShop,
  { slots }: Timetable,
  problem: FloorProblem,
  priced: PricedBound,
): FloorSlot[] {
  const norms = normsOf(problem.works, {});
  const before = new Map<number, number>();
  const changes = new Map<number, Pick<FloorSlot, 'changes' | 'washes'>>();
  const inkOf = ({ unit, name, aim }: DressInk): SlotInk => ({ unit, name, ...(aim ? { aim } : {}) });
  for (const slot of [...slots].filter(({ end }) => end < NEVER).sort((a, b) => a.start - b.start || a.end - b.end)) {
    const mode = shop.operations[slot.operation]?.modes[slot.mode];
    const to = mode && dresses[mode.dress];
    if (slot.machine === undefined || !mode || !to) continue;
    const last = before.get(slot.machine);
    const from = last === undefined ? undefined : dresses[last];
    changes.set(slot.operation, {
      changes: changeOver(from, to, norms).map(({ what, times, hours }) => ({ what, times, hours })),
      washes: washesOf(from, to).map((wash) => ({ from: inkOf(wash.from), to: inkOf(wash.to) })),
    });
    before.set(slot.machine, mode.dress);
  }
  return slots.flatMap((slot): FloorSlot[] => {
    const place = places[slot.operation];
    if (!place || slot.end >= NEVER) return [];
    const { kind, operation, resource, minute } = slot.cause;
    const cause = places[operation];
    return [
      {
        ...place,
        machine: slot.machine === undefined ? null : (shop.resources[slot.machine]?.id ?? null),
        place: slot.beside.map((one) => shop.resources[one]).find((one) => one?.kind === 'place')?.id ?? null,
        start: slot.start,
        setUp: slot.setUp,
        end: slot.end,
        frozen: shop.operations[slot.operation]?.frozen !== undefined,
        changes: [],
        washes: [],
        dear: slot.machine === undefined ? 0 : 60 * priceBetween(priced, slot.machine, slot.start, slot.end),
        ...changes.get(slot.operation),
        cause: {
          kind,
          job: cause?.job ?? null,
          step: cause?.step ?? null,
          held: shop.resources[resource]?.id ?? null,
          minute,
          hold: (isReleased(shop, slot) ? holds[slot.operation] : undefined) ?? null,
        },
      },
    ];
  });
}

function neverOf({ shop, places }: FloorShop, { slots }: Timetable): FloorPlan['never'] {
  return slots.flatMap(({ operation, end }) => {
    const place = places[operation];
    if (end < NEVER || !place) return [];
    const modes = shop.operations[operation]?.modes ?? [];
    const isClosed = (resource: number): boolean => shop.resources[resource]?.open.total === 0;
    const closed = modes.every(
      ({ machine, beside }) =>
        machine !== undefined && (isClosed(machine) || beside.some((set) => set.every(isClosed))),
    );
    const machine = closed ? modes[0]?.machine : undefined;
    return [{ ...place, machine: machine === undefined ? null : (shop.resources[machine]?.id ?? null) }];
  });
}

/** A sequence told as a plan of the floor. @param rough without what would help, and with a bound that is known at once. */
export function toldFloor(
  problem: FloorProblem,
  floor: FloorShop,
  sequence: Sequence,
  effort: FloorEffort,
  rough = false,
): FloorPlan {
  const { shop } = floor;
  const table = timetable(shop, sequence);
  const late = problem.jobs
    .flatMap((job, order) => {
      const due = shop.orders[order]?.due;
      const through = table.through[order] ?? 0;
      return due !== undefined && through > due && through < NEVER
        ? [{ job: job.id, order, due, minutes: through - due }]
        : [];
    })
    .sort((a, b) => b.minutes - a.minutes);
  const alone = ordersAlone(shop);
  const priced = boundOf(shop, table, !rough && effort.evaluations > 0);
  return {
    origin: problem.origin,
    slots: slotsOf(floor, table, problem, priced),
    through: problem.jobs.flatMap(({ id }, order) => {
      const minute = table.through[order] ?? 0;
      const due = shop.orders[order]?.due;
      return minute < NEVER ? [{ job: id, minute, spare: due === undefined ? null : due - minute }] : [];
    }),
    late: late.map(({ job, order, due, minutes }, i) => ({
      job,
      minutes,
      alone: Math.max(0, (alone[order] ?? 0) - due),
      ...chainTold(floor, table, order),
      helps: !rough && i < MOST_HELPED ? helpsFor(floor, sequence, table, order) : [],
    })),
    never: neverOf(floor, table),
    unkept: unkeptOf(floor, table),
    judged: judgedOf(shop, table),
    bound: priced.bound,
    evaluations: effort.evaluations,
    seed: effort.seed,
    rough,
  };
}

/** The chain of a late job, and what of it waits longest. */
function chainTold({ shop, places }: FloorShop, table: Timetable, order: number): Pick<FloorLate, 'chain' | 'waits'> {
  const chain = chainOf(table, shop, order);
  let waits: FloorLate['waits'] = null;
  for (const { operation, cause } of chain) {
    const [place, minutes] = [places[operation], cause.minute - cause.there];
    if (place && shop.operations[operation]?.order === order && minutes > (waits?.minutes ?? 0))
      waits = { ...place, minutes };
  }
  return { chain: chain.flatMap(({ operation }) => places[operation] ?? []), waits };
}

/** What a schedule comes to without the orders that never are through. */
export function judgedOf({ orders }: Shop, { through, judged }: Timetable): Judged {
  let [late, lateOrders, sum] = [0, 0, 0];
  orders.forEach(({ due, weight }, order) => {
    const minute = through[order] ?? NEVER;
    if (minute >= NEVER) return;
    const lateness = Math.max(0, minute - (due ?? Infinity));
    late += weight * lateness;
    lateOrders += lateness > 0 ? 1 : 0;
    sum += minute;
  });
  return { ...judged, late, lateOrders, through: sum };
}

function unkeptOf({ shop, places }: FloorShop, { slots }: Timetable): FloorPlan['unkept'] {
  return slots.flatMap(({ operation, start, end }) => {
    const { pinned, frozen } = shop.operations[operation] ?? {};
    const place = places[operation];
    const late = pinned === undefined || frozen || end >= NEVER ? 0 : start - pinned;
    return late > 0 && place ? [{ ...place, minutes: late }] : [];
  });
}

/** Minutes late that no schedule can do without, of the orders that ever are through; sharper the longer it is looked for. */
function boundOf(shop: Shop, table: Timetable, sharp: boolean): PricedBound {
  const through = table.through.filter((minute) => minute < NEVER);
  const orders = shop.orders.map((one, order) =>
    (table.through[order] ?? NEVER) < NEVER ? one : { ...one, weight: 0 },
  );
  const horizon = Math.max(0, ...through);
  const modes = shop.operations.reduce((sum, one) => sum + one.modes.length, 0);
  const rounds = sharp && modes * horizon <= MOST_PRICED ? BOUND_ROUNDS : 0;
  return pricedBound({ ...shop, orders }, judgedOf(shop, table).late, horizon, rounds);
}

/** How far a plan has come, and the best so far: laid out when it is asked for, without what would help. */
export interface FloorProgress {
  readonly tried: number;
  /** What the best so far comes to; the same number is the same schedule. */
  readonly cost: number;
  readonly best: () => FloorPlan;
}

/** Changes that are tried between two looks whether to go on. */
const LOOK = 1_000;

/**
 * Lays all jobs on machines and hours: first by rule, then bettered. The same problem and effort give the same plan.
 * @param goOn is told how far it is, the first schedule first, and may say to stop: what is best so far is the plan then.
 */
export function planFloor(
  problem: FloorProblem,
  effort: FloorEffort,
  goOn: (progress: FloorProgress) => boolean = () => true,
): FloorPlan {
  const floor = floorShop(problem);
  const improver = new Improver(floor.shop, firstSchedule(floor.shop), effort.seed);
  const told = (rough: boolean): FloorPlan =>
    toldFloor(problem, floor, improver.best(), { ...effort, evaluations: improver.evaluations }, rough);
  // The first schedule is told, however little it is to be bettered.
  for (let tried = 0; tried === 0 || tried < effort.evaluations; tried += LOOK) {
    if (!goOn({ tried, cost: improver.bestCost, best: () => told(true) })) break;
    improver.run(Math.min(LOOK, effort.evaluations - tried));
  }
  return told(false);
}

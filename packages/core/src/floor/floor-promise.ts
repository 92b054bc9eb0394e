import { MINUTE_MS } from '../kernel/index.js';
import { normsOf } from '../norms/index.js';
import { type Place, type Slot, endOf, placesFor } from '../schedule/index.js';
import { type KeepChance, chanceFor } from './chance.js';
import { type FloorJob, type FloorProblem, type FloorShop, besideOf, floorShop } from './floor-shop.js';
import { type Standing, sequenceOf } from './move-floor.js';
import type { FloorPlan, FloorSlot } from './plan-floor.js';

/** When a job could be ready, ms since 1970 UTC. */
export interface FloorPromise {
  /** Undefined where a station of it fits nowhere. */
  readonly ready: number | undefined;
  /** It is ready after it is due; null where nobody waits, or it never is. */
  readonly late: boolean | null;
  /** It has its place in the schedule that stands: what is told is that. */
  readonly inForce: boolean;
  readonly stations: readonly {
    readonly step: string;
    readonly machine: string | null;
    readonly start: number;
    readonly end: number;
  }[];
  /** Share of the runs drawn in which it is ready when it is due; null where nobody waits, or it never is. */
  readonly chance: number | null;
  /** When it is ready in so many of them as the house wants to be sure of; undefined where it never is. */
  readonly sure: number | undefined;
}

type Told = Pick<FloorPromise, 'ready' | 'inForce' | 'stations'>;

/** What the schedule that stands says of a job of its own. */
function toldOf(standing: FloorPlan, job: number): Told {
  const at = (minute: number): number => standing.origin + minute * MINUTE_MS;
  const stations = standing.slots
    .filter((slot) => slot.job === job)
    .map(({ step, machine, start, end }) => ({ step, machine, start: at(start), end: at(end) }));
  const never = standing.never.some((one) => one.job === job);
  return { ready: never ? undefined : Math.max(...stations.map(({ end }) => end)), inForce: true, stations };
}

/** Stations that stand, as the schedule has them. */
function slotsOf({ shop }: FloorShop, standing: readonly FloorSlot[]): Slot[] {
  const machines = new Map(shop.resources.map(({ id }, i) => [id, i]));
  const at = new Map(standing.map((slot) => [`${slot.job}/${slot.step}`, slot]));
  return shop.operations.flatMap(({ id, modes }, operation): Slot[] => {
    const slot = at.get(id);
    const machine = slot && slot.machine !== null ? machines.get(slot.machine) : undefined;
    if (!slot || machine === undefined) return [];
    const mode = Math.max(
      0,
      modes.findIndex((one) => one.machine === machine),
    );
    const beside = modes[mode] ? besideOf(shop, modes[mode], slot.place) : [];
    const { start, end, setUp } = slot;
    return [{ operation, mode, machine, beside, start, end, setUp, cause: NOTHING }];
  });
}

/** Places of the last order of a shop in the gaps of what stands. */
function gapsFor({ shop }: FloorShop, slots: readonly Slot[], first: number): (Place | undefined)[] {
  const own = shop.operations.slice(first);
  const wanted = own.map((one) => ({
    ...one,
    after: one.after.map((link) => ({ ...link, operation: link.operation - first })),
  }));
  return placesFor(shop, { slots }, wanted);
}

/**
 * When a job of a schedule that stands is ready by it; of another the earliest that it can be ready in the gaps of the schedule, nothing of it moved;
 * and how sure that is. @param problem of now: jobs that the schedule does not know are not in the way. Source: identity.
 */
export function promiseFor(problem: FloorProblem, standing: FloorPlan | undefined, job: FloorJob): FloorPromise {
  const known = new Set(standing?.slots.map((slot) => slot.job));
  const inForce = known.has(job.id);
  const others = problem.jobs.filter(({ id }) => id !== job.id && known.has(id));
  const own = (inForce ? problem.jobs.find(({ id }) => id === job.id) : undefined) ?? job;
  const jobs = [...others, own];
  const floor = floorShop({ ...problem, jobs });
  const { shop, places } = floor;
  const shift = Math.round(((standing?.origin ?? problem.origin) - problem.origin) / MINUTE_MS);
  const slots = (standing?.slots ?? []).map((slot) => ({
    ...slot,
    start: Math.max(0, slot.start + shift),
    end: Math.max(0, slot.end + shift),
  }));
  const instant = (minute: number): number => problem.origin + minute * MINUTE_MS;
  const nameOf = (one: number | undefined): string | null =>
    one === undefined ? null : (shop.resources[one]?.id ?? null);

  const first = shop.operations.findIndex(({ order }) => order === others.length);
  const found = inForce || first < 0 ? [] : gapsFor(floor, slotsOf(floor, slots), first);
  const placed = found.flatMap((place, i): Standing['slots'][number][] => {
    const of = places[first + i];
    if (!place || !of) return [];
    const { machine, beside, start, end } = place;
    const crew = beside.find((one) => shop.resources[one]?.kind === 'place');
    return [{ ...of, machine: nameOf(machine), place: nameOf(crew), start, end }];
  });
  const told =
    inForce && standing
      ? toldOf(standing, job.id)
      : {
          ready: optional(endOf(found), instant),
          inForce: false,
          stations: placed.map(({ step, machine, start, end }) => ({
            step,
            machine,
            start: instant(start),
            end: instant(end),
          })),
        };
  if (told.ready === undefined) return { ...told, late: null, chance: null, sure: undefined };
  const due = shop.orders[others.length]?.due;
  const spoils = new Map(jobs.flatMap(({ id, steps }) => steps.map((step) => [`${id}/${step.id}`, step.spoils])));
  const kept: KeepChance = chanceFor(
    floor,
    sequenceOf(floor, { slots: [...slots, ...placed] }),
    others.length,
    shop.operations.map(({ id }) => spoils.get(id) ?? 0),
    normsOf(problem.works, {}),
  );
  const late = due === undefined ? null : told.ready > instant(due);
  return { ...told, late, chance: kept.chance, sure: instant(kept.sure) };
}

const optional = <T>(minute: number | undefined, to: (minute: number) => T): T | undefined =>
  minute === undefined ? undefined : to(minute);

const NOTHING = { kind: 'release', operation: -1, resource: -1, minute: 0, there: 0 } as const;

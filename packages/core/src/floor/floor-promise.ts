import { type Slot, type Timetable, endOf, placesFor } from '../schedule/index.js';
import { type FloorJob, type FloorProblem, besideOf, floorShop } from './floor-shop.js';
import { MINUTE_MS } from '../kernel/index.js';
import type { FloorPlan } from './plan-floor.js';

/** When a job could be ready, ms since 1970 UTC. */
export interface FloorPromise {
  /** Undefined where a station of it fits nowhere. */
  readonly ready: number | undefined;
  /** It has its place in the schedule that stands: what is told is that. */
  readonly inForce: boolean;
  readonly stations: readonly {
    readonly step: string;
    readonly machine: string | null;
    readonly start: number;
    readonly end: number;
  }[];
}

/**
 * When a job of a schedule that stands is ready by it; of another the earliest that it can be ready in the gaps of the schedule, nothing of it moved. @param problem of now: jobs that the schedule does
 * not know are not in the way. Source: identity.
 */
export function promiseFor(problem: FloorProblem, standing: FloorPlan | undefined, job: FloorJob): FloorPromise {
  const own = standing?.slots.filter((slot) => slot.job === job.id) ?? [];
  if (standing && own.length > 0) {
    const at = (minute: number): number => standing.origin + minute * MINUTE_MS;
    const stations = own.map(({ step, machine, start, end }) => ({ step, machine, start: at(start), end: at(end) }));
    const never = standing.never.some((one) => one.job === job.id);
    return { ready: never ? undefined : Math.max(...stations.map(({ end }) => end)), inForce: true, stations };
  }
  const others = problem.jobs.filter(({ id }) => id !== job.id);
  const { shop, places } = floorShop({ ...problem, jobs: [...others, job] });
  const machines = new Map(shop.resources.map(({ id }, i) => [id, i]));
  const shift = Math.round(((standing?.origin ?? problem.origin) - problem.origin) / MINUTE_MS);
  const standingAt = new Map(standing?.slots.map((slot) => [`${slot.job}/${slot.step}`, slot]));
  const slots = shop.operations.flatMap(({ id, modes, order }, operation): Slot[] => {
    const slot = order === others.length ? undefined : standingAt.get(id);
    const machine = slot && slot.machine !== null ? machines.get(slot.machine) : undefined;
    if (!slot || machine === undefined) return [];
    const mode = Math.max(
      0,
      modes.findIndex((one) => one.machine === machine),
    );
    const [start, end] = [Math.max(0, slot.start + shift), Math.max(0, slot.end + shift)];
    return [
      {
        operation,
        mode,
        machine,
        beside: modes[mode] ? besideOf(shop, modes[mode], slot.place) : [],
        start,
        end,
        setUp: slot.setUp,
        cause: NOTHING,
      },
    ];
  });
  const table: Pick<Timetable, 'slots'> = { slots };
  const first = shop.operations.findIndex(({ order }) => order === others.length);
  const wanted =
    first < 0
      ? []
      : shop.operations
          .slice(first)
          .map((one) => ({ ...one, after: one.after.map((link) => ({ ...link, operation: link.operation - first })) }));
  const found = placesFor(shop, table, wanted);
  const ready = endOf(found);
  const instant = (minute: number): number => problem.origin + minute * MINUTE_MS;
  return {
    ready: ready === undefined ? undefined : instant(ready),
    inForce: false,
    stations: found.flatMap((place, i) => {
      const of = places[first + i];
      if (!place || !of) return [];
      return [
        {
          step: of.step,
          machine: place.machine === undefined ? null : (shop.resources[place.machine]?.id ?? null),
          start: instant(place.start),
          end: instant(place.end),
        },
      ];
    }),
  };
}

const NOTHING = { kind: 'release', operation: -1, resource: -1, minute: 0, there: 0 } as const;

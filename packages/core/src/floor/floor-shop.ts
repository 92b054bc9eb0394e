import { group } from '../kernel/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import type { Works } from '../works/index.js';
import {
  type Link,
  type Mode,
  type Operation,
  type Order,
  type Resource,
  type Shop,
  NEVER,
  OpenTime,
} from '../schedule/index.js';
import { type Dress, changeMinutes, changeOver } from './change-over.js';
import { type FloorHold, lastHold } from './holds.js';
import { type FloorHours, crewTimes, hourMinute, minuteOf, openTimes } from './hours.js';
import type { FloorStep } from './steps.js';

/** A released job that has to run. */
export interface FloorJob {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  /** ISO 8601 date; undefined where nobody waits. */
  readonly due: string | undefined;
  /** What a minute late counts with its customer. */
  readonly weight: number;
  readonly steps: readonly FloorStep[];
  /** Stations that are counted, and those that have begun: they stay where they are. */
  readonly done: readonly string[];
  readonly begun: readonly string[];
  /** What its stations wait for beside each other. */
  readonly holds?: readonly FloorHold[];
}

/** What the planner has fixed of a station. */
export interface FloorPin {
  readonly job: number;
  readonly step: string;
  readonly machine?: string | undefined;
  /** Wall clock of the works, `2026-11-30T08:00`. */
  readonly start?: string | undefined;
}

/** All that a schedule is made of. */
export interface FloorProblem {
  readonly works: Works;
  readonly hours: FloorHours;
  readonly jobs: readonly FloorJob[];
  readonly pins: readonly FloorPin[];
  /** Now, ms since 1970 UTC, a whole minute. */
  readonly origin: number;
}

/** A problem as the schedule takes it, and what its numbers stand for. */
export interface FloorShop {
  readonly shop: Shop;
  /** By operation. */
  readonly places: readonly { readonly job: number; readonly step: string }[];
  readonly dresses: readonly Dress[];
  /** By operation: what it is released by last. */
  readonly holds: readonly (FloorHold | undefined)[];
}

/** Stations that are done: those that are counted, and all that was needed for them or for what has begun. */
function doneWith(steps: readonly FloorStep[], done: readonly string[], begun: readonly string[]): ReadonlySet<string> {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const over = new Set<string>(done);
  const open = [...done, ...begun];
  for (let id = open.pop(); id !== undefined; id = open.pop())
    for (const { step } of byId.get(id)?.after ?? [])
      if (!over.has(step)) {
        over.add(step);
        open.push(step);
      }
  return over;
}

class Builder {
  readonly resources: Resource[];
  readonly operations: Operation[] = [];
  readonly places: { job: number; step: string }[] = [];
  readonly dresses: Dress[] = [];
  readonly holds: (FloorHold | undefined)[] = [];
  private readonly machines: Map<string, number>;
  private readonly tools = new Map<string, number>();
  /** Places of the crew that runs each machine. */
  private readonly crews = new Map<string, readonly number[]>();
  private readonly known = new Map<string, number>();
  /** Places that work holds which has begun. */
  private readonly held = new Set<number>();

  constructor(private readonly problem: FloorProblem) {
    const { works, hours, origin } = problem;
    const open = openTimes(hours, works.machines, origin, works.timeZone);
    this.resources = works.machines.map(({ id }) => ({ id, kind: 'machine', open: open.get(id) ?? new OpenTime([]) }));
    this.machines = new Map(works.machines.map(({ id }, i) => [id, i]));
    for (const crew of hours.crews ?? []) {
      const places = crewTimes(crew, hours, origin, works.timeZone).map(
        (one, k) => this.resources.push({ id: `${crew.name} ${k + 1}`, kind: 'place', open: one }) - 1,
      );
      for (const machine of crew.machines) this.crews.set(machine, places);
    }
  }

  private dressAt(dress: Dress | undefined): number {
    if (!dress) return 0;
    const key = JSON.stringify(dress);
    const at = this.known.get(key) ?? this.dresses.push(dress) - 1;
    this.known.set(key, at);
    return at;
  }

  /** A machine that the works has no longer is never open: what was planned on it is told, not lost. */
  private machineAt(id: string): number {
    const at = this.machines.get(id) ?? this.resources.push({ id, kind: 'machine', open: new OpenTime([]) }) - 1;
    this.machines.set(id, at);
    return at;
  }

  private toolAt(tool: string): number {
    const at = this.tools.get(tool) ?? this.resources.push({ id: tool, kind: 'tool', open: OpenTime.ALWAYS }) - 1;
    this.tools.set(tool, at);
    return at;
  }

  /** A place of its crew, where a machine has one. */
  private crewOf(machine: string): readonly (readonly number[])[] {
    const places = this.crews.get(machine);
    return places ? [places] : [];
  }

  private modesOf({ ways, lies, dress }: FloorStep, pin: FloorPin | undefined): Mode[] {
    const beside = dress && dress.tool !== '' ? [[this.toolAt(dress.tool)]] : [];
    const pinned = ways.filter(({ machine }) => machine === pin?.machine);
    const modes = (pinned.length > 0 ? pinned : ways).map(({ machine, setUp, run }): Mode => ({
      machine: this.machineAt(machine),
      beside: [...beside, ...this.crewOf(machine)],
      setUp,
      run,
      dress: this.dressAt(dress),
    }));
    return modes.length > 0 ? modes : [{ machine: undefined, beside: [], setUp: 0, run: lies, dress: 0 }];
  }

  /** What work that has begun holds: of a crew a place that no other holds, none where more runs than it has places. */
  private taken({ beside }: Mode): number[] {
    return beside.flatMap((set) => {
      const free = set.find((one) => this.resources[one]?.kind === 'tool' || !this.held.has(one));
      if (free === undefined) return [];
      this.held.add(free);
      return [free];
    });
  }

  add({ id, steps, done, begun, holds = [] }: FloorJob, order: number, norms: NormLookup): void {
    const { pins, origin, works } = this.problem;
    const held = new Map<string, FloorHold[]>();
    for (const hold of holds) group(held, hold.step, hold);
    const over = doneWith(steps, done, begun);
    const left = steps.filter((step) => !over.has(step.id));
    const at = new Map(left.map((step, i) => [step.id, this.operations.length + i]));
    for (const step of left) {
      const pin = pins.find((one) => one.job === id && one.step === step.id);
      const modes = this.modesOf(step, pin);
      const after = step.after.flatMap(({ step: before, lag, piles }): Link[] => {
        const operation = at.get(before);
        if (operation === undefined) return [];
        return [{ operation, lag, piles: piles > 1 ? { first: 1 / piles, last: 1 / piles } : undefined }];
      });
      const start =
        pin?.start === undefined
          ? undefined
          : Math.min(NEVER, Math.max(0, minuteOf(pin.start, origin, works.timeZone)));
      const [mode] = modes;
      const machine = mode?.machine;
      const open = machine === undefined ? OpenTime.ALWAYS : (this.resources[machine]?.open ?? OpenTime.ALWAYS);
      const frozen =
        begun.includes(step.id) && mode
          ? { mode: 0, beside: this.taken(mode), start: 0, end: open.endAt(Math.max(1, mode.run)) }
          : undefined;
      const { hold, minute } = lastHold(held.get(step.id) ?? [], norms, origin, works.timeZone);
      this.holds.push(hold);
      this.places.push({ job: id, step: step.id });
      this.operations.push({
        id: `${id}/${step.id}`,
        order,
        after: frozen ? [] : after,
        modes,
        release: Math.min(NEVER, minute),
        pinned: start,
        frozen,
      });
    }
  }
}

/** Puts jobs, machines and hours into what the schedule takes. */
export function floorShop(problem: FloorProblem): FloorShop {
  const { works, jobs, origin } = problem;
  const norms = normsOf(works, {});
  const value = (id: string): number => norms(id).value;
  const builder = new Builder(problem);
  const orders = jobs.map(({ number, due, weight }): Order => ({
    id: number,
    due: due === undefined ? undefined : hourMinute(due, value('schedule.dueHour'), origin, works.timeZone),
    weight,
  }));
  jobs.forEach((job, order) => {
    builder.add(job, order, norms);
  });
  const { dresses, resources, operations, places, holds } = builder;
  const shop: Shop = {
    resources,
    operations,
    orders,
    dresses: Math.max(1, dresses.length),
    setUp: (before, after) => {
      const to = dresses[after];
      return to ? changeMinutes(changeOver(before === undefined ? undefined : dresses[before], to, norms)) : 0;
    },
    weights: { late: value('schedule.late'), setUp: value('schedule.setUp'), through: value('schedule.through') },
  };
  return { shop, places, dresses, holds };
}

/** What a station of a standing schedule holds beside its machine: the place that it has there, the first of what it may hold otherwise. */
export const besideOf = ({ resources }: Shop, { beside }: Mode, place: string | null | undefined): number[] =>
  beside.map((set) => set.find((one) => resources[one]?.id === place) ?? set[0] ?? 0);

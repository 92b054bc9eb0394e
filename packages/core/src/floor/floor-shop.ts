import { MINUTE_MS, group } from '../kernel/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import type { Works } from '../works/index.js';
import {
  type Frozen,
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
import { type FloorHold, type FloorLie, lastHold } from './holds.js';
import { type FloorHours, crewTimes, hourMinute, minuteOf, openTimes } from './hours.js';
import { type FloorNews, doneWith, lain, stillWet } from './news.js';
import type { FloorStep, FloorWay } from './steps.js';

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
  readonly done: readonly FloorNews[];
  readonly begun: readonly FloorNews[];
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
  readonly holds: readonly (FloorHold | FloorLie | undefined)[];
}

class Builder {
  readonly resources: Resource[];
  readonly operations: Operation[] = [];
  readonly places: { job: number; step: string }[] = [];
  readonly dresses: Dress[] = [];
  readonly holds: (FloorHold | FloorLie | undefined)[] = [];
  private readonly machines: Map<string, number>;
  private readonly tools = new Map<string, number>();
  /** Places of the crews that know how to run each machine. */
  private readonly crews = new Map<string, number[]>();
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
      for (const machine of crew.machines) this.crews.set(machine, [...(this.crews.get(machine) ?? []), ...places]);
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

  /** A place of one of its crews, where a machine has any. */
  private crewOf(machine: string): readonly (readonly number[])[] {
    const places = this.crews.get(machine);
    return places ? [places] : [];
  }

  /** @param lies minutes that it still lies where it takes no machine. */
  private modesOf({ ways, dress }: FloorStep, pin: FloorPin | undefined, lies: number): Mode[] {
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

  /** Minutes that work which has begun still takes: so much of it as was open since is done; at least one as long as nobody counts it. */
  private restOf({ machine, setUp, run }: FloorWay, { at }: FloorNews): number {
    const { works, hours, origin } = this.problem;
    const own = works.machines.filter(({ id }) => id === machine);
    const since = openTimes(hours, own, Math.min(at, origin), works.timeZone).get(machine);
    const minutes = Math.max(0, Math.floor((origin - at) / MINUTE_MS));
    return Math.max(1, setUp + run - (since?.openBefore(minutes) ?? 0));
  }

  /** Where work that has begun stays: from now on, until what is left of it is through. */
  private frozenAs(step: FloorStep, mode: Mode | undefined, news: FloorNews): Frozen | undefined {
    const way = step.ways[0];
    if (!mode || !way) return undefined;
    const open = mode.machine === undefined ? undefined : this.resources[mode.machine]?.open;
    return {
      mode: 0,
      beside: this.taken(mode),
      start: 0,
      end: (open ?? OpenTime.ALWAYS).endAt(this.restOf(way, news)),
    };
  }

  add(job: FloorJob, order: number, norms: NormLookup): void {
    const { id, steps, begun, holds = [] } = job;
    const { pins, origin, works } = this.problem;
    const held = new Map<string, FloorHold[]>();
    for (const hold of holds) group(held, hold.step, hold);
    const over = doneWith(job);
    const since = lain(job, over, origin);
    const left = steps.filter((step) => !over.has(step.id));
    const at = new Map(left.map((step, i) => [step.id, this.operations.length + i]));
    for (const step of left) {
      const pin = pins.find((one) => one.job === id && one.step === step.id);
      const lies = step.after.every(({ step: before }) => over.has(before)) ? step.lies - since(step) : step.lies;
      const modes = this.modesOf(step, pin, Math.max(0, lies));
      const after = step.after.flatMap(({ step: before, lag, piles }): Link[] => {
        const operation = at.get(before);
        if (operation === undefined) return [];
        return [{ operation, lag, piles: piles > 1 ? { first: 1 / piles, last: 1 / piles } : undefined }];
      });
      const start =
        pin?.start === undefined
          ? undefined
          : Math.min(NEVER, Math.max(0, minuteOf(pin.start, origin, works.timeZone)));
      const news = begun.find((one) => one.step === step.id);
      const frozen = news && this.frozenAs(step, modes[0], news);
      const released = lastHold(held.get(step.id) ?? [], norms, origin, works.timeZone);
      const wet = stillWet(job, step, origin);
      const { hold, minute } = wet && wet.minute > released.minute ? wet : released;
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

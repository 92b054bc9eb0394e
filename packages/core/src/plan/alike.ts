import { group, severalOf } from '../kernel/index.js';
import type { Component, InkUse, Step, Unordered } from '../job/index.js';
import type { PlanStep } from './plan.js';

/** Components that are made alike and differ only in their names and what is on their pages. */
export interface Alike {
  /** Ids, in the order of the job; one alone where nothing is like it. */
  readonly ids: readonly string[];
  /** What they are called together: "Sections 2-11, 16 pages". */
  readonly name: string;
}

/** Name of the first, its number, what follows it. */
const NUMBERED = /^(\D*?)(\d+)(\D.*|)$/;

/** Numbers as people write them in a row: 2-11, or 1, 3 and 5. */
function rowOf(numbers: readonly number[]): string {
  const [first = 0, last = 0] = [numbers[0], numbers.at(-1)];
  if (last - first === numbers.length - 1)
    return numbers.length === 2 ? $localize`${first} and ${last}` : `${first}-${last}`;
  return $localize`${numbers.slice(0, -1).join(', ')} and ${last}`;
}

/** Most numbers that are written one by one. */
const MOST_NUMBERS = 6;

/** One name for several: by their numbers where nothing else tells them apart. */
export function nameTogether(names: readonly string[]): string {
  const [first = '', ...others] = names;
  if (others.length === 0) return first;
  const parts = names.map((name) => NUMBERED.exec(name));
  const [, before = '', , after = ''] = parts[0] ?? [];
  const numbers = parts.map((part) => (part?.[1] === before && part[3] === after ? Number(part[2]) : NaN));
  const rising = numbers.every((number, i) => number > (numbers[i - 1] ?? -1));
  const row = rowOf(numbers);
  const short = names.length <= MOST_NUMBERS || row.includes('-');
  if (!rising || before.trim() === '' || !short) return $localize`${first}, and ${others.length} more alike`;
  return `${severalOf(before.trim())} ${row}${after}`;
}

/** Ink zones belong to the artwork: what is printed where is told for each component by itself. */
const withoutZones = (inks: Component['front']): readonly InkUse[] => inks.map(({ zones: _zones, ...ink }) => ink);

/** A step as it is told, but for what names other steps and components. */
function toldOf({ id: _id, component: _component, from: _from, makes, setupFrom, ...told }: Step) {
  return { ...told, makes: makes?.map(({ material: _material, ...made }) => made), spoils: setupFrom !== undefined };
}

/**
 * Groups the components of a planned job that are told alike and run alike: nothing but their names, the zones of their
 * inks and what lies on their pages differs, their stations are told the same and count the same. Source: identity.
 */
export function alikeComponents({ components, route }: Unordered, steps: readonly PlanStep[]): Alike[] {
  const told = new Map(route.map((step) => [step.id, toldOf(step)]));
  const groups = new Map<string, Component[]>();
  for (const component of components) {
    const { id, name: _name, front, back, ...rest } = component;
    const lane = steps.filter((step) => step.component === id);
    const key = JSON.stringify([
      rest,
      withoutZones(front),
      withoutZones(back),
      lane.map(({ id: step, machine, processUnits, needsOut }) => [told.get(step), machine, processUnits, needsOut]),
    ]);
    group(groups, key, component);
  }
  return [...groups.values()].map((alike) => ({
    ids: alike.map(({ id }) => id),
    name: nameTogether(alike.map(({ name }) => name)),
  }));
}

import type { Machine, Works } from '../works/index.js';
import { type ComponentLayout, isPlateless, machineOf } from '../press-sheet/index.js';
import type { Component, Step, Unordered } from '../job/index.js';
import { unitsOf } from './inks.js';

/** One ink of a pass in its unit. */
export interface InkPlace {
  readonly side: string;
  readonly ink: string;
  /** The unit of its press, or the ink's place where none is free. */
  readonly unit: string;
}

/** Inks of a component's passes with the unit that each stands in, pass by pass. */
export const inkPlaces = (
  job: Unordered,
  works: Works,
  component: Component,
  machine: Machine,
): readonly InkPlace[][] =>
  unitsOf(job, works, component, machine).map(({ inks }) =>
    inks.map(({ name, side, unit, index }) => ({ side, ink: name, unit: String(unit ?? `${side}${index}`) })),
  );

/** What a fill is known by: a unit of a press, and what is in it. */
export const fillKey = (machine: Machine, { unit, ink }: InkPlace): string => `${machine.id}/${unit}/${ink}`;

/** Id under which a filled unit is known: pass, side and ink. */
export const filledId = (pass: string, side: string, ink: string): string => `${pass}/${side}/${ink}`;

/**
 * Inks whose unit has to be filled for a pass: a duct and its rollers are filled once for all forms that run on them, and
 * again only after another ink was in. Told as `filledId`s. Source: handbook chapter 5 "How much ink" (identity).
 */
export function fillsOf(
  job: Unordered,
  works: Works,
  layoutOf: (component: string) => ComponentLayout | undefined,
): ReadonlySet<string> {
  const inUnit = new Map<string, string>();
  const filled = new Set<string>();
  const fill = (step: Step, machine: Machine, place: InkPlace): void => {
    const unit = `${machine.id}/${place.unit}`;
    if (inUnit.get(unit) !== place.ink) filled.add(filledId(step.id, place.side, place.ink));
    inUnit.set(unit, place.ink);
  };
  const passesSeen = new Map<string, number>();
  for (const step of job.route) {
    const layout = layoutOf(step.component ?? '');
    if (!layout) continue;
    const { component } = layout;
    if (step.operation === 'print' && !isPlateless(layout)) {
      const at = passesSeen.get(component.id) ?? 0;
      passesSeen.set(component.id, at + 1);
      for (const place of inkPlaces(job, works, component, layout.machine)[at] ?? []) fill(step, layout.machine, place);
    }
    const machine = step.operation === 'overprint' ? machineOf(step, layout, works) : undefined;
    if (machine) step.inks?.forEach(({ name }, i) => fill(step, machine, { side: '', ink: name, unit: String(i) }));
  }
  return filled;
}

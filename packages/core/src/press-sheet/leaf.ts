import type { PageMargins } from '../imposition/index.js';
import type { NormLookup } from '../norms/index.js';
import type { Component, Job, Step } from '../job/index.js';
import { marginsOf } from './section-layout.js';

/** Stations that put leaves together. */
const PUTS_TOGETHER: readonly Step['operation'][] = ['kit', 'gather', 'bind', 'sew', 'stitch'];

/** Stations that make a book of what lies together; a pad has the same leaf many times. */
const BINDS: readonly Step['operation'][] = ['bind', 'sew', 'stitch'];

/** How many of a flat component a station takes that puts leaves together; 1 where none does. */
function takenTogether({ route }: Pick<Job, 'route'>, { id, kind }: Component): number {
  if (kind !== 'sheet') return 1;
  const own = new Set(route.filter(({ component }) => component === id).map((step) => step.id));
  const takings = route.filter(({ operation }) => PUTS_TOGETHER.includes(operation)).flatMap(({ from = [] }) => from);
  return Math.max(1, ...takings.map(({ material, usage = 1 }) => (own.has(material) ? usage : 1)));
}

/** Whether a flat component is the leaf of a book: taken many at a time by a station that puts leaves together. */
export const isLeaf = (job: Pick<Job, 'route'>, component: Component): boolean => takenTogether(job, component) > 1;

/** Leaves that a book has of a flat component, each with pages of its own; 1 for everything else. */
export const leavesOf = (job: Pick<Job, 'route'>, component: Component): number =>
  job.route.some(({ operation }) => BINDS.includes(operation)) ? Math.ceil(takenTogether(job, component)) : 1;

/**
 * What is trimmed and milled off a loose leaf, so that it is laid with that; undefined for everything else.
 * Source: handbook chapter 7 "Binding" (trims and what is milled off: norms).
 */
export function leafTrims(job: Job, component: Component, norms: NormLookup): PageMargins | undefined {
  if (!isLeaf(job, component)) return undefined;
  const milled = job.route.some(({ operation }) => operation === 'bind') && job.binding?.spine !== 'notched';
  return marginsOf(component, norms('bind.trim').value, milled ? norms('bind.mill').value : 0);
}

import type { PageMargins } from '../imposition/index.js';
import type { NormLookup } from '../norms/index.js';
import type { Component, Job, Step } from '../job/index.js';
import { marginsOf } from './section-layout.js';

/** Stations that put leaves together. */
const PUTS_TOGETHER: readonly Step['operation'][] = ['kit', 'gather', 'bind', 'sew', 'stitch'];

/** Whether a flat component is the leaf of a book: taken many at a time by a station that puts leaves together. */
export const isLeaf = ({ route }: Pick<Job, 'route'>, { id, kind }: Component): boolean =>
  kind === 'sheet' &&
  route.some(
    ({ operation, from = [] }) =>
      PUTS_TOGETHER.includes(operation) &&
      from.some(
        ({ material, usage = 1 }) => usage > 1 && route.some((step) => step.id === material && step.component === id),
      ),
  );

/**
 * What is trimmed and milled off a loose leaf, so that it is laid with that; undefined for everything else.
 * Source: handbook chapter 7 "Binding" (trims and what is milled off: norms).
 */
export function leafTrims(job: Job, component: Component, norms: NormLookup): PageMargins | undefined {
  if (!isLeaf(job, component)) return undefined;
  const milled = job.route.some(({ operation }) => operation === 'bind') && job.binding?.spine !== 'notched';
  return marginsOf(component, norms('bind.trim').value, milled ? norms('bind.mill').value : 0);
}

import type { StationOf } from '../../route/index.js';
import { laidInk } from '../laid-ink.js';
import type { Material } from '../state.js';
import { asItCame, type After, type At, wetWith } from './at.js';

const printed = ({ all, job, works, norms, step, layout }: At): Material =>
  layout ? wetWith(all, ...laidInk(job, works, step, layout, norms)) : all;

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const PRESS_MATERIAL: Readonly<Record<StationOf['press'], After>> = {
  corrugate: asItCame,
  print: printed,
  dry: asItCame,
  overprint: printed,
  // Melting dries whatever the powder lies on.
  raise: ({ all }) => ({ ...all, wet: [] }),
  coat: asItCame,
};

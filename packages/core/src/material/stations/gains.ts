import { UM } from '../../kernel/index.js';
import type { Operation } from '../../route/index.js';
import { gramsOf } from '../state.js';
import type { At } from './at.js';

/** Grams that a station puts onto one that goes through it: film, window film, a core. Nothing elsewhere. */
const GAINS: Partial<Readonly<Record<Operation, (at: At) => number>>> = {
  laminate: ({ all, norms }) => gramsOf(all.widthMm * all.heightMm, norms('film.gsm').value),
  window: ({ job, norms }) => {
    const { windowMm } = job.finish ?? {};
    const margin = 2 * norms('window.glueMargin').value;
    return windowMm
      ? gramsOf((windowMm.widthMm + margin) * (windowMm.heightMm + margin), norms('window.filmGsm').value)
      : 0;
  },
  rewind: ({ job, layout, norms, step }) =>
    job.finish?.rollM === undefined
      ? 0
      : ((norms('rewind.coreGm').value * (layout?.piece.widthMm ?? 0)) / UM) * (step.yield ?? 1),
};
/** Grams that a station puts onto one. */
export const gainOf = (at: At): number => GAINS[at.step.operation]?.(at) ?? 0;

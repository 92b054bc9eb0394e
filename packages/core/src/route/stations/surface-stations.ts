import { CRUSH, HEAT, LIFTING, LOCK_OUT, NIPS } from './caution-texts.js';
import type { OperationRule } from './operation-rule.js';

/** What is put onto the printed sheet or pressed into it. In the order in which a sheet meets them. */
export const SURFACE_STATIONS = {
  laminate: {
    name: $localize`Laminate with film`,
    process: 'laminator',
    time: 'rate',
    finishing: true,
    dryFor: 'film',
    cautions: [NIPS, LOCK_OUT, HEAT],
  },
  foil: {
    name: $localize`Foil`,
    process: 'foil-press',
    time: 'rate',
    finishing: true,
    dryFor: 'film',
    cautions: [CRUSH, HEAT, LOCK_OUT, LIFTING],
  },
  emboss: {
    name: $localize`Emboss`,
    process: 'foil-press',
    time: 'rate',
    finishing: true,
    dryFor: 'film',
    cautions: [CRUSH, HEAT, LOCK_OUT, LIFTING],
  },
  mount: {
    name: $localize`Laminate to board`,
    process: 'board-laminator',
    time: 'rate',
    finishing: true,
    makes: 'sheet',
    dryFor: 'film',
    cautions: [NIPS, LOCK_OUT, LIFTING],
  },
} as const satisfies Readonly<Record<string, OperationRule>>;

import { CRUSH, CUTTING, LIFTING, LOCK_OUT, NIPS, NOISE, SHARP, STRIPPING } from './caution-texts.js';
import type { OperationRule } from './operation-rule.js';

/** Sheets parted and folded. In the order in which a sheet meets them. */
export const SHEET_STATIONS = {
  cut: {
    name: $localize`Guillotine`,
    process: 'guillotine',
    time: 'lifts',
    finishing: true,
    dryFor: 'cut',
    cautions: [CUTTING, LOCK_OUT, LIFTING],
  },
  'die-cut': {
    name: $localize`Die cut and strip`,
    process: 'die-cutter',
    time: 'rate',
    finishing: true,
    dryFor: 'cut',
    cautions: [CRUSH, LOCK_OUT, SHARP, STRIPPING, NOISE],
  },
  convert: {
    name: $localize`Perforate and kiss-cut`,
    process: 'converter',
    time: 'rate',
    finishing: true,
    dryFor: 'cut',
    cautions: [NIPS, LOCK_OUT, SHARP],
  },
  score: {
    name: $localize`Score`,
    process: 'scorer',
    time: 'rate',
    finishing: true,
    dryFor: 'fold',
    cautions: [NIPS, LOCK_OUT],
  },
  fold: {
    name: $localize`:station|:Fold`,
    process: 'folder',
    time: 'belt',
    finishing: true,
    dryFor: 'fold',
    cautions: [NIPS, LOCK_OUT, NOISE],
  },
} as const satisfies Readonly<Record<string, OperationRule>>;

import { DUST, HEAT, LIFTING, LOCK_OUT, NIPS, NOISE, ROLLS, SOLVENTS } from './caution-texts.js';
import type { OperationRule } from './operation-rule.js';

/** The press room: printing, what is laid over it, and the corrugator before it. In the order in which a sheet meets them. */
export const PRESS_STATIONS = {
  corrugate: {
    name: $localize`Corrugate`,
    process: 'corrugator',
    time: 'rate',
    finishing: false,
    dryFor: 'none',
    cautions: [NIPS, LOCK_OUT, ROLLS, HEAT, NOISE],
  },
  print: {
    name: $localize`:station|:Print`,
    process: 'sheet-fed',
    time: 'press',
    finishing: false,
    dryFor: 'side',
    cautions: [NIPS, LOCK_OUT, SOLVENTS, DUST, NOISE],
  },
  dry: { name: $localize`Dry`, process: undefined, time: 'lag', finishing: false, dryFor: 'none', cautions: [LIFTING] },
  overprint: {
    name: $localize`Print again, another press`,
    process: 'sheet-fed',
    time: 'press',
    finishing: false,
    dryFor: 'side',
    cautions: [NIPS, LOCK_OUT, SOLVENTS, DUST, NOISE],
  },
  raise: {
    name: $localize`Powder and melt`,
    process: 'powder-melter',
    time: 'rate',
    finishing: true,
    dryFor: 'none',
    cautions: [HEAT, DUST],
  },
  coat: {
    name: $localize`Coat`,
    process: 'coater',
    time: 'rate',
    finishing: true,
    dryFor: 'cut',
    cautions: [NIPS, LOCK_OUT, SOLVENTS],
  },
} as const satisfies Readonly<Record<string, OperationRule>>;

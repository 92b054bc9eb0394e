import { HEAT, LIFTING, LOCK_OUT, NIPS, REPETITION, SHARP, STACKS } from './caution-texts.js';
import type { OperationRule } from './operation-rule.js';


/** Counted, looked at, packed and sent. In the order in which a sheet meets them. */
export const PACK_STATIONS = {
  rewind: {
    name: 'Rewind',
    process: 'rewinder',
    time: 'rate',
    finishing: false,
    makes: 'roll',
    dryFor: 'cut',
    cautions: [NIPS, LOCK_OUT, LIFTING],
  },
  number: {
    name: 'Number',
    process: 'numberer',
    time: 'rate',
    finishing: false,
    dryFor: 'cut',
    cautions: [NIPS, LOCK_OUT],
  },
  inspect: {
    name: 'Inspect',
    process: 'hand',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [REPETITION],
  },
  count: { name: 'Count', process: 'hand', time: 'rate', finishing: false, dryFor: 'handle', cautions: [REPETITION] },
  hand: {
    name: 'Hand work',
    process: 'hand',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [SHARP, REPETITION],
  },
  outside: {
    name: 'Outside work',
    process: undefined,
    time: 'lag',
    finishing: false,
    dryFor: 'none',
    cautions: [LIFTING],
  },
  band: {
    name: 'Band',
    process: 'bander',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [SHARP, REPETITION],
  },
  wrap: {
    name: 'Shrink wrap',
    process: 'shrink-tunnel',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [HEAT, REPETITION],
  },
  box: {
    name: 'Box',
    process: 'hand',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [LIFTING, REPETITION],
  },
  pallet: {
    name: 'Build pallets',
    process: 'hand',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [LIFTING, STACKS],
  },
} as const satisfies Readonly<Record<string, OperationRule>>;

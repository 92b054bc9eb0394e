import { CRUSH, HOT_GLUE, LOCK_OUT, NIPS, NOISE, REPETITION } from './caution-texts.js';
import type { OperationRule } from './operation-rule.js';

/** The box shop and the envelopes. In the order in which a sheet meets them. */
export const BOX_STATIONS = {
  window: {
    name: $localize`Patch windows`,
    process: 'window-patcher',
    time: 'rate',
    finishing: true,
    dryFor: 'cut',
    cautions: [NIPS, LOCK_OUT],
  },
  glue: {
    name: $localize`Fold and glue`,
    process: 'folder-gluer',
    time: 'belt',
    finishing: true,
    dryFor: 'fold',
    cautions: [NIPS, LOCK_OUT, HOT_GLUE, REPETITION],
  },
  envelope: {
    name: $localize`Fold and glue envelopes`,
    process: 'envelope-folder',
    time: 'rate',
    finishing: true,
    makes: 'envelope',
    dryFor: 'fold',
    cautions: [NIPS, LOCK_OUT, NOISE],
  },
  gum: {
    name: $localize`Seal gum, dried open`,
    process: 'envelope-folder',
    time: 'rate',
    finishing: false,
    dryFor: 'handle',
    cautions: [NIPS, LOCK_OUT],
  },
  rivet: {
    name: $localize`Rivet the string closure`,
    process: 'riveter',
    time: 'rate',
    finishing: true,
    dryFor: 'handle',
    cautions: [CRUSH, REPETITION],
  },
  tip: {
    name: $localize`Tip on`,
    process: 'tipper',
    time: 'rate',
    finishing: false,
    dryFor: 'bind',
    cautions: [NIPS, REPETITION],
  },
} as const satisfies Readonly<Record<string, OperationRule>>;

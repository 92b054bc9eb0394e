import type { FoldKind } from '@druckerei/core';

/** Kinds of fold by the trade's names. */
export const FOLD_NAMES: Readonly<Record<FoldKind, string>> = {
  half: 'Once, in half',
  letter: 'Letter fold',
  accordion: 'Accordion fold',
  roll: 'Roll fold',
  gate: 'Gate fold',
  parallel: 'Twice parallel',
  'right-angle': 'Right angle',
  map: 'Map: accordion, then right angle',
};

import type { FoldKind } from '@druckerei/core';

/** Kinds of fold by the trade's names. */
export const FOLD_NAMES: Readonly<Record<FoldKind, string>> = {
  half: $localize`Once, in half`,
  letter: $localize`Letter fold`,
  accordion: $localize`Accordion fold`,
  roll: $localize`Roll fold`,
  gate: $localize`Gate fold`,
  parallel: $localize`Twice parallel`,
  'right-angle': $localize`Right angle`,
  map: $localize`Map: accordion, then right angle`,
};

import type { StructureId } from '@druckerei/core';

/** Structures by the trade's names. */
export const STRUCTURE_NAMES: Readonly<Record<StructureId, string>> = {
  'straight-tuck': $localize`Straight tuck carton`,
  'reverse-tuck': $localize`Reverse tuck carton`,
  'self-locking': $localize`Carton with self-locking base`,
  sleeve: $localize`Sleeve`,
  tray: $localize`Tray`,
  wallet: $localize`Four-panel board wallet`,
  packet: $localize`Side-seam packet with seal flap`,
  'two-piece': $localize`Box in two pieces`,
  'slotted-case': $localize`Slotted case`,
};

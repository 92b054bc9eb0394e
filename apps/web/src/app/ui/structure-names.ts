import type { StructureId } from '@druckerei/core';

/** Structures by the trade's names. */
export const STRUCTURE_NAMES: Readonly<Record<StructureId, string>> = {
  'straight-tuck': 'Straight tuck carton',
  'reverse-tuck': 'Reverse tuck carton',
  'self-locking': 'Carton with self-locking base',
  sleeve: 'Sleeve',
  tray: 'Tray',
  wallet: 'Four-panel board wallet',
  packet: 'Side-seam packet with seal flap',
  'two-piece': 'Box in two pieces',
  'slotted-case': 'Slotted case',
};

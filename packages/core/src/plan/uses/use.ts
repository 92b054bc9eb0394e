import { evaluate } from '../../kernel/index.js';
import type { Operation } from '../../route/index.js';
import type { NormLookup } from '../../norms/index.js';
import { PRESS_USES } from './stations/press.js';
import { SURFACE_USES } from './stations/surface.js';
import { SHEET_USES } from './stations/sheet.js';
import { BOX_USES } from './stations/box.js';
import { BINDERY_USES } from './stations/bindery.js';
import { PACK_USES } from './stations/pack.js';
import type { Use, UseAt, Uses } from './stations/use-at.js';

/** How much of a use so many process units take. */
export const quantityOf = ({ formula, values, norms }: Use, units: number, lookup: NormLookup): number =>
  evaluate(formula, (name) => {
    if (name === 'units') return units;
    const norm = norms[name];
    return norm === undefined ? (values[name]?.value ?? 0) : lookup(norm).value;
  });

/** What each operation uses up. Total: an operation that is forgotten does not compile. Packing is in `packing.ts`. */
const USES: Readonly<Record<Operation, Uses>> = {
  ...PRESS_USES,
  ...SURFACE_USES,
  ...SHEET_USES,
  ...BOX_USES,
  ...BINDERY_USES,
  ...PACK_USES,
};

/** What a station uses up. */
export const usesOf = (at: UseAt): readonly Use[] => USES[at.step.operation](at);

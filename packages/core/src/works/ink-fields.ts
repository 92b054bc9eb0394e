import { table } from '../kernel/index.js';
import { DRYINGS, INK_KINDS } from '../press/index.js';
import { SUPPLIES } from './supplies.js';
import { type WorksField, choice, flag, mm, text, wanted } from './works-field.js';

const number = (path: string, name: string, min: number, max: number, unit: string): WorksField => ({
  ...mm(path, name, min, max),
  unit,
});
const RETIRED = flag('retired', $localize`Retired: offered to no job`);

/** Everything that a works tells of an ink beside its colour, its recipe and what it is cleared for. Source of the limits: common practice, no source. */
export const INK_FIELDS: readonly WorksField[] = [
  wanted(text('name', $localize`Name`, 40, 1)),
  wanted(choice('kind', $localize`What it is`, INK_KINDS)),
  choice('drying', $localize`How it dries`, DRYINGS),
  number('filmGsm', $localize`Film at full coverage`, 0.01, 100, 'g/m²'),
  number('solids', $localize`Solids, share of the wet film`, 0.01, 1, ''),
  number('tolerance', $localize`Trial accepted up to`, 0.1, 50, 'ΔE00'),
  flag('accountable', $localize`Accountable: issued and returned by weight`),
  RETIRED,
];
/** Colour of an ink, CIELAB for D50 and 2 degrees: told as a whole, or not. */
export const AIM_FIELDS: readonly WorksField[] = [
  wanted(number('aim.l', 'L*', 0, 100, '')),
  wanted(number('aim.a', 'a*', -150, 150, '')),
  wanted(number('aim.b', 'b*', -150, 150, '')),
];
/** Everything that a works tells of a coating, a glue or a film beside what it is cleared for. */
export const SUPPLY_FIELDS: readonly WorksField[] = [
  wanted(text('name', $localize`Name`, 80, 1)),
  wanted({
    ...choice('supply', $localize`What it is`, Object.keys(SUPPLIES)),
    names: table(Object.entries(SUPPLIES).map(([id, { name }]) => [id, name])),
  }),
  RETIRED,
];

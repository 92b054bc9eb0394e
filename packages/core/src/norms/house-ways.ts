import type { Norm } from './norm.js';
import { HANDBOOK } from './shipped-norms.js';

/** Where a house puts its section of odd size; the first is the usual place. Source: handbook chapter 4. */
export const HOUSE_ODD = { nested: ['outermost', 'innermost'], gathered: ['last but one', 'second'] } as const;
/** How the grain of its cartons runs; the first is the usual way. Source: handbook chapter 4. */
const CARTON_GRAIN = ['around the box', 'up the box'] as const;

const way = (id: string, name: string, choices: readonly string[]): Norm => ({
  id: `house.${id}`,
  group: 'rules',
  subject: $localize`Ways of this house`,
  name,
  unit: '',
  value: 0,
  min: 0,
  max: choices.length - 1,
  whole: true,
  choices,
  source: HANDBOOK,
});

/** What a house does in its own way, where the trade knows two: new jobs are begun so. */
export const HOUSE_WAYS: readonly Norm[] = [
  way('oddNested', $localize`Odd section of saddle work`, HOUSE_ODD.nested),
  way('oddGathered', $localize`Odd section of gathered work`, HOUSE_ODD.gathered),
  way('cartonGrain', $localize`Grain of cartons`, CARTON_GRAIN),
];

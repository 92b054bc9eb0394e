import { checkRecipe } from '../colour/index.js';
import { type Issue, error } from '../kernel/index.js';
import { fieldsIssues } from './check-fields.js';
import { type Contact, type HouseInk, type HouseSupply, CONTACTS } from './house-inks.js';
import { AIM_FIELDS, INK_FIELDS, SUPPLY_FIELDS } from './ink-fields.js';

const clearedIssues = (cleared: readonly Contact[]): Issue[] =>
  cleared.every((one) => CONTACTS.includes(one))
    ? []
    : [error('works.field-choice', 'cleared', { field: 'cleared', choices: CONTACTS.join(', ') })];

/** What is wrong with an ink as a works enters it. Issues: `works.field-*`, `ink.recipe-*`. */
export const checkInk = (ink: HouseInk): readonly Issue[] => [
  ...fieldsIssues(ink, INK_FIELDS),
  ...(ink.aim ? fieldsIssues(ink, AIM_FIELDS) : []),
  ...clearedIssues(ink.cleared),
  ...(ink.recipe ? checkRecipe(ink.recipe, 'recipe') : []),
];

/** What is wrong with a coating, a glue or a film as a works enters it. Issues: `works.field-*`. */
export const checkSupply = (supply: HouseSupply): readonly Issue[] => [
  ...fieldsIssues(supply, SUPPLY_FIELDS),
  ...clearedIssues(supply.cleared),
];

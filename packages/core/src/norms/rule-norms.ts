import { ROUTE_RULES, RULE_IDS, RULE_WEIGHTS } from '../route/index.js';
import type { Norm } from './norm.js';
import { HANDBOOK } from './shipped-norms.js';

/** How much each rule of the route counts in this works: a norm like any other, with its history. */
export const RULE_NORMS: readonly Norm[] = RULE_IDS.map((id) => ({
  id: `rule.${id}`,
  group: 'rules',
  subject: $localize`Rules of the route`,
  name: ROUTE_RULES[id].name,
  unit: '',
  value: RULE_WEIGHTS.indexOf(ROUTE_RULES[id].weight),
  min: 0,
  max: RULE_WEIGHTS.length - 1,
  whole: true,
  choices: RULE_WEIGHTS,
  source: HANDBOOK,
}));

import { withinSentence } from '../kernel/index.js';
import { OPERATIONS, OPERATION_RULES, RULE_WEIGHTS, type Operation, type RuleWeight } from '../route/index.js';
import type { Works } from '../works/index.js';
import type { Norm } from './norm.js';
import { UNSOURCED } from './shipped-norms.js';

/** A rule that a works has added: in one lane, one operation comes before another. */
export interface HouseRule {
  readonly first: Operation;
  readonly then: Operation;
  readonly weight: RuleWeight;
  /** As it was told when the rule was set. */
  readonly reason: string;
}

const PREFIX = 'rule.order.';

/** Id of the norm that holds a house rule: set to a weight it is in force, with its history like any other. */
export const houseRuleId = (first: Operation, then: Operation): string => `${PREFIX}${first}.${then}`;

function parse(id: string): Pick<HouseRule, 'first' | 'then'> | undefined {
  if (!id.startsWith(PREFIX)) return undefined;
  const [one, other, ...rest] = id.slice(PREFIX.length).split('.');
  const [first, then] = [OPERATIONS.find((o) => o === one), OPERATIONS.find((o) => o === other)];
  return first && then && first !== then && rest.length === 0 ? { first, then } : undefined;
}

/** The norm of a house rule, off until a works sets it; undefined where the id names no two operations. */
export function houseRuleNorm(id: string): Norm | undefined {
  const rule = parse(id);
  if (!rule) return undefined;
  return {
    id,
    group: 'rules',
    subject: $localize`Rules of this house`,
    name: $localize`${OPERATION_RULES[rule.first].name} before ${withinSentence(OPERATION_RULES[rule.then].name)}`,
    unit: '',
    value: 0,
    min: 0,
    max: RULE_WEIGHTS.length - 1,
    whole: true,
    choices: RULE_WEIGHTS,
    source: UNSOURCED,
  };
}

/** Rules that a works has added, in the order of their ids. */
export function houseRules({ norms }: Works): readonly HouseRule[] {
  return Object.entries(norms)
    .flatMap(([id, { value, source }]) => {
      const rule = parse(id);
      return rule ? [{ ...rule, weight: RULE_WEIGHTS[value] ?? 'off', reason: source.note ?? '' }] : [];
    })
    .sort((a, b) => houseRuleId(a.first, a.then).localeCompare(houseRuleId(b.first, b.then)));
}

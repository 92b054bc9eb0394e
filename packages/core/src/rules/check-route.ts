import { withinSentence } from '../kernel/index.js';
import { type Job, setField } from '../job/index.js';
import type { Plan } from '../plan/index.js';
import {
  insertAfter,
  insertBefore,
  moveBefore,
  splitSection,
  withInk,
  withTrim,
  withWorkStyle,
} from '../edit/index.js';
import { OPERATION_RULES, ROUTE_RULES, RULE_IDS, RULE_WEIGHTS, type RuleId } from '../route/index.js';
import type { Works } from '../works/index.js';
import { houseRules } from '../norms/index.js';
import { type RouteFacts, factsOf } from './facts.js';
import type { Finding, Found, Mend } from './finding.js';
import { ARTWORK_PREDICATES } from './artwork-rules.js';
import { FIT_PREDICATES } from './fit-rules.js';
import { LIMIT_PREDICATES } from './limit-rules.js';
import { MATERIAL_PREDICATES } from './material-rules.js';
import { PRODUCT_PREDICATES } from './product-rules.js';
import { ORDER_PREDICATES, inOrder } from './order-rules.js';

const PREDICATES: Readonly<Record<RuleId, (facts: RouteFacts) => readonly Found[]>> = {
  ...ORDER_PREDICATES,
  ...FIT_PREDICATES,
  ...LIMIT_PREDICATES,
  ...MATERIAL_PREDICATES,
  ...PRODUCT_PREDICATES,
  ...ARTWORK_PREDICATES,
};

/**
 * What the route of a planned job breaks, in the order of the rules: the shipped ones at the weight that the works or
 * the job gives them, then the house's own. Pure. Source: handbook chapters 5, 7 and 10 (practice).
 */
export function checkRoute(job: Job, plan: Plan, works: Works): readonly Finding[] {
  const facts = factsOf(job, plan, works);
  const paths = new Map(job.route.map(({ id }, i) => [id, `route[${i}]`]));
  const told = (
    found: readonly Found[],
    rule: Finding['rule'],
    name: string,
    reason: string,
    weight: Finding['weight'],
  ): Finding[] => found.map((one) => ({ ...one, rule, name, reason, weight, path: paths.get(one.step) ?? 'route' }));
  const shipped = RULE_IDS.flatMap((id) => {
    const weight = RULE_WEIGHTS[facts.norms(`rule.${id}`).value] ?? 'off';
    if (weight === 'off') return [];
    return told(PREDICATES[id](facts), id, ROUTE_RULES[id].name, ROUTE_RULES[id].reason, weight);
  });
  const own = houseRules(works).flatMap(({ first, then, weight, reason }) => {
    if (weight === 'off') return [];
    const name = $localize`${OPERATION_RULES[first].name} before ${withinSentence(OPERATION_RULES[then].name)}`;
    return told(inOrder([first], [then])(facts), `order.${first}.${then}`, name, reason, weight);
  });
  return [...shipped, ...own];
}

/** The job with a finding mended; as it was where the route has changed so that it no longer can be. */
export function applyMend(job: Job, mend: Mend): Job {
  switch (mend.kind) {
    case 'insert':
      return insertBefore(job, mend.before, mend.operation);
    case 'move':
      return moveBefore(job, mend.step, mend.before);
    case 'insert-after':
      return insertAfter(job, mend.after, mend.operation);
    case 'split-section':
      return splitSection(job, mend.component);
    case 'ink':
      return withInk(job, mend.component, mend.sides, mend.ink, mend.prints);
    case 'trim':
      return withTrim(job, mend.components, mend);
    case 'style':
      return withWorkStyle(job, mend.component, mend.style);
    case 'set':
      return setField(job, mend.path, mend.value) as Job;
  }
}

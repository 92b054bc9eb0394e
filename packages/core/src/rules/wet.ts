import type { Operation, RuleId } from '../route/index.js';
import type { RouteFacts, Station } from './facts.js';

/** Whether ink comes wet off a station. Digital prints and webs are dry at the delivery. Source: handbook chapter 5. */
function laysWetInk({ step, layout, machine }: Station): boolean {
  if (step.operation === 'overprint') return true;
  if (step.operation !== 'print' || !layout) return false;
  const { press } = machine ?? {};
  return press !== undefined && press.plateless !== true && press.web === undefined && press.printing !== 'flexo';
}

const DRIES = ['dry', 'raise', 'outside', 'press'];

/** What has to be dry when it comes to a station, by rule. */
export const DRY_BEFORE = {
  'dry-before-back-up': ['print', 'overprint'],
  'dry-before-cut': ['cut'],
  'dry-before-die': ['die-cut', 'convert'],
  'dry-before-fold': ['fold', 'score'],
  'dry-before-film': ['laminate', 'foil', 'emboss', 'coat', 'mount'],
  'hand-after-wet': ['hand', 'count', 'inspect', 'kit', 'tip', 'number'],
} as const satisfies Partial<Record<RuleId, readonly Operation[]>>;

/** Whether a rule in force tells of wet ink at this station already. */
const isTold = ({ norms }: RouteFacts, { step }: Station): boolean =>
  Object.entries(DRY_BEFORE).some(
    ([rule, operations]) =>
      (operations as readonly Operation[]).includes(step.operation) && norms(`rule.${rule}`).value > 0,
  );

/**
 * Whether something wet comes to a station: printed before it, with no drying in between, and nothing in between that
 * would have been told of it.
 */
export function comesWet(facts: RouteFacts, station: Station): boolean {
  return station.makers.some((maker) => {
    if (DRIES.includes(maker.step.operation)) return false;
    return laysWetInk(maker) || (!isTold(facts, maker) && comesWet(facts, maker));
  });
}

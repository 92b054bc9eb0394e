import { wantedHours } from '../material/index.js';
import type { Operation, RuleId } from '../route/index.js';
import type { RouteFacts, Station } from './facts.js';

/** What has to be dry when it comes to a station, by rule. */
export const DRY_BEFORE = {
  'dry-before-back-up': ['print', 'overprint'],
  'dry-before-cut': ['cut'],
  'dry-before-die': ['die-cut', 'convert'],
  'dry-before-fold': ['fold', 'score'],
  'dry-before-film': ['laminate', 'foil', 'emboss', 'coat', 'mount'],
  'hand-after-wet': ['hand', 'count', 'inspect', 'kit', 'tip', 'number'],
} as const satisfies Partial<Record<RuleId, readonly Operation[]>>;

/** Whether a rule in force tells of wet ink at this station. */
const isTold = ({ norms }: RouteFacts, { step }: Station): boolean =>
  Object.entries(DRY_BEFORE).some(
    ([rule, operations]) =>
      (operations as readonly Operation[]).includes(step.operation) && norms(`rule.${rule}`).value > 0,
  );

/**
 * Whether ink that nothing has let lie comes to a station that wants it dry, and no rule in force has told of it at a station
 * before: what is wet is the state of the material. Where it has lain too short a time the plan waits for the rest.
 */
export function comesWet(facts: RouteFacts, station: Station): boolean {
  return station.incoming.some(({ material }) =>
    material.wet.some(
      (wet) =>
        wet.kind === 'ink' &&
        !wet.stood &&
        wantedHours(wet, station.step.operation, facts.norms) > 0 &&
        !station.before.some(
          (one) =>
            isTold(facts, one) &&
            one.incoming.some((taken) => taken.material.wet.some(({ since }) => since === wet.since)) &&
            comesWet(facts, one),
        ),
    ),
  );
}

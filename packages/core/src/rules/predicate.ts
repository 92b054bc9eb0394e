import type { FieldPath } from '../job/index.js';
import type { Operation } from '../route/index.js';
import type { RouteFacts, Station } from './facts.js';
import type { Found, Mend } from './finding.js';

/** What a rule looks for in a route. */
export type Predicate = (facts: RouteFacts) => readonly Found[];

/** Whether a station does one of these. */
export const is = ({ step }: Station, ...operations: readonly Operation[]): boolean =>
  operations.includes(step.operation);

/** A mend that sets one field. */
export const set = (path: FieldPath, value: Extract<Mend, { kind: 'set' }>['value']): Mend => ({
  kind: 'set',
  path,
  value,
});

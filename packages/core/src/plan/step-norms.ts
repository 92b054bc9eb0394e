import type { Step } from '../job/index.js';
import type { Material } from '../material/index.js';

/** What one person does in an hour by hand, by operation; boxes go by the hand bench's own speed. */
const BY_HAND: readonly Step['operation'][] = ['inspect', 'count', 'hand', 'kit', 'pallet'];

/** Norm of hand work that a step is timed by, where it has one. */
export const handNorm = ({ operation }: Step): string | undefined =>
  BY_HAND.includes(operation) ? `hand.${operation}` : undefined;

/** Seconds that the final check of a bound book takes, where a step is one. Source: handbook chapter 7 "Hand work". */
export const checkNorm = ({ operation }: Step, incoming: Material | undefined): string | undefined =>
  operation === 'inspect' && incoming?.unit === 'book' ? 'check.seconds' : undefined;

/** What the press's own figures hold already. */
export const IN_LINE = { label: 'identity', note: $localize`in line: set up, run and spoiled with the press` } as const;

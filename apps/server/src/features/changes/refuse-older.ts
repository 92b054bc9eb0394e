import { wordOf } from '@druckerei/core';
import { ProblemError } from '../../http/problem.js';

/** Refuses what is not as its writer saw it. */
export function refuseOlder(what: string, now: number, seen: number): void {
  if (now !== seen)
    throw new ProblemError(409, $localize`Somebody else has changed this ${wordOf(what)}`, {
      detail: $localize`What stands now is shown beside yours. Send it once more to put it in the place of what stands.`,
    });
}

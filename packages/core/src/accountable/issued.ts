import { type StationTally, countedOf } from '../book/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { IssuedOf } from './entry.js';
import type { AccountState } from './ledger.js';
import type { AccountStep } from './worth.js';

/** Sheets that a station has taken in of what is bought and not left over; undefined where nothing bought comes there. */
function boughtAt({ takes }: AccountStep, { takenIn, leftOver }: StationTally): number | undefined {
  const bought = takes.filter(({ from }) => from === null);
  const only = takes.length === 1;
  return bought.length === 0
    ? undefined
    : bought.reduce(
        (sum, { material }) => sum + countedOf(takenIn, material, only) - countedOf(leftOver, material, only),
        0,
      );
}

/** What is used up at a station, by what it is of; plates and dies are not, and ink is weighed. */
function usedAt(of: IssuedOf, step: AccountStep, tally: StationTally, state: AccountState): number | undefined {
  switch (of) {
    case 'paper':
      return boughtAt(step, tally) ?? 0;
    case 'numbers': {
      const voided = [...state.voided.values()].filter((one) => one.step === step.id).length;
      return tally.good + tally.samples + voided;
    }
    case 'plate':
    case 'die':
      return 0;
    case 'ink':
      return undefined;
  }
}

/**
 * What was issued for a station and is not accounted for: paper that was neither taken in nor returned, numbers that are neither good
 * nor samples nor voided, plates and dies that are still out. Bought paper that nobody issued is not accounted for either.
 * Source: handbook chapter 9 "Accountable work": issued = good + spoiled + samples + returned.
 */
export function issuesOpen(state: AccountState, step: AccountStep, tally: StationTally): Issue[] {
  const issued = state.atSteps.get(step.id) ?? new Map<IssuedOf, number>();
  const kinds = new Set<IssuedOf>([
    ...issued.keys(),
    ...(boughtAt(step, tally) === undefined ? [] : ['paper' as const]),
  ]);
  return [...kinds].flatMap((of) => {
    const [out, used] = [issued.get(of) ?? 0, usedAt(of, step, tally, state)];
    return used === undefined || used === out
      ? []
      : [error('account.issue', 'step', { step: step.name, of, out, used })];
  });
}

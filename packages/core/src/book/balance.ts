import { type StationTally, allSpoiled } from './tally.js';

/** A station as its balance needs it. */
export interface BalancedStep {
  readonly id: string;
  readonly name: string;
  /** Good pieces from one good process unit. */
  readonly yield: number;
  /** Process units that the plan puts through it. */
  readonly processUnits: number;
  /** What comes here, and how many of it go into one process unit. */
  readonly takes: readonly { readonly material: string; readonly usage: number }[];
}

/** In and out of a station by one of its materials, all in pieces that go out. */
export interface StationBalance {
  readonly material: string;
  readonly takenIn: number;
  readonly good: number;
  readonly samples: number;
  readonly spoiled: number;
  readonly leftOver: number;
  readonly explained: number;
  /** Above 0 where more came in than is told. */
  readonly difference: number;
}

/** Digits that a sum of pieces is meant to have: a part of a piece only where a process unit gives one. */
const exact = (pieces: number): number => Math.round(pieces * 1e6) / 1e6;

/** Of a material, or what was entered without saying which where it is the only one. */
export const countedOf = (counts: ReadonlyMap<string, number>, material: string, only: boolean): number =>
  (counts.get(material) ?? 0) + (only ? (counts.get('') ?? 0) : 0);

/**
 * in x yield = good + spoiled + samples + left over, all in the pieces that go out; a line of every material that was taken
 * in, none where nothing was: what nobody counted in cannot be balanced. Source: handbook chapter 9 "Counts".
 */
export function balanceOf({ yield: y, takes }: BalancedStep, tally: StationTally): StationBalance[] {
  const only = takes.length === 1;
  const spoiled = exact(allSpoiled(tally) * y);
  return takes.flatMap(({ material, usage }): StationBalance[] => {
    const came = countedOf(tally.takenIn, material, only);
    if (came === 0 && tally.takenIn.size === 0) return [];
    const takenIn = exact((came / usage) * y);
    const leftOver = exact((countedOf(tally.leftOver, material, only) / usage) * y);
    const { good, samples, explained } = tally;
    const difference = exact(takenIn - good - samples - spoiled - leftOver - explained);
    return [{ material, takenIn, good, samples, spoiled, leftOver, explained, difference }];
  });
}

/** The first line of a station that does not come out; undefined where in and out agree or nobody counted in. */
export const openLine = (step: BalancedStep, tally: StationTally): StationBalance | undefined =>
  balanceOf(step, tally).find(({ difference }) => difference !== 0);

/** Pieces that may still come out: of what was taken in; where nobody counted in, of what the plan puts through. */
export function stillToCome(step: BalancedStep, tally: StationTally): number {
  const lines = balanceOf(step, tally);
  if (lines.length === 0) {
    return exact((step.processUnits - allSpoiled(tally)) * step.yield - tally.good - tally.samples);
  }
  return Math.min(...lines.map(({ difference }) => difference));
}

import { type BalancedStep, type StationTally, allSpoiled, countedOf } from '../book/index.js';
import { type AccountState, isWitnessed } from './ledger.js';

/** A station with what comes to it from where; null is bought. */
export interface AccountStep extends BalancedStep {
  readonly takes: readonly { readonly material: string; readonly usage: number; readonly from: string | null }[];
}

/** Finished pieces that one process unit of each station can give. Source: identity (yields along the route). */
export function piecesPerUnit(steps: readonly AccountStep[]): ReadonlyMap<string, number> {
  const pieces = new Map<string, number>();
  for (const step of [...steps].reverse()) {
    const next = steps.find(({ takes }) => takes.some(({ from }) => from === step.id));
    const usage = next?.takes.find(({ from }) => from === step.id)?.usage ?? 1;
    pieces.set(step.id, (step.yield * (next ? (pieces.get(next.id) ?? 1) : 1)) / usage);
  }
  return pieces;
}

/** Where the pieces of accountable work are, all in finished pieces that they are or can become. */
export interface AccountWorth {
  /** Taken in at the first stations, and not left over. */
  readonly came: number;
  /** Spoiled: loose or in bags, and destroyed under witness. */
  readonly spoiled: number;
  readonly destroyed: number;
  /** In the house: came and not destroyed. */
  readonly inHouse: number;
  /** Face value of what is in the house. */
  readonly value: number;
}

/** What of accountable work is in the house, and what it is worth. Source: handbook chapter 9: accountable paper is worth its face value. */
export function accountWorth(
  steps: readonly AccountStep[],
  tallyOf: (step: string) => StationTally,
  state: AccountState,
  faceValue: number,
): AccountWorth {
  const pieces = piecesPerUnit(steps);
  const of = (step: string, units: number): number => units * (pieces.get(step) ?? 0);
  let [came, spoiled, destroyed] = [0, 0, 0];
  for (const { id, takes } of steps) {
    const tally = tallyOf(id);
    spoiled += of(id, allSpoiled(tally));
    const only = takes.length === 1;
    for (const { material, usage, from } of takes) {
      if (from !== null) continue;
      came += of(id, (countedOf(tally.takenIn, material, only) - countedOf(tally.leftOver, material, only)) / usage);
    }
  }
  for (const { step, counts, destroyed: record } of state.bags.values()) {
    const seen = record === undefined ? undefined : state.destructions.get(record);
    if (seen && isWitnessed(seen)) destroyed += of(step, counts.at(-1)?.count ?? 0);
  }
  const inHouse = came - destroyed;
  return { came, spoiled, destroyed, inHouse, value: inHouse * faceValue };
}

import { uniform } from '../kernel/index.js';
import type { NormLookup } from '../norms/index.js';
import { chanceOf } from '../plan/index.js';
import { type Sequence, throughsOf } from '../schedule/index.js';
import { drawnRunning, fromTriangle } from '../sure/index.js';
import type { FloorShop } from './floor-shop.js';

/** How sure it is that a job is ready when it is wanted. */
export interface KeepChance {
  /** Share of the runs in which it is through by then; null where nobody waits. */
  readonly chance: number | null;
  /** Minute by which it is through in so many of them as the house wants to be sure of. */
  readonly sure: number;
}

/** Runs that are drawn, and stations of all of them together at most. */
const MOST_RUNS = 400;
const LEAST_RUNS = 50;
const MOST_STATIONS = 200_000;

/**
 * The chance that a job of a sequence is through in time when set-ups and spoilage of all stations vary as in the sureness school: set-ups from a
 * triangle, runs as long as their drawn spoilage makes them. @param spoils by operation, usual share of its run. Source: handbook chapter 6, school 4.
 */
export function chanceFor(
  { shop }: FloorShop,
  sequence: Sequence,
  order: number,
  spoils: readonly number[],
  norms: NormLookup,
): KeepChance {
  const { best, worst, kappa } = chanceOf(norms);
  const seed = norms('sure.seed').value;
  const drawn = spoils.map((share) => drawnRunning(share, kappa));
  const count = Math.max(1, shop.operations.length);
  const runs = Math.min(MOST_RUNS, Math.max(LEAST_RUNS, Math.floor(MOST_STATIONS / count)));
  const throughs = throughsOf(shop, sequence, order, runs, (run, operation, usual) => {
    const at = (run * count + operation) * 2;
    const spoiled = drawn[operation]?.(uniform(seed, at + 1)) ?? 0;
    return {
      setUp: Math.round(fromTriangle(best * usual.setUp, usual.setUp, worst * usual.setUp, uniform(seed, at))),
      run: Math.round((usual.run * (1 - (spoils[operation] ?? 0))) / (1 - spoiled)),
    };
  }).sort();
  const due = shop.orders[order]?.due;
  const inTime = due === undefined ? 0 : throughs.filter((minute) => minute <= due).length;
  const place = Math.min(runs - 1, Math.ceil(norms('sure.p').value * runs) - 1);
  return { chance: due === undefined ? null : inTime / runs, sure: throughs[place] ?? 0 };
}

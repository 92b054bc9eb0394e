import type { Outcome } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import { plan } from '../plan/index.js';
import { isPlatelessPress } from '../press-sheet/index.js';
import type { Works } from '../works/index.js';
import { atQuantity } from '../ways/index.js';
import { type BestPlan, cheapestOf } from './best-plan.js';
import { type Proposal, searchOf } from './search.js';

/** A job at one quantity, run the best way for that quantity. */
export interface Rung {
  readonly quantity: number;
  readonly best: Proposal;
  readonly exact: boolean;
  /** The best with plates on every press, and with none; absent where the works has no such way. */
  readonly withPlates: Proposal | undefined;
  readonly digital: Proposal | undefined;
}

/** A job at several quantities. */
export interface Ladder {
  readonly rungs: readonly Rung[];
  /** Quantity from which plates cost less than digital sides; undefined where one is always the cheaper. */
  readonly breakEven: number | undefined;
}

/** Quantities that stand beside an order's own, as shares of it. Source: common practice, no source. */
const SHARES = [0.1, 0.25, 0.5, 1, 2, 4, 10];
const MOST = 100_000_000;

/** A quantity as people order it: two places, then noughts. */
function roundQuantity(quantity: number): number {
  const step = 10 ** Math.max(0, Math.floor(Math.log10(quantity)) - 1);
  return Math.max(1, Math.round(quantity / step) * step);
}

/** The quantities of a ladder around an order, its own among them. */
export const ladderQuantities = (quantity: number): number[] => {
  const all = SHARES.map((share) => (share === 1 ? quantity : roundQuantity(quantity * share)));
  return [...new Set(all)].filter((one) => one <= MOST).sort((a, b) => a - b);
};

const costAt = (job: Job, quantity: number, works: Works): number | undefined => {
  const outcome = plan({ ...atQuantity(job, quantity), school: 'step' }, works);
  return outcome.ok ? outcome.value.totals.cost.total : undefined;
};

/**
 * The quantity from which the first of two jobs costs no more than the second, between two quantities at which each is the
 * cheaper; halved until it is one copy. Source: identity (bisection), handbook chapter 8 (offset against digital).
 */
function breakEvenOf(plates: Job, digital: Job, low: number, high: number, works: Works): number | undefined {
  let [under, over] = [low, high];
  while (over - under > 1) {
    const middle = Math.floor((under + over) / 2);
    const [a, b] = [costAt(plates, middle, works), costAt(digital, middle, works)];
    if (a === undefined || b === undefined) return undefined;
    if (a <= b) over = middle;
    else under = middle;
  }
  return over;
}

/** The two rungs between which plates become the cheaper, and where exactly. */
function crossing(rungs: readonly Rung[], works: Works): number | undefined {
  const cheaper = ({ withPlates, digital }: Rung): boolean | undefined =>
    withPlates && digital ? withPlates.sums.cost <= digital.sums.cost : undefined;
  const at = rungs.findIndex((rung, i) => cheaper(rung) === true && i > 0 && cheaper(rungs[i - 1] ?? rung) === false);
  const [low, high] = [rungs[at - 1], rungs[at]];
  return low?.digital && high?.withPlates
    ? breakEvenOf(high.withPlates.job, low.digital.job, low.quantity, high.quantity, works)
    : undefined;
}

/**
 * A job at several quantities, each run the best way for it, with plates and digitally beside each other.
 * @param tell told each rung as it is found. Issues: those of the best plan, for the first quantity that has none.
 */
export function ladderOf(
  job: Job,
  works: Works,
  quantities: readonly number[],
  tell: (rung: Rung, share: number) => void = () => undefined,
): Outcome<Ladder> {
  const rungs: Rung[] = [];
  for (const [i, quantity] of quantities.entries()) {
    const begun = searchOf(atQuantity(job, quantity), works);
    const searched = begun.ok ? begun.value.searchParts() : begun;
    if (!searched.ok) return searched;
    const search = searched.value;
    const { best, exact }: BestPlan = cheapestOf(search);
    const of = (digital: boolean): Proposal | undefined =>
      search.parts.length === 0
        ? undefined
        : search.best('cost', (press) => isPlatelessPress(works, press) === digital).found;
    const rung: Rung = { quantity, best, exact, withPlates: of(false), digital: of(true) };
    rungs.push(rung);
    tell(rung, (i + 1) / quantities.length);
  }
  return { ok: true, value: { rungs, breakEven: crossing(rungs, works) } };
}

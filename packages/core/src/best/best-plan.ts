import type { Outcome } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import type { Works } from '../works/index.js';
import type { Part } from './parts.js';
import { type Proposal, type Search, type Sums, SAME, searchOf } from './search.js';

/** The best plan of a job, as far as it is known. */
export interface BestPlan {
  readonly best: Proposal;
  readonly now: Sums;
  /** No plan that keeps the rules and the locks costs less than this. */
  readonly bound: number;
  /** Whether the best is known to be so, and not only the best found. */
  readonly exact: boolean;
  /** Ways weighed, of all parts. */
  readonly weighed: number;
  /** Parts left as they are, since their ways cannot be listed. */
  readonly left: readonly string[];
  /** Others that are better in something, at most four. */
  readonly others: readonly Proposal[];
}

/** Presses that could print all of the job. */
function onePress(parts: readonly Part[]): readonly string[] {
  const printed = parts.filter(({ now }) => now.front.length + now.back.length > 0);
  const [first, ...others] = printed.map(({ ways }) => new Set(ways.map(({ press }) => press)));
  return first && others.length > 0 ? [...first].filter((press) => others.every((set) => set.has(press))) : [];
}

/** Whether a proposal is another plan than those before it. */
const isNew = (one: Proposal, before: readonly Proposal[]): boolean =>
  before.every(
    ({ sums }) =>
      Math.abs(sums.cost - one.sums.cost) > SAME ||
      Math.abs(sums.paperKg - one.sums.paperKg) > SAME ||
      Math.abs(sums.hours - one.sums.hours) > SAME ||
      sums.plates !== one.sums.plates,
  );

/** The cheapest plan that the search knows so far; the job as it is where none is cheaper. */
export function cheapestOf(search: Search): BestPlan {
  const { found, bound, exact } = search.best('cost');
  const asIs: Proposal = { aim: 'cost', job: search.job, sums: search.now, changes: [] };
  const best = found && found.sums.cost < asIs.sums.cost - SAME ? found : asIs;
  return {
    best,
    now: search.now,
    bound: Math.min(bound, best.sums.cost),
    exact,
    weighed: search.parts.reduce((sum, { found: { considered } }) => sum + considered, 0),
    left: search.left,
    others: [],
  };
}

/**
 * The cheapest way to run a job that keeps every rule and every lock, all of its parts together: presses, sheets and rolls
 * to buy, grain, work styles, splits and shared forms, with what is saved where parts fill the same units. Counted step by
 * step. Exact where what the ways say adds up to what the plan says; else the best found, with the bound beside it.
 * @param tell told the best so far, whenever a part has been searched.
 * Issues: those of planning the job as it is, and `best.lock` where locks leave a part no way. Source: handbook chapters 4
 * ("Choosing what to buy") and 8.
 */
export function bestPlan(
  job: Job,
  works: Works,
  tell: (soFar: BestPlan, share: number) => void = () => undefined,
): Outcome<BestPlan> {
  const begun = searchOf(job, works);
  if (!begun.ok) return begun;
  tell(cheapestOf(begun.value), 0);
  const searched = begun.value.searchParts((share) => tell(cheapestOf(begun.value), share));
  if (!searched.ok) return searched;
  const search = searched.value;
  const whole = cheapestOf(search);
  const others: Proposal[] = [];
  const offer = (one: Proposal | undefined): void => {
    // How the job is now stands beside them anyway.
    if (one && one.changes.length > 0 && isNew(one, [whole.best, ...others])) others.push(one);
  };
  for (const aim of ['paper', 'hours', 'plates'] as const) offer(search.best(aim).found);
  const single = onePress(search.parts)
    .flatMap((press) => search.best('one press', (one) => one === press).found ?? [])
    .sort((a, b) => a.sums.cost - b.sums.cost)[0];
  offer(single);
  return { ok: true, value: { ...whole, others } };
}

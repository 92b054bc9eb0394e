import { type Outcome, error } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import { type Plan, atDayPrices, plan } from '../plan/index.js';
import { withAllOwnSheets } from '../edit/index.js';
import type { Works } from '../works/index.js';
import { normsOf, withStockNorms } from '../norms/index.js';
import { type WayTarget, targetComponents } from './apply-way.js';
import { atQuantity } from './at-quantity.js';
import { isOnWeb, listChoices } from './candidates.js';
import { type Lane, laneOf } from './lane.js';
import { plannedWays } from './planned-ways.js';
import { sharedWays } from './shared-ways.js';
import { WaySearch } from './way-search.js';

import { type Way, type Ways, rankWays, wayId } from './way.js';

/** The quantity at which a way is reckoned a second time, to part what grows with the quantity from what does not. */
const SECOND_QUANTITY = 2;
const PROGRESS_EVERY = 200;

const stepSchool = (job: Job, works: Works, quantity: number): Plan | undefined => {
  const outcome = plan({ ...atQuantity(job, quantity), school: 'step' }, works);
  return outcome.ok ? outcome.value : undefined;
};

/** Good pieces that have to leave each lane of the target; the same for every section of a text. */
function wantedOf(planned: Plan, lanes: ReadonlyMap<string, Lane>): number {
  const ends = [...lanes.values()].map(({ end }) => end);
  return Math.max(0, ...planned.edges.filter(({ from }) => ends.includes(from ?? '')).map(({ count }) => count));
}

/**
 * All ways to run a component, or the text of a bound product: every press, stock of the same kind, bought sheet or
 * roll, work style, split into sections, and sections on common forms, reckoned step by step, ranked by cost. Nothing is left out silently: what
 * cannot be is counted with its reason.
 * @param progress told the share done, 0..1, now and then.
 * Issues: those of `plan` for the job as it is, `ways.no-part` where it has no such part. What has no plain lane, and what runs
 * on a web, has the ways of `plannedWays`. Cost: some ten microseconds a choice. Source: handbook chapters 4 ("Choosing what to buy") and 8.
 */
export function findWays(
  told: Job,
  asked: Works,
  target: WayTarget,
  progress: (share: number) => void = () => undefined,
): Outcome<Ways> {
  // Every way at the prices that hold for as much as the job buys now.
  const works = withStockNorms(atDayPrices(told, asked), told.norms);
  const job = target.kind === 'text' ? withAllOwnSheets(told, works) : told;
  const parts = targetComponents(job, target);
  const [first] = parts;
  const { quantity } = job.order;
  const outcome = plan({ ...job, school: 'step' }, works);
  if (!outcome.ok) return { ok: false, issues: outcome.issues };
  const lanes = new Map(
    parts.flatMap(({ id, kind, on }) => {
      // Items part and sections share: neither is a lane of its own.
      const lane = kind === 'gang' || on !== undefined ? undefined : laneOf(job, id);
      return lane ? [[id, lane] as const] : [];
    }),
  );
  const name = target.kind === 'text' ? 'text' : target.id;
  if (!first) return { ok: false, issues: [error('ways.no-part', 'components', { component: name })] };
  const edgeTrimMm = normsOf(works, job.norms)('sheeter.edgeTrim').value;
  const choices = listChoices(first, works, edgeTrimMm);
  if (lanes.size < parts.length || isOnWeb(first, works))
    return { ok: true, value: plannedWays(job, works, target, choices, progress) };
  const doubled = stepSchool(job, works, quantity * SECOND_QUANTITY) ?? outcome.value;
  const wanted = { one: wantedOf(outcome.value, lanes), two: wantedOf(doubled, lanes) };
  const search = new WaySearch(job, works, parts, lanes, wanted);
  const current = search.current();
  // What the rest of the job costs, at both quantities.
  const rest = {
    one: outcome.value.totals.cost.total - current.one.cost,
    two: doubled.totals.cost.total - current.two.cost,
  };
  const splits = search.splits(target);
  const found = choices.flatMap((choice, i) => {
    if (i % PROGRESS_EVERY === 0) progress(i / choices.length);
    return search.ways(choice, splits);
  });
  progress(1);
  const ways = found.map(({ choice, layout, one, two }): Way => {
    const cost = rest.one + one.cost;
    const unitCost = (rest.two + two.cost - cost) / quantity;
    return {
      ...choice,
      id: wayId(choice),
      up: layout.pattern.count,
      arrangement: layout.pattern.arrangement,
      pressSheets: one.pressSheets,
      boughtSheets: one.boughtSheets,
      paperKg: one.paperKg,
      wasteShare: 1 - one.productKg / one.paperKg,
      plates: one.plates,
      passes: one.passes,
      fills: one.fills,
      hours: one.hours,
      cost,
      unitCost,
      fixedCost: cost - unitCost * quantity,
    };
  });
  const apart = wayId(first);
  const shared = target.kind === 'text' ? sharedWays(job, works, ways, apart) : [];
  const now = wayId({ ...first, shared: job !== told });
  return {
    ok: true,
    value: {
      ways: rankWays([...ways, ...shared], 'cost'),
      considered: choices.length * splits.length + shared.length,
      refusals: search.refusals.list(),
      current: [...ways, ...shared].find(({ id }) => id === now)?.id,
      fillCost: search.fillCost,
      filledAnyway: search.filled,
      fillsNow: current.one.fills,
    },
  };
}

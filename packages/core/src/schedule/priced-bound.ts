import { uniform } from '../kernel/index.js';
import { lateBound } from './bound.js';
import { inOrder } from './dispatch.js';
import { type Prices, type Stage, Market } from './market.js';
import { NEVER, OpenTime, joinSpans } from './open-time.js';
import type { Link, Operation, Shop } from './shop.js';

/** Minutes that have one price on a machine. */
const BUCKET = 60;
/** Steps of time that prices may be looked for in, in minutes; the finest is taken that keeps all rounds within so many machine steps. */
const COARSEST = 30;
const STEPS = [1, 2, 3, 4, 5, 6, 10, 12, 15, 20, COARSEST] as const;
const MOST_WORK = 1.2e8;
/** Rounds of prices. This and the steps: tried on made-up works of 30 to 200 jobs, no source. */
export const BOUND_ROUNDS = 120;
/** Orders that are asked between two changes of the prices, and rounds of all of them between two looks at what the prices say. */
const ASKED = 5;
const LOOK = 5;
/** First share of the way to the best known that the prices of a round go; looked at in vain, it is made that much smaller. */
const FIRST_STEP = 2;
const SMALLER = 0.7;
const GAIN = 1.002;

const leastMinutes = ({ modes }: Operation): number => Math.min(...modes.map(({ setUp, run }) => setUp + run));

/** Of each order the chain of operations that takes longest by itself; the others want no hours then. Source: a relaxation. */
function chainsOf(shop: Shop): Stage[][] {
  const { operations, orders } = shop;
  const long = operations.map(() => 0);
  const via: (Link | undefined)[] = operations.map(() => undefined);
  const ends = orders.map(() => -1);
  for (const i of inOrder(shop)) {
    const operation = operations[i];
    if (!operation) continue;
    for (const link of operation.after) {
      if (operations[link.operation]?.order !== operation.order) continue;
      const before = (long[link.operation] ?? 0) + link.lag;
      if (!via[i] || before > (long[i] ?? 0)) [long[i], via[i]] = [before, link];
    }
    long[i] = (long[i] ?? 0) + leastMinutes(operation);
    const end = ends[operation.order] ?? -1;
    if (end < 0 || (long[i] ?? 0) > (long[end] ?? 0)) ends[operation.order] = i;
  }
  return ends.map((end) => {
    const chain: Stage[] = [];
    for (let at: number | undefined = end; at !== undefined && at >= 0; at = via[at]?.operation) {
      const operation = operations[at];
      if (operation) chain.unshift({ operation, link: via[at] });
    }
    return chain;
  });
}

/** The same works in steps of so many minutes: nearly the same prices, for a part of the work. */
function inSteps(shop: Shop, minutes: number): Shop {
  const steps = (time: number): number => Math.round(time / minutes);
  const known = new Map<OpenTime, OpenTime>();
  const opens = (open: OpenTime): OpenTime => {
    const own = known.get(open) ?? new OpenTime(joinSpans(open.spans.map(([from, to]) => [steps(from), steps(to)])));
    known.set(open, own);
    return own;
  };
  return {
    ...shop,
    resources: shop.resources.map((one) => ({ ...one, open: opens(one.open) })),
    operations: shop.operations.map((one) => ({
      ...one,
      release: steps(one.release),
      ...(one.pinned === undefined ? {} : { pinned: steps(one.pinned) }),
      ...(one.frozen ? { frozen: { ...one.frozen, start: steps(one.frozen.start), end: steps(one.frozen.end) } } : {}),
      after: one.after.map((link) => ({ ...link, lag: steps(link.lag) })),
      modes: one.modes.map((mode) => ({ ...mode, setUp: 0, run: steps(mode.setUp + mode.run) })),
    })),
    orders: shop.orders.map((one) => ({ ...one, due: one.due === undefined ? undefined : steps(one.due) })),
  };
}

/** Adds prices up, to tell their mean. */
class Mean {
  private readonly sums = new Map<number, Float64Array>();
  private count = 0;

  add(prices: Prices): void {
    this.count++;
    for (const [machine, price] of prices) {
      const sum = this.sums.get(machine);
      if (!sum) this.sums.set(machine, price.slice());
      else for (let b = 0; b < sum.length; b++) sum[b] = (sum[b] ?? 0) + (price[b] ?? 0);
    }
  }
  told(): Prices {
    return new Map([...this.sums].map(([machine, sum]) => [machine, sum.map((price) => price / this.count)]));
  }
}

/** In an order that is drawn, the same for the same round. */
function inTurn(orders: readonly number[], round: number): number[] {
  const places = orders.map((order) => uniform(round, order));
  return [...orders].sort((a, b) => (places[a] ?? 0) - (places[b] ?? 0));
}

/**
 * Prices at which all orders together cost the most: a few orders are asked, prices go up where they want more than their share, the next few are asked;
 * what is told is the mean of the prices of some rounds. Source: literature, incremental subgradient steps (Nedic and Bertsekas 2001).
 */
function findPrices(market: Market, upper: number, rounds: number): Prices {
  let [best, step] = [market.value(), FIRST_STEP];
  let [found, imbalance] = [market.prices, market.imbalance()];
  market.prices = found; // a copy: they are changed where they lie
  for (let round = 0; round < rounds && upper - best > 1e-6 * upper; round += LOOK) {
    const mean = new Mean();
    const by = (step * (upper - best)) / Math.max(1, imbalance);
    for (let again = 0; again < LOOK; again++) {
      const order = inTurn(market.orders, round + again);
      for (let at = 0; at < order.length; at += ASKED) {
        const asked = order.slice(at, at + ASKED);
        market.value(asked);
        market.adjust(by, asked.length / order.length);
        mean.add(market.prices);
      }
    }
    const last = market.prices;
    market.prices = mean.told();
    const value = market.value();
    imbalance = market.imbalance();
    if (value <= best * GAIN) step *= SMALLER;
    if (value > best) [best, found] = [value, market.prices];
    market.prices = last;
  }
  return found;
}

/** What no schedule can do without, and what it says of every machine. */
export interface PricedBound {
  /** Weighted minutes late. */
  readonly bound: number;
  /** By machine, of every hour: weighted minutes late that an open minute more would save; none where nothing is short. */
  readonly prices: Prices;
}

/**
 * Weighted minutes late that no schedule can do without: each order alone against priced machine minutes, prices raised where too much is wanted.
 * Never above any schedule, whatever the prices: they are looked for in coarse steps of time, and judged by the minute. @param upper lateness of a
 * schedule that is known; @param horizon minutes that are looked at; @param rounds of prices; none: each order as if it had the works to itself.
 * Source: literature, Lagrangian relaxation with subgradient steps (Fisher 1981).
 */
export function pricedBound(shop: Shop, upper: number, horizon: number, rounds: number): PricedBound {
  const loose = lateBound(shop);
  if (upper <= loose || horizon <= 0 || horizon >= NEVER || rounds <= 0) return { bound: loose, prices: new Map() };
  const work = rounds * horizon * shop.operations.reduce((sum, { modes }) => sum + modes.length, 0);
  const minutes = STEPS.find((one) => work / one <= MOST_WORK) ?? COARSEST;
  const small = inSteps(shop, minutes);
  const coarse = new Market(small, chainsOf(small), Math.ceil(horizon / minutes), BUCKET / minutes);
  const market = new Market(shop, chainsOf(shop), horizon, BUCKET);
  market.prices = findPrices(coarse, upper / minutes, rounds);
  const value = market.value();
  return value > loose ? { bound: Math.min(value, upper), prices: market.prices } : { bound: loose, prices: new Map() };
}

/** What an open minute of a machine is worth between two minutes, on the mean. */
export function priceBetween({ prices }: PricedBound, machine: number, start: number, end: number): number {
  const own = prices.get(machine);
  if (!own || end <= start) return 0;
  let sum = 0;
  for (let b = Math.floor(start / BUCKET); b * BUCKET < end; b++)
    sum += (own[b] ?? 0) * (Math.min(end, (b + 1) * BUCKET) - Math.max(start, b * BUCKET));
  return sum / (end - start);
}

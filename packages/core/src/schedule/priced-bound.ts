import { lateBound } from './bound.js';
import { inOrder } from './dispatch.js';
import { NEVER, type OpenTime } from './open-time.js';
import type { Link, Mode, Operation, Shop } from './shop.js';

/** Minutes that have one price on a machine. */
const BUCKET = 60;
/** First share of the way to the best known that a step of the prices goes, and after how many rounds without gain it is halved. */
const FIRST_STEP = 1.6;
const PATIENCE = 4;

/** Open time of a machine laid out minute by minute. */
interface Laid {
  /** Open minutes before each minute, 0 to the horizon. */
  readonly before: Int32Array;
  /** Where each open minute begins. */
  readonly starts: Int32Array;
}

/** One station of a chain: what it waits for in it, and its modes. */
interface Stage {
  readonly operation: Operation;
  /** The link to the stage before; undefined for the first. */
  readonly link: Link | undefined;
}

function lay(open: OpenTime, horizon: number): Laid {
  const before = new Int32Array(horizon + 1);
  const starts: number[] = [];
  for (const [from, to] of open.spans)
    for (let minute = Math.max(0, from); minute < Math.min(to, horizon); minute++) {
      before[minute + 1] = 1;
      starts.push(minute);
    }
  for (let minute = 1; minute <= horizon; minute++) before[minute] = (before[minute] ?? 0) + (before[minute - 1] ?? 0);
  return { before, starts: Int32Array.from(starts) };
}

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

const keepLess = (row: Float64Array, at: number, cost: number): void => {
  if (cost < (row[at] ?? Infinity)) row[at] = cost;
};

/** Prices of machine minutes, and what everything costs at them. */
class Market {
  private readonly laid: ReadonlyMap<number, Laid>;
  private readonly prices: ReadonlyMap<number, Float64Array>;
  private readonly used: ReadonlyMap<number, Float64Array>;
  /** Price of all open minutes before each minute, by machine. */
  private readonly sums = new Map<number, Float64Array>();
  private readonly buckets: number;
  private readonly rows: Float64Array[] = [];

  constructor(
    private readonly shop: Shop,
    private readonly chains: readonly (readonly Stage[])[],
    private readonly horizon: number,
  ) {
    const machines = [
      ...new Set(shop.operations.flatMap(({ modes }) => modes.flatMap(({ machine }) => machine ?? []))),
    ];
    this.buckets = Math.ceil(horizon / BUCKET);
    const known = new Map<OpenTime, Laid>();
    this.laid = new Map(
      machines.flatMap((machine) => {
        const open = shop.resources[machine]?.open;
        if (!open) return [];
        const laid = known.get(open) ?? lay(open, horizon);
        known.set(open, laid);
        return [[machine, laid] as const];
      }),
    );
    this.prices = new Map(machines.map((machine) => [machine, new Float64Array(this.buckets)]));
    this.used = new Map(machines.map((machine) => [machine, new Float64Array(this.buckets)]));
    for (const machine of machines) this.sums.set(machine, new Float64Array(horizon + 1));
  }

  /** The least that all orders cost at these prices, less what the open minutes are worth: no schedule is less late. Source: literature, Lagrangian relaxation. */
  value(): number {
    for (const used of this.used.values()) used.fill(0);
    this.sumUp();
    let value = 0;
    this.chains.forEach((chain, order) => (value += this.cheapest(chain, order)));
    for (const [machine, prices] of this.prices) {
      const before = this.laid.get(machine)?.before;
      prices.forEach((price, b) => (value -= price * this.openIn(before, b)));
    }
    return value;
  }

  /** The prices as they stand. */
  told(): Map<number, Float64Array> {
    return new Map([...this.prices].map(([machine, prices]) => [machine, prices.slice()]));
  }

  private openIn(before: Int32Array | undefined, b: number): number {
    const to = Math.min(this.horizon, (b + 1) * BUCKET);
    return (before?.[to] ?? 0) - (before?.[b * BUCKET] ?? 0);
  }

  private sumUp(): void {
    for (const [machine, prices] of this.prices) {
      const [before, sums] = [this.laid.get(machine)?.before, this.sums.get(machine)];
      if (!before || !sums) continue;
      for (let minute = 1; minute <= this.horizon; minute++) {
        const open = (before[minute] ?? 0) - (before[minute - 1] ?? 0);
        sums[minute] = (sums[minute - 1] ?? 0) + (open > 0 ? (prices[Math.floor((minute - 1) / BUCKET)] ?? 0) : 0);
      }
    }
  }

  /** The least that an order costs: lateness and priced minutes of its chain; notes what it uses for it. */
  private cheapest(chain: readonly Stage[], order: number): number {
    const { horizon } = this;
    const { due, weight } = this.shop.orders[order] ?? { due: undefined, weight: 0 };
    const lateness = (minute: number): number => weight * Math.max(0, minute - (due ?? Infinity));
    // Whatever is left may be done behind the horizon, where hours cost nothing.
    let [best, bestStage, bestEnd] = [lateness(horizon), 0, -1];
    chain.forEach((stage, k) => {
      this.fill(stage, k);
    });
    const last = this.rows[chain.length];
    if (last && chain.length > 0)
      for (let minute = 0; minute <= horizon; minute++) {
        const cost = (last[minute] ?? Infinity) + lateness(minute);
        if (cost < best) [best, bestStage, bestEnd] = [cost, chain.length, minute];
      }
    if (bestStage > 0) this.note(chain, bestEnd);
    return best;
  }

  /** Least cost of a chain up to a stage that is through by each minute. */
  private fill(stage: Stage, k: number): void {
    const { horizon } = this;
    const before = this.rows[k] ?? (this.rows[k] = new Float64Array(horizon + 1));
    const row = this.rows[k + 1] ?? (this.rows[k + 1] = new Float64Array(horizon + 1));
    if (k === 0) before.fill(0);
    row.fill(Infinity);
    for (const mode of stage.operation.modes) this.offer(stage, mode, before, row);
    for (let minute = 1; minute <= horizon; minute++)
      if ((row[minute - 1] ?? Infinity) < (row[minute] ?? Infinity)) row[minute] = row[minute - 1] ?? Infinity;
  }

  private offer({ operation, link }: Stage, mode: Mode, before: Float64Array, row: Float64Array): void {
    const { frozen } = operation;
    if (frozen) {
      if (frozen.end <= this.horizon) row[Math.max(0, frozen.end)] = 0;
      return;
    }
    const minutes = mode.setUp + mode.run;
    const earliest = Math.max(operation.release, operation.pinned ?? 0);
    const laid = mode.machine === undefined ? undefined : this.laid.get(mode.machine);
    const sums = mode.machine === undefined ? undefined : this.sums.get(mode.machine);
    if (!laid || !sums || minutes === 0) {
      for (let start = earliest; start + minutes <= this.horizon; start++)
        keepLess(row, start + minutes, this.costBefore(link, mode, before, start, start + minutes));
      return;
    }
    const { starts } = laid;
    for (let open = minutes; open <= starts.length; open++) {
      const start = starts[open - minutes] ?? 0;
      if (start < earliest) continue;
      const end = (starts[open - 1] ?? 0) + 1;
      const price = (sums[end] ?? 0) - (sums[start] ?? 0);
      keepLess(row, end, this.costBefore(link, mode, before, start, end) + price);
    }
  }

  /** What it costs to have the stage before there in time; where goods come in piles, to have all of them before the rest. */
  private costBefore(link: Link | undefined, mode: Mode, before: Float64Array, start: number, end: number): number {
    if (!link) return 0;
    const at = link.piles ? end - link.lag - Math.ceil(link.piles.last * mode.run) : start - link.lag;
    return at < 0 ? Infinity : (before[Math.min(at, this.horizon)] ?? Infinity);
  }

  /** Walks back what the least cost was made of, and counts the minutes that it takes of each machine. */
  private note(chain: readonly Stage[], until: number): void {
    let end = until;
    for (let k = chain.length; k > 0; k--) {
      const [row, before, stage] = [this.rows[k], this.rows[k - 1], chain[k - 1]];
      if (!row || !before || !stage) return;
      while (end > 0 && row[end - 1] === row[end]) end--;
      if (stage.operation.frozen) return;
      const found = this.madeOf(stage, before, end, row[end] ?? Infinity);
      if (!found) return;
      end = found;
    }
  }

  /** How the least cost at a minute came about: takes its minutes, and tells by when the stage before had to be there. */
  private madeOf({ operation, link }: Stage, before: Float64Array, end: number, cost: number): number | undefined {
    for (const mode of operation.modes) {
      const minutes = mode.setUp + mode.run;
      const laid = mode.machine === undefined ? undefined : this.laid.get(mode.machine);
      const open = laid?.before[end] ?? 0;
      if (laid && minutes > 0 && (open < minutes || open === laid.before[end - 1])) continue;
      const start = laid && minutes > 0 ? (laid.starts[open - minutes] ?? 0) : end - minutes;
      if (start < 0) continue;
      const sums = mode.machine === undefined || minutes === 0 ? undefined : this.sums.get(mode.machine);
      const price = (sums?.[end] ?? 0) - (sums?.[start] ?? 0);
      if (Math.abs(this.costBefore(link, mode, before, start, end) + price - cost) > 1e-9 * Math.max(1, cost)) continue;
      if (mode.machine !== undefined) this.take(mode.machine, start, end);
      if (!link) return end;
      return link.piles ? end - link.lag - Math.ceil(link.piles.last * mode.run) : start - link.lag;
    }
    return undefined;
  }

  private take(machine: number, start: number, end: number): void {
    const [used, before] = [this.used.get(machine), this.laid.get(machine)?.before];
    if (!used || !before) return;
    for (let b = Math.floor(start / BUCKET); b * BUCKET < end; b++) {
      const [from, to] = [Math.max(start, b * BUCKET), Math.min(end, (b + 1) * BUCKET)];
      used[b] = (used[b] ?? 0) + (before[to] ?? 0) - (before[from] ?? 0);
    }
  }

  /** Raises prices where more is wanted than is open, and lowers them elsewhere. @param gap to the best that is known. */
  adjust(step: number, gap: number): boolean {
    let norm = 0;
    const over = (machine: number, b: number): number =>
      (this.used.get(machine)?.[b] ?? 0) - this.openIn(this.laid.get(machine)?.before, b);
    for (const [machine, prices] of this.prices)
      prices.forEach((price, b) => {
        const more = over(machine, b);
        if (price > 0 || more > 0) norm += more * more;
      });
    if (norm === 0) return false;
    const by = (step * gap) / norm;
    for (const [machine, prices] of this.prices)
      for (let b = 0; b < prices.length; b++) prices[b] = Math.max(0, (prices[b] ?? 0) + by * over(machine, b));
    return true;
  }
}

/** What no schedule can do without, and what it says of every machine. */
export interface PricedBound {
  /** Weighted minutes late. */
  readonly bound: number;
  /** By machine, of every hour: weighted minutes late that an open minute more would save; none where nothing is short. */
  readonly prices: ReadonlyMap<number, Float64Array>;
}

/**
 * Weighted minutes late that no schedule can do without: each order alone against priced machine minutes, prices raised where too much is wanted.
 * Never above any schedule, whatever the prices. @param upper lateness of a schedule that is known; @param horizon minutes that are looked at;
 * @param rounds of prices: each costs operations x modes x horizon. Source: literature, Lagrangian relaxation with subgradient steps (Fisher 1981).
 */
export function pricedBound(shop: Shop, upper: number, horizon: number, rounds: number): PricedBound {
  let bound = lateBound(shop);
  let prices: PricedBound['prices'] = new Map();
  if (upper <= bound || horizon <= 0 || horizon >= NEVER) return { bound, prices };
  const market = new Market(shop, chainsOf(shop), horizon);
  let [step, since] = [FIRST_STEP, 0];
  for (let round = 0; round < rounds; round++) {
    const value = market.value();
    since++;
    if (value > bound) [bound, prices, since] = [value, market.told(), 0];
    if (since >= PATIENCE) [step, since] = [step / 2, 0];
    if (upper - value <= 1e-6 || !market.adjust(step, upper - value)) break;
  }
  return { bound: Math.min(bound, upper), prices };
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

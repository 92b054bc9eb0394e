import type { OpenTime } from './open-time.js';
import type { Link, Mode, Operation, Shop } from './shop.js';
import { get } from './tables.js';

/** Prices of an open minute, by machine, of every bucket of minutes. */
export type Prices = ReadonlyMap<number, Float64Array>;

/** One station of a chain: what it waits for in it, and its modes. */
export interface Stage {
  readonly operation: Operation;
  /** The link to the stage before; undefined for the first. */
  readonly link: Link | undefined;
}

/** Open time of a machine laid out minute by minute. */
interface Laid {
  /** Open minutes before each minute, 0 to the horizon. */
  readonly before: Int32Array;
  /** Where each open minute begins. */
  readonly starts: Int32Array;
}

/** What the market knows of a machine. */
interface Stall extends Laid {
  /** Price of an open minute in each bucket. */
  price: Float64Array;
  /** Minutes of each bucket that are taken, and those that are open. */
  readonly used: Float64Array;
  readonly open: Float64Array;
  /** Price of all open minutes before each minute. */
  readonly sums: Float64Array;
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

const keepLess = (row: Float64Array, at: number, cost: number): void => {
  if (cost < (row[at] ?? Infinity)) row[at] = cost;
};

/** What a station costs that waits for all of the stage before: the most of the work, so it is plain. Rows and sums reach to the horizon. */
function offerWhole(
  { starts, sums }: Stall,
  minutes: number,
  earliest: number,
  lag: number,
  before: Float64Array,
  row: Float64Array,
): void {
  let open = minutes;
  while (open <= starts.length && get(starts, open - minutes) < earliest) open++;
  for (; open <= starts.length; open++) {
    const start = get(starts, open - minutes);
    const end = get(starts, open - 1) + 1;
    const cost = get(sums, end) - get(sums, start) + get(before, start - lag);
    if (cost < get(row, end)) row[end] = cost;
  }
}

/** Prices of machine minutes, and what everything costs at them. */
export class Market {
  private readonly stalls: ReadonlyMap<number, Stall>;
  private readonly rows: Float64Array[] = [];
  /** All orders, by number. */
  readonly orders: readonly number[];

  /** @param bucket minutes that have one price. */
  constructor(
    private readonly shop: Shop,
    private readonly chains: readonly (readonly Stage[])[],
    private readonly horizon: number,
    private readonly bucket: number,
  ) {
    this.orders = chains.map((_, order) => order);
    const machines = new Set(shop.operations.flatMap(({ modes }) => modes.flatMap(({ machine }) => machine ?? [])));
    const buckets = Math.ceil(horizon / bucket);
    const known = new Map<OpenTime, Laid>();
    this.stalls = new Map(
      [...machines].flatMap((machine) => {
        const open = shop.resources[machine]?.open;
        if (!open) return [];
        const laid = known.get(open) ?? lay(open, horizon);
        known.set(open, laid);
        const openIn = Float64Array.from({ length: buckets }, (_, b) =>
          this.openBetween(laid, b * bucket, (b + 1) * bucket),
        );
        const empty = (): Float64Array => new Float64Array(buckets);
        const sums = new Float64Array(horizon + 1);
        return [[machine, { ...laid, price: empty(), used: empty(), open: openIn, sums }] as const];
      }),
    );
  }

  private openBetween({ before }: Laid, from: number, to: number): number {
    return (before[Math.min(this.horizon, to)] ?? 0) - (before[Math.min(this.horizon, from)] ?? 0);
  }

  get prices(): Prices {
    return new Map([...this.stalls].map(([machine, { price }]) => [machine, price]));
  }
  set prices(prices: Prices) {
    for (const [machine, stall] of this.stalls) stall.price = prices.get(machine)?.slice() ?? stall.price;
  }

  /**
   * The least that some orders cost at these prices, less what their share of the open minutes is worth; of all orders: no schedule is less late.
   * Notes the minutes that they take. Source: literature, Lagrangian relaxation.
   */
  value(orders = this.orders): number {
    for (const stall of this.stalls.values()) {
      stall.used.fill(0);
      this.sumUp(stall);
    }
    let value = 0;
    for (const order of orders) value += this.cheapest(this.chains[order] ?? [], order);
    const share = orders.length / this.orders.length;
    for (const { price, open } of this.stalls.values())
      for (let b = 0; b < price.length; b++) value -= share * (price[b] ?? 0) * (open[b] ?? 0);
    return value;
  }

  /** How far what all orders take is from what is open, where a price may still go: squares, added. */
  imbalance(): number {
    let sum = 0;
    for (const { price, used, open } of this.stalls.values())
      for (let b = 0; b < price.length; b++) {
        const over = (used[b] ?? 0) - (open[b] ?? 0);
        if (over > 0 || (price[b] ?? 0) > 0) sum += over * over;
      }
    return sum;
  }

  /** Raises prices where more is wanted than is open for that share of the orders, and lowers them elsewhere. @param by for a minute. */
  adjust(by: number, share: number): void {
    for (const { price, used, open } of this.stalls.values())
      for (let b = 0; b < price.length; b++)
        price[b] = Math.max(0, (price[b] ?? 0) + by * ((used[b] ?? 0) - share * (open[b] ?? 0)));
  }

  private sumUp({ before, sums, price }: Stall): void {
    for (let minute = 1; minute <= this.horizon; minute++) {
      const open = (before[minute] ?? 0) - (before[minute - 1] ?? 0);
      sums[minute] = (sums[minute - 1] ?? 0) + (open > 0 ? (price[Math.floor((minute - 1) / this.bucket)] ?? 0) : 0);
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
    const stall = mode.machine === undefined ? undefined : this.stalls.get(mode.machine);
    const earliest = Math.max(operation.release, operation.pinned ?? 0);
    if (!stall || minutes === 0) {
      for (let start = earliest; start + minutes <= this.horizon; start++)
        keepLess(row, start + minutes, this.costBefore(link, mode, before, start, start + minutes));
      return;
    }
    const { starts, sums } = stall;
    if (!link?.piles) {
      offerWhole(stall, minutes, Math.max(earliest, link?.lag ?? 0), link?.lag ?? 0, before, row);
      return;
    }
    for (let open = minutes; open <= starts.length; open++) {
      const start = starts[open - minutes] ?? 0;
      if (start < earliest) continue;
      const end = (starts[open - 1] ?? 0) + 1;
      keepLess(row, end, this.costBefore(link, mode, before, start, end) + (sums[end] ?? 0) - (sums[start] ?? 0));
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
      const stall = mode.machine === undefined || minutes === 0 ? undefined : this.stalls.get(mode.machine);
      const open = stall?.before[end] ?? 0;
      if (stall && (open < minutes || open === stall.before[end - 1])) continue;
      const start = stall ? (stall.starts[open - minutes] ?? 0) : end - minutes;
      if (start < 0) continue;
      const price = (stall?.sums[end] ?? 0) - (stall?.sums[start] ?? 0);
      if (Math.abs(this.costBefore(link, mode, before, start, end) + price - cost) > 1e-9 * Math.max(1, cost)) continue;
      if (stall) this.take(stall, start, end);
      if (!link) return end;
      return link.piles ? end - link.lag - Math.ceil(link.piles.last * mode.run) : start - link.lag;
    }
    return undefined;
  }

  private take(stall: Stall, start: number, end: number): void {
    const { bucket } = this;
    for (let b = Math.floor(start / bucket); b * bucket < end; b++) {
      const minutes = this.openBetween(stall, Math.max(start, b * bucket), Math.min(end, (b + 1) * bucket));
      stall.used[b] = (stall.used[b] ?? 0) + minutes;
    }
  }
}

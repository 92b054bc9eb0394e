import { OpenTime, meetSpans } from './open-time.js';
import type { Shop } from './shop.js';

export const get = (of: Int32Array | Float64Array, i: number): number => of[i] ?? 0;

/** Largest table of set-ups that is kept; beyond, they are asked for each time. */
const MOST_KEPT = 16e6;
const UNKNOWN = -1;

/** Rows of numbers of unlike length, behind one another. */
export class Rows {
  readonly from: Int32Array;
  readonly values: Int32Array;
  constructor(rows: readonly (readonly number[])[]) {
    this.from = new Int32Array(rows.length + 1);
    rows.forEach((row, i) => (this.from[i + 1] = get(this.from, i) + row.length));
    this.values = Int32Array.from(rows.flat());
  }
}

const known = new WeakMap<Shop, Tables>();

/** The tables of a shop, laid out once. */
export function tablesOf(shop: Shop): Tables {
  const before = known.get(shop);
  if (before) return before;
  const made = new Tables(shop);
  known.set(shop, made);
  return made;
}

/** A shop laid out in flat tables, with what never changes while it is planned. */
export class Tables {
  readonly count: number;
  /** Most resources that one operation holds. */
  readonly width: number;
  readonly links: Rows;
  readonly lag: Int32Array;
  /** Shares of {@link Link.piles}; the first is negative where all has to be there. */
  readonly firstShare: Float64Array;
  readonly lastShare: Float64Array;
  readonly followers: Rows;
  /** Operations of each order, each after what it waits for where those told come so. */
  readonly operations: Rows;
  /** Operations of an order that nothing of it comes after. */
  readonly ends: Rows;
  readonly isEnd: Uint8Array;
  readonly orderOf: Int32Array;
  readonly release: Int32Array;
  readonly frozen: Uint8Array;
  readonly due: Float64Array;
  readonly weight: Float64Array;
  private readonly kept: Int32Array | undefined;
  private readonly calendars: OpenTime[] = [OpenTime.ALWAYS];
  private readonly together = new Map<string, number>();
  private readonly ofResource: readonly number[];

  constructor(readonly shop: Shop) {
    const { operations, orders, resources, dresses } = shop;
    this.count = operations.length;
    this.width = 1;
    for (const { modes } of operations)
      for (const { beside } of modes) this.width = Math.max(this.width, 1 + beside.length);
    this.links = new Rows(operations.map(({ after }) => after.map(({ operation }) => operation)));
    const links = operations.flatMap(({ after }) => after);
    this.lag = Int32Array.from(links, ({ lag }) => lag);
    this.firstShare = Float64Array.from(links, ({ piles }) => piles?.first ?? -1);
    this.lastShare = Float64Array.from(links, ({ piles }) => piles?.last ?? 0);
    const followers: number[][] = operations.map(() => []);
    const ends: number[][] = orders.map(() => []);
    const own: number[][] = orders.map(() => []);
    operations.forEach(({ after }, i) => {
      for (const { operation } of after) followers[operation]?.push(i);
    });
    operations.forEach(({ order }, i) => {
      own[order]?.push(i);
      if (!followers[i]?.some((one) => operations[one]?.order === order)) ends[order]?.push(i);
    });
    this.followers = new Rows(followers);
    this.operations = new Rows(own);
    this.ends = new Rows(ends);
    this.isEnd = new Uint8Array(this.count);
    for (const i of this.ends.values) this.isEnd[i] = 1;
    this.orderOf = Int32Array.from(operations, ({ order }) => order);
    this.release = Int32Array.from(operations, ({ release, pinned }) => Math.max(release, pinned ?? 0));
    this.frozen = Uint8Array.from(operations, ({ frozen }) => (frozen ? 1 : 0));
    this.due = Float64Array.from(orders, ({ due }) => due ?? Infinity);
    this.weight = Float64Array.from(orders, ({ weight }) => weight);
    const size = (dresses + 1) * dresses;
    this.kept = size <= MOST_KEPT ? new Int32Array(size).fill(UNKNOWN) : undefined;
    const at = new Map<OpenTime, number>([[OpenTime.ALWAYS, 0]]);
    this.ofResource = resources.map(({ open }) => {
      const before = at.get(open);
      if (before !== undefined) return before;
      at.set(open, this.calendars.length);
      return this.calendars.push(open) - 1;
    });
  }

  /** Minutes of set-up for one dress after another; before is negative on an empty machine. */
  setUp(before: number, after: number): number {
    const { kept, shop } = this;
    const ask = (): number => shop.setUp(before < 0 ? undefined : before, after);
    if (!kept) return ask();
    const at = (before + 1) * shop.dresses + after;
    const minutes = get(kept, at);
    return minutes === UNKNOWN ? (kept[at] = ask()) : minutes;
  }

  /** The calendar of what is held together: open where all of it is. */
  calendar(held: readonly number[]): number {
    const single = held.length === 1 ? this.ofResource[held[0] ?? 0] : undefined;
    if (single !== undefined) return single;
    const kinds = [...new Set(held.map((resource) => this.ofResource[resource] ?? 0))].sort((a, b) => a - b);
    const [only, another] = kinds;
    if (only === undefined) return 0;
    if (another === undefined) return only;
    const key = kinds.join();
    const at = this.together.get(key);
    if (at !== undefined) return at;
    const spans = kinds.map((kind) => this.open(kind).spans).reduce(meetSpans);
    const made = this.calendars.push(new OpenTime(spans)) - 1;
    this.together.set(key, made);
    return made;
  }

  open(calendar: number): OpenTime {
    return this.calendars[calendar] ?? OpenTime.ALWAYS;
  }
}

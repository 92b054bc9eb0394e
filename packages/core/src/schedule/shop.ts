import type { OpenTime } from './open-time.js';

/** Something of which there is one, and which does one thing at a time: a machine, a place in a crew, a tool. */
export interface Resource {
  readonly id: string;
  readonly kind: 'machine' | 'place' | 'tool';
  readonly open: OpenTime;
  /** What is on the machine when the schedule begins; an index of dresses. */
  readonly dressed?: number | undefined;
}

/** One way to do an operation. Minutes are whole, at least 0. */
export interface Mode {
  /** Machine that it runs on; undefined for what goes outside or takes no machine. */
  readonly machine: number | undefined;
  /** One of each set is held beside the machine, each another: places of crews, tools. */
  readonly beside: readonly (readonly number[])[];
  /** Set-up whatever was on before; what depends on it is added by {@link Shop.setUp}. */
  readonly setUp: number;
  readonly run: number;
  /** What the machine is dressed with while it runs. */
  readonly dress: number;
}

/** What an operation waits for. */
export interface Link {
  readonly operation: number;
  /** Minutes from the end of that one, or from its first pile: drying, transit. They pass in closed hours too. */
  readonly lag: number;
  /**
   * Goods come in piles: this may begin when that share (above 0, up to 1) of what the other runs is through, and may not end before the last pile is
   * there and `last`, its share of the run, is done. Source: handbook chapter 8, overlap by transfer batches.
   */
  readonly piles?: { readonly first: number; readonly last: number } | undefined;
}

/** What is done already, or has begun: it stays as it was. */
export interface Frozen {
  readonly mode: number;
  readonly beside: readonly number[];
  readonly start: number;
  readonly end: number;
}

export interface Operation {
  readonly id: string;
  /** Index of the order whose end it counts for. */
  readonly order: number;
  readonly after: readonly Link[];
  /** At least one. */
  readonly modes: readonly Mode[];
  /** It can begin no earlier: paper, carriers, approvals. */
  readonly release: number;
  /** The planner wants it to begin at this minute; it never begins earlier, and is told where it begins later. */
  readonly pinned?: number | undefined;
  readonly frozen?: Frozen | undefined;
}

export interface Order {
  readonly id: string;
  /** Minute by which it should be through; undefined where nobody waits. */
  readonly due: number | undefined;
  /** What a minute late counts. */
  readonly weight: number;
}

/** What a schedule is judged by: one number each, added with these weights. */
export interface Weights {
  /** For a weighted minute late, a minute of set-up, and a minute until an order is through. */
  readonly late: number;
  readonly setUp: number;
  readonly through: number;
}

/** The problem: what has to be done, and with what. Minutes count from the beginning of the schedule. */
export interface Shop {
  readonly resources: readonly Resource[];
  readonly operations: readonly Operation[];
  readonly orders: readonly Order[];
  /** How many dresses there are. */
  readonly dresses: number;
  /** Minutes of set-up for one dress after another, beside those of the mode; before is undefined on an empty machine. */
  readonly setUp: (before: number | undefined, after: number) => number;
  readonly weights: Weights;
}

/** A schedule: operations in an order that keeps every link, with the mode and what each holds beside its machine. */
export interface Sequence {
  /** Operations; on every resource they run in this order. */
  readonly order: readonly number[];
  /** Mode of each operation. */
  readonly modes: readonly number[];
  /** What each operation holds beside its machine, one of each set of its mode. */
  readonly beside: readonly (readonly number[])[];
}

/** When an operation of a schedule runs; minutes. */
export interface Timed {
  readonly start: number;
  /** Set-up minutes, those of what was on before within. */
  readonly setUp: number;
  readonly end: number;
}

/** What a schedule comes to. */
export interface Judged {
  /** Minutes late of all orders, each by its weight. */
  readonly late: number;
  /** Orders that are late. */
  readonly lateOrders: number;
  readonly setUp: number;
  /** Minutes until each order is through, added. */
  readonly through: number;
  /** Minutes by which pinned operations begin later than the planner wants. */
  readonly unkept: number;
}

/** A minute by which a pin is missed weighs more than any lateness. */
export const PIN_WEIGHT = 1e7;

export const costOf = ({ late, setUp, through, unkept }: Judged, weights: Weights): number =>
  late * weights.late + setUp * weights.setUp + through * weights.through + unkept * PIN_WEIGHT;

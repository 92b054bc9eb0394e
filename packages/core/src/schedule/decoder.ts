import { NEVER } from './open-time.js';
import { type Judged, type Mode, type Sequence, type Timed, PIN_WEIGHT } from './shop.js';
import { type Tables, get } from './tables.js';

const NONE = -1;

const besideIn = (held: Int32Array, operation: number, width: number): number[] =>
  [...held.subarray(operation * width + 1, (operation + 1) * width)].filter((resource) => resource >= 0);

/** Begins and ends of the operations of a sequence, kept up to date by what a change touches. */
export class Decoder {
  readonly order: Int32Array;
  /** Where each operation stands in the order. */
  readonly place: Int32Array;
  readonly mode: Int32Array;
  /** Resources that each operation holds, its machine first; -1 where there is none. `width` an operation. */
  readonly held: Int32Array;
  /** The operation before and after on each of them. */
  readonly before: Int32Array;
  readonly next: Int32Array;
  readonly last: Int32Array;
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly setUp: Int32Array;
  readonly base: Int32Array;
  readonly run: Int32Array;
  readonly dress: Int32Array;
  readonly calendar: Int32Array;
  /** When each order is through. */
  readonly through: Float64Array;
  late = 0;
  setUps = 0;
  throughs = 0;
  unkept = 0;
  private readonly dirty: Uint8Array;
  private dirtyCount = 0;
  private dirtyFrom = 0;
  private readonly dressed: Int32Array;
  private readonly pinned: Int32Array;
  /** Changes since they were last taken or undone: operation, start, end, set-up. */
  private readonly log: number[] = [];
  private readonly orderLog: number[] = [];
  private ready = 0;
  private endNo = 0;
  private fitStart = 0;
  private fitEnd = 0;
  private sums: readonly [number, number, number, number] = [0, 0, 0, 0];

  constructor(readonly tables: Tables) {
    const { count, width, shop } = tables;
    const whole = (): Int32Array => new Int32Array(count);
    [this.order, this.place, this.mode] = [whole(), whole(), whole()];
    [this.start, this.end, this.setUp] = [whole(), whole(), whole()];
    [this.base, this.run, this.dress, this.calendar] = [whole(), whole(), whole(), whole()];
    const rows = (): Int32Array => new Int32Array(count * width).fill(NONE);
    [this.held, this.before, this.next] = [rows(), rows(), rows()];
    this.last = new Int32Array(shop.resources.length).fill(NONE);
    this.through = new Float64Array(shop.orders.length);
    this.dirty = new Uint8Array(count);
    this.dressed = Int32Array.from(shop.resources, ({ dressed }) => dressed ?? NONE);
    this.pinned = Int32Array.from(shop.operations, ({ pinned, frozen }) => (frozen ? NONE : (pinned ?? NONE)));
  }

  /** Takes a sequence and reckons all of it. */
  load({ order, modes, beside }: Sequence): void {
    this.held.fill(NONE);
    this.last.fill(NONE);
    order.forEach((operation, place) => {
      this.order[place] = operation;
      this.place[operation] = place;
      this.take(operation, modes[operation] ?? 0, beside[operation] ?? []);
      this.append(operation);
    });
    this.redo();
  }

  /** Reckons every operation anew. */
  redo(): void {
    this.start.fill(NEVER);
    this.end.fill(NEVER);
    this.setUp.fill(0);
    this.through.fill(0);
    [this.late, this.setUps, this.throughs, this.unkept] = [0, 0, 0, 0];
    this.through.forEach((_, order) => (this.late += get(this.tables.weight, order) * this.lateness(order, 0)));
    this.dirty.fill(1);
    this.dirtyCount = this.tables.count;
    this.dirtyFrom = 0;
    for (let i = 0; i < this.pinned.length; i++)
      if (get(this.pinned, i) >= 0) this.unkept += NEVER - get(this.pinned, i);
    this.settle();
    this.keep();
  }

  /** Puts an operation last on what it holds. */
  append(operation: number): void {
    const from = operation * this.tables.width;
    for (let at = from; at < from + this.tables.width; at++) {
      const resource = get(this.held, at);
      if (resource < 0) continue;
      const last = get(this.last, resource);
      this.before[at] = last;
      this.next[at] = NONE;
      if (last >= 0) this.next[this.rowOf(last, resource)] = operation;
      this.last[resource] = operation;
    }
  }

  /** Where in the rows an operation holds a resource. */
  rowOf(operation: number, resource: number): number {
    const from = operation * this.tables.width;
    for (let at = from; at < from + this.tables.width; at++) if (this.held[at] === resource) return at;
    return from;
  }

  /** Gives an operation its mode and what it holds; it is on no chain then. */
  take(operation: number, mode: number, beside: readonly number[]): void {
    const { width, shop } = this.tables;
    const of = shop.operations[operation]?.modes[mode];
    if (!of) return;
    this.mode[operation] = mode;
    const from = operation * width;
    for (let k = 0; k < width; k++) this.held[from + k] = (k === 0 ? of.machine : beside[k - 1]) ?? NONE;
    const held = of.machine === undefined ? beside : [of.machine, ...beside];
    this.calendar[operation] = this.tables.calendar(held);
    this.base[operation] = of.setUp;
    this.run[operation] = of.run;
    this.dress[operation] = of.dress;
  }

  /** Takes an operation out of the chains of what it holds. */
  unlink(operation: number): void {
    const from = operation * this.tables.width;
    for (let at = from; at < from + this.tables.width; at++) {
      const resource = get(this.held, at);
      if (resource < 0) continue;
      const [before, next] = [get(this.before, at), get(this.next, at)];
      if (before >= 0) this.next[this.rowOf(before, resource)] = next;
      if (next >= 0) this.before[this.rowOf(next, resource)] = before;
      else this.last[resource] = before;
      if (next >= 0) this.touch(next);
    }
  }

  /** Puts it into the chains of what it holds, where its place in the order says. */
  link(operation: number): void {
    const from = operation * this.tables.width;
    const place = get(this.place, operation);
    for (let at = from; at < from + this.tables.width; at++) {
      const resource = get(this.held, at);
      if (resource < 0) continue;
      let [before, next] = [get(this.last, resource), NONE];
      while (before >= 0 && get(this.place, before) > place) {
        next = before;
        before = get(this.before, this.rowOf(before, resource));
      }
      this.before[at] = before;
      this.next[at] = next;
      if (before >= 0) this.next[this.rowOf(before, resource)] = operation;
      if (next >= 0) this.before[this.rowOf(next, resource)] = operation;
      else this.last[resource] = operation;
      if (next >= 0) this.touch(next);
    }
    this.touch(operation);
  }

  /** An operation has to be reckoned anew. */
  touch(operation: number): void {
    if (this.dirty[operation] === 1) return;
    this.dirty[operation] = 1;
    this.dirtyCount++;
  }

  /** Operations were moved from this place of the order on. */
  from(place: number): void {
    this.dirtyFrom = Math.min(this.dirtyFrom, place);
  }

  /** Reckons what was touched and what follows of it; ends early, false, once the weighted sum passes the most: it is restored then. */
  settle(most = Infinity): boolean {
    const { order, dirty } = this;
    for (let place = this.dirtyFrom; this.dirtyCount > 0 && place < order.length; place++) {
      const operation = get(order, place);
      if (dirty[operation] !== 1) continue;
      dirty[operation] = 0;
      this.dirtyCount--;
      this.reckon(operation);
      if (this.cost() > most) return false;
    }
    this.dirtyFrom = order.length;
    return true;
  }

  /** The weighted sum. */
  cost(): number {
    const { late, setUp, through } = this.tables.shop.weights;
    return this.late * late + this.setUps * setUp + this.throughs * through + this.unkept * PIN_WEIGHT;
  }

  /** When an operation can begin and may end by what it waits for, into `ready` and `endNo`. */
  private wanted(operation: number, run: number): void {
    const { tables } = this;
    const { from, values } = tables.links;
    this.ready = get(tables.release, operation);
    this.endNo = 0;
    for (let at = get(from, operation); at < get(from, operation + 1); at++) {
      const before = get(values, at);
      const lag = get(tables.lag, at);
      const share = get(tables.firstShare, at);
      const there = get(this.end, before) + lag;
      if (share < 0) this.ready = Math.max(this.ready, there);
      else {
        this.ready = Math.max(this.ready, this.firstPile(before, share) + lag);
        this.endNo = Math.max(this.endNo, there + Math.ceil(get(tables.lastShare, at) * run));
      }
    }
  }

  /** Fits so many minutes into open time, from what is {@link wanted} on, into `fitStart` and `fitEnd`. */
  private fit(calendar: number, minutes: number): void {
    const { ready, endNo } = this;
    if (ready >= NEVER || endNo >= NEVER) {
      this.fitStart = this.fitEnd = NEVER;
      return;
    }
    if (minutes === 0) {
      this.fitStart = this.fitEnd = Math.max(ready, endNo);
      return;
    }
    const open = this.tables.open(calendar);
    let first = open.openBefore(ready);
    if (endNo > 0) first = Math.max(first, open.openUntil(endNo) - minutes);
    this.fitStart = open.startAt(first);
    this.fitEnd = open.endAt(first + minutes);
  }

  /** Reckons one operation behind what is before it on the chains. */
  reckon(operation: number): void {
    const { tables } = this;
    const frozen = tables.frozen[operation] === 1 ? tables.shop.operations[operation]?.frozen : undefined;
    if (frozen) {
      this.put(operation, frozen.start, 0, frozen.end);
      return;
    }
    this.wanted(operation, get(this.run, operation));
    const row = operation * tables.width;
    for (let k = 0; k < tables.width; k++) {
      const before = get(this.held, row + k) < 0 ? NONE : get(this.before, row + k);
      if (before >= 0) this.ready = Math.max(this.ready, get(this.end, before));
    }
    const machine = get(this.held, row);
    let setUp = get(this.base, operation);
    if (machine >= 0) setUp += tables.setUp(this.dressOn(machine, get(this.before, row)), get(this.dress, operation));
    const minutes = setUp + get(this.run, operation);
    this.fit(get(this.calendar, operation), minutes);
    this.put(operation, this.fitStart, minutes === 0 ? 0 : setUp, this.fitEnd);
  }

  private dressOn(machine: number, before: number): number {
    return before >= 0 ? get(this.dress, before) : get(this.dressed, machine);
  }

  /** When a resource is free behind all that it does. */
  freeAt(resource: number): number {
    const last = get(this.last, resource);
    return last < 0 ? 0 : get(this.end, last);
  }

  /** When an operation would run if it came last on what it holds. */
  tryLast(operation: number, mode: Mode, beside: readonly number[]): Timed {
    const { machine, setUp: base, run, dress } = mode;
    this.wanted(operation, run);
    const held = machine === undefined ? beside : [machine, ...beside];
    for (const resource of held) this.ready = Math.max(this.ready, this.freeAt(resource));
    const setUp =
      machine === undefined ? base : base + this.tables.setUp(this.dressOn(machine, get(this.last, machine)), dress);
    this.fit(this.tables.calendar(held), setUp + run);
    return { start: this.fitStart, setUp, end: this.fitEnd };
  }

  /** When the first pile of an operation is through. */
  firstPile(operation: number, share: number): number {
    const start = get(this.start, operation);
    if (start >= NEVER) return NEVER;
    if (this.tables.frozen[operation] === 1) return Math.ceil(start + share * (get(this.end, operation) - start));
    const open = this.tables.open(get(this.calendar, operation));
    const through = get(this.setUp, operation) + Math.ceil(share * get(this.run, operation));
    return through === 0 ? start : open.endAt(open.openBefore(start) + through);
  }

  private put(operation: number, start: number, setUp: number, end: number): void {
    const [oldStart, oldEnd, oldSetUp] = [
      get(this.start, operation),
      get(this.end, operation),
      get(this.setUp, operation),
    ];
    if (oldStart === start && oldEnd === end && oldSetUp === setUp) return;
    this.log.push(operation, oldStart, oldEnd, oldSetUp);
    this.start[operation] = start;
    this.end[operation] = end;
    this.setUp[operation] = setUp;
    this.setUps += setUp - oldSetUp;
    const pinned = get(this.pinned, operation);
    if (pinned >= 0) this.unkept += start - oldStart;
    const { from, values } = this.tables.followers;
    for (let at = get(from, operation); at < get(from, operation + 1); at++) this.touch(get(values, at));
    const row = operation * this.tables.width;
    for (let k = 0; k < this.tables.width; k++) {
      const next = get(this.held, row + k) < 0 ? NONE : get(this.next, row + k);
      if (next >= 0) this.touch(next);
    }
    if (this.tables.isEnd[operation] === 1) this.rejudge(get(this.tables.orderOf, operation));
  }

  private rejudge(order: number): void {
    const { ends, weight } = this.tables;
    let through = 0;
    for (let at = get(ends.from, order); at < get(ends.from, order + 1); at++)
      through = Math.max(through, get(this.end, get(ends.values, at)));
    const before = get(this.through, order);
    if (before === through) return;
    this.orderLog.push(order, before);
    this.late += get(weight, order) * (this.lateness(order, through) - this.lateness(order, before));
    this.throughs += through - before;
    this.through[order] = through;
  }

  private lateness(order: number, minute: number): number {
    return Math.max(0, minute - get(this.tables.due, order));
  }

  /** The change stands. */
  keep(): void {
    this.log.length = 0;
    this.orderLog.length = 0;
    this.sums = [this.late, this.setUps, this.throughs, this.unkept];
  }

  /** Times as they were when last kept; the order and the chains are put back by who changed them. */
  restore(): void {
    const { log, orderLog } = this;
    for (let i = log.length - 4; i >= 0; i -= 4) {
      const operation = log[i] ?? 0;
      this.start[operation] = log[i + 1] ?? 0;
      this.end[operation] = log[i + 2] ?? 0;
      this.setUp[operation] = log[i + 3] ?? 0;
    }
    for (let i = orderLog.length - 2; i >= 0; i -= 2) this.through[orderLog[i] ?? 0] = orderLog[i + 1] ?? 0;
    [this.late, this.setUps, this.throughs, this.unkept] = this.sums;
    log.length = 0;
    orderLog.length = 0;
    if (this.dirtyCount > 0) {
      this.dirty.fill(0);
      this.dirtyCount = 0;
    }
    this.dirtyFrom = this.order.length;
  }

  timed(operation: number): Timed {
    return { start: get(this.start, operation), setUp: get(this.setUp, operation), end: get(this.end, operation) };
  }

  judged(): Judged {
    let lateOrders = 0;
    this.through.forEach((through, order) => (lateOrders += through > get(this.tables.due, order) ? 1 : 0));
    return { late: this.late, lateOrders, setUp: this.setUps, through: this.throughs, unkept: this.unkept };
  }

  /** What an operation holds beside its machine. */
  besideOf(operation: number): number[] {
    return besideIn(this.held, operation, this.tables.width);
  }

  /** Order, modes and what is held, to be recalled. */
  snapshot(into: readonly Int32Array[] = []): Int32Array[] {
    return [this.order, this.mode, this.held].map((one, i) => {
      const copy = into[i] ?? new Int32Array(one.length);
      copy.set(one);
      return copy;
    });
  }

  /** Takes a snapshot, and reckons all of it. */
  recall([order, mode, held]: readonly Int32Array[]): void {
    if (!order || !mode || !held) return;
    const { width } = this.tables;
    const besides = Array.from(mode, (_, one) => besideIn(held, one, width));
    this.load({ order: [...order], modes: [...mode], beside: besides });
  }

  sequence(): Sequence {
    const { count } = this.tables;
    return {
      order: [...this.order],
      modes: [...this.mode],
      beside: Array.from({ length: count }, (_, operation) => this.besideOf(operation)),
    };
  }
}

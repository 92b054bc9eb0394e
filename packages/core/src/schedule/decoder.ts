import { NEVER } from './open-time.js';
import { Chains, NONE, besideIn } from './chains.js';
import { type Judged, type Mode, type Sequence, type Timed, PIN_WEIGHT } from './shop.js';
import { type Tables, get } from './tables.js';
import { Tails } from './tails.js';

/** Begins and ends of the operations of a sequence, kept up to date by what a change touches. */
export class Decoder extends Chains {
  readonly start: Int32Array;
  readonly end: Int32Array;
  readonly setUp: Int32Array;
  /** When each order is through. */
  readonly through: Float64Array;
  late = 0;
  setUps = 0;
  throughs = 0;
  unkept = 0;
  private readonly dirty: Uint8Array;
  private dirtyCount = 0;
  private dirtyFrom = 0;
  private dirtyUntil = 0;
  private readonly tails: Tails;
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

  constructor(tables: Tables) {
    super(tables);
    const { count, shop } = tables;
    const whole = (): Int32Array => new Int32Array(count);
    [this.start, this.end, this.setUp] = [whole(), whole(), whole()];
    this.tails = new Tails(count);
    this.through = new Float64Array(shop.orders.length);
    this.dirty = new Uint8Array(count);
    this.dressed = Int32Array.from(shop.resources, ({ dressed }) => dressed ?? NONE);
    this.pinned = Int32Array.from(shop.operations, ({ pinned, frozen }) => (frozen ? NONE : (pinned ?? NONE)));
  }

  /** Takes a sequence and reckons all of it. */
  load(sequence: Sequence): void {
    this.string(sequence);
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

  /** An operation has to be reckoned anew. */
  override touch(operation: number): void {
    if (this.dirty[operation] === 1) return;
    this.dirty[operation] = 1;
    this.dirtyCount++;
  }

  /** Operations were moved from this place of the order on. */
  from(place: number, until: number): void {
    this.dirtyFrom = Math.min(this.dirtyFrom, place);
    this.dirtyUntil = Math.max(this.dirtyUntil, until);
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
      if (place > this.dirtyUntil && this.tooLate(operation, most)) return false;
    }
    this.dirtyFrom = order.length;
    return true;
  }

  /** Whether the order of an operation, behind all that was moved, passes the most by what is left to do. */
  private tooLate(operation: number, most: number): boolean {
    if (most === Infinity) return false;
    const order = get(this.tables.orderOf, operation);
    const through = get(this.end, operation) + this.tails.behind(operation);
    const more = this.lateness(order, through) - this.lateness(order, get(this.through, order));
    return more > 0 && this.cost() + more * get(this.tables.weight, order) * this.tables.shop.weights.late > most;
  }

  /** What is left to do behind each operation, as it stands: {@link settle} ends sooner for it, until the next change is kept. */
  reckonTails(): void {
    this.tails.reckon(this);
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
    this.tails.forget();
    this.dirtyUntil = 0;
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
    this.dirtyUntil = 0;
  }

  timed(operation: number): Timed {
    return { start: get(this.start, operation), setUp: get(this.setUp, operation), end: get(this.end, operation) };
  }

  judged(): Judged {
    let lateOrders = 0;
    this.through.forEach((through, order) => (lateOrders += through > get(this.tables.due, order) ? 1 : 0));
    return { late: this.late, lateOrders, setUp: this.setUps, through: this.throughs, unkept: this.unkept };
  }

  /** Takes a snapshot, and reckons all of it. */
  recall([order, mode, held]: readonly Int32Array[]): void {
    if (!order || !mode || !held) return;
    const { width } = this.tables;
    const besides = Array.from(mode, (_, one) => besideIn(held, one, width));
    this.load({ order: [...order], modes: [...mode], beside: besides });
  }
}

import { uniform } from '../kernel/index.js';
import { type Cause, causeOf, lastOf } from './critical.js';
import type { Decoder } from './decoder.js';
import { chooseBeside } from './dispatch.js';
import type { Mover } from './mover.js';
import { type Tables, get } from './tables.js';

const LONGEST_JUMP = 12;
const MOST_TOGETHER = 10;
/** Share of the jumps that what follows goes along with. */
const TRAILS = 0.1;

/** An operation on the way to the end of an order, and what it began after. */
interface Blocked {
  readonly operation: number;
  readonly cause: Cause;
  /** Whether it begins or ends a row on one resource. */
  readonly ends: boolean;
  readonly share: number;
}

/** Changes of a schedule by chance, on what makes its orders late. The same seed makes the same ones. Source: common practice, no source. */
export class Changes {
  private readonly decoder: Decoder;
  private readonly tables: Tables;
  private drawn = 0;
  private readonly paths = new Map<number, readonly Blocked[]>();

  constructor(
    private readonly mover: Mover,
    private readonly seed: number,
  ) {
    this.decoder = mover.decoder;
    this.tables = mover.decoder.tables;
  }

  /** Changes something that makes an order late; where none is late, anything. False where the change cannot be. */
  make(): boolean {
    const order = this.pickOrder();
    const [operation, cause] = this.pickBlocked(order);
    if (operation < 0) return false;
    const kind = this.draw();
    if (cause?.kind === 'held' && kind < 0.72) {
      if (kind < 0.33) return this.mover.before(operation, cause.operation);
      if (kind < 0.52) return this.jumpAhead(operation, cause.resource);
      return this.jumpBehind(cause.operation, operation, cause.resource);
    }
    if (kind < 0.82) return this.otherMode(operation) || this.byDress(operation);
    if (kind < 0.87) return this.byDress(operation);
    return this.hasten(order);
  }

  /** An order that is late, by chance; any where none is found. */
  private pickOrder(): number {
    const { due, shop } = this.tables;
    let order = 0;
    for (let tries = 0; tries < 8; tries++) {
      order = this.below(shop.orders.length);
      if (get(this.decoder.through, order) > get(due, order)) break;
    }
    return order;
  }

  /** Of what an order is through with one by chance, by its share. */
  private pickBlocked(order: number): [number, Cause | undefined] {
    const path = this.path(order);
    let left = this.below(path.reduce((sum, { share }) => sum + share, 0));
    const picked = path.find(({ share }) => (left -= share) < 0);
    return picked ? [picked.operation, picked.cause] : [-1, undefined];
  }

  /**
   * The operations that an order is through with one after another, the last first. Rather one is changed that was held up, and of those rather the first
   * or the last of a row on one resource, since only they can shorten it. Source: literature, Nowicki and Smutnicki 1996.
   */
  path(order: number): readonly Blocked[] {
    const known = this.paths.get(order);
    if (known) return known;
    const path: Blocked[] = [];
    let resource = -1;
    for (let operation = lastOf(this.decoder, order); operation >= 0 && this.tables.frozen[operation] !== 1;) {
      const cause = causeOf(this.decoder, operation);
      const held = cause.kind === 'held';
      const ends = held && (cause.resource !== resource || this.beginsRow(cause));
      path.push({ operation, cause, ends, share: ends ? 8 : held ? 2 : 1 });
      resource = cause.resource;
      operation = cause.operation;
    }
    this.paths.set(order, path);
    return path;
  }

  /** What was changed stands: what makes orders late is looked for anew. */
  keep(): void {
    this.paths.clear();
  }

  /** Whether what held it was itself held by something else than the same resource. */
  private beginsRow({ operation, resource }: Cause): boolean {
    const before = get(this.decoder.before, this.decoder.rowOf(operation, resource));
    return before < 0 || get(this.decoder.end, before) < get(this.decoder.start, operation);
  }

  /** Ahead of as many as the material would let it be, at most; of some of them by chance. */
  private jumpAhead(operation: number, resource: number): boolean {
    const { decoder } = this;
    let target = -1;
    for (let jumps = 1 + this.below(LONGEST_JUMP), one = operation; jumps > 0; jumps--) {
      one = get(decoder.before, decoder.rowOf(one, resource));
      if (one < 0 || this.tables.frozen[one] === 1) break;
      target = one;
    }
    if (target < 0 || !this.mover.before(operation, target)) return false;
    if (this.draw() < TRAILS) this.trail(operation, get(decoder.start, target) + get(decoder.run, operation));
    return true;
  }

  /** What held it up goes behind it, or behind some that come later. */
  private jumpBehind(blocker: number, operation: number, resource: number): boolean {
    const { decoder } = this;
    let target = operation;
    for (let jumps = this.below(LONGEST_JUMP); jumps > 0; jumps--) {
      const one = get(decoder.next, decoder.rowOf(target, resource));
      if (one < 0) break;
      target = one;
    }
    if (!this.mover.after(blocker, target)) return false;
    if (this.draw() < TRAILS) this.trail(blocker, get(decoder.end, target) + get(decoder.run, blocker));
    return true;
  }

  /** Another machine, or others beside it, ahead of what runs there when it is wanted. */
  private otherMode(operation: number): boolean {
    const { decoder } = this;
    const modes = this.tables.shop.operations[operation]?.modes ?? [];
    const choices = modes.flatMap((mode, m) =>
      mode.beside.some((set) => set.length > 1) || m !== decoder.mode[operation] ? [m] : [],
    );
    const m = choices[this.below(choices.length)];
    const mode = m === undefined ? undefined : modes[m];
    if (m === undefined || !mode) return false;
    const salt = this.below(1 << 20);
    const beside = chooseBeside(mode, (resource) => uniform(salt, resource));
    if (!this.mover.give(operation, m, beside)) return false;
    const start = get(decoder.start, operation);
    const row = operation * this.tables.width;
    let target = -1;
    for (let one = get(decoder.before, row); one >= 0; one = get(decoder.before, one * this.tables.width)) {
      if (get(decoder.end, one) <= start || this.tables.frozen[one] === 1) break;
      target = one;
      if (this.draw() < 0.3) break;
    }
    if (target >= 0) this.mover.before(operation, target);
    return true;
  }

  /** Next to one on its machine that is dressed the same. */
  private byDress(operation: number): boolean {
    const { decoder } = this;
    const row = operation * this.tables.width;
    if (get(decoder.held, row) < 0) return false;
    const dress = get(decoder.dress, operation);
    const back = this.draw() < 0.5;
    const chain = back ? decoder.before : decoder.next;
    let one = get(chain, row);
    for (let steps = 0; one >= 0 && steps < 4 * LONGEST_JUMP; steps++) {
      const near = get(chain, one * this.tables.width);
      if (steps > 0 && get(decoder.dress, one) === dress) {
        if (!back) return this.mover.after(operation, get(decoder.before, one * this.tables.width));
        const behind = get(decoder.next, one * this.tables.width);
        return behind >= 0 && this.mover.before(operation, behind);
      }
      one = near;
    }
    return false;
  }

  /** All that an order wants, or of a large one some, so many places ahead on every machine. */
  private hasten(order: number): boolean {
    const { decoder, tables } = this;
    const [from, to] = [get(tables.operations.from, order), get(tables.operations.from, order + 1)];
    const begin = to - from > MOST_TOGETHER ? from + this.below(to - from) : from;
    const most = 1 + this.below(LONGEST_JUMP);
    let changed = false;
    for (let at = begin; at < Math.min(to, begin + MOST_TOGETHER); at++) {
      const operation = get(tables.operations.values, at);
      let target = -1;
      if (get(decoder.held, operation * tables.width) < 0) continue;
      for (let jumps = most, one = operation; jumps > 0; jumps--) {
        one = get(decoder.before, one * tables.width);
        if (one < 0 || tables.frozen[one] === 1) break;
        target = one;
      }
      if (target >= 0 && this.mover.before(operation, target)) changed = true;
    }
    return changed;
  }

  /** Puts what follows an operation of its order where it fits once that is through. */
  private trail(operation: number, end: number): boolean {
    const { tables } = this;
    const { from, values } = tables.followers;
    let changed = false;
    let ready = end;
    let last = operation;
    for (let steps = 0; steps < MOST_TOGETHER; steps++) {
      let next = -1;
      for (let at = get(from, last); at < get(from, last + 1); at++)
        if (get(tables.orderOf, get(values, at)) === get(tables.orderOf, operation)) next = get(values, at);
      if (next < 0 || tables.frozen[next] === 1) break;
      const [through, moved] = this.fitIn(next, Math.max(ready, get(tables.release, next)));
      if (moved) changed = true;
      ready = through;
      last = next;
    }
    return changed;
  }

  /** Moves an operation behind the last on one of its machines that is through by a minute; tells when it would be through itself. */
  private fitIn(operation: number, ready: number): [number, boolean] {
    const { decoder, tables } = this;
    const { width } = tables;
    const modes = tables.shop.operations[operation]?.modes ?? [];
    let [best, m, previous] = [Infinity, -1, -1];
    modes.forEach(({ machine, setUp, run }, at) => {
      if (machine === undefined) return;
      let one = get(decoder.last, machine);
      while (one >= 0 && (one === operation || get(decoder.start, one) >= ready))
        one = get(decoder.before, one * width);
      const end = Math.max(ready, one < 0 ? 0 : get(decoder.end, one)) + setUp + run;
      if (end < best) [best, m, previous] = [end, at, one];
    });
    const mode = modes[m];
    if (!mode) return [get(decoder.end, operation), false];
    let moved = false;
    if (m !== decoder.mode[operation]) {
      const salt = this.below(1 << 20);
      moved = this.mover.give(
        operation,
        m,
        chooseBeside(mode, (resource) => uniform(salt, resource)),
      );
    }
    if (previous >= 0 && get(decoder.place, previous) > get(decoder.place, operation))
      return [best, this.mover.after(operation, previous) || moved];
    const row = operation * width;
    let target = -1;
    for (let one = get(decoder.before, row); one >= 0 && one !== previous; one = get(decoder.before, one * width))
      if (tables.frozen[one] !== 1) target = one;
    return [best, (target >= 0 && this.mover.before(operation, target)) || moved];
  }

  /** A number by chance, 0 to below 1: the next of the seed. */
  draw(): number {
    return uniform(this.seed, this.drawn++);
  }

  /** A whole number by chance, 0 to below n. */
  below(n: number): number {
    return Math.floor(this.draw() * n);
  }
}

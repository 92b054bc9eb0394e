import type { Sequence } from './shop.js';
import { type Tables, get } from './tables.js';

/** No operation, no resource. */
export const NONE = -1;

/** What an operation holds beside its machine, out of rows of what is held. */
export const besideIn = (held: Int32Array, operation: number, width: number): number[] =>
  [...held.subarray(operation * width + 1, (operation + 1) * width)].filter((resource) => resource >= 0);

/** The order of all operations, what each runs with, and who follows whom on every resource. */
export abstract class Chains {
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
  readonly base: Int32Array;
  readonly run: Int32Array;
  readonly dress: Int32Array;
  readonly calendar: Int32Array;

  constructor(readonly tables: Tables) {
    const { count, width, shop } = tables;
    const whole = (): Int32Array => new Int32Array(count);
    [this.order, this.place, this.mode] = [whole(), whole(), whole()];
    [this.base, this.run, this.dress, this.calendar] = [whole(), whole(), whole(), whole()];
    const rows = (): Int32Array => new Int32Array(count * width).fill(NONE);
    [this.held, this.before, this.next] = [rows(), rows(), rows()];
    this.last = new Int32Array(shop.resources.length).fill(NONE);
  }

  /** Something before an operation has changed. */
  abstract touch(operation: number): void;

  /** Takes the order of a sequence, and strings its chains anew. */
  protected string({ order, modes, beside }: Sequence): void {
    this.held.fill(NONE);
    this.last.fill(NONE);
    order.forEach((operation, place) => {
      this.order[place] = operation;
      this.place[operation] = place;
      this.take(operation, modes[operation] ?? 0, beside[operation] ?? []);
      this.append(operation);
    });
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

  sequence(): Sequence {
    const { count } = this.tables;
    return {
      order: [...this.order],
      modes: [...this.mode],
      beside: Array.from({ length: count }, (_, operation) => this.besideOf(operation)),
    };
  }
}

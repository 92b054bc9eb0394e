import type { Decoder } from './decoder.js';
import { get } from './tables.js';

/** A change that can be taken back: a stretch of the order as it was, or a mode. */
interface Done {
  readonly operation: number;
  readonly from: number;
  /** Length of the stretch; it stands on the stack of stretches. */
  readonly length: number;
  readonly mode?: { readonly mode: number; readonly beside: readonly number[] };
}

/** Changes of a sequence that keep every link, and can be taken back. Nothing is reckoned until the decoder settles. */
export class Mover {
  private readonly marked: Uint8Array;
  private readonly done: Done[] = [];
  private stack: Int32Array;
  private height = 0;

  constructor(readonly decoder: Decoder) {
    const { count } = decoder.tables;
    this.marked = new Uint8Array(count);
    this.stack = new Int32Array(4 * count);
  }

  /**
   * Moves an operation to just before another of the order, with what it waits for. False, and nothing changed, where that one is
   * among what it waits for, or stands fast.
   */
  before(operation: number, other: number): boolean {
    const { decoder, marked } = this;
    const { order, place, tables } = decoder;
    const [from, to] = [get(place, other), get(place, operation)];
    if (from >= to || tables.frozen[other] === 1 || tables.frozen[operation] === 1) return false;
    marked[operation] = 1;
    for (let at = to; at >= from; at--) {
      const one = get(order, at);
      if (marked[one] !== 1) continue;
      this.mark(tables.links.from, tables.links.values, one);
      if (one !== operation) this.markHeld(one, decoder.before);
    }
    // What stands fast is first in the order, so nothing of it lies between.
    const valid = marked[other] !== 1;
    if (valid) this.rearrange(operation, from, to, true);
    this.clear();
    return valid;
  }

  /** Moves an operation to just after another of the order, with what waits for it; false as in {@link before}. */
  after(operation: number, other: number): boolean {
    const { decoder, marked } = this;
    const { order, place, tables } = decoder;
    const [from, to] = [get(place, operation), get(place, other)];
    if (from >= to || tables.frozen[operation] === 1) return false;
    marked[operation] = 1;
    for (let at = from; at <= to; at++) {
      const one = get(order, at);
      if (marked[one] !== 1) continue;
      this.mark(tables.followers.from, tables.followers.values, one);
      if (one !== operation) this.markHeld(one, decoder.next);
    }
    const valid = marked[other] !== 1;
    if (valid) this.rearrange(operation, from, to, false);
    this.clear();
    return valid;
  }

  /** Gives an operation another mode, or others beside it; it keeps its place in the order. */
  give(operation: number, mode: number, beside: readonly number[]): boolean {
    const { decoder } = this;
    if (decoder.tables.frozen[operation] === 1) return false;
    const was = { mode: get(decoder.mode, operation), beside: decoder.besideOf(operation) };
    this.done.push({ operation, from: 0, length: 0, mode: was });
    decoder.unlink(operation);
    decoder.take(operation, mode, beside);
    decoder.link(operation);
    decoder.from(get(decoder.place, operation), get(decoder.place, operation));
    return true;
  }

  /** What was done stands. */
  keep(): void {
    this.done.length = 0;
    this.height = 0;
    this.decoder.keep();
  }

  /** Takes back all since it was last kept. */
  undo(): void {
    const { decoder, stack } = this;
    for (let one = this.done.pop(); one; one = this.done.pop()) {
      const { operation, from, length, mode } = one;
      decoder.unlink(operation);
      this.height -= length;
      for (let k = 0; k < length; k++) {
        const moved = get(stack, this.height + k);
        decoder.order[from + k] = moved;
        decoder.place[moved] = from + k;
      }
      if (mode) decoder.take(operation, mode.mode, mode.beside);
      decoder.link(operation);
    }
    decoder.restore();
  }

  private mark(from: Int32Array, values: Int32Array, one: number): void {
    for (let at = get(from, one); at < get(from, one + 1); at++) this.marked[get(values, at)] = 1;
  }

  private markHeld(one: number, chain: Int32Array): void {
    const { width } = this.decoder.tables;
    for (let at = one * width; at < (one + 1) * width; at++) {
      const neighbour = get(this.decoder.held, at) < 0 ? -1 : get(chain, at);
      if (neighbour >= 0) this.marked[neighbour] = 1;
    }
  }

  /** Puts the marked of a stretch of the order at its beginning or its end. */
  private rearrange(operation: number, from: number, to: number, first: boolean): void {
    const { decoder, marked } = this;
    const { order, place } = decoder;
    const length = to - from + 1;
    if (this.height + length > this.stack.length) this.grow();
    const { stack, height } = this;
    this.done.push({ operation, from, length });
    decoder.unlink(operation);
    for (let k = 0; k < length; k++) stack[height + k] = get(order, from + k);
    this.height += length;
    let at = from;
    for (let pass = 0; pass < 2; pass++) {
      const pick = first === (pass === 0) ? 1 : 0;
      for (let k = height; k < height + length; k++) {
        const one = get(stack, k);
        if (marked[one] !== pick) continue;
        order[at] = one;
        place[one] = at++;
      }
    }
    decoder.link(operation);
    decoder.from(from, to);
  }

  private grow(): void {
    const larger = new Int32Array(2 * this.stack.length);
    larger.set(this.stack);
    this.stack = larger;
  }

  private clear(): void {
    this.marked.fill(0);
  }
}

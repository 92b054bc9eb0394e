import { type Chains, NONE } from './chains.js';
import { get } from './tables.js';

/** Chains with the set-up of each operation. */
interface SetUpChains extends Chains {
  readonly setUp: Int32Array;
}

/** The fewest minutes from the end of each operation to that of its order, by the longest way of what follows it of the same order; closed hours aside. */
export class Tails {
  private readonly tail: Int32Array;
  private known = false;

  constructor(count: number) {
    this.tail = new Int32Array(count);
  }

  /** Of an operation; 0 while they are not known. */
  behind(operation: number): number {
    return this.known ? get(this.tail, operation) : 0;
  }

  /** Something has changed for good. */
  forget(): void {
    this.known = false;
  }

  reckon(chains: SetUpChains): void {
    if (this.known) return;
    this.known = true;
    const { order, tables, held, setUp, run } = chains;
    const { width, orderOf, followers } = tables;
    const { from, values } = followers;
    for (let place = order.length - 1; place >= 0; place--) {
      const operation = get(order, place);
      const own = get(orderOf, operation);
      let most = 0;
      for (let at = get(from, operation); at < get(from, operation + 1); at++) {
        const next = get(values, at);
        if (get(orderOf, next) === own) most = Math.max(most, fromEnd(chains, operation, next) + get(this.tail, next));
      }
      for (let at = operation * width; at < (operation + 1) * width; at++) {
        const next = get(held, at) < 0 ? NONE : get(chains.next, at);
        if (next >= 0 && get(orderOf, next) === own)
          most = Math.max(most, get(setUp, next) + get(run, next) + get(this.tail, next));
      }
      this.tail[operation] = most;
    }
  }
}

/** The fewest minutes from the end of an operation to that of one that waits for it. */
function fromEnd({ tables, setUp, run }: SetUpChains, operation: number, next: number): number {
  const { links, lag, firstShare, lastShare } = tables;
  let most = 0;
  for (let at = get(links.from, next); at < get(links.from, next + 1); at++) {
    if (get(links.values, at) !== operation) continue;
    const rest = get(firstShare, at) < 0 ? get(setUp, next) + get(run, next) : get(lastShare, at) * get(run, next);
    most = Math.max(most, get(lag, at) + Math.ceil(rest));
  }
  return most;
}

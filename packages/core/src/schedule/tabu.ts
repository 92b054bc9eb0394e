import type { Changes } from './changes.js';
import type { Decoder } from './decoder.js';
import type { Mover } from './mover.js';

/** For how many steps what was swapped is not swapped back: at least so many, and by chance fewer than so many more. Source: tried on the instances of the literature. */
const SHORTEST = 5;
const SPREAD = 8;

/**
 * Goes from swap to swap: of all that could shorten an order by two neighbours changing places the best, though it be worse, and not back for some
 * steps. Source: literature, Taillard 1994, Nowicki and Smutnicki 1996.
 */
export class Tabu {
  /** Until which step an operation goes no more ahead of another. */
  private readonly until = new Map<number, number>();
  private step = 0;
  private swappedAt = 0;

  constructor(
    private readonly decoder: Decoder,
    private readonly mover: Mover,
    private readonly changes: Changes,
  ) {}

  /** Whether nothing could be swapped for longer than anything is forbidden. */
  get stuck(): boolean {
    return this.step > this.swappedAt + SHORTEST + SPREAD;
  }

  /** One step, and the tries that it took. @param best cost for which what is forbidden is done all the same. */
  next(best: number): number {
    const { decoder, mover, changes, until } = this;
    const { count } = decoder.tables;
    this.step++;
    let [chosen, other, least, tries] = [-1, -1, Infinity, 0];
    decoder.reckonTails();
    for (const { operation, cause, ends } of changes.path(0)) {
      if (!ends) continue;
      const forbidden = (until.get(operation * count + cause.operation) ?? 0) > this.step;
      const most = forbidden ? Math.min(least, best) : least;
      tries++;
      if (mover.before(operation, cause.operation) && decoder.settle(most) && decoder.cost() < most)
        [chosen, other, least] = [operation, cause.operation, decoder.cost()];
      mover.undo();
    }
    if (chosen < 0) return Math.max(1, tries);
    this.swappedAt = this.step;
    mover.before(chosen, other);
    decoder.settle();
    mover.keep();
    changes.keep();
    until.set(other * count + chosen, this.step + SHORTEST + changes.below(SPREAD));
    return tries;
  }
}

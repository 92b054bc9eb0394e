import { uniform } from '../kernel/index.js';

/** Draws what an exercise is made of, one after another: the same for the same seed. */
export class Draw {
  private place = 0;
  constructor(private readonly seed: number) {}

  private next(): number {
    return uniform(this.seed, ++this.place);
  }
  /** One of some. Errors: throws where there are none. */
  pick<const T>(of: readonly T[]): T {
    const found = of[Math.floor(this.next() * of.length)];
    if (found === undefined) throw new Error('nothing to pick from');
    return found;
  }
  /** From low to high in steps; both whole multiples of the step or not, as people write them. */
  from(low: number, high: number, step = 1): number {
    const steps = Math.floor((high - low) / step + 1e-9);
    return Number((low + Math.floor(this.next() * (steps + 1)) * step).toPrecision(12));
  }
}

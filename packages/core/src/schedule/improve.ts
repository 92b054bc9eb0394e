import { Changes } from './changes.js';
import { Decoder } from './decoder.js';
import { Mover } from './mover.js';
import type { Judged, Mode, Sequence, Shop } from './shop.js';
import { Tabu } from './tabu.js';
import { type Tables, tablesOf } from './tables.js';

/** Moves that are tried for how much they worsen, before a cooling begins; the first cooling takes so many an operation. */
const SAMPLES = 400;
const FIRST_COOLING = 700;
const LEAST_COOLING = 2_000;
const MOST_DOUBLED = 4;
/** How far a cooling goes down. */
const COOLED = 2e-2;
/** Tries an operation without a better schedule after which one that swaps goes back to the best, the first time and at most: each time twice as many. This and the next: tried on the instances of the literature. */
const FIRST_PATIENCE = 50;
const MOST_PATIENCE = 400;
/** Changes by chance that it is shaken with then: so many more each time, and none again after the most. */
const SHAKE_STEP = 3;
const SHAKEN_MOST = 12;
/** Of what worsens, the share that is worse by less than the first temperature, by turns. Higher shares are led by a heavy tail. */
const PERCENTILES = [0.1, 0.2];

const isOnly = (modes: readonly Mode[]): boolean =>
  modes.length === 1 && modes.every(({ beside }) => beside.every((set) => set.length === 1));

/**
 * Betters a schedule by annealing on what makes orders late, or by swaps, as long as wanted: the best so far always stands in {@link best}. The same
 * seed and the same number of evaluations give the same schedule. Source: literature, van Laarhoven, Aarts and Lenstra 1992; common practice
 * for the moves.
 */
export class Improver {
  /** What the best comes to. */
  judged: Judged;
  bestCost: number;
  evaluations = 0;
  private readonly decoder: Decoder;
  private readonly mover: Mover;
  private readonly changes: Changes;
  private readonly tabu: Tabu;
  /** Where nothing counts but one end and there is nothing to choose but what goes first, swaps find more. */
  private readonly swaps: boolean;
  private readonly tables: Tables;
  private readonly kept: Int32Array[];
  private cost: number;
  private asked = 0;
  private bestAt = 0;
  private shaken = 0;
  private patience = FIRST_PATIENCE;
  private coolings = 0;
  private coolingLeft = 0;
  private temperature = 0;
  private factor = 1;

  constructor(shop: Shop, from: Sequence, seed: number) {
    this.tables = tablesOf(shop);
    this.decoder = new Decoder(this.tables);
    this.mover = new Mover(this.decoder);
    this.changes = new Changes(this.mover, seed);
    this.tabu = new Tabu(this.decoder, this.mover, this.changes);
    this.swaps = shop.orders.length === 1 && shop.operations.every(({ modes }) => isOnly(modes));
    this.decoder.load(from);
    this.judged = this.decoder.judged();
    this.cost = this.bestCost = this.decoder.cost();
    this.kept = this.decoder.snapshot();
  }

  /** The best schedule so far. */
  best(): Sequence {
    const now = this.decoder.snapshot();
    this.decoder.recall(this.kept);
    const best = this.decoder.sequence();
    this.decoder.recall(now);
    return best;
  }

  /** Tries so many changes more, or a few beyond. */
  run(evaluations: number): void {
    if (this.tables.count < 2) return;
    this.asked += evaluations;
    while (this.evaluations < this.asked) this.evaluations += this.swaps ? this.swap() : this.change();
  }

  /** A step of the swaps. */
  private swap(): number {
    if (this.tabu.stuck || this.evaluations - this.bestAt > this.patience * this.tables.count) this.shake();
    const tries = this.tabu.next(this.bestCost);
    this.accept();
    return tries;
  }

  /** Back to the best, and some changes away from it. */
  private shake(): void {
    this.decoder.recall(this.kept);
    this.changes.keep();
    this.bestAt = this.evaluations;
    this.patience = Math.min(MOST_PATIENCE, 2 * this.patience);
    for (let i = 0; i < this.shaken; i++)
      if (this.changes.make()) {
        this.decoder.settle();
        this.mover.keep();
        this.changes.keep();
      } else this.mover.undo();
    this.shaken = (this.shaken + SHAKE_STEP) % (SHAKEN_MOST + 1);
  }

  /** A step of the annealing. */
  private change(): number {
    if (this.coolingLeft-- <= 0) this.beginCooling();
    this.temperature *= this.factor;
    const most = this.cost - this.temperature * Math.log(1 - this.changes.draw());
    if (this.changes.make() && this.decoder.settle(most) && this.decoder.cost() <= most) {
      this.mover.keep();
      this.changes.keep();
      this.accept();
    } else this.mover.undo();
    return 1;
  }

  private accept(): void {
    this.cost = this.decoder.cost();
    if (this.cost >= this.bestCost - 1e-6) return;
    this.bestCost = this.cost;
    this.bestAt = this.evaluations;
    this.judged = this.decoder.judged();
    this.decoder.snapshot(this.kept);
  }

  /** Warms up again, as far as the changes from where it stands want. */
  private beginCooling(): void {
    const worse: number[] = [];
    for (let i = 0; i < SAMPLES; i++) {
      if (this.changes.make()) {
        this.decoder.settle();
        if (this.decoder.cost() > this.cost) worse.push(this.decoder.cost() - this.cost);
      }
      this.mover.undo();
    }
    worse.sort((a, b) => a - b);
    this.temperature = worse[Math.floor(worse.length * (PERCENTILES[this.coolings % PERCENTILES.length] ?? 0))] ?? 0;
    const length =
      Math.max(LEAST_COOLING, FIRST_COOLING * this.tables.count) * 2 ** Math.min(this.coolings++, MOST_DOUBLED);
    this.coolingLeft = length;
    this.factor = COOLED ** (1 / length);
  }
}

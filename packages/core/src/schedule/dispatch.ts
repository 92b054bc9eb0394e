import { group } from '../kernel/index.js';
import { NEVER } from './open-time.js';
import { type Mode, type Sequence, type Shop, costOf } from './shop.js';
import { Decoder } from './decoder.js';
import { Rows, type Tables, get, tablesOf } from './tables.js';

/** Parameters of the rule: how far ahead it looks for what is due, and how much it shuns set-ups. */
export interface RuleOf {
  readonly ahead: number;
  readonly setUps: number;
}

/** Pairs that the first schedule is the best of. Source: tried on made-up works, no source. */
export const RULES: readonly RuleOf[] = [
  { ahead: 0.5, setUps: 0.05 },
  { ahead: 0.5, setUps: 0.01 },
  { ahead: 1, setUps: 0.03 },
  { ahead: 2, setUps: 0.03 },
  { ahead: 3, setUps: 0.06 },
  { ahead: 8, setUps: 0.2 },
];

const NOTHING: readonly number[] = [];

/** However far off it is due, what is shorter or weighs more still goes first: its hurry is no less than e to the minus so much. Tried on made-up works, no source. */
const MOST_CALM = 20;

/** Run and set-up minutes by the quickest mode. */
const shortest = (modes: readonly Mode[]): number => Math.min(...modes.map(({ setUp, run }) => setUp + run));

/** Minutes of work and lags from the beginning of each operation to the end of its order, by its longest way. */
function tails({ shop, followers, links, lag, count, orderOf }: Tables, order: readonly number[]): Float64Array {
  const tail = new Float64Array(count);
  for (const operation of [...order].reverse()) {
    let after = 0;
    for (let at = get(followers.from, operation); at < get(followers.from, operation + 1); at++) {
      const next = get(followers.values, at);
      if (get(orderOf, next) !== get(orderOf, operation)) continue;
      let wait = 0;
      for (let l = get(links.from, next); l < get(links.from, next + 1); l++)
        if (get(links.values, l) === operation) wait = Math.max(wait, get(lag, l));
      after = Math.max(after, wait + get(tail, next));
    }
    tail[operation] = after + shortest(shop.operations[operation]?.modes ?? []);
  }
  return tail;
}

/**
 * Operations so that each comes after what it waits for; what waits in a circle is left out. @param earlier which of two goes first where both could;
 * as they become free where none is told.
 */
export function inOrder(
  { operations }: Pick<Shop, 'operations'>,
  earlier: (a: number, b: number) => number = () => 0,
): number[] {
  const open = operations.map(({ after }) => after.length);
  const followers: number[][] = operations.map(() => []);
  operations.forEach(({ after }, i) => {
    for (const { operation } of after) followers[operation]?.push(i);
  });
  const order = operations.flatMap((_, i) => (open[i] === 0 ? [i] : [])).sort(earlier);
  for (let done = 0; done < order.length; done++)
    for (const next of followers[order[done] ?? 0] ?? []) {
      const left = (open[next] ?? 0) - 1;
      open[next] = left;
      if (left > 0) continue;
      let at = order.length;
      while (at > done + 1 && earlier(next, order[at - 1] ?? 0) < 0) at--;
      order.splice(at, 0, next);
    }
  return order;
}

const mightHold = ({ machine, beside }: Mode, resource: number): boolean =>
  machine === resource || (beside.length > 0 && beside.some((set) => set.includes(resource)));

/** Builds a schedule forward: among what could begin on the machine that is next through, the most urgent goes. */
class Dispatcher {
  private readonly decoder: Decoder;
  /** What could begin, and the soonest way to do it. */
  private readonly ready: number[] = [];
  private readonly readyAt: Int32Array;
  private readonly mode: Int32Array;
  private readonly machine: Int32Array;
  private readonly start: Int32Array;
  private readonly end: Int32Array;
  private readonly setUp: Int32Array;
  private readonly beside: (readonly number[])[];
  private readonly waiting: Int32Array;
  /** What could begin, by each resource that it could be done with. */
  private readonly wanting: number[][];
  /** Every mode as it was last tried, and where those of an operation begin. */
  private readonly modeFrom: Int32Array;
  private readonly triedStart: Int32Array;
  private readonly triedSetUp: Int32Array;
  private readonly triedEnd: Int32Array;
  private readonly triedBeside: (readonly number[])[];
  private readonly pins = new Map<number, number[]>();
  private readonly order: number[] = [];
  private readonly meanRun: number;

  constructor(
    private readonly tables: Tables,
    private readonly rule: RuleOf,
    private readonly tail: Float64Array,
    private readonly wants: Rows,
  ) {
    this.decoder = new Decoder(tables);
    this.decoder.start.fill(NEVER);
    this.decoder.end.fill(NEVER);
    const { operations, resources } = tables.shop;
    const whole = (): Int32Array => new Int32Array(operations.length);
    [this.mode, this.machine, this.start, this.end, this.setUp] = [whole(), whole(), whole(), whole(), whole()];
    this.readyAt = whole();
    this.waiting = Int32Array.from(operations, ({ after }) => after.length);
    this.wanting = resources.map(() => []);
    this.beside = operations.map(() => NOTHING);
    this.modeFrom = new Int32Array(operations.length + 1);
    operations.forEach(({ modes }, i) => {
      this.modeFrom[i + 1] = get(this.modeFrom, i) + modes.length;
    });
    const tried = (): Int32Array => new Int32Array(get(this.modeFrom, operations.length));
    [this.triedStart, this.triedSetUp, this.triedEnd] = [tried(), tried(), tried()];
    this.triedBeside = Array.from(this.triedEnd, () => NOTHING);
    const minutes = operations.reduce((sum, { modes }) => sum + shortest(modes), 0);
    this.meanRun = Math.max(1, minutes / Math.max(1, operations.length));
    operations.forEach(({ pinned, frozen, modes }, i) => {
      if (pinned === undefined || frozen) return;
      for (const { machine } of modes) if (machine !== undefined) group(this.pins, machine, i);
    });
  }

  run(): Sequence {
    const { operations } = this.tables.shop;
    const frozen = operations.flatMap(({ frozen: one }, i) => (one ? [{ i, ...one }] : []));
    for (const { i, mode, beside } of frozen.sort((a, b) => a.start - b.start || a.end - b.end))
      this.place(i, mode, beside);
    operations.forEach(({ frozen: one }, i) => {
      if (!one && get(this.waiting, i) === 0 && !this.ready.includes(i)) this.comes(i);
    });
    while (this.ready.length > 0) {
      const at = this.pick();
      const operation = this.ready[at] ?? 0;
      const last = this.ready.at(-1) ?? 0;
      this.ready[at] = last;
      this.readyAt[last] = at;
      this.ready.pop();
      this.place(operation, get(this.mode, operation), this.beside[operation] ?? []);
    }
    return { ...this.decoder.sequence(), order: this.order };
  }

  private comes(operation: number): void {
    const { from, values } = this.wants;
    this.readyAt[operation] = this.ready.length;
    this.ready.push(operation);
    for (let at = get(from, operation); at < get(from, operation + 1); at++)
      this.wanting[get(values, at)]?.push(operation);
    this.consider(operation);
  }

  private leaves(operation: number): void {
    const { from, values } = this.wants;
    for (let at = get(from, operation); at < get(from, operation + 1); at++) {
      const own = this.wanting[get(values, at)] ?? [];
      const place = own.indexOf(operation);
      if (place < 0) continue;
      own[place] = own.at(-1) ?? 0;
      own.pop();
    }
  }

  /** Puts an operation last on what it holds, and looks anew at what waited for it or wants the same. */
  private place(operation: number, mode: number, beside: readonly number[]): void {
    const { decoder, tables } = this;
    this.leaves(operation);
    decoder.take(operation, mode, beside);
    this.order.push(operation);
    decoder.append(operation);
    decoder.reckon(operation);
    const row = operation * tables.width;
    for (let at = row; at < row + tables.width; at++)
      for (const one of this.wanting[get(decoder.held, at)] ?? []) this.consider(one, get(decoder.held, at));
    const { from, values } = tables.followers;
    for (let at = get(from, operation); at < get(from, operation + 1); at++) {
      const next = get(values, at);
      const left = get(this.waiting, next) - 1;
      this.waiting[next] = left;
      if (left === 0 && tables.frozen[next] !== 1) this.comes(next);
    }
  }

  /** Tries the modes of an operation, of those that were tried before only what could hold a resource; and takes the soonest to be through. */
  private consider(operation: number, resource?: number): void {
    const { modeFrom, triedStart, triedSetUp, triedEnd, triedBeside } = this;
    const from = get(modeFrom, operation);
    const until = get(modeFrom, operation + 1);
    const modes = this.tables.shop.operations[operation]?.modes ?? [];
    for (let at = from; at < until; at++) {
      const mode = modes[at - from];
      if (mode && (resource === undefined || mightHold(mode, resource))) this.tryMode(operation, mode, at);
    }
    let best = from;
    for (let at = from + 1; at < until; at++) {
      const sooner = get(triedEnd, at) - get(triedEnd, best);
      if (sooner < 0 || (sooner === 0 && get(triedSetUp, at) < get(triedSetUp, best))) best = at;
    }
    this.mode[operation] = best - from;
    this.machine[operation] = modes[best - from]?.machine ?? -1;
    this.start[operation] = get(triedStart, best);
    this.setUp[operation] = get(triedSetUp, best);
    this.end[operation] = get(triedEnd, best);
    this.beside[operation] = triedBeside[best] ?? NOTHING;
  }

  private tryMode(operation: number, mode: Mode, at: number): void {
    const { decoder } = this;
    const beside = mode.beside.length === 0 ? NOTHING : chooseBeside(mode, (of) => decoder.freeAt(of));
    const { start, setUp, end } = decoder.tryLast(operation, mode, beside);
    this.triedStart[at] = start;
    this.triedSetUp[at] = setUp;
    this.triedEnd[at] = end;
    this.triedBeside[at] = beside;
  }

  /** Where in the ready stands the most urgent of what could begin before the first of all would be through, on its machine. */
  private pick(): number {
    const { ready, end, machine } = this;
    let first = this.soonest(true);
    if (first < 0) first = this.soonest(false);
    const at = ready[first] ?? 0;
    let [chosen, urgency] = [at, this.urgency(at)];
    for (const one of this.wanting[get(machine, at)] ?? []) {
      if (get(machine, one) !== get(machine, at) || get(this.start, one) >= get(end, at) || this.runsIntoPin(one))
        continue;
      const own = this.urgency(one);
      if (own > urgency) [chosen, urgency] = [one, own];
    }
    return get(this.readyAt, chosen);
  }

  /** The first to be through; of those that run into no pin where that is asked. -1 where there is none. */
  private soonest(free: boolean): number {
    let first = -1;
    let best = Infinity;
    for (let i = 0; i < this.ready.length; i++) {
      const one = this.ready[i] ?? 0;
      const end = get(this.end, one);
      if (end < best && !(free && this.runsIntoPin(one))) [first, best] = [i, end];
    }
    return first;
  }

  private runsIntoPin(operation: number): boolean {
    if (this.pins.size === 0) return false;
    const { operations } = this.tables.shop;
    return (this.pins.get(get(this.machine, operation)) ?? []).some(
      (pinned) =>
        pinned !== operation &&
        get(this.decoder.end, pinned) >= NEVER &&
        get(this.end, operation) > (operations[pinned]?.pinned ?? NEVER),
    );
  }

  /** Apparent tardiness cost with set-ups, as its logarithm. Source: literature, Lee, Bhaskaran and Pinedo 1997. */
  private urgency(operation: number): number {
    const { weight, due, orderOf, shop } = this.tables;
    if (shop.operations[operation]?.pinned !== undefined) return Infinity;
    const order = get(orderOf, operation);
    const [setUp, start] = [get(this.setUp, operation), get(this.start, operation)];
    const slack = Math.max(0, get(due, order) - start - get(this.tail, operation));
    const calm = Math.min(MOST_CALM, slack / (this.rule.ahead * this.meanRun));
    const run = shop.operations[operation]?.modes[get(this.mode, operation)]?.run ?? 0;
    const perMinute = Math.max(get(weight, order), 1e-6) / Math.max(1, setUp + run);
    return Math.log(perMinute) - calm - setUp / (this.rule.setUps * this.meanRun);
  }
}

/** Of each set the one that is free first, none twice. */
export function chooseBeside({ beside }: Mode, freeAt: (resource: number) => number): number[] {
  const chosen: number[] = [];
  for (const set of beside) {
    let best = -1;
    for (const one of set) if (!chosen.includes(one) && (best < 0 || freeAt(one) < freeAt(best))) best = one;
    if (best >= 0) chosen.push(best);
  }
  return chosen;
}

/** A first schedule: the best of {@link RULES}, by Giffler and Thompson 1960. Links must not go in a circle. */
export function firstSchedule(shop: Shop): Sequence {
  const tables = tablesOf(shop);
  const tail = tails(tables, inOrder(shop));
  const decoder = new Decoder(tables);
  const wants = new Rows(
    shop.operations.map(({ modes }) => [
      ...new Set(
        modes.flatMap(({ machine, beside }) => (machine === undefined ? beside.flat() : [machine, ...beside.flat()])),
      ),
    ]),
  );
  const judged = RULES.map((rule) => {
    const sequence = new Dispatcher(tables, rule, tail, wants).run();
    decoder.load(sequence);
    return { sequence, cost: costOf(decoder.judged(), shop.weights) };
  });
  return judged.reduce((a, b) => (b.cost < a.cost ? b : a)).sequence;
}

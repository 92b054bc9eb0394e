import {
  type Sequence,
  type Shop,
  type Slot,
  type Timetable,
  NEVER,
  OpenTime,
  chainOf,
  firstSchedule,
  halfFirst,
  joinSpans,
  moved,
  splitInTwo,
  timetable,
} from '../schedule/index.js';
import type { FloorShop } from './floor-shop.js';

/** Something that would make a late job earlier, as it was tried. */
export interface Help {
  readonly kind: 'other machine' | 'split' | 'overtime' | 'goes first' | 'job first' | 'half first';
  /** Station that is run elsewhere, on two machines, or goes first; null where it is not about one. */
  readonly step: string | null;
  /** Machine that it would run on, or half of it; that runs longer; null for all that the job wants. */
  readonly machine: string | null;
  /** Minutes that the job would be through earlier; half of it where that goes first. */
  readonly won: number;
  /** Minutes that others would be late more, all together; less where it is negative. */
  readonly othersLate: number;
  /** Minutes that the machine runs beyond its hours until the job is through. */
  readonly overtime: number;
  /** Minutes by which the other half comes later than all of it does now, less where negative; 0 where nothing is halved. */
  readonly rest: number;
}

/** Overtime that is tried: so many minutes behind every shift. */
const OVERTIME_MIN = 120;
const MOST_HELPS = 4;
/** What wins less is not worth the telling. */
const LEAST_WON_MIN = 15;
/** How much more than before a job counts that goes first everywhere. */
const HURRY = 1000;

const lateOf = ({ orders }: Shop, { through }: Timetable, but: number): number =>
  orders.reduce(
    (sum, { due }, order) =>
      sum + (order === but ? 0 : Math.max(0, Math.min(NEVER, through[order] ?? 0) - (due ?? Infinity))),
    0,
  );

/** Places of the crews that run some machines: they work as long as their machines do. */
function crewsOf({ operations, resources }: Shop, machines: ReadonlySet<number>): Set<number> {
  const places = new Set<number>();
  for (const { modes } of operations)
    for (const { machine, beside } of modes)
      if (machine !== undefined && machines.has(machine))
        for (const one of beside.flat()) if (resources[one]?.kind === 'place') places.add(one);
  return places;
}

/** A works whose machines of these, and their crews, run longer. */
function withOvertime(shop: Shop, machines: ReadonlySet<number>): Shop {
  const places = crewsOf(shop, machines);
  const runs = (i: number): boolean => machines.has(i) || places.has(i);
  return { ...shop, resources: shop.resources.map((one, i) => (runs(i) ? { ...one, open: longer(one.open) } : one)) };
}

/** Open time with so many minutes more behind every stretch. */
const longer = (open: OpenTime): OpenTime =>
  new OpenTime(joinSpans(open.spans.map(([from, to]) => [from, to + OVERTIME_MIN])));

/** Tries what would make one order earlier, each by laying the schedule anew with that one change. */
class Trier {
  readonly helps: Help[] = [];
  private readonly now: number;
  private readonly late: number;

  constructor(
    private readonly floor: FloorShop,
    private readonly sequence: Sequence,
    table: Timetable,
    private readonly order: number,
  ) {
    this.now = table.through[order] ?? 0;
    this.late = lateOf(floor.shop, table, order);
  }

  private tryOut(
    about: Pick<Help, 'kind'> & Partial<Help>,
    shop: Shop,
    sequence: Sequence | undefined,
  ): Help | undefined {
    if (!sequence) return undefined;
    const made = timetable(shop, sequence);
    const second = made.through[this.floor.shop.orders.length];
    const help: Help = {
      step: null,
      machine: null,
      overtime: 0,
      rest: second === undefined ? 0 : second - this.now,
      won: this.now - (made.through[this.order] ?? NEVER),
      othersLate: lateOf(this.floor.shop, made, this.order) - this.late,
      ...about,
    };
    this.helps.push(help);
    return help;
  }

  private nameOf(machine: number | undefined): string | null {
    return machine === undefined ? null : (this.floor.shop.resources[machine]?.id ?? null);
  }

  /** A station of its chain on another machine, on two, or ahead of what held it up. */
  station({ operation, mode: own, machine, cause }: Slot): void {
    const { floor, sequence } = this;
    const { shop, places } = floor;
    const { order, frozen, modes = [] } = shop.operations[operation] ?? {};
    if (order !== this.order || frozen) return;
    const step = places[operation]?.step ?? null;
    const halved = modes.length > 1 ? splitInTwo(shop, sequence, operation) : undefined;
    const half = halved?.second.get(operation) ?? -1;
    modes.forEach((to, mode) => {
      if (mode === own) return;
      const about = { step, machine: this.nameOf(to.machine) };
      this.tryOut({ kind: 'other machine', ...about }, shop, moved(shop, sequence, operation, { mode }));
      if (halved)
        this.tryOut({ kind: 'split', ...about }, halved.shop, moved(halved.shop, halved.sequence, half, { mode }));
    });
    if (cause.kind === 'held')
      this.tryOut(
        { kind: 'goes first', step, machine: this.nameOf(machine) },
        shop,
        moved(shop, sequence, operation, { before: cause.operation }),
      );
  }

  /** Some machines, and whoever runs them, longer. */
  overtime(machines: ReadonlySet<number>): Help | undefined {
    const { shop } = this.floor;
    const [machine] = machines.size === 1 ? machines : [];
    const help = this.tryOut(
      { kind: 'overtime', machine: this.nameOf(machine) },
      withOvertime(shop, machines),
      this.sequence,
    );
    if (!help) return undefined;
    const until = this.now - help.won;
    const more = [...machines].map((machine) => {
      const open = shop.resources[machine]?.open ?? OpenTime.ALWAYS;
      return longer(open).openBefore(until) - open.openBefore(until);
    });
    this.helps[this.helps.length - 1] = { ...help, overtime: Math.max(0, ...more) };
    return help;
  }

  /** Overtime of every machine that the job wants, where it is worth more than that of one of them. */
  allOvertime(): void {
    const all = new Set(
      this.floor.shop.operations.flatMap((one) =>
        one.order === this.order ? one.modes.flatMap(({ machine }) => machine ?? []) : [],
      ),
    );
    const most = Math.max(0, ...this.helps.flatMap(({ kind, won }) => (kind === 'overtime' ? won : [])));
    const together = this.overtime(all);
    if (together && together.won <= most) this.helps.pop();
  }

  /** The job ahead of all others everywhere; whoever pays for it is told: the others are laid around it by the rule. */
  jobFirst(): void {
    const { shop } = this.floor;
    const orders = shop.orders.map((one, i) => (i === this.order ? { ...one, weight: one.weight * HURRY } : one));
    this.tryOut({ kind: 'job first' }, shop, firstSchedule({ ...shop, orders }));
  }

  /** Half the goods first. */
  halfFirst(): void {
    const halved = halfFirst(this.floor.shop, this.sequence, this.order);
    if (halved.second.size > 0) this.tryOut({ kind: 'half first' }, halved.shop, halved.sequence);
  }
}

/**
 * What would make an order earlier: each station of its chain on another machine, on two, ahead of what held it up; the machines that held it up run
 * longer; the job goes first; half of it goes first; each by laying the schedule anew with that one change. Best first; nothing that wins less than a
 * quarter of an hour.
 */
export function helpsFor(floor: FloorShop, sequence: Sequence, table: Timetable, order: number): Help[] {
  const trier = new Trier(floor, sequence, table, order);
  const chain = chainOf(table, floor.shop, order);
  for (const slot of chain) trier.station(slot);
  for (const machine of new Set(chain.flatMap(({ machine: one }) => one ?? []))) trier.overtime(new Set([machine]));
  trier.allOvertime();
  trier.jobFirst();
  trier.halfFirst();
  return trier.helps
    .filter(({ won }) => won >= LEAST_WON_MIN)
    .sort((a, b) => b.won - b.othersLate - (a.won - a.othersLate) || b.won - a.won)
    .slice(0, MOST_HELPS);
}

import {
  type Sequence,
  type Shop,
  type Timetable,
  NEVER,
  OpenTime,
  chainOf,
  firstSchedule,
  joinSpans,
  moved,
  timetable,
} from '../schedule/index.js';
import type { FloorShop } from './floor-shop.js';

/** Something that would make a late job earlier, as it was tried. */
export interface Help {
  readonly kind: 'other machine' | 'overtime' | 'goes first' | 'job first';
  /** Station that is run elsewhere or goes first; null for overtime. */
  readonly step: string | null;
  /** Machine that it would run on, or that runs longer; null for all that the job wants. */
  readonly machine: string | null;
  /** Minutes that the job would be through earlier. */
  readonly won: number;
  /** Minutes that others would be late more, all together; less where it is negative. */
  readonly othersLate: number;
  /** Minutes that the machine runs beyond its hours until the job is through. */
  readonly overtime: number;
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

/**
 * What would make an order earlier: each station of its chain on another machine, ahead of what held it up, and the machines that held it up
 * run longer; each by laying the schedule anew with that one change. Best first; nothing that wins less than a quarter of an hour.
 */
export function helpsFor({ shop, places }: FloorShop, sequence: Sequence, table: Timetable, order: number): Help[] {
  const now = table.through[order] ?? 0;
  const others = lateOf(shop, table, order);
  const judged = (of: Shop, changed: Sequence): Pick<Help, 'won' | 'othersLate'> => {
    const made = timetable(of, changed);
    return { won: now - (made.through[order] ?? NEVER), othersLate: lateOf(of, made, order) - others };
  };
  const chain = chainOf(table, shop, order);
  const helps: Help[] = [];
  const nameOf = (machine: number | undefined): string | null =>
    machine === undefined ? null : (shop.resources[machine]?.id ?? null);
  for (const slot of chain) {
    const own = shop.operations[slot.operation];
    if (own?.order !== order || own.frozen) continue;
    const step = places[slot.operation]?.step ?? null;
    own.modes.forEach(({ machine }, mode) => {
      const changed = mode === slot.mode ? undefined : moved(shop, sequence, slot.operation, { mode });
      if (changed)
        helps.push({ kind: 'other machine', step, machine: nameOf(machine), overtime: 0, ...judged(shop, changed) });
    });
    if (slot.cause.kind !== 'held') continue;
    const ahead = moved(shop, sequence, slot.operation, { before: slot.cause.operation });
    if (ahead)
      helps.push({ kind: 'goes first', step, machine: nameOf(slot.machine), overtime: 0, ...judged(shop, ahead) });
  }
  for (const machine of new Set(chain.flatMap(({ machine: one }) => one ?? []))) {
    const of = withOvertime(shop, new Set([machine]));
    const open = shop.resources[machine]?.open ?? OpenTime.ALWAYS;
    const { won, othersLate } = judged(of, sequence);
    const until = now - won;
    helps.push({
      kind: 'overtime',
      step: null,
      machine: nameOf(machine),
      won,
      othersLate,
      overtime: Math.max(0, longer(open).openBefore(until) - open.openBefore(until)),
    });
  }
  const all = new Set(
    shop.operations.flatMap((one) => (one.order === order ? one.modes.flatMap(({ machine }) => machine ?? []) : [])),
  );
  const every = withOvertime(shop, all);
  const together = judged(every, sequence);
  const opens = [...all].map((machine) => shop.resources[machine]?.open ?? OpenTime.ALWAYS);
  const more = opens.map((open) => longer(open).openBefore(now - together.won) - open.openBefore(now - together.won));
  // Told where it is worth more than that of one of them.
  if (!helps.some(({ kind, won }) => kind === 'overtime' && won >= together.won))
    helps.push({ kind: 'overtime', step: null, machine: null, overtime: Math.max(0, ...more), ...together });
  // Whoever pays for it is told: the others are laid around it by the rule.
  const hurried: Shop = {
    ...shop,
    orders: shop.orders.map((one, i) => (i === order ? { ...one, weight: one.weight * HURRY } : one)),
  };
  helps.push({ kind: 'job first', step: null, machine: null, overtime: 0, ...judged(shop, firstSchedule(hurried)) });
  return helps
    .filter(({ won }) => won >= LEAST_WON_MIN)
    .sort((a, b) => b.won - b.othersLate - (a.won - a.othersLate) || b.won - a.won)
    .slice(0, MOST_HELPS);
}

import { ceilRatio } from '../kernel/index.js';
import { outOfBought } from '../layout/index.js';
import type { PaperItem, Works } from '../works/index.js';
import { type Need, NEED_KINDS } from './needs.js';
import { type OnOrder, shortShares } from './on-order.js';

/** A lot in the store: of paper, or of whatever else jobs need. */
export interface Holding {
  readonly id: number;
  /** What it is known by: the key of the need that it serves. */
  readonly key: string;
  /** Of paper alone. */
  readonly paper?: PaperItem | undefined;
  /** In the need's unit: sheets, full rolls, kg, pieces. */
  readonly quantity: number;
  readonly place: string;
}

/** What a job has put its hand on. */
export interface Reservation {
  readonly job: number;
  readonly key: string;
  readonly quantity: number;
}

/** Needs of one job, with its number in the store. */
export interface JobNeeds {
  readonly job: number;
  /** ISO 8601 date on which it is due; absent where nobody has said one. */
  readonly due?: string | null | undefined;
  readonly needs: readonly Need[];
}

/** Needs of jobs without what they have drawn from the store already. */
export function stillNeeded<Job extends JobNeeds>(jobs: readonly Job[], drawn: readonly Reservation[]): Job[] {
  const had = new Map(drawn.map(({ job, key, quantity }) => [`${job} ${key}`, quantity]));
  return jobs.map((one) => ({
    ...one,
    needs: one.needs.flatMap((need) => {
      const quantity = need.quantity - (had.get(`${one.job} ${need.key}`) ?? 0);
      return quantity > 0 ? [{ ...need, quantity }] : [];
    }),
  }));
}

/** One line of a purchase list. */
export interface BuyLine {
  readonly need: Need;
  /** Jobs that need it. */
  readonly jobs: readonly number[];
  /** What is short for each, as far as it is: the store and what is coming go to those first that are due first. */
  readonly shares: OnOrder['jobs'];
  readonly onHand: number;
  /** Reserved by jobs that are not on this list. */
  readonly reserved: number;
  /** Reserved by the jobs on it. */
  readonly own: number;
  /** What the store gives. */
  readonly fromStock: number;
  /** What of it has been ordered and comes in time. */
  readonly coming: number;
  /** What has been ordered and would serve, but comes after the day of the job that wants it. */
  readonly late: number;
  /** The orders that it is on. */
  readonly orders: readonly OnOrder[];
  readonly short: number;
  /** Packs to order, what comes with them, and what is left over of it. */
  readonly packs: number;
  readonly ordered: number;
  readonly left: number;
  readonly pallets: number | undefined;
  /** Lots of the store that what is short could be cut from. */
  readonly alternatives: readonly Alternative[];
}

/** What a job wants of one key. */
interface Want {
  readonly job: number;
  readonly quantity: number;
  readonly due: string | null;
}
/** A key, and who wants how much of it. */
interface WantedOfKey {
  readonly need: Need;
  readonly wants: readonly Want[];
}

const sumOf = (of: readonly { readonly quantity: number }[]): number =>
  of.reduce((total, { quantity }) => total + quantity, 0);

function lineOf(
  { need, wants }: WantedOfKey,
  holdings: readonly Holding[],
  reservations: readonly Reservation[],
  onOrder: readonly OnOrder[],
): Omit<BuyLine, 'alternatives'> {
  const { key, pack } = need;
  const quantity = sumOf(wants);
  const jobs = wants.map(({ job }) => job);
  const listed = new Set(jobs);
  const onHand = sumOf(holdings.filter((lot) => lot.key === key));
  const held = reservations.filter((one) => one.key === key);
  const reserved = sumOf(held.filter(({ job }) => !listed.has(job)));
  const own = sumOf(held.filter(({ job }) => listed.has(job)));
  const fromStock = Math.min(quantity, Math.max(0, onHand - reserved));
  const orders = onOrder.filter((one) => one.key === key);
  const shares = shortShares(wants, fromStock, orders).map(({ of, short }) => ({ job: of.job, quantity: short }));
  const short = sumOf(shares);
  const coming = quantity - fromStock - short;
  const packs = ceilRatio(short, pack);
  const ordered = packs * pack;
  return {
    need: { ...need, quantity },
    jobs,
    shares,
    onHand,
    reserved,
    own,
    fromStock,
    coming,
    late: Math.min(short, sumOf(orders) - coming),
    orders,
    short,
    packs,
    ordered,
    left: ordered - short,
    pallets: need.perPallet === undefined ? undefined : ceilRatio(ordered, need.perPallet),
  };
}

/**
 * What has to be bought for some jobs together: stock on hand that others have not reserved comes first, then what is on order and
 * comes by the day that it is wanted; the rest is rounded up to packs, once over all jobs. Paper first. Source: handbook chapter 6
 * "Buying".
 */
export function buyList(
  jobs: readonly JobNeeds[],
  holdings: readonly Holding[],
  reservations: readonly Reservation[],
  onOrder: readonly OnOrder[],
  works: Works,
): BuyLine[] {
  const free = freeOf(holdings, reservations);
  const byKey = new Map<string, { need: Need; readonly wants: Want[] }>();
  for (const { job, due = null, needs } of jobs)
    for (const need of needs) {
      const want = { job, due, quantity: need.quantity };
      const known = byKey.get(need.key);
      if (known) {
        known.wants.push(want);
        // A sum has no figure of its own.
        known.need = { ...known.need, figure: undefined };
      } else byKey.set(need.key, { need, wants: [want] });
    }
  const rank = ({ need: { kind } }: { need: Need }): number => NEED_KINDS.indexOf(kind);
  return [...byKey.values()]
    .sort((a, b) => rank(a) - rank(b) || a.need.name.localeCompare(b.need.name, 'en'))
    .map((wanted) => {
      const line = lineOf(wanted, holdings, reservations, onOrder);
      return { ...line, alternatives: alternativesFor(line, holdings, free, works) };
    });
}

/** Paper of the store that could stand for what is short. */
export interface Alternative {
  readonly holding: Holding & { readonly paper: PaperItem };
  /** Sheets wanted out of one of the lot. */
  readonly out: number;
  /** Of the lot, for all that is short. */
  readonly wanted: number;
  /** Another stock of the same weight, surface and bulk: to be agreed with the customer. */
  readonly otherStock: boolean;
}

/**
 * Lots that the missing sheets could be cut from, grain kept: the same stock first, then those that waste least.
 * @param free what each lot has that nobody reserved, by key. Source: identity, handbook chapter 4 "Choosing what to buy".
 */
export function alternativesFor(
  { need, short }: Pick<BuyLine, 'need' | 'short'>,
  holdings: readonly Holding[],
  free: (key: string) => number,
  works: Works,
): Alternative[] {
  const { paper } = need;
  const stock = works.stocks.find(({ id }) => id === paper?.stock);
  const { widthMm, heightMm, grain } = paper ?? {};
  if (!stock || widthMm === undefined || heightMm === undefined || grain === undefined || short <= 0) return [];
  const wanted = { widthMm, heightMm, grain };
  return holdings
    .flatMap((holding): (Alternative & { usedShare: number })[] => {
      const lot = holding.paper;
      if (!lot) return [];
      const like = works.stocks.find(({ id }) => id === lot.stock);
      const same = like?.gsm === stock.gsm && like.coated === stock.coated && like.bulk === stock.bulk;
      if (!same || lot.heightMm === undefined || lot.grain === undefined || holding.key === need.key) return [];
      const { out, usedShare } = outOfBought(
        { widthMm: lot.widthMm, heightMm: lot.heightMm, grain: lot.grain },
        wanted,
        0,
      );
      const sheets = out > 0 ? ceilRatio(short, out) : Infinity;
      return sheets <= free(holding.key) && sheets <= holding.quantity
        ? [{ holding: { ...holding, paper: lot }, out, wanted: sheets, otherStock: lot.stock !== stock.id, usedShare }]
        : [];
    })
    .sort((a, b) => Number(a.otherStock) - Number(b.otherStock) || b.usedShare - a.usedShare)
    .map(({ holding, out, wanted: sheets, otherStock }) => ({ holding, out, wanted: sheets, otherStock }));
}

/** What nobody has reserved of a key. */
export const freeOf =
  (holdings: readonly Holding[], reservations: readonly Reservation[]) =>
  (key: string): number =>
    holdings.reduce((sum, lot) => sum + (lot.key === key ? lot.quantity : 0), 0) -
    reservations.reduce((sum, one) => sum + (one.key === key ? one.quantity : 0), 0);

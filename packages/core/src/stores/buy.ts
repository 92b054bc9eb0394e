import { ceilRatio } from '../kernel/index.js';
import { outOfBought } from '../layout/index.js';
import type { Works } from '../works/index.js';
import { type Need, type PaperItem, NEED_KINDS, paperKey } from './needs.js';

/** A lot of paper in the store. */
export interface Holding {
  readonly id: number;
  readonly paper: PaperItem;
  /** Sheets, or full rolls. */
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
  readonly needs: readonly Need[];
}

/** One line of a purchase list. */
export interface BuyLine {
  readonly need: Need;
  /** Jobs that need it. */
  readonly jobs: readonly number[];
  readonly onHand: number;
  /** Reserved by jobs that are not on this list. */
  readonly reserved: number;
  /** Reserved by the jobs on it. */
  readonly own: number;
  /** What the store gives. */
  readonly fromStock: number;
  readonly short: number;
  /** Packs to order, what comes with them, and what is left over of it. */
  readonly packs: number;
  readonly ordered: number;
  readonly left: number;
  readonly pallets: number | undefined;
  /** Lots of the store that what is short could be cut from. */
  readonly alternatives: readonly Alternative[];
}

function lineOf(
  need: Need,
  jobs: readonly number[],
  holdings: readonly Holding[],
  reservations: readonly Reservation[],
): Omit<BuyLine, 'alternatives'> {
  const { key, quantity, pack } = need;
  const onHand = holdings
    .filter(({ paper }) => paperKey(paper) === key)
    .reduce((sum, holding) => sum + holding.quantity, 0);
  const held = reservations.filter((one) => one.key === key);
  const sum = (of: readonly Reservation[]): number => of.reduce((total, one) => total + one.quantity, 0);
  const reserved = sum(held.filter(({ job }) => !jobs.includes(job)));
  const own = sum(held.filter(({ job }) => jobs.includes(job)));
  const fromStock = Math.min(quantity, Math.max(0, onHand - reserved));
  const short = quantity - fromStock;
  const packs = ceilRatio(short, pack);
  const ordered = packs * pack;
  return {
    need,
    jobs,
    onHand,
    reserved,
    own,
    fromStock,
    short,
    packs,
    ordered,
    left: ordered - short,
    pallets: need.perPallet === undefined ? undefined : ceilRatio(ordered, need.perPallet),
  };
}

/**
 * What has to be bought for some jobs together: stock on hand that others have not reserved comes first, the rest is rounded
 * up to packs, once over all jobs. Paper first. Source: handbook chapter 6 "Buying".
 */
export function buyList(
  jobs: readonly JobNeeds[],
  holdings: readonly Holding[],
  reservations: readonly Reservation[],
  works: Works,
): BuyLine[] {
  const free = freeOf(holdings, reservations);
  const byKey = new Map<string, { need: Need; jobs: number[] }>();
  for (const { job, needs } of jobs)
    for (const need of needs) {
      const before = byKey.get(need.key);
      byKey.set(need.key, {
        need: before ? { ...before.need, quantity: before.need.quantity + need.quantity, figure: undefined } : need,
        jobs: [...(before?.jobs ?? []), job],
      });
    }
  const rank = ({ need: { kind } }: { need: Need }): number => NEED_KINDS.indexOf(kind);
  return [...byKey.values()]
    .sort((a, b) => rank(a) - rank(b) || a.need.name.localeCompare(b.need.name, 'en'))
    .map(({ need, jobs: of }) => {
      const line = lineOf(need, of, holdings, reservations);
      return { ...line, alternatives: alternativesFor(line, holdings, free, works) };
    });
}

/** Paper of the store that could stand for what is short. */
export interface Alternative {
  readonly holding: Holding;
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
      const like = works.stocks.find(({ id }) => id === lot.stock);
      const same = like?.gsm === stock.gsm && like.coated === stock.coated && like.bulk === stock.bulk;
      if (!same || lot.heightMm === undefined || lot.grain === undefined || paperKey(lot) === need.key) return [];
      const { out, usedShare } = outOfBought(
        { widthMm: lot.widthMm, heightMm: lot.heightMm, grain: lot.grain },
        wanted,
        0,
      );
      const sheets = out > 0 ? ceilRatio(short, out) : Infinity;
      return sheets <= free(paperKey(lot)) && sheets <= holding.quantity
        ? [{ holding, out, wanted: sheets, otherStock: lot.stock !== stock.id, usedShare }]
        : [];
    })
    .sort((a, b) => Number(a.otherStock) - Number(b.otherStock) || b.usedShare - a.usedShare)
    .map(({ holding, out, wanted: sheets, otherStock }) => ({ holding, out, wanted: sheets, otherStock }));
}

/** What nobody has reserved of a key. */
export const freeOf =
  (holdings: readonly Holding[], reservations: readonly Reservation[]) =>
  (key: string): number =>
    holdings.reduce((sum, { paper, quantity }) => sum + (paperKey(paper) === key ? quantity : 0), 0) -
    reservations.reduce((sum, one) => sum + (one.key === key ? one.quantity : 0), 0);

import { paperKey } from '@druckerei/core';
import type { Account, CountedList, FieldError, HeldList } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { type Batch, type Entries, MOST_TOLD } from '../../http/entries.js';
import { invalid } from '../../http/problem.js';
import { lockKind } from '../changes/changes.js';
import { currentWorks } from '../works/works.js';
import { refuseOdd, refuseOtherKey, stockIds } from './refusals.js';

type Counted = HeldList['lots'][number];

interface LotRow extends Record<string, unknown> {
  readonly id: number;
  readonly key: string;
  readonly quantity: number;
  readonly place: string;
}

const keyOf = ({ paper, other }: Counted): string => (paper ? paperKey(paper) : (other?.key ?? ''));
/** By thing and place; without a place it is all that there is of a thing. */
const spotOf = (key: string, place: string | undefined): string => JSON.stringify([key, place]);

/**
 * Counts what lies in the store by a list, all of it or none. Of the lots that a line is about the oldest takes all that
 * was counted, and the others become empty; where there is none, one comes in. Issues: 422 by line.
 */
export const countHoldings = (
  database: Database,
  account: Pick<Account, 'id'>,
  reason: string,
  lots: Entries<Counted>,
): Promise<CountedList> =>
  database.transaction(async (queries) => {
    const check = new Check(stockIds(await currentWorks(queries)));
    const errors: FieldError[] = [];
    const told = { added: 0, changed: 0, same: 0 };
    // Two lists that bring in the same thing come after one another.
    await lockKind(queries, 'holding');
    for await (const batch of lots.batches()) {
      lots.tell('entering', batch.first);
      errors.push(...check.refuse(batch));
      if (errors.length >= MOST_TOLD) break;
      if (errors.length > 0) continue;
      const { added, changed } = await countBatch(queries, account, reason, batch.entries);
      told.added += added;
      told.changed += changed;
      told.same += batch.entries.length - added - changed;
    }
    if (errors.length > 0) throw invalid(errors);
    return told;
  });

/** What is wrong with the lots of a list, one behind another. */
class Check {
  /** Of each thing the places that lines tell, with the line. */
  private readonly told = new Map<string, Map<string | undefined, number>>();

  constructor(private readonly stocks: ReadonlySet<string>) {}

  refuse({ first, entries }: Batch<Counted>): FieldError[] {
    return entries.flatMap((lot, i) => {
      const [at, before] = [`lots[${first + i}]`, this.before(lot, first + i)];
      return [
        ...refuseOdd(lot, this.stocks, `${at}.`),
        ...refuseOtherKey(lot.other, `${at}.`),
        ...(before === undefined
          ? []
          : [
              {
                path: at,
                message: $localize`lots[${before}] counts this already. Add them up, or tell where each lies.`,
              },
            ]),
      ];
    });
  }

  /** The lot of the list that counts the same, where one does. */
  private before(lot: Counted, at: number): number | undefined {
    const key = keyOf(lot);
    const places = this.told.get(key) ?? new Map<string | undefined, number>();
    const before = places.get(lot.place) ?? (lot.place === undefined ? [...places.values()][0] : places.get(undefined));
    this.told.set(key, places.set(lot.place, before ?? at));
    return before;
  }
}

/** @returns how many came in, and how many were counted otherwise than they stood. */
async function countBatch(
  queries: Queries,
  account: Pick<Account, 'id'>,
  reason: string,
  lots: readonly Counted[],
): Promise<{ readonly added: number; readonly changed: number }> {
  const spots = lots.map((lot) => ({ key: keyOf(lot), place: lot.place ?? null }));
  const rows = await queries.many<LotRow>('stores/lots-at', JSON.stringify(spots));
  const bySpot = new Map<string, LotRow[]>();
  for (const row of rows)
    for (const spot of [spotOf(row.key, row.place), spotOf(row.key, undefined)]) {
      const there = bySpot.get(spot) ?? [];
      there.push(row);
      bySpot.set(spot, there);
    }
  const changed: { id: number; before: number; after: number }[] = [];
  const added: (Counted & { key: string })[] = [];
  for (const lot of lots) {
    const key = keyOf(lot);
    const there = bySpot.get(spotOf(key, lot.place)) ?? [];
    if (there.length === 0 && lot.quantity > 0) added.push({ ...lot, key });
    changed.push(
      ...there
        .map(({ id, quantity }, i) => ({ id, before: quantity, after: i === 0 ? lot.quantity : 0 }))
        .filter(({ before, after }) => before !== after),
    );
  }
  await queries.one('stores/change-many', JSON.stringify(changed), account.id, reason);
  await queries.one('stores/add-many', JSON.stringify(added.map(withoutKey)), account.id, reason);
  const moved = new Set(changed.map(({ id }) => id));
  const otherwise = lots.filter((lot) =>
    (bySpot.get(spotOf(keyOf(lot), lot.place)) ?? []).some(({ id }) => moved.has(id)),
  );
  return { added: added.length, changed: otherwise.length };
}

/** A lot as it is kept: what something is, apart from the key that it is known by. */
const withoutKey = ({ other, place = '', ...lot }: Counted & { key: string }) => {
  const { key: _, ...what } = other ?? { key: '' };
  return { ...lot, place, ...(other ? { other: what } : {}) };
};

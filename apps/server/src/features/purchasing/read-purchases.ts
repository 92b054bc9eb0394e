import { sumOfPrices } from '@druckerei/core';
import type { Account, KeptPurchase, PurchaseOrder, PurchaseState } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { notFound } from '../../http/problem.js';
import { refuseOlder } from '../changes/refuse-older.js';
import { nameOf } from '../stores/stores.js';
import { currentWorks } from '../works/works.js';

/** Most rows of a page that asks for no number. */
export const PAGE = 100;

/** What an order says, as it is kept. */
export type PurchaseBody = Pick<PurchaseOrder, 'expected' | 'note' | 'lines'>;

interface Row
  extends
    Pick<
      KeptPurchase,
      | 'id'
      | 'version'
      | 'number'
      | 'supplier'
      | 'supplierName'
      | 'state'
      | 'reason'
      | 'receipts'
      | 'madeAt'
      | 'changedBy'
      | 'changedAt'
    >,
    Record<string, unknown> {
  readonly body: PurchaseBody;
  /** What has come of each line, by its place; numbers of the jobs, by their id. */
  readonly received: Readonly<Record<string, number>>;
  readonly numbers: Readonly<Record<string, string>>;
  readonly total: number;
}

export interface LockedPurchase extends Record<string, unknown> {
  readonly version: number;
  readonly number: string;
  readonly supplier: number;
  readonly state: PurchaseState;
  readonly body: PurchaseBody;
}

interface Asked {
  readonly words?: string;
  readonly id?: number;
  readonly open?: boolean;
  readonly skip?: number;
  readonly limit?: number;
}

/** Orders as they are told to somebody: without prices to those who may not buy. */
export async function listPurchases(
  queries: Queries,
  { rights }: Pick<Account, 'rights'>,
  { words = '', id, open = false, skip = 0, limit = PAGE }: Asked,
): Promise<{ rows: KeptPurchase[]; total: number }> {
  const rows = await queries.many<Row>(
    'purchasing/list',
    JSON.stringify(patternsOf(words)),
    id ?? null,
    open,
    skip,
    limit,
  );
  const works = await currentWorks(queries);
  const sees = rights.includes('buy');
  const told = rows.map(({ body, received, numbers, total: _, ...row }): KeptPurchase => {
    const lines = body.lines.map(({ jobs, price, ...line }, i) => ({
      ...line,
      ...nameOf(line, works),
      price: sees ? (price ?? null) : null,
      received: received[i] ?? 0,
      jobs: jobs.map((one) => ({ ...one, number: numbers[one.job] ?? '' })),
    }));
    return {
      ...row,
      expected: body.expected,
      note: body.note ?? null,
      lines,
      total: sees ? sumOfPrices(lines.map(({ price }) => price)) : null,
    };
  });
  return { rows: told, total: rows[0]?.total ?? 0 };
}

export async function readPurchase(
  queries: Queries,
  account: Pick<Account, 'rights'>,
  id: number,
): Promise<KeptPurchase> {
  const [found] = (await listPurchases(queries, account, { id })).rows;
  if (!found) throw notFound($localize`This order`);
  return found;
}

/** An order, held until the transaction ends; refused where somebody else has changed it. */
export async function lockPurchase(queries: Queries, id: number, version: number): Promise<LockedPurchase> {
  const now = await queries.one<LockedPurchase>('purchasing/lock', id);
  if (!now) throw notFound($localize`This order`);
  refuseOlder('order', now.version, version);
  return now;
}

import { openOf, paperKey, wordOf } from '@druckerei/core';
import type {
  Account,
  FieldError,
  KeptPurchase,
  PurchaseLine,
  PurchaseOrder,
  PurchaseState,
} from '@druckerei/contract';
import { type PurchaseDocument, purchaseCsv } from '@druckerei/formats';
import type { Database, Queries } from '../../db/database.js';
import { inFileName } from '../../http/file-name.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { inTongue } from '../../http/tongue.js';
import type { Bench } from '../jobs/bench.js';
import { refuseOdd, stockIds } from '../stores/refusals.js';
import { currentLogo, headOf } from '../works/logo.js';
import { currentWorks } from '../works/works.js';
import { PAGE, type PurchaseBody, listPurchases, lockPurchase, readPurchase } from './read-purchases.js';
import { receive } from './receive.js';
import { readSupplier } from './suppliers.js';

/** Refuses what cannot be ordered: a thing that the works does not know, a job that is none. */
async function refuseOddLines(queries: Queries, lines: readonly PurchaseLine[]): Promise<void> {
  const stocks = stockIds(await currentWorks(queries));
  const asked = lines.flatMap(({ jobs }) => jobs.map(({ job }) => job));
  const missing = await queries.many<{ id: number }>('purchasing/missing-jobs', JSON.stringify([...new Set(asked)]));
  const gone = new Set(missing.map(({ id }) => id));
  const errors = lines.flatMap((line, i): FieldError[] => {
    const at = `lines[${i}].`;
    const { paper, other, key, quantity, jobs } = line;
    const keyed = paper ? key === paperKey(paper) : key.startsWith(`${other?.kind ?? ''}/`);
    const sum = jobs.reduce((all, one) => all + one.quantity, 0);
    return [
      ...refuseOdd(line, stocks, at),
      ...(keyed ? [] : [{ path: `${at}key`, message: $localize`${key} is not the key of what this line orders.` }]),
      ...jobs.flatMap(({ job }, j) =>
        gone.has(job) ? [{ path: `${at}jobs[${j}].job`, message: $localize`There is no job ${job}.` }] : [],
      ),
      ...(sum > quantity + 1e-6
        ? [{ path: `${at}jobs`, message: $localize`Jobs are to have ${sum} of it, but ${quantity} are ordered.` }]
        : []),
    ];
  });
  if (errors.length > 0) throw invalid(errors);
}

const bodyOf = ({ expected, note, lines }: PurchaseOrder): PurchaseBody => ({
  expected,
  lines,
  ...(note ? { note } : {}),
});

async function refuseRetired(queries: Queries, id: number): Promise<void> {
  const found = await readSupplier(queries, id).catch(() => undefined);
  if (!found) throw invalid([{ path: 'supplier', message: $localize`There is no such supplier. Choose another.` }]);
  if (found.supplier.retired)
    throw invalid([{ path: 'supplier', message: $localize`${found.supplier.name} is retired. Choose another.` }]);
}

export const addPurchase = (
  database: Database,
  account: Pick<Account, 'id' | 'rights'>,
  purchase: PurchaseOrder,
): Promise<KeptPurchase> =>
  database.transaction(async (queries) => {
    await refuseRetired(queries, purchase.supplier);
    await refuseOddLines(queries, purchase.lines);
    const { number, supplier } = purchase;
    const row = await queries.one<{ id: number }>('purchasing/add', number, supplier, bodyOf(purchase), account.id);
    return readPurchase(queries, account, row?.id ?? 0);
  });

const changePurchase = (
  database: Database,
  account: Account,
  id: number,
  { version, purchase }: { version: number; purchase: PurchaseOrder },
): Promise<KeptPurchase> =>
  database.transaction(async (queries) => {
    const now = await lockPurchase(queries, id, version);
    if (now.state === 'closed' || now.state === 'withdrawn')
      throw new ProblemError(409, $localize`This order is ${wordOf(now.state)}\: it stays as it is`);
    const next = bodyOf(purchase);
    const isDraft = now.state === 'draft';
    if (isDraft) {
      await refuseRetired(queries, purchase.supplier);
      await refuseOddLines(queries, purchase.lines);
    }
    await queries.one(
      'purchasing/change',
      id,
      isDraft ? purchase.number : now.number,
      isDraft ? purchase.supplier : now.supplier,
      // What has been sent is not ordered otherwise afterwards.
      isDraft ? next : { ...next, lines: now.body.lines },
      account.id,
    );
    return readPurchase(queries, account, id);
  });

/** What may become of an order. */
const AFTER: Readonly<Record<PurchaseState, readonly PurchaseState[]>> = {
  draft: ['sent', 'withdrawn'],
  sent: ['closed', 'withdrawn'],
  closed: [],
  withdrawn: [],
};

export const setPurchase = (
  database: Database,
  account: Pick<Account, 'id' | 'rights'>,
  id: number,
  { version, state, reason }: { version: number; state: PurchaseState; reason?: string | undefined },
): Promise<KeptPurchase> =>
  database.transaction(async (queries) => {
    const now = await lockPurchase(queries, id, version);
    if (!AFTER[now.state].includes(state))
      throw new ProblemError(409, $localize`This order is ${wordOf(now.state)}\: it cannot be ${wordOf(state)} now`);
    const came = await queries.many<{ line: number; received: number }>('purchasing/received', id);
    if (state === 'withdrawn' && came.length > 0)
      throw new ProblemError(409, $localize`Some of this order has come: say that no more of it will come instead`);
    const received = new Map(came.map((one) => [one.line, one.received]));
    const isOpen = now.body.lines.some(({ quantity }, i) => openOf({ quantity, received: received.get(i) ?? 0 }) > 0);
    if (state === 'closed' && isOpen && !reason)
      throw invalid([{ path: 'reason', message: $localize`Not all of it has come: say why no more will.` }]);
    await queries.one('purchasing/set-state', id, state, reason ?? null, account.id);
    return readPurchase(queries, account, id);
  });

/** An order as its documents tell it. */
async function documentOf(queries: Queries, account: Account, id: number): Promise<PurchaseDocument> {
  const purchase = await readPurchase(queries, account, id);
  const { supplier } = await readSupplier(queries, purchase.supplier);
  const works = await currentWorks(queries);
  const locale = supplier.locale ?? works.locale;
  return {
    ...(locale === undefined ? {} : { locale }),
    number: purchase.number,
    at: new Date(purchase.madeAt),
    works: { ...headOf(works), logo: await currentLogo(queries) },
    currency: works.currency,
    isDraft: purchase.state === 'draft',
    supplier: {
      name: supplier.name,
      ...(supplier.address ? { address: supplier.address } : {}),
      ...(supplier.reference ? { reference: supplier.reference } : {}),
    },
    expected: purchase.expected,
    ...(purchase.note ? { note: purchase.note } : {}),
    lines: purchase.lines,
  };
}

export const purchaseHandlers = ({
  database,
  workshop,
}: Bench): Pick<
  Handlers,
  'purchases' | 'addPurchase' | 'changePurchase' | 'setPurchase' | 'receive' | 'purchasePdf' | 'purchaseCsv'
> => ({
  purchases: async ({ account, query: { search = '', skip = 0, limit = PAGE, open }, response }) => {
    const asked = { words: search, skip, limit, open: open !== undefined };
    const { rows, total } = await listPurchases(database, account, asked);
    response.setHeader('X-Total-Count', String(total));
    return rows;
  },
  addPurchase: ({ account, body }) => addPurchase(database, account, body),
  changePurchase: ({ account, params, body }) => changePurchase(database, account, params.id, body),
  setPurchase: ({ account, params, body }) => setPurchase(database, account, params.id, body),
  receive: ({ account, params, body }) => receive(database, account, params.id, body),
  purchasePdf: async ({ account, params, response }) => {
    const document = await documentOf(database, account, params.id);
    const made = await inTongue(document.locale, () => workshop.run('purchase', document));
    response.setHeader('Content-Disposition', `inline; filename="order-${inFileName(document.number)}.pdf"`);
    return made;
  },
  purchaseCsv: async ({ account, params, response }) => {
    const document = await documentOf(database, account, params.id);
    response.setHeader('Content-Disposition', `attachment; filename="order-${inFileName(document.number)}.csv"`);
    return inTongue(document.locale, () => purchaseCsv(document));
  },
});

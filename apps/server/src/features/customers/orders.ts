import type { Account, CustomerOrder, KeptCustomer, KeptOrder } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';
import { namesOf, readCustomer } from './customers.js';
import { refuseOlder } from '../changes/refuse-older.js';

/** What is kept of an order in its row: number and jobs stand by themselves. */
const bodyOf = ({ number: _number, jobs: _jobs, ...body }: CustomerOrder): object => body;

async function readOrder(queries: Queries, id: number): Promise<KeptOrder> {
  const [found] = await queries.many<KeptOrder>('customers/orders', null, id);
  if (!found) throw notFound($localize`This order`);
  return found;
}

interface ForeignJob {
  readonly id: number;
  readonly number: string | null;
  readonly order: string | null;
}

/** Refuses jobs and a place that cannot be of an order. */
async function refuseForeign(
  queries: Queries,
  { customer }: KeptCustomer,
  { jobs, place }: CustomerOrder,
  id: number | null,
): Promise<void> {
  const foreign = await queries.many<ForeignJob & Record<string, unknown>>(
    'customers/foreign-jobs',
    JSON.stringify(jobs),
    JSON.stringify(namesOf(customer)),
    id,
  );
  const errors = foreign.map(({ id: job, number, order }) => ({
    path: `jobs[${jobs.indexOf(job)}]`,
    message:
      number === null
        ? $localize`There is no such job.`
        : order === null
          ? $localize`${number} is another customer’s. Change its customer first.`
          : $localize`${number} is of order ${order}. Take it out there first.`,
  }));
  if (place !== undefined && !(customer.places ?? []).some(({ name }) => name === place))
    errors.push({
      path: 'place',
      message: $localize`${customer.name} has no place “${place}”. Enter it with the customer.`,
    });
  if (errors.length > 0) throw invalid(errors);
}

const writeJobs = async (queries: Queries, id: number, { jobs }: CustomerOrder): Promise<void> => {
  await queries.one('customers/drop-order-jobs', id);
  await queries.one('customers/put-order-jobs', id, JSON.stringify([...new Set(jobs)]));
};

export const addOrder = (
  database: Database,
  account: Pick<Account, 'id'>,
  customer: number,
  order: CustomerOrder,
): Promise<KeptOrder> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'order');
    await refuseForeign(queries, await readCustomer(queries, customer), order, null);
    const row = await queries.one<{ id: number }>(
      'customers/add-order',
      order.number,
      customer,
      bodyOf(order),
      account.id,
    );
    await writeJobs(queries, row?.id ?? 0, order);
    return readOrder(queries, row?.id ?? 0);
  });

const changeOrder = (
  database: Database,
  account: Pick<Account, 'id'>,
  id: number,
  { version, order }: { version: number; order: CustomerOrder },
): Promise<KeptOrder> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'order');
    const now = await queries.one<{ version: number; customer: number }>('customers/lock-order', id);
    if (!now) throw notFound($localize`This order`);
    refuseOlder('order', now.version, version);
    await refuseForeign(queries, await readCustomer(queries, now.customer), order, id);
    await queries.one('customers/change-order', id, order.number, bodyOf(order), account.id);
    await writeJobs(queries, id, order);
    return readOrder(queries, id);
  });

export const orderHandlers = (database: Database): Pick<Handlers, 'orders' | 'addOrder' | 'changeOrder'> => ({
  orders: async ({ params }) => {
    await readCustomer(database, params.id);
    return database.many<KeptOrder>('customers/orders', params.id, null);
  },
  addOrder: ({ account, params, body }) => addOrder(database, account, params.id, body),
  changeOrder: ({ account, params, body }) => changeOrder(database, account, params.id, body),
});

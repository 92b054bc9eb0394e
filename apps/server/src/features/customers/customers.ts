import { type Completion, goodOf } from '@druckerei/core';
import type {
  Account,
  Customer,
  CustomerRow,
  EnteredCustomers,
  FieldError,
  KeptCustomer,
  PastJob,
} from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { type Batch, type Entries, MOST_TOLD } from '../../http/entries.js';
import { ProblemError, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';
import { refuseOlder } from '../changes/refuse-older.js';
import { keptCarriers } from '../room/kept-carriers.js';

/** Most rows of a page that asks for no number. */
const PAGE = 200;

export async function readCustomer(queries: Queries, id: number): Promise<KeptCustomer> {
  const found = await queries.one<KeptCustomer>('customers/one', id);
  if (!found) throw notFound($localize`This customer`);
  return found;
}

/** Every name that jobs may have for a customer. */
export const namesOf = ({ name, also = [] }: Customer): string[] => [name, ...also];

/** Refuses a name that another customer has: jobs would be of both. */
async function refuseTaken(queries: Queries, customer: Customer, id: number | null): Promise<void> {
  for (const [i, name] of namesOf(customer).entries()) {
    const other = await queries.one<{ name: string }>('customers/named', [name], id);
    if (other)
      throw new ProblemError(409, $localize`Another customer has this name`, {
        errors: [
          {
            path: i === 0 ? 'name' : `also[${i - 1}]`,
            message: $localize`“${name}” is a name of ${other.name}. Choose another, or change that customer.`,
          },
        ],
      });
  }
}

const changeCustomer = (
  database: Database,
  account: Pick<Account, 'id'>,
  id: number,
  { version, customer }: { version: number; customer: Customer },
): Promise<KeptCustomer> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'customer');
    const now = await queries.one<{ version: number; customer: Customer }>('customers/lock', id);
    if (!now) throw notFound($localize`This customer`);
    refuseOlder('customer', now.version, version);
    const before = now.customer.name;
    const also = [...new Set([...(customer.also ?? []), ...(before === customer.name ? [] : [before])])].filter(
      (name) => name !== customer.name,
    );
    const next: Customer = { ...customer, also };
    await refuseTaken(queries, next, id);
    await queries.one('customers/change', id, next.name, next, account.id);
    return readCustomer(queries, id);
  });

export const addCustomer = (
  database: Database,
  account: Pick<Account, 'id'>,
  customer: Customer,
): Promise<KeptCustomer> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'customer');
    await refuseTaken(queries, customer, null);
    const row = await queries.one<{ id: number }>('customers/add', customer.name, customer, account.id);
    return readCustomer(queries, row?.id ?? 0);
  });

/** Whose the names of customers are already; of those beside one another the first has a name. */
async function takenNames(queries: Queries, { first, entries }: Batch<Customer>): Promise<FieldError[]> {
  const rows = await queries.many<{ name: string; customer: string }>(
    'customers/taken-names',
    JSON.stringify(entries.flatMap(namesOf)),
  );
  const taken = new Map(rows.map(({ name, customer }) => [name.toLowerCase(), customer]));
  return entries.flatMap((customer, i) => {
    const has = namesOf(customer).map((name) => ({ name, of: taken.get(name.toLowerCase()) }));
    for (const { name } of has) taken.set(name.toLowerCase(), customer.name);
    return has.flatMap(({ name, of }) =>
      of === undefined
        ? []
        : [
            {
              path: `customers[${first + i}].name`,
              message: $localize`“${name}” is a name of ${of}. Choose another, or leave it out.`,
            },
          ],
    );
  });
}

/** Customers out of a list, all of them or none; each name that is taken is told with its place. */
const addCustomers = (
  database: Database,
  account: Pick<Account, 'id'>,
  customers: Entries<Customer>,
): Promise<EnteredCustomers> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'customer');
    const errors: FieldError[] = [];
    const ids: number[] = [];
    for await (const batch of customers.batches()) {
      customers.tell('entering', batch.first);
      errors.push(...(await takenNames(queries, batch)));
      if (errors.length >= MOST_TOLD) break;
      // What comes behind is looked through all the same, against what came in before the first name that is taken.
      if (errors.length > 0) continue;
      const rows = await queries.many<{ id: number }>('customers/add-many', JSON.stringify(batch.entries), account.id);
      ids.push(...rows.map(({ id }) => id));
    }
    if (errors.length > 0) throw new ProblemError(409, $localize`Some customers have names that are taken`, { errors });
    return { ids };
  });

type PastRow = Omit<PastJob, 'carriers' | 'counted'> & {
  /** What ends it, absent until it has been reckoned, and the last good count of each step. */
  readonly finish: Completion | null;
  readonly counts: Readonly<Record<string, number>>;
};

async function pastJobs(queries: Queries, customer: Customer): Promise<PastJob[]> {
  const rows = await queries.many<PastRow>('customers/jobs', JSON.stringify(namesOf(customer)));
  const kept = await keptCarriers(queries, { customers: namesOf(customer) });
  return rows.map(({ finish, counts, ...row }) => ({
    ...row,
    carriers: kept.filter(({ jobId }) => jobId === row.id).length,
    counted: (finish && goodOf(finish, new Map(Object.entries(counts)))) ?? null,
  }));
}

export const customerHandlers = (
  database: Database,
): Pick<
  Handlers,
  'customers' | 'customer' | 'addCustomer' | 'addCustomers' | 'changeCustomer' | 'pastJobs' | 'customerCarriers'
> => ({
  customers: async ({ query: { search = '', skip = 0, limit = PAGE }, response }) => {
    const rows = await database.many<CustomerRow & { total: number }>(
      'customers/list',
      JSON.stringify(patternsOf(search)),
      skip,
      limit,
    );
    response.setHeader('X-Total-Count', String(rows[0]?.total ?? 0));
    return rows.map(({ total: _, ...row }) => row);
  },
  customer: ({ params }) => readCustomer(database, params.id),
  addCustomer: ({ account, body }) => addCustomer(database, account, body),
  addCustomers: ({ account, entries }) => addCustomers(database, account, entries),
  changeCustomer: ({ account, params, body }) => changeCustomer(database, account, params.id, body),
  pastJobs: async ({ params }) => {
    const { customer } = await readCustomer(database, params.id);
    return pastJobs(database, customer);
  },
  customerCarriers: async ({ params }) => {
    const { customer } = await readCustomer(database, params.id);
    return keptCarriers(database, { customers: namesOf(customer) });
  },
});

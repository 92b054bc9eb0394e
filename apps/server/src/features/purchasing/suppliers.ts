import type { Account, KeptSupplier, Supplier } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';
import { refuseOlder } from '../changes/refuse-older.js';

/** Most rows of a page that asks for no number. */
const PAGE = 200;

type Row = KeptSupplier & { readonly total: number };

const suppliersOf = (queries: Queries, words: string, id: number | null, skip: number, limit: number): Promise<Row[]> =>
  queries.many<Row>('purchasing/suppliers', JSON.stringify(patternsOf(words)), id, skip, limit);

export async function readSupplier(queries: Queries, id: number): Promise<KeptSupplier> {
  const [row] = await suppliersOf(queries, '', id, 0, 1);
  if (!row) throw notFound($localize`This supplier`);
  const { total: _, ...supplier } = row;
  return supplier;
}

export async function addSupplier(
  database: Database,
  account: Pick<Account, 'id'>,
  supplier: Supplier,
): Promise<KeptSupplier> {
  const row = await database.one<{ id: number }>('purchasing/add-supplier', supplier.name, supplier, account.id);
  return readSupplier(database, row?.id ?? 0);
}

const changeSupplier = (
  database: Database,
  account: Pick<Account, 'id'>,
  id: number,
  { version, supplier }: { version: number; supplier: Supplier },
): Promise<KeptSupplier> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'supplier');
    const now = await queries.one<{ version: number }>('purchasing/lock-supplier', id);
    if (!now) throw notFound($localize`This supplier`);
    refuseOlder('supplier', now.version, version);
    await queries.one('purchasing/change-supplier', id, supplier.name, supplier, account.id);
    return readSupplier(queries, id);
  });

export const supplierHandlers = (
  database: Database,
): Pick<Handlers, 'suppliers' | 'addSupplier' | 'changeSupplier'> => ({
  suppliers: async ({ query: { search = '', skip = 0, limit = PAGE }, response }) => {
    const rows = await suppliersOf(database, search, null, skip, limit);
    response.setHeader('X-Total-Count', String(rows[0]?.total ?? 0));
    return rows.map(({ total: _, ...row }) => row);
  },
  addSupplier: ({ account, body }) => addSupplier(database, account, body),
  changeSupplier: ({ account, params, body }) => changeSupplier(database, account, params.id, body),
});

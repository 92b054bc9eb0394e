import { dayAfter } from '@druckerei/core';
import { type Account, dayIn } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { addPurchase, setPurchase } from '../features/purchasing/purchases.js';
import { receive } from '../features/purchasing/receive.js';
import { addSupplier } from '../features/purchasing/suppliers.js';
import { DEMO_PURCHASES, DEMO_SUPPLIERS } from './demo-purchasing.js';

/** Suppliers of the demo, what is ordered from them, and what has come. */
export async function loadPurchasing(database: Database, manager: Account): Promise<void> {
  const kept = new Map<string, number>();
  for (const supplier of DEMO_SUPPLIERS) kept.set(supplier.name, (await addSupplier(database, manager, supplier)).id);
  for (const { supplier, days, receipt, ...purchase } of DEMO_PURCHASES) {
    const expected = dayAfter(dayIn(new Date()), days);
    const made = await addPurchase(database, manager, { ...purchase, expected, supplier: kept.get(supplier) ?? 0 });
    const sent = await setPurchase(database, manager, made.id, { version: made.version, state: 'sent' });
    if (receipt) await receive(database, manager, made.id, { ...receipt, version: sent.version });
  }
}

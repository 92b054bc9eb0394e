import type { Works } from '@druckerei/core';
import type { Queries } from '../../db/database.js';

/** Language and place that a customer is written to in: their own, else that of the works. @param name any that they have */
export async function localeOf(
  queries: Queries,
  name: string | undefined,
  { locale }: Works,
): Promise<string | undefined> {
  const customer = await queries.one<{ locale: string | null }>('customers/named', [name ?? ''], null);
  return customer?.locale ?? locale;
}

import type { Carrier } from '@druckerei/core';
import type { KeptCarrier } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';

/** What a carrier's record remembers of it for the store. */
type StoredNote = Pick<Carrier, 'id' | 'name' | 'kind' | 'owner' | 'life'> & { ink: string | null; used: number };

interface KeptRow {
  key: string;
  job_id: number;
  job: string;
  title: string;
  carrier: StoredNote;
  place: string | null;
  entered_at: Date;
}

/** Carriers that the store keeps now: under keys, of jobs of a customer by any of their names, or all of them. */
export async function keptCarriers(
  queries: Queries,
  {
    keys = null,
    customers = null,
  }: { readonly keys?: readonly string[] | null; readonly customers?: readonly string[] | null } = {},
): Promise<KeptCarrier[]> {
  const rows = await queries.many<KeptRow>('room/kept', keys, customers);
  return rows.map(({ job_id, entered_at, carrier, ...row }) => {
    const { id, ...note } = carrier;
    return { ...row, ...note, carrier: id, jobId: job_id, since: entered_at.toISOString() };
  });
}

import type { HookEvent } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { HOOK_QUEUE, queueOn } from '../../db/queue.js';

/** A job as messages name it. */
export interface ToldJob {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
}
type Fields = Readonly<Record<string, unknown>>;

/** What a message says: of what, when, and more of it. Prices are in none. */
export const messageBody = (type: string, data: Fields): string =>
  JSON.stringify({ type, timestamp: new Date().toISOString(), data });

/** Puts messages into the queue, in the transaction that they are made in. */
export async function queueMessages(queries: Queries, messages: readonly { readonly id: number }[]): Promise<void> {
  const queue = queueOn({ pool: { query: queries.raw } });
  for (const { id } of messages) await queue.send(HOOK_QUEUE, { message: id });
}

/** Tells every address that wants to know of it, when the transaction has ended well. */
export async function tellHooks(queries: Queries, event: HookEvent, job: ToldJob, more: Fields = {}): Promise<void> {
  const { id, number, title, customer } = job;
  const body = messageBody(event, { job: { id, number, title, customer }, ...more });
  await queueMessages(queries, await queries.many<{ id: number }>('hooks/add-messages', event, body));
}

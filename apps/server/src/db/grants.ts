import pg from 'pg';
import type { Database } from './database.js';

/** Tables that are only ever added to: the application's role may neither change nor take away a row of theirs. */
const ONLY_ADDED = [
  'norm_change',
  'norm_decision',
  'holding_change',
  'purchase_receipt',
  'book_entry',
  'book_photo',
  'call_off',
  'released_plan',
  'practice_result',
  'change_record',
  'security_record',
  'audit_record',
] as const;
/** Tables that rows are taken out of. */
const TAKEN_FROM = [
  'session',
  'sign_in_attempt',
  'sent_request',
  'reservation',
  'house_fold',
  'account',
  'works',
  'norm',
  'account_link',
  'role',
  'works_item',
  'works_logo',
  'customer_order_job',
  'floor_pin',
  'floor_schedule',
  'desk_note',
  'floor_feed',
  'floor_run',
  'program_token',
  'hook',
  'hook_message',
];

/** The role that an address of a database signs in as. */
export const roleOf = (url: string): string => decodeURIComponent(new URL(url).username);

const list = (tables: readonly string[]): string => tables.map((table) => pg.escapeIdentifier(table)).join(', ');

/**
 * What the application's role may do with the tables of another: read and write, never change what guards them, and
 * only add to what is a record. Without effect where the application owns its tables.
 */
export async function grantTo(owner: Pick<Database, 'pool'>, role: string): Promise<void> {
  const { rows } = await owner.pool.query<{ own: boolean }>('SELECT current_user = $1 AS own', [role]);
  if (rows[0]?.own) return;
  const to = pg.escapeIdentifier(role);
  await owner.pool.query(
    `BEGIN;
     REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${to};
     GRANT SELECT, INSERT, UPDATE ON ALL TABLES IN SCHEMA public TO ${to};
     REVOKE UPDATE ON ${list(ONLY_ADDED)} FROM ${to};
     REVOKE INSERT, UPDATE ON migration FROM ${to};
     GRANT DELETE ON ${list(TAKEN_FROM)} TO ${to};
     GRANT USAGE, SELECT, UPDATE ON ALL SEQUENCES IN SCHEMA public TO ${to};
     COMMIT`,
  );
}

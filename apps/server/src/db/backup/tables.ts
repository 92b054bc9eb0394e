/** A table that a backup holds, and the columns that its rows are put in order by. */
export interface BackupTable {
  readonly name: string;
  readonly order: string;
  /** The works may have rows of its own before a restore: those are replaced, or what comes is put behind them. */
  readonly before?: 'replaced' | 'kept';
  /** Only backups of earlier versions have it. */
  readonly past?: true;
}

/** Everything that a works keeps, what is referred to ahead of what refers to it. */
export const BACKUP_TABLES: readonly BackupTable[] = [
  { name: 'role', order: 'id COLLATE "C"', before: 'replaced' },
  { name: 'account', order: 'id', before: 'replaced' },
  { name: 'works', order: 'id', before: 'replaced' },
  { name: 'works_logo', order: 'id', before: 'replaced' },
  { name: 'works_item', order: 'kind COLLATE "C", id COLLATE "C"', before: 'replaced' },
  { name: 'norm', order: 'id COLLATE "C"' },
  { name: 'norm_change', order: 'id' },
  { name: 'house_fold', order: 'name COLLATE "C"' },
  { name: 'job', order: 'id' },
  { name: 'revision', order: 'job_id, revision' },
  { name: 'released_plan', order: 'job_id, revision' },
  { name: 'assessment', order: 'job_id, revision' },
  // Until schema 23; its rows became the first entries of the book.
  { name: 'press_room_record', order: 'id', past: true },
  { name: 'book_entry', order: 'id' },
  { name: 'book_photo', order: 'sha256 COLLATE "C"' },
  { name: 'norm_decision', order: 'id' },
  { name: 'holding', order: 'id' },
  { name: 'holding_change', order: 'id' },
  { name: 'reservation', order: 'job_id, key COLLATE "C"' },
  { name: 'store_drawn', order: 'job_id, of COLLATE "C", key COLLATE "C"' },
  { name: 'finished_lot', order: 'id' },
  { name: 'destination', order: 'name COLLATE "C"' },
  { name: 'call_off', order: 'id' },
  { name: 'single_book', order: 'code COLLATE "C"' },
  { name: 'customer', order: 'id' },
  { name: 'customer_order', order: 'id' },
  { name: 'customer_order_job', order: 'job_id' },
  { name: 'offer', order: 'id' },
  { name: 'supplier', order: 'id' },
  { name: 'purchase', order: 'id' },
  { name: 'purchase_receipt', order: 'id' },
  { name: 'floor_hours', order: 'id' },
  { name: 'floor_pin', order: 'job_id, step COLLATE "C"' },
  { name: 'floor_schedule', order: 'id' },
  { name: 'desk_note', order: 'key COLLATE "C"' },
  { name: 'practice_result', order: 'id' },
  { name: 'change_record', order: 'id' },
  { name: 'security_record', order: 'id', before: 'kept' },
  { name: 'audit_record', order: 'id', before: 'kept' },
];

/** What a backup leaves out: it belongs to the running server or to this database, or comes of the rest. */
export const LEFT_OUT: readonly string[] = [
  'job_total',
  'job_outcome',
  'floor_job',
  'account_link',
  'program_token',
  'hook',
  'hook_message',
  'floor_feed',
  'floor_run',
  'session',
  'sign_in_attempt',
  'sent_request',
  'migration',
];

/**
 * Rows of a table as lines of JSON, as PostgreSQL writes it. Where a restore puts them behind what is there, without
 * their number. @param where condition on the rows, of our own.
 */
export const rowsOf = ({ name, order, before }: BackupTable, where = 'true'): string =>
  `SELECT ${before === 'kept' ? "(to_jsonb(t) - 'id')" : 'row_to_json(t)'}::text AS line FROM ${name} t WHERE ${where} ORDER BY ${order}`;

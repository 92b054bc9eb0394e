import { createHash } from 'node:crypto';
import type pg from 'pg';
import { sql } from '../sql.js';
import { type BackupTable, BACKUP_TABLES, rowsOf } from './tables.js';

/** Rows that are fetched at once. */
const FETCHED = 500;

/** Lines of a table, a few hundred at a time, inside the transaction that `client` is in. */
export async function* linesOf(client: pg.ClientBase, table: BackupTable, where?: string): AsyncGenerator<string> {
  await client.query(`DECLARE backup NO SCROLL CURSOR FOR ${rowsOf(table, where)}`);
  for (;;) {
    const { rows } = await client.query<{ line: string }>(`FETCH ${FETCHED} FROM backup`);
    for (const { line } of rows) yield line;
    if (rows.length < FETCHED) break;
  }
  await client.query('CLOSE backup');
}

/** The tables that the schema has, as far as it has come. */
export async function tablesOf(client: pg.ClientBase): Promise<readonly BackupTable[]> {
  const { rows } = await client.query<{ name: string }>(sql('backup/tables'));
  const names = new Set(rows.map(({ name }) => name));
  return BACKUP_TABLES.filter(({ name }) => names.has(name));
}

export interface Tally {
  readonly rows: number;
  readonly sha256: string;
}

/** Counts and hashes lines as they pass; each ends with a line feed. */
export function tally(): { add: (line: string) => void; end: () => Tally } {
  const hash = createHash('sha256');
  let rows = 0;
  return {
    add: (line) => {
      rows++;
      hash.update(line).update('\n');
    },
    end: () => ({ rows, sha256: hash.digest('hex') }),
  };
}

export const sameTally = (a: Tally, b: Tally): boolean => a.rows === b.rows && a.sha256 === b.sha256;

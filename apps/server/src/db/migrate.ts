import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import type { Database } from './database.js';
import { SQL_ROOT } from './sql.js';

const FOLDER = path.join(SQL_ROOT, 'migrations');

/**
 * Files that were mended after they ran somewhere, with the checksum of what ran there. What they make is the same: the mend is for servers that
 * refuse how it was made.
 */
const MENDED: Readonly<Record<string, string>> = {
  // A table does not change under a function with a parsed body that takes its rows: PostgreSQL 15.19.
  '012_aside.sql': 'b8e7b381b3ebb17ccc5d83eab9a22bae259412d27a07b95b8f6a0dcc3a4969e8',
};

/** The files that the schema of this version is made by, in order. */
export const migrations = (): readonly string[] =>
  fs
    .readdirSync(FOLDER)
    .filter((file) => file.endsWith('.sql'))
    .sort();

/**
 * Brings the schema up to date: forward-only files in order, each in a transaction, with a checksum so that a file
 * changed after it ran is noticed. To be run alone. Returns the names of the files that ran. @param upTo the last that is to run; all
 * where absent.
 */
export async function migrate({ pool }: Pick<Database, 'pool'>, upTo?: string): Promise<string[]> {
  const files = migrations().filter((file) => upTo === undefined || file <= upTo);
  const client = await pool.connect();
  const ran: string[] = [];
  try {
    await client.query(
      'CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, checksum text NOT NULL, ran_at timestamptz NOT NULL DEFAULT now())',
    );
    const { rows } = await client.query<{ name: string; checksum: string }>('SELECT name, checksum FROM migration');
    const known = new Map(rows.map(({ name, checksum }) => [name, checksum]));
    for (const name of files) {
      const text = fs.readFileSync(path.join(FOLDER, name), 'utf8');
      const checksum = createHash('sha256').update(text).digest('hex');
      const before = known.get(name);
      if (before !== undefined && (before === checksum || before === MENDED[name])) continue;
      if (before !== undefined) throw new Error(`migration ${name} was changed after it ran; add a new file instead`);
      try {
        await client.query('BEGIN');
        await client.query(text);
        await client.query('INSERT INTO migration (name, checksum) VALUES ($1, $2)', [name, checksum]);
        await client.query('COMMIT');
      } catch (error) {
        await client.query('ROLLBACK');
        throw error;
      }
      ran.push(name);
    }
  } finally {
    client.release();
  }
  return ran;
}

import { setTimeout as wait } from 'node:timers/promises';
import type { Database } from './database.js';

/** Any number, the same in every instance. */
const LOCK = 4_127_001;
/** Milliseconds before it is asked again. */
const AGAIN_MS = 100;

/**
 * Runs `work` while no other instance on the same database does: they wait for each other, however long it takes. Whoever
 * dies over it holds up nobody, since the lock ends with the connection.
 */
export async function alone<T>({ pool }: Pick<Database, 'pool'>, work: () => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken = false;
  const ask = async (question: string): Promise<boolean> => {
    const { rows } = await client.query<{ done: boolean }>(`SELECT ${question}($1) AS done`, [LOCK]);
    return rows[0]?.done === true;
  };
  try {
    // Asked again and again, since a question that waits is given up after a while.
    while (!(await ask('pg_try_advisory_lock'))) await wait(AGAIN_MS);
    return await work();
  } finally {
    await ask('pg_advisory_unlock').catch(() => {
      broken = true;
    });
    client.release(broken);
  }
}

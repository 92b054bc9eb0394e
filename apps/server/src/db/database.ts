import pg from 'pg';
import { isAway, mayTryAgain } from './errors.js';
import { openNote } from './noted.js';
import { sql } from './sql.js';

/** Runs named queries: on the pool, or inside one transaction. */
export interface Queries {
  /** All rows of a query. */
  many<Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row[]>;
  /** The only row, or undefined. */
  one<Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row | undefined>;
  /** A statement of the queue's, which has its own. */
  readonly raw: (text: string, values: unknown[]) => Promise<{ rows: unknown[] }>;
}

export interface Database extends Queries {
  readonly pool: pg.Pool;
  /**
   * Runs `work` in one transaction; rolled back when it throws. Run again, as a whole, where PostgreSQL gave it up for
   * another transaction, so `work` must not do anything outside the database. The first that writes in a call carries
   * the note of it (`noting`): neither is there without the other.
   */
  transaction<T>(work: (queries: Queries) => Promise<T>): Promise<T>;
  /** Whether the database answers, told within a second even if it is silent. */
  isAlive(): Promise<boolean>;
  close(): Promise<void>;
}

/** Milliseconds: a statement, waiting for a lock, a transaction that does nothing, a connection, an answer over a dead wire. */
const LIMITS = {
  statement_timeout: 10_000,
  lock_timeout: 5_000,
  idle_in_transaction_session_timeout: 10_000,
  connectionTimeoutMillis: 2_000,
  query_timeout: 12_000,
} as const;
/** Limits of the one connection that looks whether the database is there, milliseconds. */
const LOOK = { connectionTimeoutMillis: 700, query_timeout: 700 } as const;

/** Statements that write, and some that only lock. */
const WRITES = /\b(INSERT|UPDATE|DELETE)\b/;

/** Times that a transaction is run, the first included, before its conflict is told. */
const MOST_RUNS = 4;

/** Objects for jsonb go as text: pg would turn an array into a PostgreSQL array. Dates and bytes it knows. */
const parameter = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && !(value instanceof Date) && !(value instanceof Uint8Array)
    ? JSON.stringify(value)
    : value;

/** The only row out of all. */
const asking = (many: Queries['many'], raw: Queries['raw']): Queries => ({
  many,
  raw,
  one: async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row | undefined> => {
    const [row] = await many<Row>(name, ...values);
    return row;
  },
});

const queriesOn = (client: pg.Pool | pg.PoolClient): Queries =>
  asking(
    async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row[]> => {
      // Named, so that PostgreSQL reads and plans it once for a connection.
      const { rows } = await client.query<Row>({ name, text: sql(name), values: values.map(parameter) });
      return rows;
    },
    (text, values) => client.query<Record<string, unknown>>(text, values),
  );

/**
 * One run of a transaction on a connection of its own. One that broke under it is thrown away, not handed to the next.
 * @param begin how it begins: its isolation, where it is not the usual.
 */
export async function runOnce<T>(
  pool: pg.Pool,
  work: (client: pg.PoolClient) => Promise<T>,
  begin = 'BEGIN',
): Promise<T> {
  const client = await pool.connect();
  let broken = false;
  try {
    await client.query(begin);
    const result = await work(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    broken = isAway(error);
    if (!broken)
      await client.query('ROLLBACK').catch(() => {
        broken = true;
      });
    throw error;
  } finally {
    client.release(broken);
  }
}

/** One run of a transaction with the note of the call in it, where none has carried that yet. */
async function runNoted<T>(pool: pg.Pool, work: (queries: Queries) => Promise<T>): Promise<T> {
  const note = openNote();
  if (!note) return runOnce(pool, (client) => work(queriesOn(client)));
  note.taken = true;
  let left = false;
  try {
    return await runOnce(pool, async (client) => {
      const queries = queriesOn(client);
      const result = await work(queries);
      left = (await queries.one('audit/add-to-change', ...note.values)) !== undefined;
      return result;
    });
  } catch (error) {
    left = false;
    throw error;
  } finally {
    note.taken = left;
  }
}

async function runUntilDone<T>(pool: pg.Pool, work: (queries: Queries) => Promise<T>): Promise<T> {
  for (let run = 1; ; run++) {
    try {
      return await runNoted(pool, work);
    } catch (error) {
      if (run === MOST_RUNS || !mayTryAgain(error)) throw error;
    }
  }
}

/**
 * A pool on a database. @param onError told of connections that break, idle or at work: the server went away.
 * @param limits of a question, in place of the usual
 */
export function connect(
  connectionString: string,
  onError: (error: Error) => void,
  limits: Partial<typeof LIMITS> = LIMITS,
): Database {
  const pool = new pg.Pool({ connectionString, max: 10, keepAlive: true, ...limits });
  const look = new pg.Pool({ connectionString, max: 1, ...LOOK });
  for (const one of [pool, look]) {
    one.on('error', onError);
    // A client that breaks while it is checked out has no listener of the pool's: without one the process would end.
    one.on('connect', (client) => client.on('error', onError));
  }
  const plain = queriesOn(pool);
  /** A statement that writes is a transaction of its own where a call has a note to leave. */
  const many: Queries['many'] = (name, ...values) =>
    WRITES.test(sql(name)) && openNote()
      ? runUntilDone(pool, (queries) => queries.many(name, ...values))
      : plain.many(name, ...values);
  return {
    pool,
    ...asking(many, plain.raw),
    transaction: (work) => runUntilDone(pool, work),
    isAlive: () =>
      look.query(sql('accounts/health')).then(
        () => true,
        () => false,
      ),
    close: async () => {
      await Promise.all([pool.end(), look.end()]);
    },
  };
}

import pg from 'pg';
import { isAway, mayTryAgain } from './errors.js';
import { sql } from './sql.js';

/** Runs named queries: on the pool, or inside one transaction. */
export interface Queries {
  /** All rows of a query. */
  many<Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row[]>;
  /** The only row, or undefined. */
  one<Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row | undefined>;
}

export interface Database extends Queries {
  readonly pool: pg.Pool;
  /**
   * Runs `work` in one transaction; rolled back when it throws. Run again, as a whole, where PostgreSQL gave it up for
   * another transaction, so `work` must not do anything outside the database.
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

/** Times that a transaction is run, the first included, before its conflict is told. */
const MOST_RUNS = 4;

/** Objects for jsonb go as text: pg would turn an array into a PostgreSQL array. Dates and bytes it knows. */
const parameter = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && !(value instanceof Date) && !(value instanceof Uint8Array)
    ? JSON.stringify(value)
    : value;

function queriesOn(client: pg.Pool | pg.PoolClient): Queries {
  const many = async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row[]> => {
    // Named, so that PostgreSQL reads and plans it once for a connection.
    const { rows } = await client.query<Row>({ name, text: sql(name), values: values.map(parameter) });
    return rows;
  };
  const one = async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row | undefined> => {
    const [row] = await many<Row>(name, ...values);
    return row;
  };
  return { many, one };
}

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

async function runUntilDone<T>(pool: pg.Pool, work: (queries: Queries) => Promise<T>): Promise<T> {
  for (let run = 1; ; run++) {
    try {
      return await runOnce(pool, (client) => work(queriesOn(client)));
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
  return {
    pool,
    ...queriesOn(pool),
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

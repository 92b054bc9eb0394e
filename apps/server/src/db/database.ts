import pg from 'pg';
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
  /** Runs `work` in one transaction; rolled back when it throws. */
  transaction<T>(work: (queries: Queries) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Objects for jsonb go as text: pg would turn an array into a PostgreSQL array. */
const parameter = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && !(value instanceof Date) ? JSON.stringify(value) : value;

function queriesOn(client: pg.Pool | pg.PoolClient): Queries {
  const many = async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row[]> => {
    const { rows } = await client.query<Row>(sql(name), values.map(parameter));
    return rows;
  };
  const one = async <Row extends pg.QueryResultRow>(name: string, ...values: unknown[]): Promise<Row | undefined> => {
    const [row] = await many<Row>(name, ...values);
    return row;
  };
  return { many, one };
}

/** A pool on a database. @param onError told of connections that break while idle (the server went away). */
export function connect(connectionString: string, onError: (error: Error) => void): Database {
  const pool = new pg.Pool({ connectionString, max: 10, connectionTimeoutMillis: 5_000 });
  pool.on('error', onError);
  return {
    pool,
    ...queriesOn(pool),
    async transaction(work) {
      const client = await pool.connect();
      try {
        await client.query('BEGIN');
        const result = await work(queriesOn(client));
        await client.query('COMMIT');
        return result;
      } catch (error) {
        await client.query('ROLLBACK').catch(onError);
        throw error;
      } finally {
        client.release();
      }
    },
    close: () => pool.end(),
  };
}

/** Name of the constraint that a write ran into; undefined for any other error. */
export const violated = (error: unknown): string | undefined =>
  error instanceof pg.DatabaseError ? error.constraint : undefined;

/** Whether PostgreSQL cannot keep a value as it was sent (SQLSTATE class 22): a null character, half a surrogate pair. */
export const isUnkeepable = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && error.code?.startsWith('22') === true;

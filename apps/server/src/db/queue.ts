import pg from 'pg';
import PgBoss from 'pg-boss';
import type { Database } from './database.js';

/** The queue of floors that are to be planned. */
export const FLOOR_QUEUE = 'floor';
/** Seconds that a plan may be under way before it is taken for lost, and how often it is begun again. */
const EXPIRE_S = 300;
const RETRIES = 2;
/** Seconds between two looks at the queue where nobody is woken, and between two at what is lost. */
const LOOK_S = 10;

/** Work that outlives a request, kept by PostgreSQL: any instance on the database can take it. */
export const queueOn = ({ pool }: Pick<Database, 'pool'>): PgBoss =>
  new PgBoss({
    db: { executeSql: (text, values: unknown[]) => pool.query(text, values) },
    migrate: false,
    schedule: false,
    maintenanceIntervalSeconds: LOOK_S,
    pollingIntervalSeconds: LOOK_S,
  });

/** Makes the queue as the role that owns the tables, and lets the application's role at it. */
export async function setUpQueue(owner: Pick<Database, 'pool'>, role: string): Promise<void> {
  const boss = new PgBoss({
    db: { executeSql: (text, values: unknown[]) => owner.pool.query(text, values) },
    supervise: false,
    schedule: false,
  });
  await boss.start();
  await boss.createQueue(FLOOR_QUEUE, { name: FLOOR_QUEUE, expireInSeconds: EXPIRE_S, retryLimit: RETRIES });
  await boss.stop({ graceful: false });
  const to = pg.escapeIdentifier(role);
  await owner.pool.query(
    `GRANT USAGE ON SCHEMA pgboss TO ${to};
     GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA pgboss TO ${to};
     GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA pgboss TO ${to}`,
  );
}

import pg from 'pg';
import PgBoss from 'pg-boss';
import type { Database, Queries } from './database.js';

/** The queue of floors that are to be planned, and that of messages to other programs. */
export const FLOOR_QUEUE = 'floor';
export const HOOK_QUEUE = 'hooks';
/** Seconds that a plan may be under way before it is taken for lost, and how often it is begun again. */
const EXPIRE_S = 300;
const RETRIES = 2;
/** A message is tried again after about 20 seconds, then each time after twice as long: for a day. */
const HOOK_RETRIES = { retryLimit: 11, retryDelay: 20, retryBackoff: true };
/** Seconds that one try of a message may take before it is taken for lost. */
const HOOK_EXPIRE_S = 60;
/** Seconds between two looks at the queue where nobody is woken, and between two at what is lost. */
const LOOK_S = 10;

/**
 * Work that outlives a request, kept by PostgreSQL: any instance on the database can take it. @param supervise whether it looks
 * after what is lost and old, in all queues
 */
export const queueOn = ({ pool }: { readonly pool: { readonly query: Queries['raw'] } }, supervise = true): PgBoss =>
  new PgBoss({
    supervise,
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
  await boss.createQueue(HOOK_QUEUE, { name: HOOK_QUEUE, expireInSeconds: HOOK_EXPIRE_S, ...HOOK_RETRIES });
  await boss.stop({ graceful: false });
  const to = pg.escapeIdentifier(role);
  await owner.pool.query(
    `GRANT USAGE ON SCHEMA pgboss TO ${to};
     GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA pgboss TO ${to};
     GRANT EXECUTE ON ALL FUNCTIONS IN SCHEMA pgboss TO ${to}`,
  );
}

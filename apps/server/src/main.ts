import { randomBytes } from 'node:crypto';
import { pino } from 'pino';
import { createApp } from './app.js';
import { connect } from './db/database.js';
import { migrate } from './db/migrate.js';
import { loadDemo, setUpWorks } from './demo/load-demo.js';
import { addAccount } from './features/accounts/accounts.js';

/**
 * Environment: DATABASE_URL (required), PORT (3900), WEB_DIR (built web application), SESSION_SECRET (random where absent:
 * sessions then end with the process), DEMO=1 (loads the demo), ADMIN_LOGIN and ADMIN_PASSWORD (first manager of a works
 * without the demo), LOG_LEVEL (info), SIGN_IN_TRIES (10).
 */
const {
  DATABASE_URL,
  PORT = '3900',
  WEB_DIR,
  SESSION_SECRET,
  DEMO,
  ADMIN_LOGIN,
  ADMIN_PASSWORD,
  LOG_LEVEL = 'info',
  SIGN_IN_TRIES = '10',
} = process.env;
const log = pino({ level: LOG_LEVEL });
if (DATABASE_URL === undefined) {
  log.fatal('DATABASE_URL is not set');
  process.exit(1);
}
const database = connect(DATABASE_URL, (error) => log.error({ err: error }, 'database connection'));
const ran = await migrate(database);
if (ran.length > 0) log.info({ migrations: ran }, 'schema brought up to date');
await setUpWorks(database);
if (DEMO === '1') await loadDemo(database);
if (ADMIN_LOGIN && ADMIN_PASSWORD)
  await addAccount(database, {
    login: ADMIN_LOGIN,
    name: ADMIN_LOGIN,
    role: 'manager',
    password: ADMIN_PASSWORD,
    demo: false,
  });

const sessionSecret = SESSION_SECRET ?? randomBytes(32).toString('hex');
const app = await createApp({ database, log, sessionSecret, webDir: WEB_DIR, signInTries: Number(SIGN_IN_TRIES) });
const server = app.listen(Number(PORT), '127.0.0.1', (error) => {
  if (error) {
    log.fatal({ err: error }, 'cannot listen');
    process.exit(1);
  }
  log.info({ port: Number(PORT) }, 'listening');
});

/** Requests under way are answered, then the database is let go; ten seconds at most. */
function stop(signal: string): void {
  log.info({ signal }, 'stopping');
  const late = setTimeout(() => process.exit(1), 10_000);
  late.unref();
  server.close(() => {
    void database.close().then(() => process.exit(0));
  });
  server.closeIdleConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);

import { randomBytes } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { NEW_WORKS, SHIPPED_WORKS } from '@druckerei/core';
import { createApp } from './app.js';
import { alone } from './db/alone.js';
import { connect } from './db/database.js';
import { setUpSchema } from './db/schema.js';
import { loadLog } from './demo/load-log.js';
import { loadFloor } from './demo/load-floor.js';
import { loadDemo, refuseMixing, setUpWorks } from './demo/load-demo.js';
import { setFirstManager } from './features/accounts/accounts.js';
import { firstCode, hasNobody } from './features/accounts/first-manager.js';
import { type Listening, listen, stopListening } from './http/listen.js';
import { openLog } from './http/log.js';
import { Live } from './http/live.js';
import { makeMetrics } from './http/metrics.js';
import { inTongue, learnTongues, terminalLocale } from './http/tongue.js';
import { SIGN_IN_TRIES } from './http/sign-in-limit.js';
import { assessmentKeeper } from './features/assessments/assessments.js';
import { sendMessages } from './features/hooks/sender.js';
import { watchFolder } from './features/inbox/watch-folder.js';
import { type FloorRuns, planFloors } from './features/floor/runs.js';
import { openWorkshop } from './work/workshop.js';
import { isLoopback, readSettings, trustedProxies } from './settings.js';

const { settings, tlsFiles, wrong } = readSettings(process.env);
const log = openLog(settings?.LOG_LEVEL ?? 'info');
if (!settings) {
  log.fatal({ wrong }, 'the settings cannot be used');
  process.exit(1);
}

// What nobody caught is told and survived: a works goes on printing.
process.on('uncaughtException', (error) => told('uncaught exception')(error));
process.on('unhandledRejection', (error) => told('unhandled rejection')(error));

/** Milliseconds between two clearings of what is over. */
const PRUNE_MS = 15 * 60 * 1000;

const metrics = settings.METRICS ? makeMetrics() : undefined;
const told =
  (where: string) =>
  (error: unknown): void => {
    metrics?.failed(where);
    log.error({ err: error }, where);
  };

const database = connect(settings.DATABASE_URL, told('database connection'));
learnTongues();
const workshop = openWorkshop();
const live = new Live(settings.DATABASE_URL, told('hearing other instances'));
let runs: FloorRuns | undefined;
let endInbox: (() => Promise<void>) | undefined;
let endSending: (() => Promise<void>) | undefined;
live.onHeard(({ topic }) => {
  if (topic === 'floor') runs?.wake();
});
const keeper = assessmentKeeper({ database, workshop }, told('needs'));

async function begin({
  DEMO,
  ADMIN_LOGIN,
  ADMIN_PASSWORD,
  HOST,
  ...rest
}: NonNullable<typeof settings>): Promise<void> {
  const ran = await setUpSchema(rest.DATABASE_URL, rest.OWNER_DATABASE_URL);
  if (ran.length > 0) log.info({ migrations: ran }, 'schema brought up to date');
  await alone(database, async () => {
    await refuseMixing(database, DEMO);
    await setUpWorks(database, DEMO ? SHIPPED_WORKS : NEW_WORKS);
    if (DEMO) await loadDemo({ database, workshop }, loadLog);
  });
  if (ADMIN_LOGIN !== undefined && ADMIN_PASSWORD !== undefined) {
    const outcome = await setFirstManager(database, ADMIN_LOGIN, ADMIN_PASSWORD);
    if (outcome !== 'same') log.warn({ login: ADMIN_LOGIN, outcome }, 'first manager by the environment');
  }
  const sessionSecret = rest.SESSION_SECRET ?? randomBytes(32).toString('hex');
  const app = await createApp({
    database,
    workshop,
    live,
    worksChanged: () => keeper.ask(),
    log,
    sessionSecret,
    webDir: rest.WEB_DIR,
    signInTries: {
      account: rest.SIGN_IN_TRIES ?? SIGN_IN_TRIES.account,
      address: rest.SIGN_IN_TRIES_ADDRESS ?? SIGN_IN_TRIES.address,
    },
    tls: rest.TLS || tlsFiles !== undefined,
    trustProxy: trustedProxies(rest.TRUST_PROXY),
    demo: DEMO && isLoopback(HOST),
    metrics,
  });
  setInterval(() => {
    for (const over of ['accounts/prune-attempts', 'sent/prune', 'people/prune-links', 'hooks/prune'])
      database.one(over).catch((error: unknown) => log.error({ err: error }, over));
  }, PRUNE_MS).unref();
  keeper.ask();
  runs = await planFloors({ database, workshop }, told('planning the floor'));
  endSending = await sendMessages(database, told('messages to other programs'));
  const { INBOX_DIR: dir, INBOX_LOGIN: login } = rest;
  if (dir !== undefined && login !== undefined)
    endInbox = watchFolder({ database, workshop }, { dir, login }, told('the inbox'));
  const server = await listen(app, rest.PORT, HOST, {}, tlsFiles);
  log.info({ host: HOST, port: rest.PORT }, 'listening');
  // Beside everything else: the works is open meanwhile.
  if (DEMO && rest.DEMO_FLOOR) void loadFloor({ database, workshop }).catch(told('the floor of the demo'));
  if (await hasNobody(database))
    // Not through the log: it is for whoever sits at the terminal, and for nobody who reads logs later.
    process.stdout.write(
      `\n${inTongue(terminalLocale(), () => $localize`Nobody has an account in this works yet. Open its address in a browser and enter this code:`)}\n\n  ${firstCode(sessionSecret)}\n\n`,
    );
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void stop(signal, server));
}

/** Milliseconds that the database has to say goodbye. */
const GOODBYE_MS = 2_000;

async function stop(signal: string, server: Listening): Promise<void> {
  log.info({ signal }, 'stopping');
  keeper.stop();
  const quiet = Promise.all([live.close(), runs?.stop(), endInbox?.(), endSending?.()]);
  await stopListening(server);
  await Promise.race([Promise.all([workshop.close(), database.close(), quiet]), wait(GOODBYE_MS)]);
  process.exit(0);
}

try {
  await begin(settings);
} catch (error) {
  log.fatal({ err: error }, 'cannot start');
  process.exit(1);
}

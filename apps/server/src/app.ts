import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Database } from './db/database.js';
import { accountHandlers } from './features/accounts/accounts.js';
import { makeEntry } from './features/accounts/entry.js';
import { linkHandlers } from './features/accounts/links.js';
import { ownAccountHandlers } from './features/accounts/own-account.js';
import { backupHandlers } from './features/backup/backup.js';
import { changesHandlers } from './features/changes/changes.js';
import { customerHandlers } from './features/customers/customers.js';
import { offerHandlers } from './features/customers/offers.js';
import { orderHandlers } from './features/customers/orders.js';
import { finishedHandlers } from './features/finished/finished.js';
import { jobHandlers } from './features/jobs/jobs.js';
import { liveHandlers } from './features/live/live.js';
import { peopleHandlers } from './features/people/people.js';
import { programHandlers } from './features/people/programs.js';
import { hookHandlers } from './features/hooks/hooks.js';
import { deskHandlers } from './features/desk/desk.js';
import { exchangeHandlers } from './features/exchange/exchange.js';
import { floorHandlers } from './features/floor/floor.js';
import { shiftBookHandlers } from './features/floor/shift-book.js';
import { practiceHandlers } from './features/practice/practice.js';
import { purchaseHandlers } from './features/purchasing/purchases.js';
import { supplierHandlers } from './features/purchasing/suppliers.js';
import { bookHandlers } from './features/room/book.js';
import { roomHandlers } from './features/room/room.js';
import { singlesHandlers } from './features/singles/singles.js';
import { lotLabelHandlers } from './features/stores/lot-label.js';
import { storesHandlers } from './features/stores/stores.js';
import { destructionHandlers } from './features/room/destruction.js';
import { photoHandlers } from './features/room/photos.js';
import { qualityHandlers } from './features/quality/quality.js';
import { learningHandlers } from './features/learning/learning.js';
import { logoHandlers } from './features/works/logo.js';
import { toldTo } from './features/works/hidden-prices.js';
import { worksHandlers } from './features/works/works.js';
import type { Workshop } from './work/workshop.js';
import { PACKING } from './http/json-text.js';
import type { Metrics } from './http/metrics.js';
import { openApiDocument } from './http/openapi.js';
import { byToken, hasToken } from './http/programs.js';
import { answerProblems, unknownRoute } from './http/problem.js';
import { registerEndpoints } from './http/register.js';
import { auditLog } from './http/audit.js';
import { csrf } from './http/csrf.js';
import { requestLog } from './http/log.js';
import { type Live, teller } from './http/live.js';
import { serveWeb } from './http/serve-web.js';
import { inTheirTongue } from './http/tongue.js';
import { SessionMemory, endOldSessions, sessions } from './http/session.js';
import { type SignInTries, SIGN_IN_TRIES, devices, signInLimits } from './http/sign-in-limit.js';
import { securityLog } from './http/security-log.js';

export interface AppOptions {
  readonly database: Database;
  readonly workshop: Workshop;
  readonly live: Live;
  /** Told when norms or machines have changed: what was reckoned with them wants a look. */
  readonly worksChanged?: () => void;
  readonly log: Logger;
  readonly sessionSecret: string;
  /** Built web application, served for everything that is not under /api. */
  readonly webDir?: string | undefined;
  /** Holds every answer to the contract (tests). */
  readonly checkAnswers?: boolean;
  readonly signInTries?: SignInTries;
  /** Browsers come by TLS, through a proxy that ends it. */
  readonly tls?: boolean;
  /** What express is told to trust of the proxies before it: none where absent. */
  readonly trustProxy?: number | string | undefined;
  /** The published sign-ins of the demo may be used. */
  readonly demo?: boolean;
  /** Milliseconds that sessions are remembered, see {@link SessionMemory}. */
  readonly rememberMs?: number | undefined;
  /** Counts what is answered, and answers it at /metrics; not where absent. */
  readonly metrics?: Metrics | undefined;
}

const SECURITY = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      // The solver of the gang bench is WebAssembly.
      scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
      // Angular Material sets styles of its own at run time.
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:'],
      workerSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'self'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  referrerPolicy: { policy: 'same-origin' },
});

/** Questions that need no session, and are answered while the database is away. */
const WITHOUT_SESSION = ['/health', '/ready', '/openapi.json'];

/** The whole server as an Express application; the caller listens and closes. */
export async function createApp({
  database,
  workshop,
  live,
  worksChanged = () => undefined,
  log,
  sessionSecret,
  webDir,
  checkAnswers = false,
  signInTries = SIGN_IN_TRIES,
  tls = false,
  trustProxy,
  demo = false,
  rememberMs,
  metrics,
}: AppOptions): Promise<Express> {
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept by a browser; a tag over it would be reckoned for nobody.
  app.disable('etag');
  if (trustProxy !== undefined) app.set('trust proxy', trustProxy);
  app.use(requestLog(log));
  app.use(SECURITY, compression({ level: PACKING }), inTheirTongue);
  const api = '/api';
  const token = csrf(sessionSecret);
  const known = devices(sessionSecret);
  const security = securityLog(database, log);
  const memory = new SessionMemory(rememberMs);
  const onError = (error: Error): void => log.error({ err: error }, 'sessions');
  const json = express.json({ limit: '2mb' });
  const withToken = express.Router().use(json, byToken(database));
  const signedIn = [
    json,
    sessions(database, { secret: sessionSecret, tls, memory, onError }),
    endOldSessions,
    token.check,
  ];
  const withSession = express.Router().use(...signedIn);
  app.use(api, (request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    if (WITHOUT_SESSION.includes(request.path)) next();
    else (hasToken(request) ? withToken : withSession)(request, response, next);
  });
  const document = openApiDocument();
  const entry = await makeEntry({ csrf: token, devices: known });
  const accounts = { database, csrf: token, entry, memory, security, tls, demo, secret: sessionSecret };
  const handlers = {
    ...accountHandlers(accounts),
    ...ownAccountHandlers(accounts),
    ...linkHandlers(accounts),
    ...worksHandlers({ database, workshop }, worksChanged),
    ...logoHandlers({ database, workshop }),
    ...jobHandlers({ database, workshop }),
    ...roomHandlers({ database, workshop }),
    ...bookHandlers({ database, workshop }),
    ...destructionHandlers({ database, workshop }),
    ...photoHandlers({ database, workshop }),
    ...qualityHandlers({ database, workshop }),
    ...learningHandlers({ database, workshop }, worksChanged),
    ...deskHandlers({ database, workshop }),
    ...exchangeHandlers({ database, workshop }),
    ...floorHandlers({ database, workshop }),
    ...shiftBookHandlers({ database, workshop }),
    ...storesHandlers(database),
    ...lotLabelHandlers({ database, workshop }),
    ...finishedHandlers({ database, workshop }),
    ...singlesHandlers(database),
    ...customerHandlers(database),
    ...orderHandlers(database),
    ...offerHandlers({ database, workshop }),
    ...supplierHandlers(database),
    ...purchaseHandlers({ database, workshop }),
    ...practiceHandlers({ database, workshop }),
    ...changesHandlers(database),
    ...peopleHandlers(database, memory),
    ...programHandlers(database, memory),
    ...hookHandlers(database),
    ...backupHandlers({ database, security, worksChanged, endSessions: () => memory.clear() }),
    openapi: () => document,
    ...liveHandlers({ database, live, memory }),
  };
  const [byAccount, byAddress] = signInLimits(database, signInTries, {
    known: (request) => known.known(request),
    refused: (request, login) => security.note(request, 'tries', login, 'refused'),
  });
  const signIn = [byAccount, byAddress];
  registerEndpoints(app, handlers, {
    database,
    memory,
    security,
    checkAnswers,
    metrics,
    audit: auditLog(database, log),
    toldTo: (id, account, answer) => toldTo(database, id, account, answer),
    tell: teller(database, log),
    before: {
      signIn,
      firstManager: signIn,
      linkFor: [byAddress],
      welcome: [byAddress],
      setSecondFactor: [byAddress],
      dropSecondFactor: [byAddress],
    },
  });
  app.use(api, unknownRoute);
  if (metrics) app.get('/metrics', metrics.handler);
  if (webDir !== undefined) serveWeb(app, webDir);
  app.use(answerProblems);
  return app;
}

import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import path from 'node:path';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Database } from './db/database.js';
import { accountHandlers } from './features/accounts/accounts.js';
import { finishedHandlers } from './features/finished/finished.js';
import { jobHandlers } from './features/jobs/jobs.js';
import { roomHandlers } from './features/room/room.js';
import { singlesHandlers } from './features/singles/singles.js';
import { storesHandlers } from './features/stores/stores.js';
import { worksHandlers } from './features/works/works.js';
import { openApiDocument } from './http/openapi.js';
import { answerProblems, unknownRoute } from './http/problem.js';
import { registerEndpoints } from './http/register.js';
import { checkCsrf, sessions } from './http/session.js';
import { signInLimit } from './http/sign-in-limit.js';

export interface AppOptions {
  readonly database: Database;
  readonly log: Logger;
  readonly sessionSecret: string;
  /** Built web application, served for everything that is not under /api. */
  readonly webDir?: string | undefined;
  /** Holds every answer to the contract (tests). */
  readonly checkAnswers?: boolean;
  readonly signInTries?: number;
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

/** The web application: hashed files for ever, the page itself never from a cache. */
function serveWeb(app: Express, webDir: string): void {
  const index = path.resolve(webDir, 'index.html');
  app.use(
    express.static(webDir, {
      index: false,
      setHeaders: (response, file) =>
        response.setHeader(
          'Cache-Control',
          /-[A-Z0-9]{8}\./.test(path.basename(file)) ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    }),
  );
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(index);
  });
}

/** The whole server as an Express application; the caller listens and closes. */
export async function createApp({
  database,
  log,
  sessionSecret,
  webDir,
  checkAnswers = false,
  signInTries = 10,
}: AppOptions): Promise<Express> {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      redact: ['req.headers.cookie', 'req.headers["x-xsrf-token"]', 'res.headers["set-cookie"]'],
    }),
  );
  app.use(SECURITY, compression());
  const api = '/api';
  app.use(api, express.json({ limit: '2mb' }), sessions(database, sessionSecret), checkCsrf);
  app.use(api, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  const document = openApiDocument();
  const handlers = {
    ...(await accountHandlers(database)),
    ...worksHandlers(database),
    ...jobHandlers(database),
    ...roomHandlers(database),
    ...storesHandlers(database),
    ...finishedHandlers(database),
    ...singlesHandlers(database),
    openapi: () => document,
  };
  registerEndpoints(app, handlers, { database, checkAnswers, before: { signIn: signInLimit(database, signInTries) } });
  app.use(api, unknownRoute);
  if (webDir !== undefined) serveWeb(app, webDir);
  app.use(answerProblems);
  return app;
}

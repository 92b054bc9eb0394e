import { randomBytes, timingSafeEqual } from 'node:crypto';
import connectPg from 'connect-pg-simple';
import type { RequestHandler, Response } from 'express';
import session from 'express-session';
import type { Account } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { ProblemError } from './problem.js';

declare module 'express-session' {
  interface SessionData {
    accountId: number;
    csrf: string;
  }
}

const HOURS_12 = 12 * 3600 * 1000;
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Read by the browser's script and sent back as a header, which another site cannot do. */
const CSRF_COOKIE = 'XSRF-TOKEN';
const CSRF_HEADER = 'x-xsrf-token';

/** Server-side sessions in PostgreSQL; the cookie holds nothing but their id. */
export function sessions(database: Database, secret: string): RequestHandler {
  const PgStore = connectPg(session);
  return session({
    name: 'druckerei.sid',
    secret,
    store: new PgStore({ pool: database.pool, tableName: 'session', pruneSessionInterval: 15 * 60 }),
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: HOURS_12 },
  });
}

/** Makes sure that the session has a CSRF token and that the browser knows it. */
export function issueCsrf(request: Parameters<RequestHandler>[0], response: Response): void {
  request.session.csrf ??= randomBytes(24).toString('base64url');
  response.cookie(CSRF_COOKIE, request.session.csrf, { sameSite: 'strict', secure: request.secure, path: '/' });
}

const same = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** Refuses writes that do not carry the session's token. */
export const checkCsrf: RequestHandler = (request, _response, next) => {
  if (SAFE.has(request.method)) {
    next();
    return;
  }
  const { csrf, accountId } = request.session;
  const signingIn = request.method === 'POST' && request.path === '/session';
  if (accountId === undefined && !signingIn) throw new ProblemError(401, 'Sign in first');
  const sent = request.get(CSRF_HEADER);
  if (csrf === undefined || sent === undefined || !same(csrf, sent))
    throw new ProblemError(403, 'The page is out of date. Load it again.', {
      detail: `${CSRF_HEADER} is missing or wrong`,
    });
  next();
};

/** The account that is signed in, or undefined. */
export const accountOf = async (
  database: Database,
  request: Parameters<RequestHandler>[0],
): Promise<Account | undefined> =>
  request.session.accountId === undefined
    ? undefined
    : database.one<Account>('accounts/by-id', request.session.accountId);

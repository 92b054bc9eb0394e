import connectPg from 'connect-pg-simple';
import type { Request, RequestHandler } from 'express';
import session from 'express-session';
import { type Account, rightsOf } from '@druckerei/contract';
import type { Database, Queries } from '../db/database.js';
import { programOf } from './programs.js';
import { ShortMemory } from './short-memory.js';

declare module 'express-session' {
  interface SessionData {
    accountId: number;
    /** When it was signed in, and about when it was last used, milliseconds. */
    since: number;
    used: number;
  }
}

const HOUR = 3600 * 1000;
/** A session ends when it is left alone for so long, and so long after sign-in whatever happens. */
export const IDLE_MS = 12 * HOUR;
export const MOST_MS = 24 * HOUR;
/** A session that is in use is written so often. */
const USED_MS = 10 * 60 * 1000;
const PRUNE_SECONDS = 15 * 60;

/** Milliseconds that a session and its account are remembered: a burst of requests asks the database once. */
const REMEMBERED_MS = 1_000;

/** Who is signed in, for a moment. What this server changes is forgotten at once, what another one does a moment later. */
export class SessionMemory {
  readonly sessions: ShortMemory<string>;
  readonly accounts: ShortMemory<Account>;
  constructor(ms = REMEMBERED_MS) {
    this.sessions = new ShortMemory(ms);
    this.accounts = new ShortMemory(ms);
  }
  clear(): void {
    this.sessions.clear();
    this.accounts.clear();
  }
}

export interface SessionOptions {
  readonly secret: string;
  /** The browser comes by TLS: the cookie goes no other way, and to this host alone. */
  readonly tls: boolean;
  readonly memory: SessionMemory;
  /** Told what goes wrong when old sessions are cleared away. */
  readonly onError: (error: Error) => void;
}

export const sessionCookie = (tls: boolean): string => (tls ? '__Host-druckerei.sid' : 'druckerei.sid');

/** A store that remembers what it has read for a moment, as text: whoever gets a session writes in it. */
function remembering(Store: ReturnType<typeof connectPg>, memory: ShortMemory<string>): ReturnType<typeof connectPg> {
  return class extends Store {
    override get(sid: string, done: (error: unknown, found?: session.SessionData | null) => void): void {
      const known = memory.get(sid);
      if (known !== undefined) {
        done(null, JSON.parse(known) as session.SessionData);
        return;
      }
      super.get(sid, (error: unknown, found?: session.SessionData | null) => {
        if (found) memory.set(sid, JSON.stringify(found));
        done(error, found);
      });
    }
    override set(sid: string, data: session.SessionData, done?: (error?: unknown) => void): void {
      memory.forget(sid);
      super.set(sid, data, done);
    }
    override destroy(sid: string, done?: (error?: unknown) => void): void {
      memory.forget(sid);
      super.destroy(sid, done);
    }
  };
}

/** Server-side sessions in PostgreSQL; the cookie holds nothing but their id. Nothing is kept of who is not signed in. */
export function sessions(database: Database, { secret, tls, memory, onError }: SessionOptions): RequestHandler {
  const PgStore = remembering(connectPg(session), memory.sessions);
  return session({
    name: sessionCookie(tls),
    secret,
    store: new PgStore({
      pool: database.pool,
      tableName: 'session',
      pruneSessionInterval: PRUNE_SECONDS,
      // A session is written when it is used after a while, not at every request.
      disableTouch: true,
      errorLog: (...said: unknown[]) => onError(said.find((one) => one instanceof Error) ?? new Error(said.join(' '))),
    }),
    resave: false,
    saveUninitialized: false,
    rolling: true,
    cookie: { httpOnly: true, sameSite: 'strict', secure: tls ? true : 'auto', maxAge: IDLE_MS, path: '/' },
  });
}

/** Ends a session that is older than any may be, however busy it was, and keeps one alive that is in use. */
export const endOldSessions: RequestHandler = (request, _response, next) => {
  const { accountId, since = 0, used = 0 } = request.session;
  const now = Date.now();
  if (accountId !== undefined && now - since >= MOST_MS) {
    request.session.regenerate(next);
    return;
  }
  if (accountId !== undefined && now - used >= USED_MS) request.session.used = now;
  next();
};

/** An account with what its role may do; undefined where it may not be used. */
export async function readAccount(queries: Queries, id: number): Promise<Account | undefined> {
  const account = await queries.one<Account>('accounts/by-id', id);
  return account && { ...account, rights: rightsOf({ id: account.role, rights: account.rights }) };
}

/** The account that is signed in, or undefined. */
export const accountOf = async (
  database: Database,
  { accounts }: SessionMemory,
  request: Request,
): Promise<Account | undefined> => {
  // Questions that need no session are answered without one, so that they do without the database.
  const session = request.session as typeof request.session | undefined;
  const id = programOf(request) ?? session?.accountId;
  if (id === undefined) return undefined;
  const known = accounts.get(id);
  if (known) return known;
  const account = await readAccount(database, id);
  if (account) accounts.set(id, account);
  return account;
};

import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Request, Response } from 'express';
import type { Account } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { migrations } from '../../db/migrate.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Csrf } from '../../http/csrf.js';
import { type SessionMemory, readAccount, sessionCookie } from '../../http/session.js';
import type { Devices } from '../../http/sign-in-limit.js';
import type { SecurityLog } from '../../http/security-log.js';
import { HASHING, addAccount } from './add-account.js';
import { wantsFactor } from '../../http/permit.js';
import { lockKind } from '../changes/changes.js';
import { currentWorks } from '../works/works.js';
import { hasNobody, makeFirstManager } from './first-manager.js';
import { refuseGuessable } from './password.js';
import { hashOf, newFactor, takeUp, useCode } from './second-factor.js';

/**
 * The first manager of a works, as the server's environment names them: added, or given the password that it names now,
 * whereupon every session of theirs ends. @returns what was done.
 */
export async function setFirstManager(
  database: Database,
  login: string,
  password: string,
): Promise<'added' | 'changed' | 'same'> {
  const found = await database.one<FoundAccount & Record<string, unknown>>('accounts/by-login', login);
  // Somebody who is disabled is not found to sign in, and still has the name.
  const there = found ?? (await database.one<{ id: number }>('people/by-login', login));
  if (!there) {
    await addAccount(database, { login, name: login, role: 'manager', password, demo: false });
    return 'added';
  }
  if (found && found.password_hash !== null && (await verify(found.password_hash, password))) return 'same';
  await database.transaction(async (queries) => {
    await queries.one('accounts/set-password', there.id, await hash(password, HASHING));
    await queries.one('people/let-in', there.id);
    await queries.one('accounts/end-sessions', there.id);
  });
  return 'changed';
}

interface FoundAccount {
  readonly id: number;
  /** Null for somebody who was invited and has not chosen one. */
  readonly password_hash: string | null;
  readonly demo: boolean;
  readonly totp_secret: string | null;
}

const done = (work: (callback: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    work((error) => {
      if (error) reject(error instanceof Error ? error : new Error('the session cannot be written'));
      else resolve();
    });
  });

type Ids =
  | 'health'
  | 'ready'
  | 'session'
  | 'firstManager'
  | 'signIn'
  | 'signOut'
  | 'ownSettings'
  | 'ownPassword'
  | 'ownSessions'
  | 'beginSecondFactor'
  | 'setSecondFactor'
  | 'dropSecondFactor'
  | 'linkFor'
  | 'welcome';

/** An account as whoever is signed in knows it. */
async function accountBy(queries: Queries, id: number): Promise<Account> {
  const account = await readAccount(queries, id);
  if (!account) throw new ProblemError(401, 'Sign in first');
  return account;
}

/** Told in the place of a wrong password where a code is still wanted; the page then asks for it. */
const WANTS_CODE = 'The code of your second factor is wanted';

/** Whom a link is for. Errors: 410 where it holds no longer. */
async function linked(queries: Queries, token: string): Promise<Pick<Account, 'id' | 'login' | 'name'>> {
  const found = await queries.one<Pick<Account, 'id' | 'login' | 'name'>>('people/of-link', hashOf(token));
  if (!found)
    throw new ProblemError(410, 'This link does not hold any longer', {
      detail: 'It was used, or its time is over. Ask a manager for a new one.',
    });
  return found;
}

export interface AccountOptions {
  readonly database: Database;
  readonly csrf: Csrf;
  readonly devices: Devices;
  readonly memory: SessionMemory;
  readonly security: SecurityLog;
  readonly tls: boolean;
  /** The demo is loaded and the server listens to this machine alone: its published passwords may be used. */
  readonly demo: boolean;
  /** Signs the code of the first manager. */
  readonly secret: string;
}

export async function accountHandlers(options: AccountOptions): Promise<Pick<Handlers, Ids>> {
  const { database, csrf, devices, memory, security, tls, demo, secret } = options;
  const schema = migrations().length;
  // Checked against when there is no such login, so that the answer takes as long either way.
  const nobody = await hash(randomBytes(32), HASHING);
  /** Begins a session. */
  const enter = async (
    request: Request,
    response: Response,
    { id, login }: Pick<Account, 'id' | 'login'>,
  ): Promise<void> => {
    // A new id after sign-in: one handed out before is worth nothing.
    await done((callback) => request.session.regenerate(callback));
    request.session.accountId = id;
    request.session.since = request.session.used = Date.now();
    csrf.issue(request, response);
    devices.remember(login, request, response);
    await done((callback) => request.session.save(callback));
  };
  return {
    health: async () => {
      if (!(await database.isAlive())) throw new ProblemError(503, 'The database does not answer');
      return { status: 'ok' };
    },
    ready: async () => {
      // A newer instance may have gone on with the schema: this one is to be asked no more.
      const row = await database.one<{ count: number }>('accounts/migrations');
      if (row?.count !== schema)
        throw new ProblemError(503, 'The schema is of another version', { detail: 'Bring this instance up to date.' });
      return { status: 'ready' };
    },
    session: async ({ account, request, response }) => {
      csrf.issue(request, response);
      return { account: account ?? null, demo, first: !account && (await hasNobody(database)) };
    },
    firstManager: async ({ body, request, response }) => {
      refuseGuessable(body.password, [body.login, body.name], 'password');
      const made = await makeFirstManager(database, secret, body).catch(async (error: unknown) => {
        await security.note(request, 'first manager', body.login, 'refused');
        throw error;
      });
      await security.note(request, 'first manager', body.login, 'done');
      const account = await accountBy(database, made);
      await enter(request, response, account);
      return { account };
    },
    signIn: async ({ body, request, response }) => {
      const found = await database.one<FoundAccount & Record<string, unknown>>('accounts/by-login', body.login);
      const right = await verify(found?.password_hash ?? nobody, body.password);
      const known = found?.password_hash && right && (demo || !found.demo) ? found : undefined;
      // The password is right: only now is told that a code is wanted.
      const { totp_secret: secret = null } = known ?? {};
      const code = body.code?.trim() ?? '';
      if (known && secret !== null && code === '') throw new ProblemError(401, WANTS_CODE);
      const mayUse = known !== undefined && (secret === null || (await useCode(database, known.id, secret, code)));
      await security.note(request, 'sign in', body.login, mayUse ? 'done' : 'refused');
      if (!mayUse)
        throw new ProblemError(401, known ? 'This code does not count' : 'Name or password is wrong', {
          ...(known
            ? { detail: 'Wait for the next one that the app shows, or take a recovery code; each counts once.' }
            : {}),
        });
      const account = await accountBy(database, known.id);
      await enter(request, response, account);
      return { account };
    },
    ownPassword: async ({ account, body: { now, next }, request }) => {
      const found = await database.one<FoundAccount & Record<string, unknown>>('accounts/by-login', account.login);
      if (!(await verify(found?.password_hash ?? nobody, now)))
        throw invalid([{ path: 'now', message: 'This is not your password.' }]);
      refuseGuessable(next, [account.login, account.name], 'next');
      const hashed = await hash(next, HASHING);
      await database.transaction(async (queries) => {
        await queries.one('accounts/set-password', account.id, hashed);
        await queries.one('accounts/end-other-sessions', account.id, request.sessionID);
      });
      memory.clear();
      await security.note(request, 'password', account.login, 'done');
    },
    ownSessions: async ({ account, request }) => {
      await database.one('accounts/end-other-sessions', account.id, request.sessionID);
      memory.clear();
    },
    beginSecondFactor: async ({ account }) => newFactor(account.login, (await currentWorks(database)).name),
    setSecondFactor: async ({ account, body: { secret, code }, request }) => {
      const codes = await database.transaction((queries) => takeUp(queries, account.id, secret, code));
      memory.accounts.clear();
      await security.note(request, 'second factor', account.login, 'done');
      return { recoveryCodes: codes };
    },
    dropSecondFactor: async ({ account, request }) => {
      if (wantsFactor(account))
        throw new ProblemError(409, 'The works wants a second factor of you', {
          detail: 'Take up another one in its place, or ask for the setting to be changed.',
        });
      await database.one('people/set-second-factor', account.id, null, null);
      memory.accounts.clear();
      await security.note(request, 'second factor', account.login, 'done');
    },
    linkFor: async ({ body: { token } }) => {
      const { login, name } = await linked(database, token);
      return { login, name };
    },
    welcome: async ({ body: { token, password }, request, response }) => {
      const { login, name } = await linked(database, token);
      refuseGuessable(password, [login, name], 'password');
      const hashed = await hash(password, HASHING);
      const account = await database.transaction(async (queries) => {
        // Whoever comes second by the same link is refused.
        await lockKind(queries, 'account');
        const { id } = await linked(queries, token);
        await queries.one('people/drop-links', id);
        await queries.one('accounts/set-password', id, hashed);
        await queries.one('accounts/end-sessions', id);
        return accountBy(queries, id);
      });
      memory.clear();
      await security.note(request, 'link', login, 'done');
      await enter(request, response, account);
      return { account };
    },
    ownSettings: async ({ account, body }) => {
      await database.one('accounts/set-locale', account.id, body.locale);
      memory.accounts.clear();
      return { account: { ...account, ...body } };
    },
    signOut: async ({ account, request, response }) => {
      await done((callback) => request.session.destroy(callback));
      response.clearCookie(sessionCookie(tls), { path: '/', secure: tls });
      await security.note(request, 'sign out', account.login, 'done');
    },
  };
}

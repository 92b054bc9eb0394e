import { hash, verify } from '@node-rs/argon2';
import type { Request, Response } from 'express';
import type { Account } from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Csrf } from '../../http/csrf.js';
import { type SessionMemory, sessionCookie } from '../../http/session.js';
import type { Devices } from '../../http/sign-in-limit.js';
import type { SecurityLog } from '../../http/security-log.js';
import { HASHING, addAccount } from './add-account.js';
import { hasNobody, makeFirstManager } from './first-manager.js';

/**
 * The first manager of a works, as the server's environment names them: added, or given the password that it names now,
 * whereupon every session of theirs ends. @returns what was done.
 */
export async function setFirstManager(
  database: Database,
  login: string,
  password: string,
): Promise<'added' | 'changed' | 'same'> {
  const found = await database.one<FoundAccount>('accounts/by-login', login);
  if (!found) {
    await addAccount(database, { login, name: login, role: 'manager', password, demo: false });
    return 'added';
  }
  if (await verify(found.password_hash, password)) return 'same';
  await database.transaction(async (queries) => {
    await queries.one('accounts/set-password', found.id, await hash(password, HASHING));
    await queries.one('accounts/end-sessions', found.id);
  });
  return 'changed';
}

interface FoundAccount extends Account {
  readonly password_hash: string;
  readonly demo: boolean;
}

const done = (work: (callback: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    work((error) => {
      if (error) reject(error instanceof Error ? error : new Error('the session cannot be written'));
      else resolve();
    });
  });

type Ids = 'health' | 'session' | 'firstManager' | 'signIn' | 'signOut' | 'ownSettings';

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
  // Checked against when there is no such login, so that the answer takes as long either way.
  const nobody = await hash('nobody', HASHING);
  /** Begins a session. */
  const enter = async (request: Request, response: Response, { id, login }: Account): Promise<void> => {
    // A new id after sign-in: one handed out before is worth nothing.
    await done((callback) => request.session.regenerate(callback));
    request.session.accountId = id;
    request.session.since = Date.now();
    csrf.issue(request, response);
    devices.remember(login, request, response);
    await done((callback) => request.session.save(callback));
  };
  return {
    health: async () => {
      if (!(await database.isAlive())) throw new ProblemError(503, 'The database does not answer');
      return { status: 'ok' };
    },
    session: async ({ account, request, response }) => {
      csrf.issue(request, response);
      return { account: account ?? null, demo, first: !account && (await hasNobody(database)) };
    },
    firstManager: async ({ body, request, response }) => {
      const made = await makeFirstManager(database, secret, body).catch(async (error: unknown) => {
        await security.note(request, 'first manager', body.login, 'refused');
        throw error;
      });
      await security.note(request, 'first manager', body.login, 'done');
      await enter(request, response, made);
      return { account: made };
    },
    signIn: async ({ body, request, response }) => {
      const found = await database.one<FoundAccount>('accounts/by-login', body.login);
      const right = await verify(found?.password_hash ?? nobody, body.password);
      const mayUse = found !== undefined && right && (demo || !found.demo);
      await security.note(request, 'sign in', body.login, mayUse ? 'done' : 'refused');
      if (!mayUse) throw new ProblemError(401, 'Name or password is wrong');
      await enter(request, response, found);
      const { password_hash: _hash, demo: _demo, ...known } = found;
      return { account: known };
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

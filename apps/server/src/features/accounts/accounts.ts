import { hash, verify } from '@node-rs/argon2';
import type { Database } from '../../db/database.js';
import { migrations } from '../../db/migrate.js';
import type { Csrf } from '../../http/csrf.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { SecurityLog } from '../../http/security-log.js';
import { type SessionMemory, sessionCookie } from '../../http/session.js';
import { HASHING, addAccount } from './add-account.js';
import { type Entry, accountBy, done, findAccount } from './entry.js';
import { hasNobody, makeFirstManager } from './first-manager.js';
import { refuseGuessable } from './password.js';
import { useCode } from './second-factor.js';

/**
 * The first manager of a works, as the server's environment names them: added, or given the password that it names now,
 * whereupon every session of theirs ends. @returns what was done.
 */
export async function setFirstManager(
  database: Database,
  login: string,
  password: string,
): Promise<'added' | 'changed' | 'same'> {
  const found = await findAccount(database, login);
  // Somebody who is disabled is not found to sign in, and still has the name.
  const there = found ?? (await database.one<{ id: number }>('people/by-login', login));
  if (!there) {
    await addAccount(database, { login, name: login, role: 'manager', password, demo: false });
    return 'added';
  }
  if (found?.password_hash && (await verify(found.password_hash, password))) return 'same';
  await database.transaction(async (queries) => {
    await queries.one('accounts/set-password', there.id, await hash(password, HASHING));
    await queries.one('people/let-in', there.id);
    await queries.one('accounts/end-sessions', there.id);
  });
  return 'changed';
}

type Ids = 'health' | 'ready' | 'session' | 'firstManager' | 'signIn' | 'signOut' | 'ownSettings';

/** Told in the place of a wrong password where a code is still wanted; the page then asks for it. */
const wantsCode = (): string => $localize`The code of your second factor is wanted`;

export interface AccountOptions {
  readonly database: Database;
  readonly csrf: Csrf;
  readonly entry: Entry;
  readonly memory: SessionMemory;
  readonly security: SecurityLog;
  readonly tls: boolean;
  /** The demo is loaded and the server listens to this machine alone: its published passwords may be used. */
  readonly demo: boolean;
  /** Signs the code of the first manager. */
  readonly secret: string;
}

export function accountHandlers(options: AccountOptions): Pick<Handlers, Ids> {
  const { database, csrf, entry, memory, security, tls, demo, secret } = options;
  const schema = migrations().length;
  return {
    health: async () => {
      if (!(await database.isAlive())) throw new ProblemError(503, $localize`The database does not answer`);
      return { status: 'ok' };
    },
    ready: async () => {
      // A newer instance may have gone on with the schema: this one is to be asked no more.
      const row = await database.one<{ count: number }>('accounts/migrations');
      if (row?.count !== schema)
        throw new ProblemError(503, $localize`The schema is of another version`, {
          detail: $localize`Bring this instance up to date.`,
        });
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
      await entry.enter(request, response, account);
      return { account };
    },
    signIn: async ({ body, request, response }) => {
      const found = await findAccount(database, body.login);
      const isRight = await entry.isRight(found, body.password);
      const known = found && isRight && (demo || !found.demo) ? found : undefined;
      // The password is right: only now is told that a code is wanted.
      const { totp_secret: secret = null } = known ?? {};
      const code = body.code?.trim() ?? '';
      if (known && secret !== null && code === '') throw new ProblemError(401, wantsCode());
      const mayUse = known !== undefined && (secret === null || (await useCode(database, known.id, secret, code)));
      await security.note(request, 'sign in', body.login, mayUse ? 'done' : 'refused');
      if (!mayUse)
        throw new ProblemError(
          401,
          known ? $localize`This code does not count` : $localize`Name or password is wrong`,
          {
            ...(known
              ? {
                  detail: $localize`Wait for the next one that the app shows, or take a recovery code; each counts once.`,
                }
              : {}),
          },
        );
      const account = await accountBy(database, known.id);
      await entry.enter(request, response, account);
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

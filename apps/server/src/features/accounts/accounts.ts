import { hash, verify } from '@node-rs/argon2';
import type { Role } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { issueCsrf } from '../../http/session.js';

/** argon2id, 19 MiB and two passes. Source: standard, RFC 9106 as reduced by common practice for sign-in pages. */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export interface NewAccount {
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  readonly password: string;
  readonly demo: boolean;
}

export async function addAccount(queries: Queries, account: NewAccount): Promise<void> {
  await queries.one(
    'accounts/add',
    account.login,
    account.name,
    account.role,
    await hash(account.password, HASHING),
    account.demo,
  );
}

const done = (work: (callback: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    work((error) => {
      if (error) reject(error instanceof Error ? error : new Error('the session cannot be written'));
      else resolve();
    });
  });

type Ids = 'health' | 'session' | 'signIn' | 'signOut';

export async function accountHandlers(database: Database): Promise<Pick<Handlers, Ids>> {
  // Checked against when there is no such login, so that the answer takes as long either way.
  const nobody = await hash('nobody', HASHING);
  return {
    health: async () => {
      await database.one('accounts/health');
      return { status: 'ok' };
    },
    session: async ({ account, request, response }) => {
      issueCsrf(request, response);
      const row = await database.one<{ demo: boolean }>('accounts/has-demo');
      return { account: account ?? null, demo: row?.demo ?? false };
    },
    signIn: async ({ body, request, response }) => {
      const found = await database.one<{ id: number; login: string; name: string; role: Role; password_hash: string }>(
        'accounts/by-login',
        body.login,
      );
      const right = await verify(found?.password_hash ?? nobody, body.password);
      if (!found || !right) throw new ProblemError(401, 'Name or password is wrong');
      // A new id after sign-in: one handed out before is worth nothing.
      await done((callback) => request.session.regenerate(callback));
      request.session.accountId = found.id;
      issueCsrf(request, response);
      await done((callback) => request.session.save(callback));
      const { id, login, name, role } = found;
      return { account: { id, login, name, role } };
    },
    signOut: async ({ request, response }) => {
      await done((callback) => request.session.destroy(callback));
      response.clearCookie('druckerei.sid');
    },
  };
}

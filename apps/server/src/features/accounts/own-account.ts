import { hash } from '@node-rs/argon2';
import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { invalid, ProblemError } from '../../http/problem.js';
import { wantsFactor } from '../../http/permit.js';
import type { Handlers } from '../../http/register.js';
import { currentWorks } from '../works/works.js';
import type { AccountOptions } from './accounts.js';
import { HASHING } from './add-account.js';
import { findAccount } from './entry.js';
import { refuseGuessable } from './password.js';
import { newFactor, takeUp, useCode } from './second-factor.js';

type Ids = 'ownPassword' | 'ownSessions' | 'beginSecondFactor' | 'setSecondFactor' | 'dropSecondFactor';

/** Refuses whoever cannot show a code of the second factor that stands: an open session is not enough to change it. */
async function proveFactor(queries: Queries, { id, login }: Account, old = ''): Promise<void> {
  const secret = (await findAccount(queries, login))?.totp_secret ?? null;
  if (secret !== null && !(await useCode(queries, id, secret, old)))
    throw invalid([
      {
        path: 'old',
        message: $localize`This is no code of the second factor that stands. Wait for the next one that its app shows, or take a recovery code; each counts once.`,
      },
    ]);
}

/** What somebody does with their own account. */
export const ownAccountHandlers = ({ database, memory, security, entry }: AccountOptions): Pick<Handlers, Ids> => ({
  ownPassword: async ({ account, body: { now, next }, request }) => {
    if (!(await entry.isRight(await findAccount(database, account.login), now)))
      throw invalid([{ path: 'now', message: $localize`This is not your password.` }]);
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
  setSecondFactor: async ({ account, body: { secret, code, old }, request }) => {
    const codes = await database.transaction(async (queries) => {
      await proveFactor(queries, account, old);
      return takeUp(queries, account.id, secret, code);
    });
    memory.accounts.clear();
    await security.note(request, 'second factor', account.login, 'done');
    return { recoveryCodes: codes };
  },
  dropSecondFactor: async ({ account, body: { old }, request }) => {
    if (wantsFactor(account))
      throw new ProblemError(409, $localize`The works wants a second factor of you`, {
        detail: $localize`Take up another one in its place, or ask for the setting to be changed.`,
      });
    await database.transaction(async (queries) => {
      await proveFactor(queries, account, old);
      await queries.one('people/set-second-factor', account.id, null, null);
    });
    memory.accounts.clear();
    await security.note(request, 'second factor', account.login, 'done');
  },
});

import { hash } from '@node-rs/argon2';
import { invalid, ProblemError } from '../../http/problem.js';
import { wantsFactor } from '../../http/permit.js';
import type { Handlers } from '../../http/register.js';
import { currentWorks } from '../works/works.js';
import type { AccountOptions } from './accounts.js';
import { HASHING } from './add-account.js';
import { findAccount } from './entry.js';
import { refuseGuessable } from './password.js';
import { newFactor, takeUp } from './second-factor.js';

type Ids = 'ownPassword' | 'ownSessions' | 'beginSecondFactor' | 'setSecondFactor' | 'dropSecondFactor';

/** What somebody does with their own account. */
export const ownAccountHandlers = ({ database, memory, security, entry }: AccountOptions): Pick<Handlers, Ids> => ({
  ownPassword: async ({ account, body: { now, next }, request }) => {
    if (!(await entry.isRight(await findAccount(database, account.login), now)))
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
});

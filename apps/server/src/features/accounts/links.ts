import { hash } from '@node-rs/argon2';
import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';
import type { AccountOptions } from './accounts.js';
import { HASHING } from './add-account.js';
import { accountBy } from './entry.js';
import { refuseGuessable } from './password.js';
import { hashOf } from '../../http/hash-of.js';

/** Whom a link is for. Errors: 410 where it holds no longer. */
async function linked(queries: Queries, token: string): Promise<Pick<Account, 'id' | 'login' | 'name'>> {
  const found = await queries.one<Pick<Account, 'id' | 'login' | 'name'>>('people/of-link', hashOf(token));
  if (!found)
    throw new ProblemError(410, $localize`This link does not hold any longer`, {
      detail: $localize`It was used, or its time is over. Ask a manager for a new one.`,
    });
  return found;
}

/** What the link of an invitation or a recovery opens. */
export const linkHandlers = ({
  database,
  memory,
  security,
  entry,
}: AccountOptions): Pick<Handlers, 'linkFor' | 'welcome'> => ({
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
    await entry.enter(request, response, account);
    return { account };
  },
});

import { randomBytes } from 'node:crypto';
import { type Hook, type HookMessage, SECRET_MARK } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { messageBody, queueMessages } from './tell-hooks.js';

/** Addresses that are told; each message is kept for a month. */
const MOST_HOOKS = 20;
/** Messages that are shown. */
const SHOWN = 50;
/** Bytes of a secret. */
const SECRET_BYTES = 24;

const thisAddress = (): string => $localize`This address`;
const newSecret = (): string => `${SECRET_MARK}${randomBytes(SECRET_BYTES).toString('base64')}`;

const allOf = (queries: Queries): Promise<Hook[]> => queries.many<Hook & Record<string, unknown>>('hooks/all');
const messagesOf = (queries: Queries, hook: number): Promise<HookMessage[]> =>
  queries.many<HookMessage & Record<string, unknown>>('hooks/messages', hook, SHOWN);

export const hookHandlers = (
  database: Database,
): Pick<
  Handlers,
  'hooks' | 'addHook' | 'changeHook' | 'dropHook' | 'renewHookSecret' | 'hookMessages' | 'tryHook' | 'sendAgain'
> => ({
  hooks: () => allOf(database),

  addHook: ({ body: { name, url, events, paused } }) =>
    database.transaction(async (queries) => {
      if ((await allOf(queries)).length >= MOST_HOOKS)
        throw new ProblemError(422, $localize`${MOST_HOOKS} addresses are told already. Take one away first.`);
      const secret = newSecret();
      await queries.one('hooks/add', name, url, events, secret, paused);
      return { secret };
    }),

  changeHook: async ({ params: { id }, body: { name, url, events, paused } }) => {
    if (!(await database.one('hooks/change', id, name, url, events, paused))) throw notFound(thisAddress());
    return allOf(database);
  },

  dropHook: async ({ params: { id } }) => {
    if (!(await database.one('hooks/drop', id))) throw notFound(thisAddress());
    return allOf(database);
  },

  renewHookSecret: async ({ params: { id } }) => {
    const secret = newSecret();
    if (!(await database.one('hooks/put-secret', id, secret))) throw notFound(thisAddress());
    return { secret };
  },

  hookMessages: async ({ params: { id } }) => {
    if (!(await database.one('hooks/known', id))) throw notFound(thisAddress());
    return messagesOf(database, id);
  },

  tryHook: ({ params: { id } }) =>
    database.transaction(async (queries) => {
      const event = 'hook.tried';
      const made = await queries.one<{ id: number }>('hooks/add-message', id, event, messageBody(event, {}));
      if (!made) throw notFound(thisAddress());
      await queueMessages(queries, [made]);
      return messagesOf(queries, id);
    }),

  sendAgain: ({ params: { id, message } }) =>
    database.transaction(async (queries) => {
      const made = await queries.one<{ id: number }>('hooks/again', id, message);
      if (!made)
        throw new ProblemError(409, $localize`Only a message that was given up is sent again`, {
          detail: $localize`It waits for its next try, has arrived, or is a month old and forgotten.`,
        });
      await queueMessages(queries, [made]);
      return messagesOf(queries, id);
    }),
});

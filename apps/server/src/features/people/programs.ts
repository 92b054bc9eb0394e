import { randomBytes } from 'node:crypto';
import { type MadeToken, TOKEN_MARK } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { SessionMemory } from '../../http/session.js';
import { hashOf } from '../../http/hash-of.js';
import { changing, everybody, roleKnown } from './people.js';

/** A token of a program; the one before ends. @param days that it holds, null for until it is withdrawn */
async function makeToken(queries: Queries, program: number, days: number | null): Promise<MadeToken> {
  const token = `${TOKEN_MARK}${randomBytes(32).toString('base64url')}`;
  await queries.one('people/drop-token', program);
  const made = await queries.one<{ until: string | null }>('people/add-token', hashOf(token), program, days);
  return { token, until: made?.until ?? null };
}

/** The name that a program stands under among those who sign in; nobody signs in by it. */
const loginOf = (name: string): string => `program ${name}`.slice(0, 80);

export const programHandlers = (
  database: Database,
  memory: SessionMemory,
): Pick<Handlers, 'addProgram' | 'renewToken' | 'withdrawToken'> => ({
  addProgram: ({ body: { name, role, days }, account }) =>
    changing(database, account, async (queries) => {
      await roleKnown(queries, role);
      if (await queries.one('people/by-login', loginOf(name)))
        throw invalid([{ path: 'name', message: $localize`A program has this name already. Call it something else.` }]);
      const made = await queries.one<{ id: number }>('people/add-program', loginOf(name), name, role);
      if (!made) throw new Error('no program was added');
      return makeToken(queries, made.id, days);
    }),

  renewToken: ({ params: { id }, body: { days }, account }) =>
    changing(database, account, async (queries) => {
      const { people } = await everybody(queries);
      if (!people.find((one) => one.id === id)?.program) throw notFound($localize`This program`);
      return makeToken(queries, id, days);
    }),

  withdrawToken: async ({ params: { id }, account }) => {
    const now = await changing(database, account, async (queries) => {
      if (!(await queries.one('people/drop-token', id))) throw notFound($localize`A token of this program`);
      return everybody(queries);
    });
    memory.clear();
    return now;
  },
});

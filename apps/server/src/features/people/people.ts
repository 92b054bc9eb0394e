import { randomBytes } from 'node:crypto';
import { type OwnStations, OPERATIONS, ROOM_KEYS, inEveryTongue, stationKey, table, wordOf } from '@druckerei/core';
import {
  type Account,
  type AuditRecord,
  type MadeLink,
  type People,
  type Person,
  type RoleOf,
  type SignIns,
  ENDPOINTS,
  MANAGER_ROLE,
  RIGHT_IDS,
  isAudited,
  rightsOf,
} from '@druckerei/contract';
import { auditCsv } from '@druckerei/formats';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { type SessionMemory, readAccount } from '../../http/session.js';
import { hashOf } from '../../http/hash-of.js';
import { lockKind } from '../changes/changes.js';
import { currentWorks } from '../works/works.js';

/** Hours that a link holds: somebody who is invited may be on holiday, somebody who is locked out is not. */
const INVITED_HOURS = 7 * 24;
const RECOVERY_HOURS = 24;
const HOUR_MS = 3600 * 1000;
/** Lines of a page of the audit, and of its table. */
const PAGE = 100;
const MOST_LINES = 10_000;

export async function everybody(queries: Queries): Promise<People> {
  const people = await queries.many<Person>('people/all');
  const roles = await queries.many<RoleOf>('people/roles');
  return { people, roles: roles.map((role) => ({ ...role, rights: rightsOf(role) })) };
}

/** A link that somebody chooses their password by; those before it end. */
async function makeLink(queries: Queries, account: number, hours: number): Promise<MadeLink> {
  const token = randomBytes(24).toString('base64url');
  await queries.one('people/drop-links', account);
  await queries.one('people/add-link', hashOf(token), account, hours);
  // Behind the #, so that no server and no log of one sees it.
  return { path: `/welcome#${token}`, until: new Date(Date.now() + hours * HOUR_MS).toISOString() };
}

/** Refuses what would leave nobody who may manage people. */
async function refuseNobody(queries: Queries): Promise<void> {
  const left = await queries.one<{ count: number }>('people/managers');
  if (!left?.count)
    throw new ProblemError(409, $localize`Nobody would be left who may manage people`, {
      detail: $localize`Give somebody else the right first, and let them sign in.`,
    });
}

/** One change of people at a time, by somebody who may still make it. */
export const changing = <T>(database: Database, account: Account, work: (queries: Queries) => Promise<T>): Promise<T> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'account');
    const now = await readAccount(queries, account.id);
    if (!now?.rights.includes('people'))
      throw new ProblemError(403, $localize`You may no longer do this`, {
        detail: $localize`Somebody has changed your own rights meanwhile.`,
      });
    return work(queries);
  });

export async function roleKnown(queries: Queries, role: string): Promise<void> {
  const roles = await queries.many<RoleOf>('people/roles');
  if (!roles.some(({ id }) => id === role))
    throw invalid([{ path: 'role', message: $localize`There is no role ${role}. Choose another.` }]);
}

/** Refuses stations that the works does not have, retired machines among those that it has. */
async function stationsKnown(queries: Queries, stations: OwnStations): Promise<void> {
  if (stations === 'all') return;
  const { machines } = await currentWorks(queries);
  const known = new Set([
    ...Object.values(ROOM_KEYS),
    ...OPERATIONS.map((operation) => stationKey({ machine: null, operation })),
    ...machines.map(({ id }) => stationKey({ machine: id, operation: 'print' })),
  ]);
  const faults = stations.flatMap((key, i) =>
    known.has(key)
      ? []
      : [{ path: `stations.${i}`, message: $localize`The works has no station ${key}. Leave it out.` }],
  );
  if (faults.length > 0) throw invalid(faults);
}

interface AuditRow extends AuditRecord, Record<string, unknown> {
  total: number;
}

/** What was done as it is called where it is kept, in the language of whoever asks; small, as patterns are. */
const namesOfActs = inEveryTongue(() =>
  table(
    ENDPOINTS.filter((endpoint) => isAudited(endpoint)).map(({ summary }) => [summary, wordOf(summary).toLowerCase()]),
  ),
);

async function auditPage(database: Database, search: string, limit: number, offset: number) {
  const rows = await database.many<AuditRow>('audit/page', patternsOf(search), limit, offset, namesOfActs());
  return { total: rows[0]?.total ?? offset, lines: rows.map(({ total: _total, ...line }): AuditRecord => line) };
}

export const peopleHandlers = (
  database: Database,
  memory: SessionMemory,
): Pick<
  Handlers,
  'people' | 'invite' | 'changePerson' | 'recover' | 'endSessions' | 'signIns' | 'putRole' | 'audit' | 'auditCsv'
> => ({
  people: () => everybody(database),

  invite: ({ body: { login, name, role }, account }) =>
    changing(database, account, async (queries) => {
      await roleKnown(queries, role);
      if (await queries.one('people/by-login', login))
        throw invalid([{ path: 'login', message: $localize`Somebody signs in by this name already. Choose another.` }]);
      const made = await queries.one<{ id: number }>('people/invite', login, name, role);
      if (!made) throw new Error('nobody was invited');
      return makeLink(queries, made.id, INVITED_HOURS);
    }),

  changePerson: async ({ params: { id }, body: { name, role, disabled }, account }) => {
    if (id === account.id && disabled)
      throw new ProblemError(409, $localize`Nobody disables themselves`, {
        detail: $localize`Another manager has to do it.`,
      });
    const now = await changing(database, account, async (queries) => {
      await roleKnown(queries, role);
      if (!(await queries.one('people/change', id, name, role, disabled))) throw notFound($localize`This person`);
      await refuseNobody(queries);
      if (disabled) {
        await queries.one('accounts/end-sessions', id);
        await queries.one('people/drop-links', id);
      }
      return everybody(queries);
    });
    memory.clear();
    return now;
  },

  recover: async ({ params: { id }, account }) => {
    const made = await changing(database, account, async (queries) => {
      const { people } = await everybody(queries);
      const person = people.find((one) => one.id === id);
      if (!person) throw notFound($localize`This person`);
      if (person.program)
        throw new ProblemError(409, $localize`${person.name} is a program`, {
          detail: $localize`Make a new token for it.`,
        });
      if (person.disabled)
        throw new ProblemError(409, $localize`${person.name} is disabled`, {
          detail: $localize`Let them in again first.`,
        });
      await queries.one('people/set-second-factor', id, null, null);
      await queries.one('accounts/end-sessions', id);
      return makeLink(queries, id, person.invited ? INVITED_HOURS : RECOVERY_HOURS);
    });
    memory.clear();
    return made;
  },

  endSessions: async ({ params: { id } }) => {
    await database.one('accounts/end-sessions', id);
    memory.clear();
  },

  signIns: async ({ params: { id } }): Promise<SignIns> => {
    const { people } = await everybody(database);
    const person = people.find((one) => one.id === id);
    if (!person) throw notFound($localize`This person`);
    return database.many<SignIns[number]>('people/sign-ins', person.login);
  },

  putRole: async ({ params: { id }, body: { name, rights, stations }, account }) => {
    const now = await changing(database, account, async (queries) => {
      if (id === MANAGER_ROLE && rights.length < RIGHT_IDS.length)
        throw new ProblemError(409, $localize`Whoever manages may do everything`, {
          detail: $localize`Make another role for those who may do less.`,
        });
      if (id === MANAGER_ROLE && stations !== undefined && stations !== 'all')
        throw new ProblemError(409, $localize`Whoever manages enters at every station`, {
          detail: $localize`Make another role for those of single stations.`,
        });
      await stationsKnown(queries, stations ?? 'all');
      const others = await queries.many<RoleOf>('people/roles');
      if (others.some((role) => role.id !== id && role.name.toLowerCase() === name.toLowerCase()))
        throw invalid([{ path: 'name', message: $localize`Another role has this name. Call it something else.` }]);
      const own = stations === undefined || stations === 'all' ? stations : [...new Set(stations)];
      await queries.one(
        'people/put-role',
        id,
        name,
        [...new Set(rights)],
        own === undefined ? null : JSON.stringify(own),
      );
      await refuseNobody(queries);
      return everybody(queries);
    });
    memory.clear();
    return now;
  },

  audit: async ({ query: { search = '', limit = PAGE, offset = 0 }, response }) => {
    const { total, lines } = await auditPage(database, search, limit, offset);
    response.setHeader('X-Total-Count', total);
    return lines;
  },

  auditCsv: async ({ query: { search = '' } }) => {
    const { lines } = await auditPage(database, search, MOST_LINES, 0);
    return auditCsv(lines);
  },
});

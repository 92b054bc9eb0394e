import { createHmac } from 'node:crypto';
import type { FirstManager } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { same } from '../../http/csrf.js';
import { ProblemError, invalid } from '../../http/problem.js';
import { lockKind } from '../changes/changes.js';
import { addAccount } from './add-account.js';

/** Signs that are not taken for one another. */
const SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
const GROUPS = 4;
const IN_GROUP = 4;

/**
 * The code with which the first manager is made: shown where the server was started, the same in every instance with the
 * secret, and worth nothing once somebody has an account. 80 bits, so that it cannot be guessed.
 */
export function firstCode(secret: string): string {
  const bytes = createHmac('sha256', secret).update('first manager').digest();
  const signs = Array.from({ length: GROUPS * IN_GROUP }, (_, i) => SIGNS[(bytes[i] ?? 0) % SIGNS.length]);
  return Array.from({ length: GROUPS }, (_, i) => signs.slice(i * IN_GROUP, (i + 1) * IN_GROUP).join('')).join('-');
}

/** As it was meant: in capitals, without what parts it. */
const bare = (code: string): string => code.toUpperCase().replaceAll(/[^0-9A-Z]/g, '');

/** Whether a works has nobody yet. */
export const hasNobody = async (queries: Queries): Promise<boolean> =>
  (await queries.one<{ anybody: boolean }>('accounts/has-any'))?.anybody === false;

/**
 * Makes the first manager: one, whoever is first. @returns the account's id. Issues: 409 where somebody has an account, 422 at `code` where it is not the
 * terminal's.
 */
export const makeFirstManager = (
  database: Database,
  secret: string,
  { code, login, name, password }: FirstManager,
): Promise<number> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'account');
    if (!(await hasNobody(queries)))
      throw new ProblemError(409, $localize`This works has its first manager already`, {
        detail: $localize`Sign in, or ask a manager for an account.`,
      });
    if (!same(bare(code), bare(firstCode(secret))))
      throw invalid([
        { path: 'code', message: $localize`This is not the code that the terminal shows. Look there again.` },
      ]);
    await addAccount(queries, { login, name, role: 'manager', password, demo: false });
    const made = await queries.one<{ id: number }>('accounts/by-login', login);
    if (!made) throw new Error('the first manager was not added');
    return made.id;
  });

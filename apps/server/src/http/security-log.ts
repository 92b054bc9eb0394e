import type { Request } from 'express';
import type { Logger } from 'pino';
import type { Database } from '../db/database.js';
import { unnoted } from '../db/noted.js';

export type SecurityAct =
  | 'sign in'
  | 'sign out'
  | 'first manager'
  | 'password'
  | 'link'
  | 'second factor'
  | 'role'
  | 'tries'
  | 'backup'
  | 'restore';

/** Who did what from where, and how it ended: only ever added to. */
export interface SecurityLog {
  /** Notes an act. Never fails: what cannot be written goes to the server's log. @param actor name as it was given. */
  note(request: Request, what: SecurityAct, actor: string, result: 'done' | 'refused'): Promise<void>;
}

export const securityLog = (database: Database, log: Logger): SecurityLog => ({
  async note(request, what, actor, result) {
    const address = request.ip ?? '';
    // A name is what somebody typed: what PostgreSQL cannot keep of it is left out.
    const named = Buffer.from(actor).toString('utf8').replaceAll('\0', '').slice(0, 80);
    await unnoted(() => database.one('accounts/add-security', named, address, what, result)).catch((error: unknown) => {
      log.error({ err: error, what, result, address }, 'security log');
    });
  },
});

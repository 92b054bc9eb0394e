import type { Request } from 'express';
import type { Logger } from 'pino';
import type { Account, Endpoint } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { type Note, noting } from '../db/noted.js';

const MOST_SUBJECT = 200;

/** Of which thing a call was: the parts of its address that are told, and the number or name that it sent. */
function subjectOf({ params, body }: Request): string {
  const sent = (typeof body === 'object' && body !== null ? body : {}) as Readonly<Record<string, unknown>>;
  const told = ['number', 'login', 'name', 'reason'].map((key) => sent[key]).filter((one) => typeof one === 'string');
  return [...Object.values(params), ...told]
    .join(' ')
    .replaceAll(/[\p{Cc}\p{Cs}]/gu, ' ')
    .trim()
    .slice(0, MOST_SUBJECT);
}

/**
 * A line for everything that somebody writes: what, and of which. It is in the transaction that writes it; of a call
 * that wrote nothing it comes behind, and never fails: what cannot be noted then goes to the server's log.
 */
export const auditLog =
  (database: Database, log: Logger) =>
  async <T>(account: Account, endpoint: Endpoint, request: Request, work: () => Promise<T>): Promise<T> => {
    const note: Note = { values: [account.name, endpoint.summary, subjectOf(request)], taken: false };
    const result = await noting(note, work);
    if (!note.taken)
      await database.one('audit/add', ...note.values).catch((error: unknown) => {
        log.error({ err: error, what: endpoint.id, account: account.id }, 'audit');
      });
    return result;
  };

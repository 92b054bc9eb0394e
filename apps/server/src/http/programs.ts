import type { Request, RequestHandler } from 'express';
import { TOKEN_MARK } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { hashOf } from './hash-of.js';
import { ProblemError } from './problem.js';

/** Accounts of the programs that ask, by their requests. */
const PROGRAMS = new WeakMap<Request, number>();

/** The account of the program that asks; undefined where a browser does. */
export const programOf = (request: Request): number | undefined => PROGRAMS.get(request);

const BEARER = /^bearer +(\S+)$/i;
/** Whether a request comes with a token in the place of a session. */
export const hasToken = (request: Request): boolean => request.get('authorization') !== undefined;

/** Lets in who has a token that holds: no session, and no mark against other sites, which cannot send one. */
export const byToken =
  (database: Database): RequestHandler =>
  async (request, response, next) => {
    const token = BEARER.exec(request.get('authorization') ?? '')?.[1] ?? '';
    const found = token.startsWith(TOKEN_MARK)
      ? await database.one<{ id: number }>('people/of-token', hashOf(token))
      : undefined;
    if (!found) {
      response.setHeader('WWW-Authenticate', 'Bearer');
      throw new ProblemError(401, $localize`This token does not hold`, {
        detail: $localize`Send Authorization: Bearer and a token; whoever manages people makes them, and may have withdrawn it.`,
      });
    }
    PROGRAMS.set(request, found.id);
    next();
  };

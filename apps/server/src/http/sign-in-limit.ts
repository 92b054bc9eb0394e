import { type RateLimitRequestHandler, type Store, ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Database } from '../db/database.js';
import { ProblemError } from './problem.js';

const WINDOW_SECONDS = 300;

/** Tries are counted in PostgreSQL, so that several instances count together. */
function store(database: Database): Store {
  return {
    localKeys: false,
    async increment(key) {
      const row = await database.one<{ hits: number; reset_at: Date }>('accounts/count-attempt', key, WINDOW_SECONDS);
      return { totalHits: row?.hits ?? 1, resetTime: row?.reset_at };
    },
    async decrement(key) {
      await database.one('accounts/forget-attempt', key);
    },
    async resetKey(key) {
      await database.one('accounts/clear-attempts', key);
    },
  };
}

const loginOf = (body: unknown): string =>
  typeof body === 'object' && body !== null && 'login' in body && typeof body.login === 'string'
    ? body.login.trim().slice(0, 80)
    : '';

/** At most `limit` failed sign-ins in five minutes for one address and name. */
export const signInLimit = (database: Database, limit: number): RateLimitRequestHandler =>
  rateLimit({
    windowMs: WINDOW_SECONDS * 1000,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    store: store(database),
    keyGenerator: (request) => `${ipKeyGenerator(request.ip ?? '')} ${loginOf(request.body)}`,
    handler: () => {
      throw new ProblemError(429, 'Too many tries. Wait five minutes and try again.');
    },
  });

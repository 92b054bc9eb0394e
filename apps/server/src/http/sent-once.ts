import { createHash } from 'node:crypto';
import type { Request } from 'express';
import { type Account, type Endpoint, UNDER_WAY } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { ProblemError } from './problem.js';

const HEADER = 'idempotency-key';
const KEY = /^[\x21-\x7e]{8,80}$/;

interface Known {
  readonly fingerprint: string;
  readonly answer: { readonly body: unknown } | null;
}

/** The key that something new is sent with; undefined where it carries none. Issues: 400 for what is no key. */
function keyOf(endpoint: Endpoint, request: Request): string | undefined {
  const key = endpoint.method === 'post' && endpoint.right !== 'public' ? request.get(HEADER) : undefined;
  if (key === undefined) return undefined;
  if (KEY.test(key)) return key;
  throw new ProblemError(400, $localize`Idempotency-Key takes 8 to 80 letters, digits and signs`);
}

/**
 * Does something once for a key, however often it is sent: the second time is answered as the first was.
 * Issues: 409 while the first is under way, 422 where the key was used for something else.
 */
export async function once(
  database: Database,
  endpoint: Endpoint,
  request: Request,
  account: Account | undefined,
  work: () => Promise<unknown>,
): Promise<unknown> {
  const key = keyOf(endpoint, request);
  if (key === undefined || !account) return work();
  const fingerprint = createHash('sha256')
    .update(`${endpoint.id} ${request.path} ${JSON.stringify(request.body)}`)
    .digest('base64url');
  if (!(await database.one('sent/claim', account.id, key, fingerprint))) {
    const known = await database.one<Known & Record<string, unknown>>('sent/known', account.id, key);
    if (known && known.fingerprint !== fingerprint)
      throw new ProblemError(422, $localize`This Idempotency-Key was sent with something else`);
    if (known?.answer) return known.answer.body;
    throw new ProblemError(409, UNDER_WAY);
  }
  try {
    const body = await work();
    await database.one('sent/answer', account.id, key, { body });
    return body;
  } catch (error) {
    await database.one('sent/forget', account.id, key).catch(() => undefined);
    throw error;
  }
}

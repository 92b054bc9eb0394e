import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Request, Response } from 'express';
import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import type { Csrf } from '../../http/csrf.js';
import { ProblemError } from '../../http/problem.js';
import { readAccount } from '../../http/session.js';
import type { Devices } from '../../http/sign-in-limit.js';
import { HASHING } from './add-account.js';

/** What is known of whoever signs in by a name. */
export interface FoundAccount {
  readonly id: number;
  /** Null for somebody who was invited and has not chosen one. */
  readonly password_hash: string | null;
  readonly demo: boolean;
  readonly totp_secret: string | null;
}

/** The account of a sign-in name, where it may be used. */
export const findAccount = (queries: Queries, login: string): Promise<FoundAccount | undefined> =>
  queries.one<FoundAccount & Record<string, unknown>>('accounts/by-login', login);

/** An account as whoever is signed in knows it. */
export async function accountBy(queries: Queries, id: number): Promise<Account> {
  const account = await readAccount(queries, id);
  if (!account) throw new ProblemError(401, $localize`Sign in first`);
  return account;
}

/** A callback of the session as a promise. */
export const done = (work: (callback: (error?: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) => {
    work((error) => {
      if (error) reject(error instanceof Error ? error : new Error('the session cannot be written'));
      else resolve();
    });
  });

/** How somebody gets in. */
export interface Entry {
  /** Begins a session. */
  enter(request: Request, response: Response, who: Pick<Account, 'id' | 'login'>): Promise<void>;
  /** Whether a password is that of an account; takes as long where there is none, or none was chosen. */
  isRight(found: FoundAccount | undefined, password: string): Promise<boolean>;
}

export async function makeEntry({ csrf, devices }: { readonly csrf: Csrf; readonly devices: Devices }): Promise<Entry> {
  const nobody = await hash(randomBytes(32), HASHING);
  return {
    enter: async (request, response, { id, login }) => {
      // A new id after sign-in: one handed out before is worth nothing.
      await done((callback) => request.session.regenerate(callback));
      request.session.accountId = id;
      request.session.since = request.session.used = Date.now();
      csrf.issue(request, response);
      devices.remember(login, request, response);
      await done((callback) => request.session.save(callback));
    },
    isRight: async (found, password) => {
      const kept = found?.password_hash ?? null;
      return (await verify(kept ?? nobody, password)) && kept !== null;
    },
  };
}

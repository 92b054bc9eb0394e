import type { Request, RequestHandler, Response } from 'express';
import { randomBytes } from 'node:crypto';
import { type Store, ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Database } from '../db/database.js';
import { same, signature } from './csrf.js';
import { ProblemError } from './problem.js';

const WINDOW_SECONDS = 15 * 60;
const DEVICE_COOKIE = 'druckerei.device';
const DEVICE_MS = 180 * 24 * 3600 * 1000;

/** Failed sign-ins in a quarter of an hour that are let through. */
export interface SignInTries {
  readonly account: number;
  readonly address: number;
}
export const SIGN_IN_TRIES: SignInTries = { account: 20, address: 100 };

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

/** The name that somebody signs in with, as it is counted and logged. */
export const loginOf = (body: unknown): string =>
  typeof body === 'object' && body !== null && 'login' in body && typeof body.login === 'string'
    ? body.login.trim().slice(0, 80)
    : '';

/** Devices that an account signed in from: a cookie with the account's name, signed. Others' failures do not lock them out. */
export interface Devices {
  remember(login: string, request: Request, response: Response): void;
  /** What a device that is known for a login is counted by; undefined for a strange one. */
  known(request: Request): string | undefined;
}

function cookieOf(request: Request, name: string): string {
  const all = (request.headers.cookie ?? '').split(';').map((one) => one.trim());
  const found = all.find((one) => one.startsWith(`${name}=`))?.slice(name.length + 1) ?? '';
  try {
    return decodeURIComponent(found);
  } catch {
    return '';
  }
}

export function devices(secret: string): Devices {
  const signed = (nonce: string, login: string): string =>
    `${nonce}.${signature(secret, `device ${nonce} ${login.toLowerCase()}`)}`;
  return {
    remember(login, request, response) {
      response.cookie(DEVICE_COOKIE, signed(randomBytes(12).toString('base64url'), login), {
        httpOnly: true,
        sameSite: 'strict',
        secure: request.secure,
        maxAge: DEVICE_MS,
        path: '/api/session',
      });
    },
    known(request) {
      const sent = cookieOf(request, DEVICE_COOKIE);
      const [nonce = ''] = sent.split('.', 1);
      return nonce !== '' && same(sent, signed(nonce, loginOf(request.body))) ? nonce : undefined;
    },
  };
}

export interface SignInWatch {
  readonly known: Devices['known'];
  /** Told once when a limit is reached. */
  readonly refused: (request: Request, login: string) => Promise<void>;
}

/** Limits, one behind another, failed sign-ins of an account from strange devices, of a device, and of an address. */
export function signInLimits(
  database: Database,
  { account, address }: SignInTries,
  { known, refused }: SignInWatch,
): readonly [RequestHandler, RequestHandler] {
  const limit = (most: number, keyOf: (request: Request) => string): RequestHandler =>
    rateLimit({
      windowMs: WINDOW_SECONDS * 1000,
      limit: most,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      skipSuccessfulRequests: true,
      store: store(database),
      keyGenerator: keyOf,
      handler: (request, _response, next) => {
        const { used } = (request as Request & { rateLimit?: { used: number } }).rateLimit ?? { used: 0 };
        const told = used === most + 1 ? refused(request, loginOf(request.body)) : Promise.resolve();
        void told.then(() =>
          next(new ProblemError(429, $localize`Too many tries. Wait a quarter of an hour and try again.`)),
        );
      },
    });
  const byAddress = limit(address, (request) => `address ${ipKeyGenerator(request.ip ?? '')}`);
  return [
    limit(account, (request) => {
      const device = known(request);
      return device === undefined ? `account ${loginOf(request.body).toLowerCase()}` : `device ${device}`;
    }),
    // Who signed in well from here before is not held up by what others at the same address do.
    (request, response, next) => {
      if (known(request) === undefined) void byAddress(request, response, next);
      else next();
    },
  ];
}

import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import { ProblemError } from './problem.js';

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Read by the browser's script and sent back as a header, which another site cannot do. */
const CSRF_COOKIE = 'XSRF-TOKEN';
const CSRF_HEADER = 'x-xsrf-token';

/** Equal, told in a time that depends on the length alone; of different lengths is different. */
export function same(a: string, b: string): boolean {
  const [one, other] = [Buffer.from(a), Buffer.from(b)];
  return one.length === other.length && timingSafeEqual(one, other);
}

/** A text that only a server with this secret can have signed. */
export const signature = (secret: string, text: string): string =>
  createHmac('sha256', secret).update(text).digest('base64url');

/** What a token is good for: the session of who is signed in, else signing in. */
const bearer = (request: Request): string =>
  request.session.accountId === undefined ? 'nobody' : `session ${request.sessionID}`;

/** What somebody may send who is not signed in yet. */
const BEFORE_SIGN_IN: readonly string[] = ['/session', '/first-manager', '/welcome', '/welcome/look'];

export interface Csrf {
  /** Tells the browser its token. Nothing is kept: whoever only looks leaves no row. */
  issue(request: Request, response: Response): void;
  /** Refuses writes that do not carry the token of their session. */
  readonly check: RequestHandler;
}

/** Tokens signed with the server's secret over the session that they belong to. */
export function csrf(secret: string): Csrf {
  const signed = (request: Request, nonce: string): string =>
    `${nonce}.${signature(secret, `csrf ${nonce} ${bearer(request)}`)}`;
  return {
    issue(request, response) {
      const token = signed(request, randomBytes(18).toString('base64url'));
      response.cookie(CSRF_COOKIE, token, { sameSite: 'strict', secure: request.secure, path: '/' });
    },
    check(request, _response, next) {
      if (SAFE.has(request.method)) {
        next();
        return;
      }
      const signingIn = request.method === 'POST' && BEFORE_SIGN_IN.includes(request.path);
      if (request.session.accountId === undefined && !signingIn) throw new ProblemError(401, $localize`Sign in first`);
      const sent = request.get(CSRF_HEADER) ?? '';
      const [nonce = ''] = sent.split('.', 1);
      if (nonce === '' || !same(sent, signed(request, nonce)))
        throw new ProblemError(403, $localize`The page is out of date. Load it again.`, {
          detail: $localize`${CSRF_HEADER} is missing or wrong`,
        });
      next();
    },
  };
}

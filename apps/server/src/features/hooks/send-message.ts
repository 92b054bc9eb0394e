import { createHmac } from 'node:crypto';
import { isNativeError } from 'node:util/types';
import { SECRET_MARK } from '@druckerei/contract';

export interface Message {
  readonly id: number;
  readonly body: string;
  readonly url: string;
  readonly secret: string;
}
/** How a try of a message ended: in words, and whether it arrived. */
export interface Tried {
  readonly arrived: boolean;
  readonly outcome: string;
}

/** Milliseconds that an address has to answer. */
const ANSWER_MS = 10_000;

/** Names of its messages, so that whoever gets one twice knows it. */
const messageName = (id: number): string => `msg_${id}`;

/**
 * Head of a message by which whoever takes it knows that it is ours, and of now: HMAC-SHA-256 of its name, its second and its
 * body. Source: standard, Standard Webhooks 1.0.0.
 */
export function signed({ id, body, secret }: Omit<Message, 'url'>, now = Date.now()): Readonly<Record<string, string>> {
  const second = String(Math.floor(now / 1_000));
  const key = Buffer.from(secret.slice(SECRET_MARK.length), 'base64');
  const mark = createHmac('sha256', key)
    .update(`${messageName(id)}.${second}.${body}`)
    .digest('base64');
  return {
    'webhook-id': messageName(id),
    'webhook-timestamp': second,
    'webhook-signature': `v1,${mark}`,
  };
}

const WORDS: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nobody listens at this address',
  ENOTFOUND: 'there is no such name in the network',
  EAI_AGAIN: 'the names of the network cannot be looked up',
  ERR_INVALID_URL: 'this is no address',
  ECONNRESET: 'the connection was cut',
  UND_ERR_SOCKET: 'the connection was cut',
  EHOSTUNREACH: 'there is no way to this address',
  ENETUNREACH: 'there is no way to this address',
  CERT_HAS_EXPIRED: 'its certificate has run out',
  DEPTH_ZERO_SELF_SIGNED_CERT: 'its certificate is signed by nobody that this machine trusts',
  SELF_SIGNED_CERT_IN_CHAIN: 'its certificate is signed by nobody that this machine trusts',
  UNABLE_TO_VERIFY_LEAF_SIGNATURE: 'its certificate is signed by nobody that this machine trusts',
  ERR_TLS_CERT_ALTNAME_INVALID: 'its certificate is for another name',
};

/** Codes of an error and of what it came of. */
function codesOf(error: unknown): string[] {
  if (!isNativeError(error)) return [];
  const code = 'code' in error && typeof error.code === 'string' ? [error.code] : [];
  const several = 'errors' in error && Array.isArray(error.errors) ? error.errors.flatMap(codesOf) : [];
  return [...code, ...several, ...codesOf(error.cause)];
}

/** What an error came of, as it says itself. */
const rootOf = (error: unknown): string =>
  isNativeError(error) && error.cause !== undefined ? rootOf(error.cause) : String(error);

function wordsOf(error: unknown): string {
  const known = codesOf(error).find((code) => WORDS[code] !== undefined);
  return (known === undefined ? undefined : WORDS[known]) ?? $localize`it cannot be reached: ${rootOf(error)}`;
}

/** Sends a message once. What it answers besides its status is not read, and where it points on to is not followed. */
export async function sendMessage(message: Message, answerMs = ANSWER_MS): Promise<Tried> {
  const late = AbortSignal.timeout(answerMs);
  try {
    const answer = await fetch(message.url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'user-agent': 'druckerei', ...signed(message) },
      body: message.body,
      redirect: 'manual',
      signal: late,
    });
    await answer.body?.cancel();
    return { arrived: answer.ok, outcome: answered(answer.status) };
  } catch (error) {
    return {
      arrived: false,
      outcome: late.aborted ? $localize`no answer in ${answerMs / 1_000} seconds` : wordsOf(error),
    };
  }
}

function answered(status: number): string {
  if (status >= 300 && status < 400)
    return $localize`answered ${status}\: it points on to another address, enter that one`;
  return $localize`answered ${status}`;
}

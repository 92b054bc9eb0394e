import { randomInt } from 'node:crypto';
import { authenticator } from 'otplib';
import QRCode from 'qrcode';
import type { NewFactor } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { invalid } from '../../http/problem.js';
import { hashOf } from '../../http/hash-of.js';

// Source: standard, RFC 6238 (time-based codes of six digits, a step of 30 s), with one step of leeway on either side.
const totp = authenticator.clone({ window: 1, step: 30, digits: 6 });
const STEP_MS = 30_000;
const RECOVERY_CODES = 10;
const RECOVERY_SIGNS = '23456789abcdefghjkmnpqrstuvwxyz';
const RECOVERY_LENGTH = 10;

const bare = (code: string): string => code.toLowerCase().replaceAll(/[^0-9a-z]/g, '');

/** A new secret for an app, as text and as a drawing for its camera. */
export async function newFactor(login: string, works: string): Promise<NewFactor> {
  const secret = totp.generateSecret(20);
  const address = totp.keyuri(login, `Druckerei, ${works}`, secret);
  return { secret, address, drawing: await QRCode.toString(address, { type: 'svg', margin: 1 }) };
}

/** Codes for when the app is lost: told once, kept as hashes. */
export const recoveryCodes = (): string[] =>
  Array.from({ length: RECOVERY_CODES }, () =>
    Array.from({ length: RECOVERY_LENGTH }, () => RECOVERY_SIGNS[randomInt(RECOVERY_SIGNS.length)]).join(''),
  );

/** The step that a code belongs to; undefined where it is of none that counts now. */
export function stepOf(secret: string, code: string, now = Date.now()): number | undefined {
  const clock = totp.clone({ epoch: now });
  const delta = /^\d{6}$/.test(code) ? clock.checkDelta(code, secret) : null;
  return delta === null ? undefined : Math.floor(now / STEP_MS) + delta;
}

/** Uses a code of the second factor, or a recovery code, once. @returns whether it counts: what was used does not again. */
export async function useCode(queries: Queries, account: number, secret: string, code: string): Promise<boolean> {
  const step = stepOf(secret, code.replaceAll(/\s/g, ''));
  if (step !== undefined) return (await queries.one('people/use-step', account, step)) !== undefined;
  return (await queries.one('people/use-code', account, hashOf(bare(code)))) !== undefined;
}

/** Takes up a second factor by a code of it. Errors: 422 at `code` where it is none. @returns its recovery codes, told once. */
export async function takeUp(queries: Queries, account: number, secret: string, code: string): Promise<string[]> {
  const step = stepOf(secret, code.replaceAll(/\s/g, ''));
  if (step === undefined)
    throw invalid([
      {
        path: 'code',
        message: $localize`This is not the code that the app shows now. Look at the clock of the device, and try the next one.`,
      },
    ]);
  const codes = recoveryCodes();
  await queries.one('people/set-second-factor', account, secret, codes.map(hashOf));
  await queries.one('people/use-step', account, step);
  return codes;
}

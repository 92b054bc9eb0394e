import { isNativeError } from 'node:util/types';
import pg from 'pg';

/** SQLSTATE of an error of PostgreSQL or of the wire to it; undefined for any other. */
const codeOf = (error: unknown): string | undefined =>
  isNativeError(error) && 'code' in error && typeof error.code === 'string' ? error.code : undefined;

/** Errors of the wire, and of a server that is not there. */
const WIRE = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EHOSTUNREACH', 'ENOENT'];
/** The driver tells these without a code. */
const SAID = [
  'Connection terminated',
  'timeout exceeded when trying to connect',
  'timeout expired',
  'Query read timeout',
  'Client has encountered a connection error',
  'Cannot use a pool after calling end',
  'Client was closed',
];
/** SQLSTATE: connection exceptions, server going down or not up yet, no connection left, query or idle time over. */
const AWAY = /^(08|57P0|53300|53400|57014|25P03)/;

/** Whether the database is away or too slow to answer: nothing is wrong with the request, and it may come again. */
export function isAway(error: unknown): boolean {
  const code = codeOf(error);
  if (code !== undefined && (AWAY.test(code) || WIRE.includes(code))) return true;
  return isNativeError(error) && SAID.some((said) => error.message.includes(said));
}

/** Serialization failure and deadlock: PostgreSQL gave this transaction up for another, and it does well run again. */
export const mayTryAgain = (error: unknown): boolean => ['40001', '40P01'].includes(codeOf(error) ?? '');

/** A lock that was not free in time. */
export const isHeld = (error: unknown): boolean => codeOf(error) === '55P03';

/** Name of the constraint that a write ran into; undefined for any other error. */
export const violated = (error: unknown): string | undefined =>
  error instanceof pg.DatabaseError ? error.constraint : undefined;

/** What PostgreSQL cannot keep, by SQLSTATE of class 22, in words. */
const UNKEEPABLE: Readonly<Record<string, string>> = {
  '22001': 'A text is too long to be kept',
  '22003': 'A number is too large to be kept',
  '22007': 'A date or time cannot be read',
  '22008': 'A date lies outside the calendar',
  '22021': 'The request holds characters that cannot be kept',
  '22P02': 'A value cannot be read',
  '22P05': 'The request holds characters that cannot be kept',
};

/** Why PostgreSQL cannot keep a value as it was sent; undefined for any other error. */
export function unkeepable(error: unknown): string | undefined {
  const code = error instanceof pg.DatabaseError ? error.code : undefined;
  return code?.startsWith('22') ? (UNKEEPABLE[code] ?? 'A value of the request cannot be kept') : undefined;
}

/** What of an error is written to the log: of one of the driver's, never its client, which knows secrets of the connection. */
export function errorForLog(error: unknown): Readonly<Record<string, unknown>> {
  if (!isNativeError(error)) return { message: String(error) };
  const { name, message, stack } = error;
  return { type: name, message, stack, code: codeOf(error) };
}

/** A request as it is logged: what an address carries as a secret is none of the log's. */
export const withoutToken = <T extends { readonly url?: string }>(request: T): T =>
  request.url === undefined ? request : { ...request, url: request.url.replace(/(\/feeds\/)[^/]+/, '$1…') };

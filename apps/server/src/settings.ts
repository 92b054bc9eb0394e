import { isIP } from 'node:net';
import * as z from 'zod';

const flag = z
  .enum(['0', '1', ''])
  .optional()
  .transform((value) => value === '1');
const port = z.coerce.number().int().min(1).max(65_535);
const tries = z.coerce.number().int().min(1).max(1_000_000).optional();

/** The server's environment. Anything that cannot be is refused with its name before the server starts. */
const settingsSchema = z.object({
  /** Address of the PostgreSQL database. */
  DATABASE_URL: z.string().min(1),
  /** The same database as the role that owns its tables; the application's own role where absent. */
  OWNER_DATABASE_URL: z.string().min(1).optional(),
  PORT: port.default(3900),
  /** Address to listen at; this machine alone where absent. */
  HOST: z.string().default('127.0.0.1'),
  /** Folder of the built web application. */
  WEB_DIR: z.string().optional(),
  /** Signs sessions; random where absent: sessions then end with the process. */
  SESSION_SECRET: z.string().min(16).optional(),
  /** Loads the demo and lets its published sign-ins in, while the server listens to this machine alone. */
  DEMO: flag,
  /** First manager of a works without the demo; a password that differs from theirs becomes theirs. */
  ADMIN_LOGIN: z.string().trim().min(1).max(80).optional(),
  ADMIN_PASSWORD: z.string().min(10).max(200).optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent']).default('info'),
  /** Failed sign-ins in a quarter of an hour, of an account and of an address. */
  SIGN_IN_TRIES: tries,
  SIGN_IN_TRIES_ADDRESS: tries,
  /** Browsers come by TLS, through a proxy that ends it. */
  TLS: flag,
  /** Proxies that are trusted to name the browser's address: how many, or their addresses with commas. */
  TRUST_PROXY: z.string().optional(),
});
export type Settings = z.output<typeof settingsSchema>;

/** The settings, or what is wrong with them, a line each. */
export function readSettings(env: NodeJS.ProcessEnv): { settings?: Settings; wrong: readonly string[] } {
  const parsed = settingsSchema.safeParse(env);
  if (!parsed.success)
    return { wrong: parsed.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) };
  const { ADMIN_LOGIN, ADMIN_PASSWORD } = parsed.data;
  if ((ADMIN_LOGIN === undefined) !== (ADMIN_PASSWORD === undefined))
    return { wrong: ['ADMIN_LOGIN and ADMIN_PASSWORD go together: set both, or neither'] };
  return { settings: parsed.data, wrong: [] };
}

/** Whether nobody but this machine reaches an address. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || (isIP(host) === 4 && host.startsWith('127.'));

/** TRUST_PROXY as express takes it: a number of hops, or addresses. */
export const trustedProxies = (text: string | undefined): number | string | undefined =>
  text === undefined || text === '' ? undefined : /^\d+$/.test(text) ? Number(text) : text;

import { type Server, createServer } from 'node:http';
import { type Server as SecureServer, createServer as createSecureServer } from 'node:https';
import { setTimeout as wait } from 'node:timers/promises';
import type { Express } from 'express';

/**
 * Milliseconds: headers and whole requests have to be there by then, and a quiet connection is kept so long: longer
 * than browsers, programs and proxies leave theirs unused (a minute is usual), so that none sends into a closing one.
 */
const WIRE = {
  headersTimeout: 10_000,
  requestTimeout: 30_000,
  keepAliveTimeout: 75_000,
  connectionsCheckingInterval: 1_000,
} as const;

/** Milliseconds that requests under way have when the server stops; what is half sent by then is cut. */
export const GRACE_MS = 5_000;
/** Milliseconds between two looks for connections that have fallen quiet. */
const LOOK_MS = 50;

/** Certificate and key, PEM, of a server that ends TLS itself. */
interface TlsFiles {
  readonly cert: string;
  readonly key: string;
}

export type Listening = Server | SecureServer;

/** Listens with limits on how long a request may take to come in; by TLS where it has a certificate. */
export function listen(
  app: Express,
  port: number,
  host: string,
  limits: Partial<typeof WIRE> = {},
  tls?: TlsFiles,
): Promise<Listening> {
  const wire = { ...WIRE, ...limits };
  const server = tls ? createSecureServer({ ...wire, ...tls }, app) : createServer(wire, app);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve(server);
    });
  });
}

/** Takes no more requests, answers those under way, and cuts what has not come in whole after a time. */
export async function stopListening(server: Listening, graceMs = GRACE_MS): Promise<void> {
  let closed = false;
  const gone = new Promise<void>((resolve) => {
    server.close(() => {
      closed = true;
      resolve();
    });
  });
  const until = Date.now() + graceMs;
  while (!closed && Date.now() < until) {
    server.closeIdleConnections();
    await Promise.race([gone, wait(LOOK_MS)]);
  }
  server.closeAllConnections();
  await gone;
}

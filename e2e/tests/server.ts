import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { test as base, expect } from '@playwright/test';

const repo = fileURLToPath(new URL('../..', import.meta.url));
const PORT = 3949;
/** Milliseconds between two looks whether a server is there. */
const LOOK_MS = 200;
type Environment = Readonly<Record<string, string>>;
/** A database that nobody has used, for each file of tests and for a works without the demo: `npm test` makes them. */
const databases = JSON.parse(process.env['E2E_DATABASES'] ?? '{}') as Readonly<Record<string, Environment>>;

/** Where the database of a file of tests is, or of a name. @throws where nobody has made it. */
export function databaseOf(file: string): Environment {
  const found = databases[path.basename(file, '.spec.ts')];
  if (!found) throw new Error(`no database for ${file}: run it by npm test`);
  return found;
}

/** A built server with the demo, unless `env` says otherwise. What it says is said on. */
export function spawnServer(port: number, env: Environment): ChildProcess {
  const server = spawn(process.execPath, ['--enable-source-maps', 'apps/server/dist/main.js'], {
    cwd: repo,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      PORT: String(port),
      WEB_DIR: `${repo}apps/web/dist`,
      NODE_ENV: 'production',
      DEMO: '1',
      LOG_LEVEL: 'error',
      SIGN_IN_TRIES: '1000',
      SIGN_IN_TRIES_ADDRESS: '10000',
      ...env,
    },
  });
  server.stdout.pipe(process.stdout);
  return server;
}

export async function stopServer(server: ChildProcess): Promise<void> {
  if (server.exitCode !== null || !server.kill('SIGTERM')) return;
  await once(server, 'exit');
}

/** What a server answers when it is asked whether it is ready; 0 where nobody listens. */
const isReady = (port: number): Promise<number> =>
  fetch(`http://127.0.0.1:${port}/api/ready`).then(
    ({ status }) => status,
    () => 0,
  );

/** A server that is ready. @throws where something else listens at its port: its works would be looked at instead. */
export async function startServer(port: number, env: Environment): Promise<ChildProcess> {
  if ((await isReady(port)) !== 0) throw new Error(`port ${port} is taken: end what listens there`);
  const server = spawnServer(port, env);
  await expect.poll(() => isReady(port), { intervals: [LOOK_MS] }).toBe(200);
  return server;
}

/** The server of a worker: for each file of tests another one, on its own database, so that none finds what another has left. */
class Servers {
  private file = '';
  private server: ChildProcess | undefined;
  constructor(private readonly port: number) {}

  async of(file: string): Promise<string> {
    const address = `http://127.0.0.1:${this.port}`;
    if (this.file === file) return address;
    await this.stop();
    this.server = await startServer(this.port, databaseOf(file));
    this.file = file;
    return address;
  }

  async stop(): Promise<void> {
    if (this.server) await stopServer(this.server);
  }
}

/** Playwright's, where the address is that of a works that the tests of this file have to themselves. */
export const test = base.extend<object, { servers: Servers }>({
  servers: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads here that no other fixture is wanted
    async ({}, use, { parallelIndex }) => {
      const servers = new Servers(PORT + parallelIndex);
      await use(servers);
      await servers.stop();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ servers }, use, { file }) => {
    await use(await servers.of(file));
  },
});

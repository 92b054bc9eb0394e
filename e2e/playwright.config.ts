import { fileURLToPath } from 'node:url';
import { defineConfig } from '@playwright/test';

const repo = fileURLToPath(new URL('..', import.meta.url));
const PORT = 3949;
/** A server of its own for each worker, with a database of its own, so that none sees what another does to the works. */
const databases = JSON.parse(process.env['E2E_DATABASES'] ?? '[{}]') as readonly Record<string, string>[];
const portOf = (worker: number): number => PORT + worker;

/** `npm test` gives a fresh database; other folders than tests/ (bench, screenshots) run through their own scripts. */
export default defineConfig({
  testDir: `./${process.env['E2E_FOLDER'] ?? 'tests'}`,
  outputDir: './results',
  // Ends of patience, not targets: a shared machine may give us a quarter of its time.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  workers: databases.length,
  forbidOnly: !!process.env['CI'],
  reporter: [['list'], ...(process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? ([['json']] as const) : [])],
  use: {
    baseURL: `http://127.0.0.1:${portOf(Number(process.env['TEST_PARALLEL_INDEX'] ?? 0))}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    colorScheme: 'light',
    actionTimeout: 90_000,
    navigationTimeout: 90_000,
    // Recording everything costs a good part of the time: `--trace retain-on-failure` where one is looked into.
    trace: 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--font-render-hinting=none',
      ],
    },
  },
  webServer: databases.map((database, worker) => ({
    command: 'exec node --enable-source-maps apps/server/dist/main.js',
    cwd: repo,
    url: `http://127.0.0.1:${portOf(worker)}/api/health`,
    timeout: 60_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
    env: {
      ...database,
      PORT: String(portOf(worker)),
      WEB_DIR: `${repo}apps/web/dist`,
      NODE_ENV: 'production',
      DEMO: '1',
      LOG_LEVEL: 'error',
      SIGN_IN_TRIES: '1000',
      SIGN_IN_TRIES_ADDRESS: '10000',
    },
  })),
});

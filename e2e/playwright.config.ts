import { fileURLToPath } from 'node:url';
import { defineConfig } from '@playwright/test';

const repo = fileURLToPath(new URL('..', import.meta.url));
const PORT = 3949;

/** `npm test` gives a fresh database; other folders than tests/ (bench, screenshots) run through their own scripts. */
export default defineConfig({
  testDir: `./${process.env['E2E_FOLDER'] ?? 'tests'}`,
  outputDir: './results',
  // Ends of patience, not targets: a shared machine may give us a quarter of its time.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  workers: 1,
  forbidOnly: !!process.env['CI'],
  reporter: [['list'], ...(process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? ([['json']] as const) : [])],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    trace: 'retain-on-failure',
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
  webServer: {
    command: 'exec node --enable-source-maps apps/server/dist/main.js',
    cwd: repo,
    url: `http://127.0.0.1:${PORT}/api/health`,
    timeout: 60_000,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 5_000 },
    env: {
      PORT: String(PORT),
      WEB_DIR: `${repo}apps/web/dist`,
      NODE_ENV: 'production',
      DEMO: '1',
      LOG_LEVEL: 'error',
      SIGN_IN_TRIES: '1000',
      SIGN_IN_TRIES_ADDRESS: '10000',
    },
  },
});

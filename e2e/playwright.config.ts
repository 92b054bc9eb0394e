import { defineConfig } from '@playwright/test';

/** `npm test` gives fresh databases, and each file of tests has a server of its own on one of them (tests/server.ts). */
export default defineConfig({
  testDir: './tests',
  outputDir: './results',
  // Ends of patience, not targets: a shared machine may give us a quarter of its time.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  workers: 2,
  forbidOnly: !!process.env['CI'],
  reporter: [['list'], ...(process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] ? ([['json']] as const) : [])],
  use: {
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
});

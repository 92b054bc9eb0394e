import { type ChildProcess, spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { expectAccessible } from './steps.js';

const repo = fileURLToPath(new URL('../..', import.meta.url));
const PORT = '3953';
const address = `http://127.0.0.1:${PORT}`;
const empty = JSON.parse(process.env['E2E_EMPTY'] ?? '{}') as Readonly<Record<string, string>>;

let server: ChildProcess;
let told = '';
test.beforeAll(async () => {
  const { DEMO: _demo, ...env } = process.env;
  server = spawn(process.execPath, ['apps/server/dist/main.js'], {
    cwd: repo,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...env, ...empty, PORT, NODE_ENV: 'production', LOG_LEVEL: 'error', WEB_DIR: `${repo}apps/web/dist` },
  });
  server.stdout?.on('data', (text: Buffer) => (told += text.toString()));
  await expect.poll(() => told).toContain('enter this code');
});
test.afterAll(() => {
  server.kill('SIGTERM');
});

test('a works begins with nobody: the first manager is made by the code of the terminal', async ({ page }) => {
  const code = /([2-9A-Z]{4}-){3}[2-9A-Z]{4}/.exec(told)?.[0] ?? '';
  await page.goto(`${address}/jobs`);
  await expect(page.getByRole('heading', { name: 'The first manager' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('As the terminal shows it')).toBeVisible();
  await page.getByLabel('Code from the terminal').fill('AAAA-BBBB-CCCC-DDDD');
  await page.getByLabel('Your name').fill('Production, early');
  await page.getByLabel('Name to sign in with').fill('early');
  await page.getByLabel('Password').fill('a lantern in the weir');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('alert')).toContainText('This is not the code that the terminal shows');
  await expectAccessible(page, 'the first manager');
  await page.getByLabel('Code from the terminal').fill(code.toLowerCase());
  await page.getByRole('button', { name: 'Begin' }).click();
  // What the works is called and how it counts comes first.
  await expect(page).toHaveURL(`${address}/works`);
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  await expect(page.locator('tbody')).not.toContainText('HB-');
  // Nobody else is the first.
  await page.context().clearCookies();
  await page.goto(`${address}/jobs`);
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await page.getByLabel('Name').fill('early');
  await page.getByLabel('Password').fill('a lantern in the weir');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
});

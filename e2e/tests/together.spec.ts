import { type ChildProcess } from 'node:child_process';
import { type Page, expect } from '@playwright/test';
import { databaseOf, startServer, stopServer, test } from './server';
import { expectAccessible, field, openExample, saved, signIn } from './steps.js';

const PORT = 3955;
const address = `http://127.0.0.1:${PORT}`;

/** A second instance on the database of the first. */
let second: ChildProcess;
test.beforeAll(async ({ servers }, { file }) => {
  await servers.of(file);
  second = await startServer(PORT, databaseOf(file));
});
test.afterAll(() => stopServer(second));

/** Somebody else, at the other instance. */
async function other(page: Page): Promise<Page> {
  const context = await page.context().browser()?.newContext({ baseURL: address });
  if (!context) throw new Error('no browser');
  const there = await context.newPage();
  await signIn(there, 'manager');
  return there;
}

test('two instances, one job open in both: who reads it is told, looks, and reads what was changed', async ({
  page,
}) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  const there = await other(page);
  await there.goto(`/jobs/${id}`);
  await field(there, 'order.quantity').fill('11000');
  await saved(there);
  const told = page.locator('[data-test=changed]');
  await expect(told).toContainText('Production manager has changed this job.');
  // Nothing moved under the eyes of whoever reads.
  await expect(field(page, 'order.quantity')).toHaveValue('10,000');
  await expectAccessible(page, 'a job that somebody else has changed');
  await told.getByRole('button', { name: 'Look' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('11,000');
  await expect(page.locator('[data-test=shown]')).toContainText('Order quantity 11,000 (was 10,000)');
  await expect(there.locator('[data-test=changed]')).toHaveCount(0);
  // What is typed here afterwards goes over what was seen, without a question.
  await field(page, 'order.quantity').fill('12000');
  await saved(page);
  await expect(page.getByRole('alert', { name: 'Two versions' })).toHaveCount(0);
  await expect(there.locator('[data-test=changed]')).toBeVisible();
  await there.context().close();
});

test('a list shows by itself what somebody else has made', async ({ page }) => {
  await signIn(page);
  const there = await other(page);
  const title = `Map that came by itself ${Date.now()}`;
  await page.getByLabel('Search number, title, customer, status').fill(title);
  await expect(page.getByText('No job holds')).toBeVisible();
  await openExample(there, 'trail-map', (job) => (job['title'] = title));
  await expect(page.getByRole('cell', { name: title, exact: true })).toBeVisible();
  await there.context().close();
});

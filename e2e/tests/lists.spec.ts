import { expect } from '@playwright/test';
import { test } from './server';
import { addExample, chooseOwn, expectAccessible, field, pdfText, signIn } from './steps';

test('several jobs are ticked, released, copied and printed together; one that cannot holds up none', async ({
  page,
}) => {
  await signIn(page);
  const map = await addExample(page, 'trail-map', (job) => {
    job['customer'] = 'Several Alone';
    job['title'] = 'Map that can be released';
  });
  const atlas = await addExample(page, 'trail-map', (job) => {
    job['customer'] = 'Several Alone';
    job['title'] = 'Map on a stock that is not there';
    const [only] = job['components'] as Record<string, unknown>[];
    if (only) only['stock'] = 'nowhere';
  });
  await page.goto('/jobs');
  await page.getByLabel('Customer, in full').fill('Several Alone');
  await page.getByLabel('Customer, in full').press('Tab');
  const rows = page.locator('tbody tr[mat-row]');
  await expect(rows).toHaveCount(2);
  await expect(rows.filter({ hasText: 'can be released' }).locator('dk-product-picture svg')).toBeVisible();
  await page.getByLabel('Tick all jobs in sight').check();
  const several = page.getByRole('group', { name: 'Jobs that are ticked' });
  await expect(several).toContainText('2 jobs');
  await expectAccessible(page, 'several jobs');

  await several.getByRole('button', { name: 'Release' }).click();
  const became = several.getByRole('list', { name: 'What became of them' }).getByRole('listitem');
  await expect(became).toHaveCount(2);
  await expect(became.filter({ hasText: 'revision 1 is released' })).toHaveCount(1);
  await expect(became.filter({ hasText: 'nowhere' })).toHaveCount(1);
  await expect(rows.filter({ hasText: 'can be released' })).toContainText('Released');

  const tickets = await page.request.get(`/api/tickets?jobs=${map},${map}`);
  expect(tickets.headers()['content-type']).toContain('application/pdf');
  const text = await pdfText(await tickets.body());
  expect(text.match(/Job ticket/g)?.length).toBeGreaterThan(1);
  const wrong = await page.request.get(`/api/tickets?jobs=${map},${atlas}`);
  expect(wrong.status()).toBe(422);
  expect(await wrong.text()).toContain('E2E-');

  await several.getByRole('button', { name: 'Tick none' }).click();
  await page
    .getByLabel(/^Tick E2E-/)
    .first()
    .check();
  await several.getByRole('button', { name: 'Copy' }).click();
  await expect(several.getByText(/copied to HB-\d\d-\d{4}/)).toBeVisible();
  await expect(rows).toHaveCount(3);
});

test('a copy asks what changes, and has the next number of the works', async ({ page }) => {
  await signIn(page);
  await addExample(page, 'trail-map', (job) => {
    job['customer'] = 'Copied Alone';
  });
  await page.goto('/jobs');
  await page.getByLabel('Customer, in full').fill('Copied Alone');
  await page.getByLabel('Customer, in full').press('Tab');
  await expect(page.locator('tbody tr[mat-row]')).toHaveCount(1);
  await page.getByRole('button', { name: /^Copy E2E-/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Number')).toHaveValue(/^HB-\d\d-\d{4}$/);
  await dialog.getByLabel('Quantity').fill('750');
  await dialog.getByLabel('Due').fill('15/01/2027');
  await dialog.getByRole('button', { name: 'Copy', exact: true }).click();
  await page.getByRole('tab', { name: 'Order' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('750');
  await expect(field(page, 'due')).toHaveValue('15/01/2027');
});

test('a list of ten thousand jobs comes page by page', async ({ page }) => {
  await signIn(page);
  const TOTAL = 10_000;
  const asked: string[] = [];
  await page.route('**/api/jobs?*', async (route) => {
    const query = new URL(route.request().url()).searchParams;
    asked.push(query.toString());
    const [skip, limit] = [Number(query.get('skip')), Number(query.get('limit'))];
    const rows = Array.from({ length: Math.min(limit, TOTAL - skip) }, (_, i) => ({
      id: skip + i + 1,
      number: `N-${skip + i + 1}`,
      title: `Job ${skip + i + 1}`,
      customer: 'Somebody',
      family: 'folded',
      due: null,
      quantity: 1000,
      status: 'draft',
      revision: 1,
      changedAt: '2026-11-28T10:00:00.000Z',
      changedBy: 'Production manager',
    }));
    await route.fulfill({ json: rows, headers: { 'X-Total-Count': String(TOTAL) } });
  });
  await page.goto('/jobs');
  await expect(page.locator('tbody tr[mat-row]')).toHaveCount(100);
  await expect(page.getByText('100 of 10,000 jobs.')).toBeVisible();
  await page.getByRole('button', { name: 'Show more' }).click();
  await expect(page.locator('tbody tr[mat-row]')).toHaveCount(200);
  await expect(page.getByRole('link', { name: 'N-200', exact: true })).toBeVisible();
  await page.getByRole('columnheader', { name: 'Quantity' }).click();
  await expect.poll(() => asked.at(-1)).toContain('by=quantity');
});

test('the works says what it is called, its money and how it numbers jobs', async ({ page }) => {
  await signIn(page);
  await page.goto('/works');
  const name = page.getByLabel('Name, as tickets say it');
  await expect(name).toHaveValue('Haldenbruck Print Works');
  await page.getByLabel('Place').fill('At the weir');
  await page.getByLabel('Pattern of job numbers').fill('{week}-##');
  await expect(page.getByText(/“{week}” is unknown/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep the settings' }).click();
  await expect(page.getByRole('alert')).toContainText('“{week}” is unknown');
  await page.getByLabel('Pattern of job numbers').fill('HB-{yy}-####');
  await page.getByRole('button', { name: 'Keep the settings' }).click();
  await expect(page.getByRole('button', { name: 'Keep the settings' })).toBeDisabled();
  await expectAccessible(page, 'works');
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByTestId('changes').or(page.locator('[data-test="changes"]'))).toContainText('At the weir');
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(page.getByLabel('Place')).toHaveValue('At the weir');

  // What was kept is taken back in one step.
  await page.getByLabel('Lines under the name').fill('Weir Lane 4');
  await page.getByRole('button', { name: 'Keep the settings' }).click();
  await page.getByRole('button', { name: 'Take back what was kept' }).click();
  await expect(page.getByLabel('Lines under the name')).toHaveValue('');

  const logo = page.getByLabel('Logo from a file');
  await logo.setInputFiles({ name: 'logo.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toContainText('neither a PNG nor a JPEG');
  await logo.setInputFiles('docs/screenshots/order.png');
  await expect(page.getByRole('img', { name: 'Logo of the works' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(page.getByText('No logo yet.')).toBeVisible();
});

test('each person chooses what they read, and how dates are written for them', async ({ page }) => {
  // Somebody whose dates no other test reads.
  await signIn(page, 'viewer');
  const choose = async (menu: string, name: string | RegExp): Promise<void> => {
    await chooseOwn(page, menu);
    // The page is loaded anew with it.
    await Promise.all([page.waitForEvent('load'), page.getByRole('menuitemradio', { name }).click()]);
  };
  await choose('Language and dates', /^Deutsch/);
  await expect(page.getByRole('heading', { name: 'Aufträge' })).toBeVisible();
  await expect(page.locator('tbody')).toContainText(/4\. Dez\. 2026/);
  await choose('Sprache und Daten', 'Wie der Betrieb');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  await expect(page.locator('tbody')).toContainText(/4 Dec 2026/);
});

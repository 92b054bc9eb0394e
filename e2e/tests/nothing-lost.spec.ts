import { expect, test } from '@playwright/test';
import { balance, field, openExample, saved, signIn, station } from './steps';

test('what cannot be used stays in the field with the reason, over a reload too', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'cut').click();
  await field(page, 'route[4].running').fill('100');
  await expect(page.getByRole('alert')).toHaveText('Running spoilage is a share below 100 %');
  await expect(balance(page, 'total.pressSheets')).toContainText('5,484');
  await field(page, 'route[4].setup').fill('five');
  await expect(page.getByText('“five” is no number')).toBeVisible();
  await page.reload();
  await station(page, 'cut').click();
  await expect(field(page, 'route[4].running')).toHaveValue('100');
  await expect(field(page, 'route[4].setup')).toHaveValue('five');
  await field(page, 'route[4].running').fill('0.4');
  await field(page, 'route[4].setup').fill('');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(balance(page, 'total.pressSheets')).toContainText('5,494 sheets');
});

test('a lost connection loses nothing: the draft waits on this computer', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await page.route('**/draft', (route) => route.abort());
  await field(page, 'order.quantity').fill('13000');
  await expect(page.locator('dk-save-mark')).toContainText('The server cannot be reached');
  await page.reload();
  await expect(field(page, 'order.quantity')).toHaveValue('13,000');
  await expect(page.locator('dk-save-mark')).toContainText('Not saved');
  await page.unroute('**/draft');
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(field(page, 'order.quantity')).toHaveValue('13,000');
});

test('two who change one job are shown both versions', async ({ page, browser }) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  const other = await (await browser.newContext()).newPage();
  await signIn(other);
  await other.goto(`/jobs/${id}`);
  await field(other, 'order.quantity').fill('11000');
  // The mark still says saved until the page has taken the stroke; the server knows.
  const onServer = async (): Promise<unknown> =>
    ((await (await other.request.get(`/api/jobs/${id}`)).json()) as { job: { order: { quantity: number } } }).job.order
      .quantity;
  await expect.poll(onServer).toBe(11_000);
  await field(page, 'order.plannedOvers').fill('200');
  const conflict = page.getByRole('alert', { name: 'Two versions' });
  await expect(conflict.getByRole('row', { name: 'Order quantity 11,000 10,000' })).toBeVisible();
  await expect(conflict.getByRole('row', { name: 'Planned overs 0 200' })).toBeVisible();
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('11,000');
  await field(page, 'order.quantity').fill('11500');
  await saved(page);
  await field(other, 'order.quantity').fill('9000');
  await other.getByRole('button', { name: 'Save mine over theirs' }).click();
  await saved(other);
  await page.reload();
  await expect(field(page, 'order.quantity')).toHaveValue('9,000');
  await other.context().close();
});

test('a session that ended asks to sign in and comes back with the draft', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  await page.context().clearCookies({ name: 'druckerei.sid' });
  await field(page, 'order.quantity').fill('14000');
  await expect(page).toHaveURL(/sign-in/);
  await page.getByLabel('Name').fill('manager');
  await page.getByLabel('Password').fill('weir-and-wheel');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}$`));
  await expect(field(page, 'order.quantity')).toHaveValue('14,000');
  await saved(page);
});

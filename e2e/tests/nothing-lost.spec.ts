import { expect } from '@playwright/test';
import { test } from './server';
import { balance, field, openExample, openNorms, saved, signIn, station } from './steps';

test('what cannot be used stays in the field with the reason, over a reload too', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'cut').click();
  await openNorms(page);
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
  // What is still asked would bring the cookie back with its answer.
  await expect(page.locator('dk-ready-on')).toContainText(/Ready on.*\d/);
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

test('two tabs of one job see each other: what one saves is in the other, what the other types stays its own', async ({
  page,
}) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  const second = await page.context().newPage();
  await second.goto(`/jobs/${id}`);
  await expect(page.locator('[data-test=elsewhere]')).toContainText('open in another tab');
  await expect(second.locator('[data-test=elsewhere]')).toBeVisible();
  await field(page, 'order.quantity').fill('12000');
  await saved(page);
  await expect(field(second, 'order.quantity')).toHaveValue('12,000');
  // Both type before either is saved: the second sees both.
  await second.route('**/draft', (route) => route.abort());
  await field(second, 'order.plannedOvers').fill('77');
  await expect(page.locator('[data-test=elsewhere]')).toContainText('changing this job just now');
  await field(page, 'order.quantity').fill('12500');
  await saved(page);
  await expect(field(second, 'order.plannedOvers')).toHaveValue('77');
  await second.unroute('**/draft');
  await second.getByRole('button', { name: 'Try again' }).click();
  await expect(second.getByRole('alert', { name: 'Two versions' })).toContainText('12,500');
  await second.close();
  await expect(page.locator('[data-test=elsewhere]')).toHaveCount(0);
});

test('what a closed tab had not sent is taken over by the next one, not by one that is open', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  const lost = await page.context().newPage();
  await lost.goto(`/jobs/${id}`);
  await lost.route('**/draft', (route) => route.abort());
  await field(lost, 'order.quantity').fill('13131');
  await expect(lost.locator('dk-save-mark')).toContainText('The server cannot be reached');
  await page.reload();
  await expect(field(page, 'order.quantity')).toHaveValue('10,000');
  await lost.close();
  await page.reload();
  await expect(field(page, 'order.quantity')).toHaveValue('13,131');
  await saved(page);
});

test('a shared computer: what one has not sent is said when signing out, and never becomes the next one’s', async ({
  page,
}) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  await page.route('**/draft', (route) => route.abort());
  await page.route('**/room', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
  await field(page, 'order.quantity').fill('14141');
  await expect(page.locator('dk-save-mark')).toContainText('The server cannot be reached');
  await station(page, 'box').click();
  await page.getByLabel('Good out', { exact: true }).fill('500');
  await page.getByLabel('Good out', { exact: true }).press('Enter');
  await expect(page.getByText('waits on this computer')).toBeVisible();
  await page.getByRole('button', { name: 'Production manager' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.locator('[data-test=unsent]')).toContainText('An entry of the press room');
  await page.getByRole('button', { name: 'Sign out all the same' }).click();
  await expect(page).toHaveURL(/sign-in/);
  await page.unroute('**/draft');
  await page.unroute('**/room');
  await signIn(page, 'operator');
  await page.goto(`/jobs/${id}`);
  await expect(page.locator('dk-stream svg')).toBeVisible();
  await page.waitForTimeout(6_000);
  const onServer = async (): Promise<{ quantity: number; records: number }> => {
    const job = (await (await page.request.get(`/api/jobs/${id}`)).json()) as { job: { order: { quantity: number } } };
    const room = (await (await page.request.get(`/api/jobs/${id}/room`)).json()) as { records: object[] };
    return { quantity: job.job.order.quantity, records: room.records.length };
  };
  expect(await onServer()).toEqual({ quantity: 10_000, records: 0 });
  await page.getByRole('button', { name: 'Press operator' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await signIn(page);
  await page.goto(`/jobs/${id}`);
  await expect.poll(onServer).toEqual({ quantity: 14_141, records: 1 });
});

test('a full storage is told, and a lost answer is one’s own save', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  // The server saves it, and the answer gets lost on the way.
  let answers = 0;
  await page.route('**/draft', async (route) => {
    if (answers++ > 0) return route.continue();
    await route.fetch();
    return route.abort();
  });
  await field(page, 'order.quantity').fill('15151');
  await expect(page.getByText('The storage of this browser is full')).toBeVisible();
  await expect(page.locator('dk-save-mark')).toContainText('The server cannot be reached');
  await saved(page);
  await expect(page.getByRole('alert', { name: 'Two versions' })).toHaveCount(0);
  await page.goto(`/jobs/${id}`);
  await expect(field(page, 'order.quantity')).toHaveValue('15,151');
});

test('the database away while somebody types: every stroke is there when it is back', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  let away = true;
  await page.route('**/draft', (route) =>
    away
      ? route.fulfill({
          status: 503,
          contentType: 'application/problem+json',
          body: JSON.stringify({ type: 'about:blank', title: 'The database is away for the moment', status: 503 }),
        })
      : route.continue(),
  );
  await field(page, 'title').fill('');
  await field(page, 'title').pressSequentially('A trail along the old canal, east', { delay: 30 });
  await expect(page.locator('dk-save-mark')).toContainText('The database is away');
  await field(page, 'title').pressSequentially(', second printing', { delay: 30 });
  away = false;
  await saved(page);
  await page.reload();
  await expect(field(page, 'title')).toHaveValue('A trail along the old canal, east, second printing');
});

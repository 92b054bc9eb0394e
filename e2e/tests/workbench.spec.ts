import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { balance, dialogReady, expectAccessible, openExample, signIn, station } from './steps';

const scrolls = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollHeight - document.documentElement.clientHeight);
const inSight = (page: Page, selector: string): Promise<boolean> =>
  page.evaluate((css) => {
    const box = document.querySelector(css)?.getBoundingClientRect();
    return box !== undefined && box.top >= 0 && box.bottom <= innerHeight && box.height > 20;
  }, selector);

test('every station of a sewn book is seen with its drawing by one action, and the page never scrolls', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await signIn(page);
  await openExample(page, 'star-atlas');
  expect(await scrolls(page)).toBe(0);
  await station(page, 'case').click();
  await expect(page.locator('dk-station-drawing svg').first()).toBeVisible();
  expect(await scrolls(page)).toBe(0);
  expect(await inSight(page, 'dk-station-drawing svg')).toBe(true);
  expect(await inSight(page, '[data-step="case"]')).toBe(true);
  await expect(page.locator('dk-station-card')).toContainText('18.5 mm');
  // Typed: the seventh section stands for all that are like it.
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Which station?' }).fill('fold section 7');
  await page.keyboard.press('Enter');
  await expect(page.locator('dk-step-bench h2')).toContainText('Fold: Section 7');
  expect(await inSight(page, '[data-step="fold-section-7"]')).toBe(true);
  await page.getByRole('button', { name: /Sections 2-11/ }).click();
  await expect(page.locator('[data-step^="fold-section"]')).toHaveCount(11);
});

test('panes fold and come back by their keys, and the working opens beside its figure and leaves', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'cut').click();
  await page.keyboard.press('1');
  await expect(page.locator('dk-stream')).not.toBeInViewport();
  await page.keyboard.press('1');
  await expect(page.locator('dk-stream')).toBeInViewport();
  await page.keyboard.press('2');
  await expect(page.locator('dk-rooms')).not.toBeInViewport();
  await page.keyboard.press('2');
  await expect(page.locator('dk-rooms')).toBeInViewport();

  await expect(page.getByRole('complementary', { name: 'Working' })).not.toBeInViewport();
  await page.keyboard.press('n');
  await page.keyboard.press('Enter');
  const working = page.getByRole('complementary', { name: 'Working' });
  await expect(working.getByRole('heading')).toHaveText('Press sheets');
  await page.keyboard.press('n');
  await expect(working.getByRole('heading')).toHaveText('Paper');
  await page.keyboard.press('Escape');
  await expect(working).not.toBeInViewport();

  // Dragged to nothing, it comes back by its key.
  const divider = page.getByRole('separator', { name: 'Height of the stream' });
  const box = await divider.boundingBox();
  if (!box) throw new Error('no divider');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, 0, { steps: 4 });
  await page.mouse.up();
  await expect(page.locator('dk-stream')).not.toBeInViewport();
  await page.keyboard.press('1');
  await expect(page.locator('dk-stream')).toBeInViewport();
});

test('the cheapest plan of all parts is found, told why, taken and undone; a lock is kept', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'concert-programme');
  await page.keyboard.press('f');
  await page.getByRole('button', { name: 'Find the cheapest way' }).click();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible();
  await expect(page.locator('[data-test=why]')).toContainText('the cheapest of');
  await expectAccessible(page, 'plan for me');
  await page.getByRole('button', { name: 'Take: Cheapest' }).click();
  await expect(balance(page, 'total.plates')).toContainText('20 plates');
  await page.keyboard.press('Control+z');
  await expect(balance(page, 'total.plates')).toContainText('24 plates');

  await station(page, 'print-cover').click();
  await page.getByRole('button', { name: 'Lock the press', exact: true }).click();
  await page.keyboard.press('f');
  await page.getByRole('button', { name: /Plan again|Find the cheapest way/ }).click();
  await expect(page.getByRole('button', { name: 'Plan again' })).toBeVisible();
  await expect(page.locator('[data-test=why]')).not.toContainText('B2 four-colour');
});

test('a ladder of quantities says where plates begin to pay, and a rung is taken', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'concert-programme');
  await page.keyboard.press('q');
  const field = page.getByLabel('Quantities, with semicolons between them');
  await field.fill('300; a few');
  await field.press('Enter');
  await expect(page.getByText('“a few” is no quantity')).toBeVisible();
  await field.fill('300; 3,000');
  await field.press('Enter');
  await page.getByRole('button', { name: 'Reckon them' }).click();
  await expect(page.locator('[data-test=break-even]')).toContainText(/From \d+ on plates cost less/);
  await expectAccessible(page, 'ladder');
  await page.getByRole('button', { name: 'Take 300' }).click();
  await page.getByRole('button', { name: 'Order', exact: true }).click();
  await expect(page.locator('[data-path="order.quantity"]')).toHaveValue('300');
});

test('a job is begun from a line of text: what was understood and what not is shown, and the cheapest way is taken', async ({
  page,
}) => {
  await signIn(page);
  await page.getByRole('button', { name: 'New job' }).click();
  await dialogReady(page);
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Number')).toHaveValue(/\d$/);
  // The numbers of these tests are counted elsewhere.
  await dialog.getByLabel('Number').fill('TEXT-1');
  await dialog
    .getByLabel('Begin from a line of text, or answer below')
    .fill('3000 booklets A5 40pp 4/4 silk 115 cover 250 glitter "Night sky"');
  await expect(dialog.locator('[data-test=read]')).toContainText('not understood: glitter');
  await expect(dialog.locator('[data-test=read]')).toContainText('cover: Gloss coated 250 g');
  await expect(dialog.getByLabel('Title')).toHaveValue('Night sky');
  await expect(dialog.getByLabel('Text pages')).toHaveValue('40');
  await expect(dialog.locator('[data-test=better]')).toContainText('the cheapest of');
  await expect(dialog.locator('[data-test=layout] svg')).toBeVisible();
  await expectAccessible(page, 'new job');
  await dialog.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('heading', { name: /Night sky/ })).toBeVisible();
  await expect(station(page, 'stitch')).toBeVisible();
  // Begun the best way: planned again, nothing is cheaper.
  await page.keyboard.press('f');
  await page.getByRole('button', { name: 'Find the cheapest way' }).click();
  await expect(page.locator('[data-test=why]')).toContainText('As it is planned now');
});

test('a job is kept beside what is tried, compared, and taken back', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await page.keyboard.press('v');
  await page.getByRole('button', { name: 'Keep this beside, and try another' }).click();
  await page.getByRole('tab', { name: 'Order' }).click();
  await page.locator('[data-path="order.quantity"]').fill('20000');
  await expect(balance(page, 'total.pressSheets')).toContainText('10,679 sheets');
  await page.getByRole('tab', { name: 'What if' }).click();
  await expect(page.getByRole('row', { name: /Press sheets 5,484 sheets/ })).toBeVisible();
  await expect(page.getByText(/quantity: 10,000 → 20,000/)).toBeVisible();
  await expectAccessible(page, 'what if');
  await page.getByRole('button', { name: 'Take back the kept one' }).click();
  await expect(balance(page, 'total.pressSheets').getByRole('button')).toHaveText('5,484 sheets');
});

test('the list of jobs is sifted by status, customer and due date, says what comes first, and remembers its columns', async ({
  page,
}) => {
  await signIn(page);
  await openExample(page, 'trail-map', (job) => {
    job['customer'] = 'Sifted Alone';
    job['title'] = 'Sift one';
    job['due'] = '2026-12-01';
  });
  await page.goto('/jobs');
  const rows = page.locator('tbody tr[mat-row]');
  await page.getByLabel('Customer, in full').fill('Sifted Alone');
  await page.getByLabel('Customer, in full').press('Tab');
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText('Sift one');
  await expectAccessible(page, 'jobs, sifted');
  await page.getByLabel('Due by').fill('30/11/2026');
  await page.getByLabel('Due by').press('Tab');
  await expect(page.getByText('No job is like that.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).first().click();
  await page.getByRole('button', { name: 'What needs doing first' }).click();
  await expect(rows.first()).toContainText('1 Dec 2026');
  await page.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Quantity' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'Quantity' })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('columnheader', { name: 'Due' })).toBeVisible();
  await expect(page.getByRole('columnheader', { name: 'Quantity' })).toHaveCount(0);
});

import { type Page, expect } from '@playwright/test';
import { test } from './server';
import {
  balance,
  dialogReady,
  expectAccessible,
  leaveAsShipped,
  field,
  openExample,
  openNorms,
  saved,
  signIn,
  station,
} from './steps.js';

const panel = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' }).click();
const route = async (page: Page, ...choices: string[]) => {
  await page.getByRole('button', { name: 'Route' }).click();
  for (const choice of choices) await page.getByRole('menuitem', { name: choice, exact: true }).click();
};

test('a job is planned by sureness, its margin opens, and the other schools stand beside it', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  const sheets = balance(page, 'total.pressSheets');
  await expect(sheets).toContainText('5,484');
  await panel(page, 'Schools');
  await page.getByRole('button', { name: 'Plan the job by this' }).click();
  await expect(page.getByText('The job is planned by this.')).toBeVisible();
  await expect(sheets).toContainText('was 5,484');
  const sure = await page.locator('dk-sureness td b').innerText();
  await expect(sheets).toContainText(sure);
  await page.getByText('Step by step, where they differ').click();
  await expect(page.locator('dk-school-steps')).toContainText('5,475');
  await expectAccessible(page, 'schools');
  await sheets.getByRole('button').click();
  const working = page.locator('dk-working');
  for (const input of [/^n1/, /^firstPass/])
    await working.getByRole('row', { name: input }).getByRole('button').click();
  await expect(working).toContainText('steps + margin');
  await saved(page);
  await page.reload();
  await expect(sheets).toContainText(sure);
});

test('a web runs on rolls whose splices stand, and shorter rolls want more of them', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'ferry-timetable', (job) => (job['norms'] = { 'machine.heatset-web.rollOuter': 800 }));
  await station(page, 'print-leaflet').click();
  await page.getByRole('radio', { name: 'Rolls', exact: true }).click();
  const rolls = page.locator('dk-roll-plan tbody tr');
  // (796^2 - 86^2) / (996^2 - 86^2) of a roll of 1,000 mm: 17 instead of 11, each splice 60 copies: 190,796 + 6 x 60.
  await expect(rolls).toHaveCount(17);
  await expectAccessible(page, 'rolls');
  await expect(balance(page, 'total.pressSheets')).toContainText('191,156');
});

test('stations go in and out, a run parts in two, spoils serve a set-up; each is undone', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'fold').click();
  await route(page, 'Put a station behind', 'Inspect');
  await expect(station(page, 'inspect')).toBeVisible();
  await station(page, 'inspect').click();
  await route(page, 'Take this station out');
  await expect(station(page, 'inspect')).toHaveCount(0);

  await station(page, 'fold').click();
  await openNorms(page);
  await page.getByRole('combobox', { name: 'Set-up with spoils of' }).click();
  await page.getByRole('option', { name: 'Print' }).first().click();
  await expect(page.getByText('60 of spoils, 0 good')).toBeVisible();
  await undo(page);
  await expect(page.getByText('60 of spoils, 0 good')).toHaveCount(0);

  await page.locator('[data-step^=print]').first().click();
  await route(page, 'Print it in two runs');
  await expect(page.locator('[data-step^=print]')).toHaveCount(4);
  await expect(balance(page, 'total.plates')).toContainText('4 plates');
  await route(page, 'Print it in one run again');
  await expect(page.locator('[data-step^=print]')).toHaveCount(2);
  await expect(balance(page, 'total.pressSheets')).toContainText('5,484');
});

test('counts come in, the stream shows them and what they will come to', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  // By key: what comes in above moves it from under a pointer.
  await page.locator('summary', { hasText: 'Counts while it runs' }).press('Enter');
  const fold = page.getByLabel('Good out of Fold');
  await fold.fill('many');
  await fold.press('Enter');
  await expect(page.getByText('A whole number of good pieces is wanted')).toBeVisible();
  await expect(fold).toHaveValue('many');
  await fold.fill('9,900');
  await fold.press('Enter');
  await expect(fold).toHaveValue('');
  await expect(page.locator('[data-test=counts] tr', { hasText: 'Fold' })).toContainText('9,900');
  await expect(station(page, 'fold')).toContainText('9,900 counted');
  // 9,900 maps less 0.1 % at the bander.
  await expect(page.locator('dk-stream')).toContainText('9,890 expected');
  await expect(page.locator('[data-test=outcomes] tr', { hasText: 'by the counts so far' })).toContainText('110');
  await expectAccessible(page, 'counts');
});

test('an order is delivered in parts that add to it', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await page.getByRole('button', { name: 'Partial delivery' }).click();
  await expect(field(page, 'order.deliveries[1].quantity')).toHaveValue('5,000');
  await field(page, 'order.deliveries[0].quantity').fill('4000');
  await expect(page.getByRole('alert').filter({ hasText: 'The deliveries come to 9,000' }).first()).toBeVisible();
  await field(page, 'order.deliveries[0].quantity').fill('5000');
  await page.getByRole('button', { name: 'Take out delivery 2' }).click();
  await expect(field(page, 'order.deliveries[0].quantity')).toHaveCount(0);
});

test('where the paper goes opens to its working', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'concert-programme');
  await panel(page, 'Paper');
  const rows = page.locator('dk-losses li');
  await expect(rows.first()).toContainText('Cut away');
  await expectAccessible(page, 'paper');
  await rows.filter({ hasText: 'Set-up' }).first().getByRole('button').click();
  await expect(page.locator('dk-working')).toContainText('units × mass');
});

test('paper is taken in, counted, reserved and bought, once over all jobs', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  const number = (await page.getByRole('heading', { level: 1 }).innerText()).split(' ')[0] ?? '';
  await panel(page, 'Buying');
  const line = page.locator('[data-test=buying] li', { hasText: 'Silk coated 115 g' });
  await expect(line).toContainText('5,484');
  await line.getByRole('button', { name: /Reserve/ }).click();
  await expect(line.getByRole('button', { name: 'Let go' })).toBeVisible();
  await expectAccessible(page, 'buying');

  await page.getByRole('link', { name: 'Stores', exact: true }).click();
  const lot = page.locator('[data-test=lots] tr', { hasText: 'Silk coated 115 g' });
  await expect(lot).toContainText(number);
  await expectAccessible(page, 'stores');
  await page.getByRole('button', { name: 'Into the store' }).click();
  await dialogReady(page);
  await page.getByLabel('Sheets on hand').fill('12.5');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'A whole number is wanted' })).toBeVisible();
  await page.getByLabel('Sheets on hand').fill('750');
  await page.getByLabel('Where it lies').fill('Bay 12');
  await page.getByLabel('Why').fill('delivered');
  await page.getByRole('button', { name: 'Keep' }).click();
  const added = page.locator('[data-test=lots] tr', { hasText: 'Bay 12' });
  await expect(added).toContainText('750 sheets');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await added.getByRole('button', { name: /^Count/ }).click();
  await dialogReady(page);
  await page.getByLabel('Sheets on hand').fill('740');
  await page.getByLabel('Why').fill('ten damaged');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(added).toContainText('740 sheets');
  await added.getByRole('button', { name: /^Count/ }).click();
  await expect(page.getByRole('dialog')).toContainText('750 to 740');
  await page.getByRole('button', { name: 'Leave it' }).click();

  await panel(page, 'To buy');
  await expect(page.locator('[data-test=to-buy] tbody tr').first()).toContainText('sheets');
  await expectAccessible(page, 'to buy');
});

test('a norm told for a machine is in force there, and the working shows every level', async ({ page }) => {
  await signIn(page);
  await page.goto('/norms');
  await page.locator('[data-norm="spoil.stitch.running"]').getByRole('button').click();
  await page.getByLabel('Value').fill('2.5');
  await page.getByRole('combobox', { name: 'Told for' }).click();
  await page.getByRole('option', { name: 'on coated stock' }).click();
  await page.getByLabel('Why').fill('splits at the fold');
  await page.getByRole('button', { name: 'Set the norm' }).click();
  await expect(page.locator('[data-norm="spoil.stitch.running@stock=coated"] input')).toHaveValue('2.5');
  await expect(page.getByLabel('History')).toContainText('splits at the fold');
  await page.locator('[data-norm="flow.percentOf"]').getByRole('button').click();
  await expect(page.getByRole('combobox', { name: 'Value' })).toContainText('what runs');
  await page.getByRole('button', { name: 'Leave it' }).click();

  await openExample(page, 'trail-map', (job) => {
    for (const step of job['route'] as Record<string, unknown>[]) delete step['running'];
  });
  await station(page, 'band').click();
  await page.locator('[data-test=in] button').click();
  const working = page.locator('dk-working');
  for (const input of [/^running/, /^norm/])
    await working.getByRole('row', { name: input }).getByRole('button').click();
  await expect(page.getByLabel('Where the value comes from, nearest first')).toContainText('as shipped');
  await expect(page.getByLabel('Where the value comes from, nearest first')).toContainText('in force');
  await leaveAsShipped(page, 'spoil.stitch.running@stock=coated');
});

import fs from 'node:fs';
import { expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, signIn } from './steps';

const LINES = [
  'Auftrag;Titel;Kunde;Auflage;Termin;Produkt',
  'OL-1;Heron walks;Weir Trust;3.000;31.3.2027;booklets A5 40pp 4/4 silk 115 cover 250',
  'OL-2;Lantern night;Weir Trust;500;;poster A2 4/0 velvety',
  'OL-3;Nothing known;;100;;something nice',
  'OL-4;No count;;some;;leaflet A4',
  'OL-5;No such day;;100;30.2.2027;leaflet A4',
].join('\n');

test('a list of orders with three bad lines is read, what is wrong is told and kept, and the rest become jobs', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'List of orders' }).click();
  await expectAccessible(page, 'list of orders, empty');
  await page.getByLabel('Lines of a list of orders').fill(LINES);
  const outcome = page.locator('[data-test=outcome]');
  await expect(outcome).toContainText('2 jobs can be begun; 3 lines cannot.');
  await expect(page.getByLabel('What stands in Kunde')).toHaveValue('customer');
  await expect(page.getByText('Which product it is cannot be read out of “something nice”')).toBeVisible();
  await expect(page.getByText('The quantity “some” is no whole number')).toBeVisible();
  await expect(page.getByText('There is no day “30.2.2027”')).toBeVisible();
  await expect(page.getByText('Nothing was made of “velvety”')).toBeVisible();
  await expectAccessible(page, 'list of orders');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Lines that cannot be begun, as CSV' }).click(),
  ]);
  const kept = fs.readFileSync(await file.path(), 'utf8').split(/\r?\n/);
  expect(kept[0]).toBe('Auftrag,Titel,Kunde,Auflage,Termin,Produkt,Line,Why');
  expect(kept[1]).toMatch(/^OL-3,Nothing known,,100,,something nice,4,/);

  await page.getByRole('button', { name: 'Begin 2 jobs' }).click();
  await expect(page.getByText('2 jobs begun.')).toBeVisible();
  await page.getByRole('link', { name: 'Look at the jobs' }).click();
  await page.getByLabel('Search number, title, customer, status').fill('Heron walks');
  await page.getByRole('link', { name: 'OL-1' }).click();
  await expect(page.getByRole('heading', { name: /Heron walks/ })).toBeVisible();

  // The same list once more: nothing of it is begun, and it is said why.
  await page.goto('/jobs/list');
  await page.getByLabel('Lines of a list of orders').fill(LINES);
  await page.getByRole('button', { name: 'Begin 2 jobs' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'None was begun' })).toContainText(
    'Line 2: The job number OL-1 is taken. Choose another. Line 3: The job number OL-2 is taken.',
  );

  // What a column was said to be is remembered for lists with these headings.
  await page.getByLabel('What stands in Titel').selectOption('leave out');
  await expect
    .poll(() => page.evaluate(() => localStorage.getItem('druckerei.order-list-columns')))
    .toContain('Auftrag');
  await page.reload();
  await page.getByLabel('Lines of a list of orders').fill(LINES);
  await expect(page.getByLabel('What stands in Titel')).toHaveValue('');
});

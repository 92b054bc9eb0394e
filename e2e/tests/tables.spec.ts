import fs from 'node:fs';
import { expect } from '@playwright/test';
import readSheets from 'read-excel-file/node';
import { test } from './server';
import { dialogReady, expectAccessible, signIn } from './steps';

test('tables of a page are saved with all their lines, and stock that was counted in one comes back', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/stores');
  const lots = page.locator('[data-test=lots]');
  await expect(lots.getByRole('rowheader').first()).toBeVisible();
  const lines = (await lots.getByRole('row').count()) - 1;
  await page.keyboard.press('Control+Shift+s');
  await dialogReady(page);
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('listitem').first()).toContainText(`On hand ${lines} line`);
  await expectAccessible(page, 'tables of a page');
  const saved = page.waitForEvent('download');
  await dialog
    .getByRole('button', { name: /as XLSX/ })
    .first()
    .click();
  const book = await saved;
  expect(book.suggestedFilename()).toMatch(/\.xlsx$/);
  const [sheet] = await readSheets(fs.readFileSync(await book.path()));
  expect(sheet?.data[0]?.slice(0, 3)).toEqual(['What', 'Where', 'On hand']);
  expect(sheet?.data).toHaveLength(lines + 1);
  expect(sheet?.data.slice(1).every((row) => typeof row[2] === 'number')).toBe(true);
  const asText = page.waitForEvent('download');
  await dialog
    .getByRole('button', { name: /as CSV/ })
    .first()
    .click();
  const csv = fs.readFileSync(await (await asText).path(), 'utf8');
  await dialog.getByRole('button', { name: 'Close' }).click();

  // As it was saved it says what there is already; with one line of its own that nobody knows.
  const file = { name: 'counted.csv', mimeType: 'text/csv', buffer: Buffer.from(`${csv}\r\nSomething else,Row 1,3`) };
  await page.locator('dk-count-file input[type=file]').setInputFiles(file);
  await expect(page.locator('[data-test="list-file"]')).toContainText('1 line cannot.');
  await expect(page.getByText('“Something else” is nothing that the works buys')).toBeVisible();
  await expectAccessible(page, 'a list of stock');
  await page.getByRole('button', { name: /^Take \d+ counts?$/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'found it as it stood' })).toContainText('0 lots came in');
});

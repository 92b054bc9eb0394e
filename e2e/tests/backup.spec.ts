import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { test } from './server';
import { signIn } from './steps';

test('a manager takes everything away in one file, and restores it into an empty works only', async ({ page }) => {
  await signIn(page);
  await page.getByRole('button', { name: 'Production manager' }).click();
  await page.getByRole('menuitem', { name: 'Backup' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take a backup' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^druckerei-\d{4}-\d\d-\d\d\.zip$/);
  const file = await download.path();
  expect(readFileSync(file).subarray(0, 2).toString()).toBe('PK');
  await page.getByLabel('Backup to restore').setInputFiles(file);
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('This works is in use');
  await page.getByLabel('Backup to restore').setInputFiles({
    name: 'holiday.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('no ZIP at all'),
  });
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('This file is no backup of ours');
});

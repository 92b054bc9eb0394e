import { expect } from '@playwright/test';
import { test } from './server';
import { addExample, expectAccessible, signIn } from './steps';

test('counts of a list come into the book once, and a line of no job is told', async ({ page }) => {
  await signIn(page);
  let number = '';
  const id = await addExample(page, 'trail-map', (job) => {
    number = String(job['number']);
  });
  const list = (job: string): string =>
    ['Job,Machine,When,Good,Waste', `${number},Box,2026-11-30 14:05,40,2`, `${job},Box,2026-11-30 15:00,60,`].join(
      '\n',
    );
  const choose = (text: string): Promise<void> =>
    page
      .locator('dk-counts-file input[type=file]')
      .setInputFiles({ name: 'counter.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.goto('/book');
  await choose(list('NO-JOB'));
  const file = page.locator('dk-counts-file');
  await file.getByRole('button', { name: 'Take 2 counts' }).click();
  await expect(file.getByRole('alert')).toContainText('Nothing was taken. Line 3: No job has the number NO-JOB.');
  await expectAccessible(page, 'counts out of a file');
  await file.getByRole('button', { name: 'Leave the file' }).click();
  for (const said of ['3 entries came into the book', '0 entries came into the book, 3 stood there already']) {
    await choose(list(number));
    await file.getByRole('button', { name: 'Take 2 counts' }).click();
    await expect(file.getByRole('status')).toContainText(said);
  }
  await page.goto(`/book/${id}/box`);
  await expect(page.getByText('100').first()).toBeVisible();
});

import fs from 'node:fs';
import { expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, openExample, signIn } from './steps';

const COUNTED = `<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0" JobID="EXC-2" JobPartID="box" Types="BoxPacking"><AuditPool>
<AuditResource><Header AgentName="Counter of the packer" Time="2026-11-30T10:00:00Z"/><ResourceInfo><ResourceSet Name="Component"><Resource>
<AmountPool><PartAmount Amount="400" Waste="3"/></AmountPool></Resource></ResourceSet></ResourceInfo></AuditResource></AuditPool></XJDF>`;

test('a job goes out as XJDF, comes in as another program has changed it, and counts come back into the book', async ({
  page,
}) => {
  await signIn(page);
  await openExample(page, 'trail-map', (job) => {
    job['number'] = 'EXC-1';
  });
  await page.getByRole('button', { name: 'Documents' }).click();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'For other programs (XJDF)' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('EXC-1.xjdf');
  const text = fs.readFileSync(await file.path(), 'utf8');
  const changed = text
    .replace(/Amount="\d+" IsRoot="true"/, 'Amount="4321" IsRoot="true"')
    .replace('<ProductList>', '<ProductList><Mood Tone="calm"/>');

  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Out of a file' }).click();
  await expectAccessible(page, 'job out of a file, empty');
  const field = page.getByLabel('File of a job');
  const choose = (name: string, content: string) =>
    field.setInputFiles({ name, mimeType: 'application/xml', buffer: Buffer.from(content) });
  await choose('broken.xjdf', changed.replace('Amount="4321"', 'Amount="many"'));
  await expect(page.getByRole('alert')).toContainText(/Line \d+: .*'many' is not a whole number/);
  await choose('from-the-mill.xjdf', changed);
  await expect(page.getByRole('region', { name: 'What is asked for' })).toContainText('4,321');
  await expect(page.getByText('Amount is 4321, and the job file in it says')).toBeVisible();
  await expect(page.getByText('Mood is not understood, and kept as it is')).toBeVisible();
  await expectAccessible(page, 'job out of a file');
  await page.getByRole('button', { name: 'Begin the job' }).click();
  await expect(page.getByRole('alert')).toContainText('This job number is taken. Choose another.');
  await page.getByLabel('Job number').fill('EXC-2');
  await page.getByRole('button', { name: 'Begin the job' }).click();
  await expect(page.getByText('EXC-2').first()).toBeVisible();

  await page.goto('/jobs/file');
  await choose('counted.xml', COUNTED);
  await page.getByRole('button', { name: 'Enter 1 count in the book' }).click();
  await expect(page.getByText('2 entries came into the book.')).toBeVisible();
});

import { expect } from '@playwright/test';
import { test } from './server';
import { dialogReady, expectAccessible, field, openExample, pdfText, saved, signIn, station } from './steps';

test('a station runs on two machines, a lane is parted and joined, all taken back', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'puzzle-wallet');
  await station(page, 'glue-tray').click();
  const route = page.getByRole('button', { name: 'Route', exact: true });
  await route.click();
  await page.getByRole('menuitem', { name: 'Run it on two machines' }).click();
  await page.getByRole('menuitem', { name: 'and on Folder-gluer' }).click();
  await expect(station(page, 'glue')).toBeVisible();
  await page.getByLabel('Share of this run').fill('70');
  await station(page, 'glue').click();
  await expect(page.getByLabel('Share of this run')).toHaveValue('30');
  await expectAccessible(page, 'two machines');
  await route.click();
  await page.getByRole('menuitem', { name: 'Run it on one machine again' }).click();
  await expect(station(page, 'glue')).toHaveCount(0);
  await station(page, 'insert').click();
  await route.click();
  await page.getByRole('menuitem', { name: 'Part from this station' }).click();
  await page.getByRole('menuitem', { name: 'Insert' }).click();
  await route.click();
  await page.getByRole('menuitem', { name: 'Join to this station' }).click();
  await page.getByRole('menuitem', { name: 'Insert' }).click();
  await expect(station(page, 'insert')).toHaveAttribute('aria-label', /takes Insert/);
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await saved(page);
});

test('voided numbers are replaced from behind the run, on the card and in the list', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'season-tickets');
  await station(page, 'number').click();
  await page.getByLabel('Voided, like 7, 100-105').fill('7, 100-101');
  await expect(page.getByRole('table', { name: 'Voided and replaced' }).getByRole('row')).toHaveCount(4);
  await saved(page);
  const at = `/api/jobs/${id}/revisions/1/stations/number`;
  const list = await page.request.get(`${at}/numbers.pdf`);
  expect(list.status()).toBe(200);
  const text = await pdfText(await list.body());
  expect(text).toContain('3 voided');
  expect(text).toMatch(/000007\d\d is void, replaced by 012/);
  expect((await (await page.request.get(`${at}.csv`)).text()).match(/^\d+,\d+,\d{8},\d{8}\r?$/gm)).toHaveLength(3);
});

test('the section reader stops at the first error, and the stop stays on record', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'star-atlas', (job) => (job['number'] = `READ-${process.pid}`));
  await station(page, 'gather').click();
  const code = page.getByLabel('Code as read');
  const read = async (place: string): Promise<void> => {
    await code.fill(`READ-${process.pid}.${place}`);
    await code.press('Enter');
  };
  await read('01');
  await read('03');
  await expect(page.locator('[data-test=reader-stop]')).toContainText('A section is missing');
  await page.getByRole('button', { name: 'Put right, go on' }).click();
  await read('02');
  await expect(page.locator('[data-test=scanned]')).toContainText('2 of 12');
  await page.reload();
  await station(page, 'gather').click();
  await expect(page.getByText('1 stop on record.')).toBeVisible();
});

test('finished pieces are taken in and called off, leaving in time', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'tea-shipper');
  const number = `E2E finished ${id}`;
  await page.goto('/stores');
  await page.getByRole('tab', { name: 'Finished' }).click();
  await page.getByRole('button', { name: 'Finished pieces in' }).click();
  await dialogReady(page);
  await page.getByRole('combobox', { name: 'Job' }).click();
  await page.getByRole('option', { name: 'Tea shipper' }).first().click();
  await page.getByRole('textbox', { name: 'Pieces' }).fill('none');
  await page.getByRole('button', { name: 'Take in' }).click();
  await expect(page.getByRole('alert')).toContainText('A whole number of pieces');
  await page.getByRole('textbox', { name: 'Pieces' }).fill('2,000');
  await page.getByLabel('Where they lie').fill(number);
  await page.getByRole('button', { name: 'Take in' }).click();
  const row = page.getByRole('row', { name: number });
  await row.getByRole('button', { name: 'Call off' }).click();
  await dialogReady(page);
  await page.getByRole('textbox', { name: 'Pieces' }).fill('900');
  await page.getByLabel('To', { exact: true }).fill('Tea house by the lock');
  await page.getByLabel('Days on the road').fill('2');
  await page.getByLabel('Due there').fill('15/01/2027');
  await page.getByLabel('Due there').press('Tab');
  await expect(page.locator('[data-test=load]')).toContainText('Leaves by 13 Jan 2027');
  await expectAccessible(page, 'call off');
  await page.getByRole('dialog').getByRole('button', { name: 'Call off' }).click();
  await expect(row).toContainText('1,100');
  await expect(page.locator('[data-test=called-off]')).toContainText('Tea house by the lock');
  await expectAccessible(page, 'finished stock');
});

test('single books go from the order book to the final check by their codes', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/singles');
  const code = `S-${process.pid}`;
  await page.getByLabel('New orders: code').fill(`${code}; Field notes; 111; 180; 96; white 80 g; gloss; 2026-12-09`);
  await page.getByRole('button', { name: 'Put 1 into the book' }).click();
  const batch = page.locator('[data-test=batches]').getByRole('row', { name: code });
  await batch.getByRole('button', { name: 'Printed' }).click();
  await expect(batch).toHaveCount(0);
  const kit = async (cover: string, block: string): Promise<void> => {
    await page.getByLabel('Code of the cover').fill(cover);
    await page.getByLabel('Code of the block').fill(block);
    await page.getByLabel('Code of the block').press('Enter');
  };
  await kit(code, 'S-0');
  await expect(page.locator('[data-test=problem]')).toContainText('are not of one order');
  await kit(code, code);
  const book = page.locator('[data-test=printed]').getByRole('row', { name: code });
  await expect(book).toContainText('matched');
  await book.getByRole('button', { name: 'Looked over, good' }).click();
  await expect(book).toContainText('checked');
  await expectAccessible(page, 'single books');
});

test('panels that fold against each other are refused with the most that they may be', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map', (job) => {
    job['finish'] = { fold: 'letter' };
    for (const step of job['route'] as Record<string, unknown>[]) if (step['operation'] === 'fold') step['folds'] = 2;
  });
  await station(page, 'fold').click();
  await field(page, 'finish.panelsMm').fill('197; 198; 199');
  await expect(page.getByText('Panel 3 folds in against the one before').first()).toBeVisible();
  await field(page, 'finish.panelsMm').fill('199; 198; 197');
  await expect(page.getByText('Panel 3 folds in against')).toHaveCount(0);
});

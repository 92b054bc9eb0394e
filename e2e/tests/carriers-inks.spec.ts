import { createCanvas } from '@napi-rs/canvas';
import { type Page, expect } from '@playwright/test';
import { halfBlackPdf } from './pdf.js';
import { test } from './server';
import { expectAccessible, openExample, saved, signIn, station } from './steps.js';
import { tintTiff } from './tiff.js';

const view = (page: Page, name: string) => page.getByRole('radio', { name, exact: true }).click();
const card = (page: Page) => page.locator('dk-carrier-card');
const record = (page: Page) => page.locator('dk-step-record');

async function openCards(page: Page): Promise<number> {
  await signIn(page);
  const id = await openExample(page, 'constellation-cards');
  await station(page, 'print-card').click();
  return id;
}

function blackPng(): Promise<Buffer> {
  const canvas = createCanvas(111, 154);
  canvas.getContext('2d').fillRect(0, 0, 111, 154);
  return canvas.encode('png');
}

/** The inspected carriers in a row of the list. */
const inspected = (page: Page) => page.locator('dk-carriers-bench td dk-carrier-mark', { hasText: 'Inspected' });

test('the gates of the press room hold, and open for who has done the work', async ({ page }) => {
  await openCards(page);
  const start = page.getByRole('button', { name: 'Start the press' });
  await expect(start).toBeDisabled();
  await expect(record(page)).toContainText('The trial of Night blue is not accepted');
  await expect(record(page)).toContainText('5 carriers of Print are not inspected');

  await view(page, 'Carriers');
  await page.getByRole('button', { name: 'All 44 wanted are made' }).click();
  await expect(page.locator('dk-carriers-bench dk-room-line [role=alert]')).toContainText('is not approved');
  await page.getByRole('button', { name: 'Approve the artwork' }).click();
  await page.getByRole('button', { name: 'All 44 wanted are made' }).click();
  await expect(page.getByText('Artwork approved by Production manager')).toBeVisible();
  await expect(card(page).getByRole('button', { name: 'Pass: no fault' })).toBeVisible();
  await expectAccessible(page, 'carriers bench');
  // By keyboard alone: Enter passes the one in hand and goes on to the next; the five plates are first, then the dies.
  await page.locator('button.pick').first().focus();
  for (let passed = 1; passed <= 6; passed++) {
    await page.keyboard.press('Enter');
    await expect(inspected(page)).toHaveCount(passed);
  }

  await view(page, 'Inks');
  await expectAccessible(page, 'inks bench');
  for (const ink of ['Silver', 'Night blue']) {
    await page.locator('dk-inks-bench .pick', { hasText: ink }).click();
    await page.getByRole('button', { name: 'Accept the trial' }).click();
    await expect(page.locator('dk-ink-trial td', { hasText: 'accepted' })).toBeVisible();
  }

  await start.click();
  await expect(record(page)).toContainText('Press started by Production manager');
  await expect(page.getByLabel('Good out')).toHaveCount(0);
  await page.getByLabel('Kept where').fill('rack 4');
  await page.getByRole('button', { name: 'Pass the first sheet' }).click();
  await page.getByLabel('Good out').fill('300');
  await page.getByRole('button', { name: 'Enter the count' }).click();
  await expect(record(page)).toContainText('300 good counted');
  await expect(page.locator('[data-test=forecast]')).toContainText('more through here now');

  // 300 sheets do not make 12,000 cards: no carrier goes without a reason.
  await view(page, 'Carriers');
  await expect(page.locator('dk-carriers-bench').getByText(/of 12,000 expected by the last count/)).toBeVisible();
  await card(page).getByRole('button', { name: 'Recycle' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'may be needed for the missing copies' })).toBeVisible();
  await card(page).getByLabel('Why before the count is safe').fill('customer has cancelled');
  await card(page).getByRole('button', { name: 'Recycle' }).click();
  const recycled = page.locator('dk-carriers-bench td dk-carrier-mark', { hasText: 'Recycled' });
  await expect(recycled).toHaveCount(1);
  await page.locator('dk-carriers-bench').getByRole('button', { name: 'Take it back' }).click();
  await expect(recycled).toHaveCount(0);
  await page.reload();
  await station(page, 'print-card').click();
  await expect(record(page)).toContainText('300 good counted');
});

test('inks are moved by key and by drag, the rules answer, and undo brings the order back', async ({ page }) => {
  await openCards(page);
  await view(page, 'Inks');
  const order = () =>
    page
      .locator('[data-unit-ink][data-side=front]')
      .evaluateAll((all) => all.map((one) => one.getAttribute('data-unit-ink')));
  await expect.poll(order).toEqual(['Silver', 'K', 'Night blue']);
  await page.locator('[data-unit-ink=Silver]').focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(order).toEqual(['K', 'Silver', 'Night blue']);
  await expect(page.getByText('K is printed before Silver, which should come first')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual(['Silver', 'K', 'Night blue']);

  const [from, to] = [
    page.locator('[data-unit-ink=Silver]'),
    page.locator('[data-unit-ink="Night blue"][data-side=front]'),
  ];
  await from.scrollIntoViewIfNeeded();
  const [a, b] = [await from.boundingBox(), await to.boundingBox()];
  if (!a || !b) throw new Error('not drawn');
  await page.mouse.move(a.x + 40, a.y + 14);
  await page.mouse.down();
  await page.mouse.move(b.x + b.width / 2, b.y + 20, { steps: 12 });
  await page.mouse.move(b.x + b.width - 10, b.y + 24, { steps: 6 });
  await page.mouse.up();
  await expect.poll(async () => (await order())[0]).toBe('K');
  await page.getByRole('button', { name: 'Let the rules order them' }).click();
  await expect.poll(order).toEqual(['Silver', 'K', 'Night blue']);
});

test('zones come from a CMYK TIFF, are told over the sheet, and undo as one edit', async ({ page }) => {
  const id = await openCards(page);
  await view(page, 'Zones');
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel('Artwork file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
  const wrong = page.locator('dk-zone-art [role=alert]');
  await choose('card.tif', tintTiff(40, 50, [0, 0, 0, 0.4], 16));
  await expect(wrong).toContainText('16 bits a channel; 8 are wanted');
  await choose('card.tif', tintTiff(40, 50, [0, 0, 0, 0.4]).subarray(0, 4000));
  await expect(wrong).toContainText('This file cannot be read');
  await choose('notes.txt', Buffer.from('no picture'));
  await expect(wrong).toContainText('notes.txt is no TIFF, PNG, JPEG or PDF');
  await choose('card.tif', tintTiff(400, 560, [0.2, 0, 0, 0.4]));
  // 102 of 255 is 40 %; the printed area is the pieces with their bleed
  const separations = page.locator('dk-zone-art tbody tr');
  await expect(separations.first()).toContainText('20 %');
  await expect(separations.last()).toContainText('40 %');
  await page.getByRole('button', { name: 'Take zones and coverage into the job' }).click();
  await expect(page.locator('[data-test=zones] tbody tr')).toHaveCount(32);
  await expect(page.locator('dk-zone-chart svg').first()).toBeVisible();
  await expect(page.locator('dk-zones-bench rect.zone')).toHaveCount(32);
  await expectAccessible(page, 'zones bench');
  const csv = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  expect((await csv).suggestedFilename()).toContain('card-zones.csv');
  await saved(page);
  const ticket = await page.request.get(`/api/jobs/${id}/revisions/1/ticket.pdf`);
  expect(ticket.status()).toBe(200);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-test=zones]')).toHaveCount(0);
});

test('a picture and a PDF are read as estimates; a protected PDF is refused', async ({ page }) => {
  await openCards(page);
  await view(page, 'Zones');
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel('Artwork file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer });
  const words = page.locator('dk-zone-art');
  await choose('card.png', await blackPng());
  await expect(words).toContainText('Estimate from RGB');
  await expect(words).toContainText('The heaviest place has 100 %');
  await choose('card.pdf', halfBlackPdf());
  await expect(words).toContainText('111 x 154 mm by its resolution');
  // the lower half is black alone
  await expect(page.locator('dk-zone-art tbody tr').last()).toContainText(/(49|50)(\.\d+)? %/);
  await choose('locked.pdf', halfBlackPdf(true));
  await expect(words.getByRole('alert')).toContainText('protected by a password');
});

test('the register of a component is handed over to its bench', async ({ page }) => {
  await openCards(page);
  await view(page, 'Register');
  await expect(page.locator('[data-test=register]')).toContainText('Print to foil');
  await expectAccessible(page, 'register of a component');
  await page.getByRole('button', { name: 'Measure on the register bench' }).click();
  await expect(page.getByText(/Set up for E2E.*Constellation cards: Card, colour minus K/)).toBeVisible();
  await expect(page.locator('[data-colour=Silver]')).toBeVisible();
});

import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { addExample, balance, expectAccessible, openExample, pdfText, saved, signIn, station } from './steps.js';

const view = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });

test('the layout of a section is seen from both sides, measured and written as files', async ({ page }) => {
  await signIn(page);
  const id = await openExample(page, 'concert-programme');
  await station(page, 'print-section-1').click();
  await view(page, 'Layout').click();
  const drawing = page.locator('dk-layout-bench svg.large');
  const numbers = () => drawing.locator('text.number').allTextContents();
  const trimmed = async () => (await numbers()).map((text) => Number(text)).sort((a, b) => a - b);
  await expect(drawing.locator('text.number')).toHaveCount(16);
  const front = await trimmed();
  expect(front).toContain(3);
  await drawing.press('f');
  await expect(drawing).toHaveAttribute('aria-label', /^Layout to scale, back/);
  const back = await trimmed();
  // Every page once, on one side or the other (identity).
  expect([...front, ...back].sort((a, b) => a - b)).toEqual(Array.from({ length: 32 }, (_, i) => i + 3));
  await page.getByRole('button', { name: 'See through' }).click();
  await expect(drawing.locator('.behind text')).toHaveCount(16);
  await drawing.press('+');
  await expect(drawing.locator('g').first()).toHaveAttribute('transform', /scale\(1\.4/);
  await expectAccessible(page, 'layout bench');
  await page.getByRole('combobox', { name: 'Sections' }).click();
  await page.getByRole('option', { name: 'Gathered' }).click();
  await saved(page);
  const file = async (name: string) => page.request.get(`/api/jobs/${id}/revisions/1/layouts/${name}`);
  const pdf = await file('section-1.pdf');
  expect(await pdfText(await pdf.body())).toContain('Section of 32 pages, front');
  expect(await (await file('section-1.svg?side=back')).text()).toContain('>864<');
  expect(await (await file('section-1.dxf')).text()).toContain('LWPOLYLINE');
  expect((await file('nothing.dxf')).status()).toBe(404);
  expect((await file('section-1.dxf?side=inside')).status()).toBe(400);
});

test('another way to run is compared, opened to its working, taken and undone', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'print-map').click();
  await view(page, 'Ways to run').click();
  await expect(page.locator('[data-test=considered]')).toContainText('ways considered');
  await page.getByRole('button', { name: 'When ready' }).click();
  await expect(page.locator('[data-test=ready]').first()).toContainText(/\d\d:\d\d/);
  await page.getByRole('button', { name: 'When ready' }).click();
  const row = page.locator('tr[data-way*="| perfecting"]').first();
  const sheets = await row.locator('td').nth(3).innerText();
  await row.getByRole('button').click();
  await expect(page.locator('dk-ways-bench dk-working .value')).toContainText('EUR');
  await page.locator('dk-ways-bench dk-working table').getByRole('button').first().click();
  await expect(page.locator('dk-ways-bench dk-working nav')).toBeVisible();
  await expectAccessible(page, 'ways to run');
  await page.getByRole('button', { name: 'Run it this way' }).click();
  await expect(balance(page, 'total.plates')).toContainText('8 plates');
  await expect(balance(page, 'total.pressSheets').getByRole('button')).toContainText(sheets);
  await expect(station(page, 'print-map-2')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(balance(page, 'total.plates')).toContainText('4 plates');
  await expect(balance(page, 'total.pressSheets')).toContainText('5,484');
  await page.getByText(/^Why \d+ fell out/).click();
  await expect(page.getByText(/prints one side a pass/)).toBeVisible();
});

test('the text of a booklet is split anew by the way that is taken', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'concert-programme');
  await station(page, 'print-section-1').click();
  await view(page, 'Ways to run').click();
  const row = page.locator('tr[data-way*="| 16+16+4"]').first();
  await row.getByRole('button').click();
  await page.getByRole('button', { name: 'Run it this way' }).click();
  await expect(station(page, 'fold-section-3')).toBeVisible();
  await expect(station(page, 'cut-section-3')).toBeVisible();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(station(page, 'fold-section-3')).toHaveCount(0);
});

test('the blanks of a carton are laid better, dragged onto the sheet and written with their creases', async ({
  page,
}) => {
  await signIn(page);
  const id = await openExample(page, 'tea-caddy', (job) => {
    for (const component of job['components'] as Record<string, unknown>[]) delete component['lay'];
  });
  await station(page, 'print-carton').click();
  await view(page, 'Layout').click();
  const proposals = page.locator('dk-layout-proposals [role=radio]');
  await expect(proposals.first()).toContainText('6 up');
  await page.getByRole('button', { name: 'Look for better' }).click();
  const better = proposals.filter({ hasText: '8 up, head to tail' });
  await expect(better).toBeVisible();
  await expectAccessible(page, 'layout bench of blanks');
  // Dragged by hand, since a drop is what is tried here.
  const [from, to] = [await better.boundingBox(), await page.locator('dk-layout-bench svg.large').boundingBox()];
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + from.width / 2, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x - 40, from.y + 60, { steps: 5 });
  await page.mouse.move(to.x + to.width / 2, to.y + 120, { steps: 10 });
  await page.mouse.up();
  await expect(balance(page, 'total.pressSheets')).toContainText('2,893');
  await page.keyboard.press('Control+z');
  await expect(balance(page, 'total.pressSheets')).toContainText('3,762');
  await page.keyboard.press('Control+Shift+z');
  await expect(balance(page, 'total.pressSheets')).toContainText('2,893');
  await saved(page);
  const file = await page.request.get(`/api/jobs/${id}/revisions/1/layouts/carton.dxf`);
  expect(await file.text()).toContain('CREASE');
  const ticket = await page.request.get(`/api/jobs/${id}/revisions/1/ticket.pdf`);
  expect(await pdfText(await ticket.body())).toContain('8 up, head to tail');
});

test('a form of items says what is over, and an order that does not add up is mended', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'garden-cards');
  await expect(page.locator('dk-stream')).toContainText('Gate notice');
  await station(page, 'print-form-1').click();
  await view(page, 'Layout').click();
  await page.locator('[data-path="items.4.quantity"], [data-path="items[4].quantity"]').fill('1,300');
  await expect(page.getByText('The items add up to 23,300').first()).toBeVisible();
  await page.getByRole('button', { name: 'Set the order to 23,300' }).click();
  await expect(balance(page, 'total.pressSheets')).toContainText('1,139');
  await expectAccessible(page, 'layout bench of a form');
});

test('what the gang bench finds becomes a job', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/gang');
  await page.getByRole('button', { name: 'Find the forms' }).click();
  await page.getByRole('button', { name: 'Stop' }).waitFor({ state: 'detached' });
  await page.getByRole('button', { name: 'Make a job of it' }).click();
  await page.getByRole('dialog').getByLabel('Number').fill('GANG-1');
  await page.getByRole('dialog').getByLabel('Title').fill('From the gang bench');
  await expect(page.getByRole('dialog').getByText(/press sheets, \d+ plates?/)).toBeVisible();
  await page.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('heading', { name: 'GANG-1 From the gang bench' })).toBeVisible();
  await expect(station(page, 'cut-form-1')).toBeVisible();
});

test('items share sheets on the gang bench, and what cannot be says why', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Benches' }).click();
  await page.getByRole('tab', { name: 'Gang sheet' }).click();
  await page.getByRole('button', { name: 'Find the forms' }).click();
  await expect(page.locator('[data-test=cost]')).toContainText('EUR');
  await expect(page.locator('figure svg').first()).toBeVisible();
  await expectAccessible(page, 'gang bench');
  await page.locator('[data-field=quantity-0]').fill('0');
  await expect(page.getByRole('alert')).toContainText('whole number of at least 1');
  await expect(page.getByRole('button', { name: 'Find the forms' })).toBeDisabled();
  await page.reload();
  await expect(page.locator('[data-field=quantity-0]')).toHaveValue('0');
});

const numberOf = async (page: Page, id: number): Promise<string> =>
  ((await (await page.request.get(`/api/jobs/${id}`)).json()) as { job: { number: string } }).job.number;

const SQUARE = [
  [0, 0, 100, 0],
  [100, 0, 100, 50],
  [100, 50, 0, 50],
];
const dxf = (lines: number[][]): Buffer =>
  Buffer.from(
    `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n${lines
      .map(([x1, y1, x2, y2]) => `0\nLINE\n8\nKNIFE\n10\n${x1}\n20\n${y1}\n11\n${x2}\n21\n${y2}\n`)
      .join('')}0\nENDSEC\n0\nEOF\n`,
  );

test('a blank is made, laid and read from a drawing', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/die');
  await page.getByRole('combobox', { name: 'Structure' }).click();
  await page.getByRole('option', { name: 'Slotted case' }).click();
  for (const [label, value] of [
    ['Length, inside', '400'],
    ['Width, inside', '300'],
    ['Depth, inside', '250'],
    ['Caliper', '4'],
    ['Glue flap', '35'],
  ] as const)
    await page.getByLabel(label).fill(value);
  // handbook chapter 4: 400 x 300 x 250, t 4 is a blank of 1,447 x 562
  await expect(page.getByText('1447 × 562 mm')).toBeVisible();
  await page.getByLabel('Width, inside').fill('500');
  await expect(page.getByRole('alert')).toContainText('the longer side of the opening');
  await page.getByLabel('Width, inside').fill('300');
  await page.getByLabel('Length, inside').fill('320');
  await expect(page.getByText('The blank does not fit this sheet')).toBeVisible();
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel('Read a drawing, DXF or SVG').setInputFiles({ name, mimeType: 'image/vnd.dxf', buffer });
  await choose('open.dxf', dxf(SQUARE));
  await expect(page.getByText(/The outline is open by 50 mm/)).toBeVisible();
  await choose('closed.dxf', dxf([...SQUARE, [0, 50, 0, 0]]));
  await expect(page.getByText('100 × 50 mm')).toBeVisible();
  await expect(page.locator('[data-test=laid]')).toContainText('up');
  await expectAccessible(page, 'die bench');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Sheet as DXF' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('sheet.dxf');
  await choose('large.dxf', Buffer.alloc(4_000_001, 32));
  await expect(page.getByRole('alert')).toContainText('at most 4 MB can be read');
});

test('what a bench holds survives leaving it, and is taken into a draft', async ({ page }) => {
  await signIn(page);
  const id = await addExample(page, 'tea-caddy');
  await page.goto('/benches/die');
  await page.getByLabel('Depth, inside').fill('180');
  await page.getByRole('tab', { name: 'Numbers' }).click();
  await page.getByRole('tab', { name: 'Die-cut blank' }).click();
  await expect(page.getByLabel('Depth, inside')).toHaveValue('180');
  await page.getByRole('button', { name: 'Take into a job' }).click();
  const dialog = page.getByRole('dialog');
  const number = await numberOf(page, id);
  await dialog.getByRole('combobox', { name: 'Draft, by number' }).fill(number);
  await page.getByRole('option').filter({ hasText: number }).click();
  await expect(dialog.locator('[data-test=after]')).toContainText(/With this blank: [\d,]+ press sheets/);
  await expectAccessible(page, 'taking into a job');
  await dialog.getByRole('button', { name: 'Take it in' }).click();
  await expect(page).toHaveURL(`/jobs/${id}`);
  const { job } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    job: { components: { die?: { depthMm?: number } }[] };
  };
  expect(job.components[0]?.die?.depthMm).toBe(180);
  await page.goto('/benches/die');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByLabel('Depth, inside')).toHaveValue('130');
});

test('a cylinder is chosen from the store', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/web');
  const first = page.locator('[data-test=cylinders] tbody tr').first();
  await expect(first).toContainText('84');
  await page.locator('[data-field=label-width]').fill('900');
  await expect(page.getByText('No cylinder in the store holds this piece')).toBeVisible();
  await expectAccessible(page, 'web bench');
});

import { PDFDocument, PDFName } from '@cantoo/pdf-lib';
import { expect } from '@playwright/test';
import { test } from './server';
import { addExample, expectAccessible, signIn } from './steps';

const POINTS = 72 / 25.4;

/** A file of two pages, 105 x 148 mm with 3 mm of bleed, the second with an ink that the cards do not have. */
async function cards(): Promise<Buffer> {
  const document = await PDFDocument.create();
  const { context } = document;
  const tint = { FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [0, 0.8, 0.4, 0], N: 1 };
  const spot = (name: string) => ['Separation', name, 'DeviceCMYK', tint];
  const spaces = { N: spot('Night#20blue'), S: spot('Silver'), R: spot('Rose') };
  const paint = (space: string): string => `/${space} cs 1 scn 0 0 60 60 re f `;
  for (const content of [`${paint('N')}${paint('S')}0 g 0 0 9 9 re f`, `${paint('N')}${paint('R')}0 g 0 0 9 9 re f`]) {
    const page = document.addPage([111 * POINTS, 154 * POINTS]);
    page.setTrimBox(3 * POINTS, 3 * POINTS, 105 * POINTS, 148 * POINTS);
    page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content)));
    page.node.set(PDFName.of('Resources'), context.obj({ ColorSpace: spaces }));
  }
  const whole = await document.save();
  return Buffer.from(whole);
}

test('a PDF is laid beside the job: an ink that is not printed is told and mended, and the file let go', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`/jobs/${await addExample(page, 'constellation-cards')}`);
  await page.getByRole('tab', { name: 'Artwork' }).click();
  const file = page.getByLabel('Artwork file');
  await file.setInputFiles({ name: 'cards.txt', mimeType: 'text/plain', buffer: Buffer.from('no pages') });
  await expect(page.getByRole('alert').filter({ hasText: 'cards.txt is no PDF' })).toBeVisible();
  await file.setInputFiles({ name: 'cards.pdf', mimeType: 'application/pdf', buffer: await cards() });
  const examined = page.getByRole('region', { name: 'The file that was examined' });
  await expect(examined).toContainText('2 pages, all of 2 that are printed');
  await expect(examined.getByRole('row').nth(2)).toContainText('105 × 148');
  await expect(examined.getByRole('row').nth(2)).toContainText('Rose');
  await expectAccessible(page, 'artwork');
  await examined.getByRole('button', { name: 'Keep it with the job' }).click();
  const room = page.locator('dk-artwork-room');
  await expect(room.locator('[data-artwork="cards.pdf"]')).toBeVisible();
  await expect(page.getByRole('list', { name: 'What the route breaks' })).toContainText('Rose, page 2, cards.pdf');
  await page.getByRole('button', { name: /Print “Rose” on the back/ }).click();
  await expect(room).toContainText('The artwork fits what is printed.');
  await room.getByRole('button', { name: 'Remove' }).click();
  await expect(room.locator('[data-artwork]')).toHaveCount(0);
});

import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { dialogReady, expectAccessible, leaveAsShipped, openExample, saved, signIn, station } from './steps';

/** Begins a job of a family by its questions alone, with the answers given. */
async function begin(page: Page, family: string, number: string, title: string): Promise<void> {
  await page.getByRole('link', { name: 'Jobs', exact: true }).click();
  await page.getByRole('button', { name: 'New job' }).click();
  await dialogReady(page);
  const select = page.getByRole('combobox', { name: 'Family' });
  await expect(async () => {
    await select.click({ timeout: 5_000 });
    await page.getByRole('option', { name: family }).click({ timeout: 5_000 });
    await expect(select).toContainText(family, { timeout: 2_000 });
  }).toPass();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('textbox', { name: 'Number' }).fill(number);
  await dialog.getByRole('textbox', { name: 'Title' }).fill(title);
  await dialog.getByLabel('Quantity').fill('2000');
  await expect(dialog.getByText(/stations,/)).toBeVisible();
  await expectAccessible(page, family);
  await dialog.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('heading', { name: `${number} ${title}` })).toBeVisible();
  await expect(page.locator('dk-findings')).toHaveCount(0);
}

test('three families are built from nothing by their questions, with complete routes', async ({ page }) => {
  await signIn(page);
  await begin(page, 'Perfect-bound book', 'FAM-1', 'Bird lists');
  for (const step of ['bind', 'cool', 'trim', 'inspect', 'box']) await expect(station(page, step)).toBeVisible();
  await begin(page, 'Accountable numbered documents', 'FAM-2', 'Harbour passes');
  for (const step of ['number', 'count', 'wrap']) await expect(station(page, step)).toBeVisible();
  await begin(page, 'Sewn case-bound book', 'FAM-3', 'Tide tables');
  for (const step of ['gather', 'sew', 'case', 'case-in']) await expect(station(page, step)).toBeVisible();
});

test('a rule broken is told, mended as one action, and taken back', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  const dry = page.locator('[data-step^="dry"]').last();
  await dry.click();
  await page.getByRole('button', { name: 'Route', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Take this station out' }).click();
  const broken = page.locator('dk-findings [data-rule="dry-before-cut"]');
  await expect(broken).toContainText('The clamp presses wet ink onto the sheet above.');
  await expect(station(page, 'cut')).toHaveAttribute('aria-label', /breaks a rule/);
  await expect(page.getByRole('button', { name: 'Release', exact: true })).toBeDisabled();
  await expectAccessible(page, 'findings');
  await broken.getByRole('button', { name: /Put “Dry” before/ }).click();
  await expect(broken).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(broken).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(broken).toHaveCount(0);
  await saved(page);
});

test('a station is moved by keys and by hand, and the rules say what that breaks', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'constellation-cards');
  await station(page, 'foil').click();
  await page.keyboard.press('Alt+ArrowRight');
  // Foil behind the cut: every piece by itself.
  await expect(station(page, 'foil')).toHaveAttribute('aria-label', /cards in/);
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(station(page, 'foil')).toHaveAttribute('aria-label', /sheets in/);
  const from = await station(page, 'foil').boundingBox();
  const to = await page.locator('[data-step^="dry"]').first().boundingBox();
  if (!from || !to) throw new Error('no stations');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.locator('dk-findings [data-rule="dry-before-film"]')).toContainText('Drying before film');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('dk-findings')).toHaveCount(0);
});

test('finishing stations show their drawing, their lists and figures that open to the norm', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'star-atlas');
  await station(page, 'case').click();
  const card = page.locator('dk-station-card');
  await expect(card.getByRole('img', { name: /Case, inside up/ })).toBeVisible();
  await expect(card).toContainText('206 mm');
  await card.getByTitle('Board, width: show the working').click();
  await expect(page.locator('dk-working')).toContainText('= 210 + 3 − 7');
  await expectAccessible(page, 'case');
  await station(page, 'cut-board').click();
  await expect(card.getByRole('table')).toContainText('gripper edge');
  const [pdf] = await Promise.all([
    page.context().waitForEvent('page'),
    card.getByRole('link', { name: 'PDF' }).click(),
  ]);
  await pdf.close();
  await openExample(page, 'season-tickets');
  await station(page, 'number').click();
  await expect(card.getByRole('link', { name: 'All numbers (CSV)' })).toBeVisible();
  await expect(card.getByRole('table')).toContainText('00000195');
});

test('a works adds a rule of its own, softens one that ships, and both are kept in the history', async ({ page }) => {
  await signIn(page);
  await page.goto('/norms');
  await page.getByRole('button', { name: 'Route rules' }).click();
  await expect(page.locator('[data-norm="rule.dry-before-cut"]')).toContainText('The clamp presses wet ink');
  await page.getByRole('button', { name: 'Add a rule of this house' }).click();
  await dialogReady(page);
  await page.getByRole('button', { name: 'Set the rule' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'Say why' })).toBeVisible();
  await page.getByRole('combobox', { name: 'This comes first' }).click();
  await page.getByRole('option', { name: 'Shrink wrap' }).click();
  await page.getByRole('combobox', { name: 'Then this' }).click();
  await page.getByRole('option', { name: 'Band', exact: true }).click();
  await page.getByLabel('Why').fill('bands cut the film');
  await expectAccessible(page, 'a rule of the house');
  await page.getByRole('button', { name: 'Set the rule' }).click();
  await expect(page.locator('[data-norm="rule.order.wrap.band"] select option:checked')).toHaveText('soft');
  await expect(page.getByLabel('History')).toContainText('bands cut the film');
  await leaveAsShipped(page, 'rule.order.wrap.band');
});

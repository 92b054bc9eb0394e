import { expect } from '@playwright/test';
import { test } from './server';
import { addExample, expectAccessible, openExample, signIn, station } from './steps';

test('the guide opens where one is, by one key; a search finds a rule, and the page has an address', async ({
  page,
}) => {
  await signIn(page);
  await page.keyboard.press('F1');
  const dialog = page.getByRole('dialog', { name: 'Guide' });
  await expect(dialog.getByRole('heading', { name: 'Jobs', exact: true })).toBeInViewport();
  await page.keyboard.press('Escape');
  await openExample(page, 'star-atlas');
  await station(page, 'case-in').click();
  // Also out of a field that is being typed in.
  await page.getByRole('textbox').first().focus();
  await page.keyboard.press('F1');
  const article = dialog.getByRole('article', { name: 'Page of the guide' });
  await expect(article.getByRole('heading', { name: 'Case in', exact: true })).toBeInViewport();
  await expectAccessible(page, 'guide over a job');
  await dialog.getByLabel('Search the guide').fill('foil protected');
  const hit = dialog.getByRole('list', { name: 'Found' }).getByRole('button', { name: /Foil after film/ });
  await hit.first().click();
  await expect(article.getByRole('heading', { name: 'Rules of the route' })).toBeVisible();
  await dialog.getByRole('link', { name: 'As a page' }).click();
  await expect(page).toHaveURL(/\/guide\/rules/);
  await page.getByRole('button', { name: 'A first job in ten minutes' }).click();
  await expect(page).toHaveURL(/\/guide\/first-job/);
  // Refusals and words as people meet them, without code.
  await page.getByRole('button', { name: 'What is refused' }).click();
  const text = page.getByRole('article');
  await expect(text.getByRole('heading', { name: 'Folding and binding' })).toBeVisible();
  await expect(text.locator('em', { hasText: 'component' }).first()).toBeVisible();
  await expect(text).not.toContainText(/[{}`]|job\.unknown/);
  await expectAccessible(page, 'what is refused');
  await page.getByRole('button', { name: 'Words', exact: true }).click();
  await expect(text.getByRole('columnheader')).toHaveText(['word', 'what it is']);
  await page.getByRole('button', { name: 'A first job in ten minutes' }).click();
  const pictures = page.locator('article img');
  await expect.poll(() => pictures.first().evaluate((one: HTMLImageElement) => one.naturalWidth)).toBe(1280);
});

test('the job page shows itself to who is new, and not again', async ({ page }) => {
  await signIn(page, 'manager', { isNew: true });
  const id = await addExample(page, 'trail-map');
  await page.goto(`/jobs/${id}`);
  const tour = page.getByRole('region', { name: 'Tour of this page' });
  await tour.getByRole('button', { name: 'Show me' }).click();
  await expect(tour).toContainText('1 of 5');
  await expect(page.locator('dk-balance')).toHaveCSS('outline-style', 'solid');
  await tour.getByRole('button', { name: 'Next' }).click();
  await expectAccessible(page, 'tour');
  await tour.getByRole('button', { name: 'Not again' }).click();
  await page.reload();
  await expect(page.locator('dk-stream svg')).toBeVisible();
  await expect(tour).toHaveCount(0);
});

import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, signIn } from './steps';

const VIEWS = [
  'desk',
  'jobs',
  'floor',
  'stores',
  'norms',
  'works/machines',
  'quality',
  'customers',
  'benches/reckoner',
  'account',
  'guide/first-job',
  'guide/screens',
  'guide/stations',
  'guide/lessons',
  'guide/schools',
];

/** Sentences of English that stand where people read: the data of the demo has none of these words. */
const englishOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const text = walker.currentNode.textContent ?? '';
      const hidden = walker.currentNode.parentElement?.closest('mat-icon, script, style') !== null;
      if (!hidden && /\b(the|this|that|which|what|when|has|have|its|are|is|by|each)\b/.test(text))
        found.push(text.trim());
    }
    return found;
  });

test.describe('in German', () => {
  test.use({ locale: 'de-DE' });

  test('every view is said in German, and can be used by who cannot see it', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await expect(page.locator('html')).toHaveAttribute('lang', 'de');
    for (const view of VIEWS) {
      await page.goto(`/${view}`);
      await page.waitForLoadState('networkidle');
      await expect(page.locator('main mat-progress-bar')).toHaveCount(0);
      expect(await englishOn(page), view).toEqual([]);
      await expectAccessible(page, view);
    }
  });

  test('the guide opens where one is, at the heading that it has there', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await page.goto('/stores');
    await expect(page).toHaveTitle('Lager - Druckerei');
    await page.keyboard.press('F1');
    const heading = page.getByRole('dialog').getByRole('heading', { name: 'Lager', exact: true });
    await expect(heading).toBeInViewport();
  });

  test('a number is typed and read with a comma, and a job is reckoned in German', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await page.goto('/benches/reckoner');
    await page.getByRole('button', { name: 'Gewicht von Bogen' }).click();
    await page.getByLabel('Breite', { exact: true }).fill('1.020,5');
    await page.getByLabel('Höhe', { exact: true }).fill('720');
    await page.getByLabel('Flächengewicht', { exact: true }).fill('115');
    await expect(page.getByText(/84,5/).first()).toBeVisible();
  });
});

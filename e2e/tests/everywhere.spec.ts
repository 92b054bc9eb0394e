import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { chooseOwn, expectAccessible, openExample, signIn } from './steps';

const VIEWS = [
  'desk',
  'jobs',
  'floor',
  'stores',
  'norms',
  'works',
  'backup',
  'guide/stations',
  'benches/reckoner',
  'benches/practice',
  'benches/practice/shift',
  'benches/gang',
  'benches/die',
  'benches/ink',
  'benches/colour',
  'benches/register',
  'benches/numbers',
  'benches/codes',
  'benches/singles',
  'benches/web',
];
const ROOMS = [
  'Order',
  'Plan for me',
  'Quantities',
  'What if',
  'Schools',
  'Artwork',
  'Paper',
  'Balance',
  'Cost',
  'Buying',
  'Revisions',
];

/** The page stands: nothing is loading any more. */
async function stands(page: Page): Promise<void> {
  await page.waitForLoadState('networkidle');
  await expect(page.locator('main mat-progress-bar')).toHaveCount(0);
}

/** Controls that can be reached by Tab but were not, by their names, walking the whole page once; and any that the focus cannot leave. */
async function unreached(page: Page): Promise<string[]> {
  await page.evaluate(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    const controls = 'a[href], button, input, select, textarea, [tabindex]';
    for (const one of document.querySelectorAll<HTMLElement>(controls)) {
      const hidden =
        one.closest('[inert], [aria-hidden="true"]') !== null || !one.checkVisibility({ visibilityProperty: true });
      const box = one.getBoundingClientRect();
      const wanted =
        one.tabIndex >= 0 && !one.matches(':disabled, [type="hidden"], [type="radio"]') && !hidden && box.width > 0;
      if (wanted) one.dataset['wanted'] = 'yes';
    }
  });
  const most = 2 * (await page.locator('[data-wanted]').count()) + 40;
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    const left = await page.evaluate(() => {
      document.activeElement?.removeAttribute('data-wanted');
      return document.querySelectorAll('[data-wanted]').length;
    });
    if (left === 0) break;
  }
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[data-wanted]')].map((one) => {
      delete one.dataset['wanted'];
      return one.outerHTML.slice(0, 160);
    }),
  );
}

for (const view of VIEWS)
  test(`${view} is usable by keyboard alone and by who cannot see it, light and dark`, async ({ page }) => {
    await signIn(page);
    await page.goto(`/${view}`);
    await stands(page);
    // The whole list of norms is the same row some hundred times.
    if (view === 'norms') await page.getByRole('button', { name: 'Drying' }).click();
    await expectAccessible(page, `${view}, light`);
    expect(await unreached(page)).toEqual([]);
    await chooseOwn(page, 'Dark colours');
    await expect(page.getByRole('menu')).toHaveCount(0);
    await expectAccessible(page, `${view}, dark`);
  });

test('every room of a job is usable by keyboard alone and by who cannot see it, light and dark', async ({ page }) => {
  test.slow();
  await signIn(page);
  await openExample(page, 'concert-programme');
  for (const dark of [false, true]) {
    if (dark) await chooseOwn(page, 'Dark colours');
    for (const room of ROOMS) {
      await page.getByRole('tab', { name: room, exact: true }).click();
      await stands(page);
      await expectAccessible(page, `${room}, ${dark ? 'dark' : 'light'}`);
      if (!dark) expect(await unreached(page)).toEqual([]);
    }
  }
});

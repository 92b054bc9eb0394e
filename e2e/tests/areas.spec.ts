import { type Page, expect } from '@playwright/test';
import { test } from './server';
import {
  balance,
  dialogReady,
  expectAccessible,
  field,
  openExample,
  saved,
  signIn,
  signInByHand,
  station,
} from './steps';

/** The dialog may still be opening on a slow machine: what falls beside it is done again. */
async function chooseFamily(page: Page, name: string): Promise<void> {
  const family = page.getByRole('combobox', { name: 'Family' });
  await expect(async () => {
    await family.click({ timeout: 5_000 });
    await page.getByRole('option', { name }).click({ timeout: 5_000 });
    await expect(family).toContainText(name, { timeout: 2_000 });
  }).toPass();
}

test.describe('jobs', () => {
  test('a leaflet and a booklet are begun from their questions', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'New job' }).click();
    await dialogReady(page);
    await page.getByRole('dialog').getByLabel('Number').fill('NEW-1');
    await page.getByRole('dialog').getByLabel('Title').fill('Ferry leaflet');
    await expect(page.getByText('How many are ordered?')).toBeVisible();
    await page.getByRole('dialog').getByLabel('Quantity').fill('5000');
    await expect(page.getByText(/press sheets, \d+ plates/)).toBeVisible();
    await page.getByRole('button', { name: 'Create job' }).click();
    await expect(page.getByRole('heading', { name: 'NEW-1 Ferry leaflet' })).toBeVisible();
    await expect(station(page, 'fold')).toBeVisible();

    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('button', { name: 'New job' }).click();
    await dialogReady(page);
    await chooseFamily(page, 'Saddle-stitched booklet');
    await page.getByRole('dialog').getByLabel('Number').fill('NEW-1');
    await page.getByRole('dialog').getByLabel('Title').fill('Season booklet');
    await page.getByRole('dialog').getByLabel('Quantity').fill('5000');
    await page.getByLabel('Text pages').fill('30');
    await expect(page.getByText(/30 pages are no multiple of 4.*Take 28 or 32 pages/)).toBeVisible();
    await page.getByLabel('Text pages').fill('24');
    await page.getByLabel('Page, trimmed').click();
    await page.getByRole('option', { name: 'A5' }).click();
    await page.getByRole('button', { name: 'Create job' }).click();
    await expect(page.getByText('This job number is taken')).toBeVisible();
    await page.getByRole('dialog').getByLabel('Number').fill('NEW-2');
    await page.getByRole('button', { name: 'Create job' }).click();
    await expect(station(page, 'stitch')).toBeVisible();
  });

  test('a carton and labels are begun from theirs', async ({ page }) => {
    await signIn(page);
    await page.getByRole('button', { name: 'New job' }).click();
    await dialogReady(page);
    await chooseFamily(page, 'Folding carton');
    await page.getByRole('dialog').getByLabel('Number').fill('NEW-3');
    await page.getByRole('dialog').getByLabel('Title').fill('Tea carton');
    await page.getByRole('dialog').getByLabel('Quantity').fill('5000');
    await page.getByLabel('Width, inside').fill('90');
    await expect(page.getByText(/is the longer side of the opening/)).toBeVisible();
    await page.getByLabel('Width, inside').fill('60');
    await page.getByRole('button', { name: 'Create job' }).click();
    await expect(station(page, 'die-cut')).toBeVisible();
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('button', { name: 'New job' }).click();
    await dialogReady(page);
    await chooseFamily(page, 'Pressure-sensitive labels and sheets');
    await page.getByRole('dialog').getByLabel('Number').fill('NEW-4');
    await page.getByRole('dialog').getByLabel('Title').fill('Jar labels');
    await page.getByRole('dialog').getByLabel('Quantity').fill('20000');
    await expect(page.getByText(/repeats, 4 flexo plates/)).toBeVisible();
    await page.getByRole('button', { name: 'Create job' }).click();
    await expect(balance(page, 'total.pressSheets')).toContainText('repeats');
    await station(page, 'print-label').click();
    await page.getByRole('combobox', { name: 'Web' }).click();
    await page.getByRole('option').nth(3).click();
    await saved(page);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  });

  test('are searched, sorted and copied', async ({ page }) => {
    await signIn(page);
    await page.getByRole('searchbox').fill('no such job');
    await expect(page.getByText('No job holds')).toBeVisible();
    await page.getByRole('button', { name: 'Show all' }).click();
    await page.getByRole('searchbox').fill('HB-204');
    await page.getByRole('button', { name: 'Quantity' }).click();
    await expect(page.getByRole('row').nth(1)).toContainText('Concert programme');
    await page.getByRole('button', { name: 'Copy HB-2042' }).click();
    await page.getByRole('dialog').getByLabel('Number').fill('COPY-9');
    await page.getByRole('button', { name: 'Copy', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'COPY-9 Concert programme' })).toBeVisible();
  });
});

test('a norm is changed with its reason, and drafts are planned with it', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map', (job) => {
    job['route'] = (job['route'] as Record<string, unknown>[]).map(({ setup: _setup, ...step }) => step);
  });
  const url = page.url();
  const before = await balance(page, 'total.pressSheets').getByRole('button').textContent();
  await page.getByRole('link', { name: 'Norms' }).click();
  const cell = page.getByLabel('Guillotine: Set-up', { exact: true });
  const change = async (value: string, reason: string) => {
    await cell.fill(value);
    await page.getByLabel('Why').fill(reason);
    await page.getByRole('button', { name: 'Set the norm' }).click();
  };
  await change('-1', 'typing error');
  await expect(page.getByRole('alert')).toContainText('Set-up goes from 0 to 1,000,000');
  await page.getByRole('button', { name: 'Leave them as they were' }).click();
  await expect(cell).toHaveValue('5');
  await cell.fill('45');
  await page.getByRole('button', { name: 'What it does to open jobs' }).click();
  await expect(page.getByRole('table', { name: 'Open jobs that come to something else' })).toContainText(/E2E-.* → /);
  await change('45', 'new operator');
  await expect(page.locator('[data-norm="spoil.cut.setup"]')).toContainText('shipped 5');
  await expect(page.getByRole('complementary')).toContainText('Production manager: new operator');
  await page.goto(url);
  await expect(balance(page, 'total.pressSheets').getByRole('button')).not.toHaveText(before ?? '');
  await page.getByRole('link', { name: 'Norms' }).click();
  await change('5', 'back');
  await expect(page.getByText('The norm is set.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(cell).toHaveValue('45');

  // A column out of a sheet goes into the fields from here on, and is set together.
  await cell.focus();
  await page.evaluate(() => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text', '5\n0.7\n');
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }),
    );
  });
  const several = page.getByRole('group', { name: 'Norms that are typed' });
  await expect(several).toContainText('2 norms are typed and not set');
  await expectAccessible(page, 'norms, typed');
  await several.getByRole('button', { name: 'Set the norms' }).click();
  await expect(several).toContainText('2 norms are set.');
  await expect(cell).toHaveValue('5');
  await several.getByRole('button', { name: 'Take it back' }).click();
  await expect(cell).toHaveValue('45');
  // What the works sets it need not set for ever: what ships is in force again, with its own source.
  await page.getByRole('button', { name: 'Change Guillotine: Set-up', exact: true }).click();
  await page.getByLabel('Why').fill('back');
  await page.getByRole('button', { name: 'As shipped again' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(cell).toHaveValue('5');
  await expect(page.locator('[data-norm="spoil.cut.setup"]')).not.toContainText('shipped 5');
});

test('who only reads changes nothing', async ({ page }) => {
  await signIn(page, 'viewer');
  await expect(page.getByRole('button', { name: 'New job' })).toHaveCount(0);
  await page.getByRole('link', { name: 'HB-2042' }).click();
  await expect(page.locator('dk-save-mark')).toHaveText(/Read only/);
  await expect(field(page, 'order.quantity')).toHaveJSProperty('readOnly', true);
  await expect(page.getByRole('button', { name: 'Release' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Norms' }).click();
  await expect(page.getByRole('button', { name: 'Change Guillotine: Set-up' })).toHaveCount(0);
});

test('all of it goes by keys', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Next operation');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(station(page, 'print-map')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(station(page, 'print-map-2')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('w');
  await expect(page.locator('dk-working .value')).toHaveText('5,204 sheets');
  await page.keyboard.press('o');
  await field(page, 'order.quantity').fill('11000');
  await field(page, 'order.quantity').blur();
  await expect(balance(page, 'total.pressSheets')).toContainText('was');
  await page.keyboard.press('Control+z');
  await expect(field(page, 'order.quantity')).toHaveValue('10,000');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'What do you want to do?' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'What do you want to do?' })).toBeFocused();
  await page.keyboard.type('schools');
  await expect(page.getByRole('option')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-school=added]')).toBeVisible();
  await saved(page);
});

test.describe('accessibility', () => {
  for (const colorScheme of ['light', 'dark'] as const) {
    test(`every view holds WCAG 2.2 AA as far as a program can tell (${colorScheme})`, async ({ page }) => {
      await page.emulateMedia({ colorScheme });
      await page.goto('/sign-in');
      await expect(page.getByRole('heading', { name: 'Druckerei' })).toBeVisible();
      await expectAccessible(page, 'sign-in');
      await signInByHand(page);
      await expect(page.getByRole('link', { name: 'HB-2042' })).toBeVisible();
      await expectAccessible(page, 'jobs');
      await page.getByRole('button', { name: 'New job' }).click();
      await dialogReady(page);
      await page.getByRole('dialog').getByLabel('Quantity').fill('5000');
      await expect(page.getByText(/press sheets/)).toBeVisible();
      await expectAccessible(page, 'new job');
      await openExample(page, 'concert-programme');
      await expectAccessible(page, 'job, order');
      await station(page, 'print-cover').click();
      await page.locator('[data-test=in] button').click();
      await expectAccessible(page, 'job, press and working');
      await page.getByRole('tab', { name: 'Schools' }).click();
      await expect(page.locator('[data-school=added]').first()).toBeVisible();
      await expectAccessible(page, 'job, schools');
      await page.getByRole('tab', { name: 'Revisions' }).click();
      await expect(page.getByRole('link', { name: 'Revision 1' })).toBeVisible();
      await expectAccessible(page, 'job, revisions');
      await page.getByRole('link', { name: 'Norms' }).click();
      await expect(page.getByText('Print, perfecting')).toBeVisible();
      await expectAccessible(page, 'norms');
    });
  }
});

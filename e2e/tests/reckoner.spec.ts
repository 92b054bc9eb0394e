import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, signIn } from './steps';

test('a sum is typed in words, mended in its fields, opened to its working, and sent as a link', async ({ page }) => {
  await signIn(page);
  await page.goto('/reckoner');
  await page.getByLabel('Type a sum').fill('spine 240 pp');
  await expect(page.getByText('Still wanted: Caliper.')).toBeVisible();
  await page.getByLabel('Caliper', { exact: true }).fill('110');
  const results = page.locator('[data-test=results]');
  await expect(results).toContainText('13.2 mm');
  await results.getByRole('button', { name: '13.2 mm' }).click();
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText('pages / 2 × caliper / 1000');
  await expectAccessible(page, 'reckoner');
  await page.getByLabel('Type a sum').press('Enter');

  await page.getByLabel('Type a sum').fill('5000 A5 on SRA1 bleed 3');
  await expect(results).toContainText('16 pieces');
  await expect(page.getByRole('img', { name: 'Pieces on the sheet' })).toBeVisible();
  const link = page.url();
  expect(link).toContain('sum=n-up');
  await page.getByRole('button', { name: 'Weight of sheets' }).click();
  await expect(results).toBeEmpty();
  await page.goto(link);
  await expect(results).toContainText('313 sheets');
  // What was reckoned is there again.
  await page.getByRole('button', { name: /^Spine: Pages 240/ }).click();
  await expect(results).toContainText('13.2 mm');
});

/** What has come for it so far, packed. */
async function expectSmall(page: Page): Promise<void> {
  const fetched = await page.evaluate(() =>
    [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
      .map((one) => (one as PerformanceResourceTiming).encodedBodySize)
      .reduce((sum, bytes) => sum + bytes, 0),
  );
  expect(fetched).toBeGreaterThan(50_000);
  expect(fetched).toBeLessThan(120_000);
}

test.describe('in German', () => {
  test.use({ locale: 'de-DE' });
  test('the reckoner alone comes in one language, and is no larger for it', async ({ page }) => {
    await page.goto('/reckoner');
    await expect(page.getByRole('button', { name: 'Gewicht von Bogen' })).toBeVisible();
    await expectSmall(page);
    const scripts = await page.evaluate(() =>
      performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
    );
    const own = scripts.filter((name) => name.endsWith('.js'));
    expect(own.length).toBeGreaterThan(1);
    expect(own.filter((name) => !name.startsWith('/reckoner/de-'))).toEqual([]);
  });
});

test('the reckoner fits a telephone, and goes on without network', async ({ page, context }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  // For whoever has no account as well.
  await page.goto('/reckoner');
  await expect(page.getByLabel('Type a sum')).toBeVisible();
  await expectSmall(page);
  await expectAccessible(page, 'the reckoner alone, light');
  await page.getByRole('button', { name: 'Dark' }).click();
  await expectAccessible(page, 'the reckoner alone, dark');
  // The browser has kept what it needs by its first opening.
  const kept = () =>
    page.evaluate(async () => {
      const names = (await (await caches.open('druckerei-station-1')).keys()).map(({ url }) => new URL(url).pathname);
      return names.includes('/reckoner') && names.some((name) => name.endsWith('.js'));
    });
  await expect.poll(kept).toBe(true);
  await context.setOffline(true);
  await page.getByLabel('Type a sum').fill('roll 1000/76 0.1 mm');
  await expect(page.locator('[data-test=results]')).toContainText('7,809 m');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  // Opened anew it is there again.
  await page.reload();
  await expect(page.locator('[data-test=results]')).toContainText('7,809 m');
  await context.setOffline(false);
});

test('a sum is taken into a job', async ({ page }) => {
  await signIn(page);
  await page.goto('/reckoner');
  await page.getByLabel('Type a sum').fill('2500 x 44pp A5 on SRA1');
  await page.getByRole('link', { name: 'Take it into a job' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.locator('[data-test=read]')).toContainText('44 pages');
  await expect(dialog.locator('[data-test=read]')).toContainText('2,500 ordered');
  await expect(dialog.locator('[data-test=read]')).not.toContainText('not understood');
  await dialog.getByLabel('Title').fill('From the reckoner');
  await dialog.getByRole('button', { name: 'Create job' }).click();
  await expect(page.getByRole('heading', { name: /From the reckoner/ })).toBeVisible();
});

test('an exercise is solved with one mistake, which is named, and then without', async ({ page }) => {
  await signIn(page);
  await page.goto('/practice?kind=spine&seed=3&grade=1');
  const docket = await page.locator('.docket').textContent();
  const [pages = 0, caliper = 0, cover = 0] = [...(docket ?? '').matchAll(/([\d,]+)(?= pages| µm)/g)].map(([, text]) =>
    Number(text?.replace(',', '')),
  );
  const block = ((pages / 2) * caliper) / 1000;
  await page.getByLabel('Block').fill(String(2 * block));
  await page.getByLabel('Spine with its cover').fill(String(2 * block + (2 * cover) / 1000));
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(page.locator('[data-row=block]')).toContainText('a leaf has two');
  await expect(page.locator('[data-row=spine]')).toContainText('Right by your own rows above');
  await expect(page.locator('[data-test=marks]')).toContainText('50 %');
  await expectAccessible(page, 'practice');
  await page.getByLabel('Block').fill(String(block));
  await page.getByLabel('Spine with its cover').fill(String(block + (2 * cover) / 1000));
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(page.locator('[data-test=marks]')).toContainText('100 %');
  await expect(page.getByRole('button', { name: /^Spine/ })).toContainText('100 %, 2 ×');
  // It is kept with the account, and whoever oversees sees it.
  await page.reload();
  await expect(page.getByRole('button', { name: /^Spine/ })).toContainText('100 %, 2 ×');
  await page.getByRole('button', { name: 'The class' }).click();
  await expect(page.getByRole('row', { name: /^Production manager 1 of \d+ Spine 100 % 2/ })).toBeVisible();
  await expectAccessible(page, 'a class');
  // What stands in a dialog is saved, too.
  await page.keyboard.press('Control+Shift+s');
  const tables = page.getByRole('dialog', { name: 'Tables of this dialog' });
  await expect(tables.getByRole('listitem').first()).toContainText('The class 1 line');
});

test('a shift at the press is decided look by look, held against the best, and kept', async ({ page }) => {
  await signIn(page);
  await page.goto('/practice');
  await page.getByRole('link', { name: 'A shift at the press' }).click();
  const next = page.getByRole('button', { name: /Run the next/ });
  const over = page.getByText('The run is through.');
  const look = page.locator('[data-test=look]');
  for (let n = 0; n < 12; n++) {
    await expect(look).toHaveText(`${n} of 12`);
    if (await next.isDisabled()) {
      await expect(page.getByText('Web break.')).toBeVisible();
      await expectAccessible(page, 'a web break');
      await page.getByRole('radio', { name: /Hang another roll/ }).click();
    }
    if (n === 2) {
      await page.getByRole('button', { name: 'Work it out at the register bench' }).click();
      await expect(page.getByText('Set up for a shift at the press, look 2 of 12')).toBeVisible();
      await page.goBack();
      await expect(look).toHaveText('2 of 12');
    }
    if (n === 6) await page.getByLabel('Move C across, steps').fill('-3');
    await next.click();
  }
  await expect(over).toBeVisible();
  await page.getByLabel('Copies to run beyond').fill('1500');
  const kept = page.waitForResponse((answer) => answer.url().endsWith('/api/practice/shifts'));
  await page.getByRole('button', { name: 'Hand the shift over' }).click();
  expect((await kept).status()).toBe(201);
  await expect(page.locator('[data-test=outcome]')).toContainText(
    /You lost [\d,]+ copies, the best [\d,]+: \d+ % of the marks/,
  );
  await expect(page.getByRole('row', { name: /Spoiled while register was moved/ })).toContainText('120');
  await page.getByRole('link', { name: 'Practice' }).last().click();
  await expect(page.getByText(/%, 1 ×/)).toBeVisible();
});

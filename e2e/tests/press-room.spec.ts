import { expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, signIn } from './steps.js';

test('register is read by the stand-in, and the moves are told and drawn', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/register');
  const cyan = page.locator('[data-colour=C]');
  // The example of handbook chapter 5.
  await expect(cyan).toContainText('-0.04');
  await expect(cyan).toContainText('-13 steps');
  await page.getByRole('button', { name: 'Read a run' }).click();
  await expect(page.getByText(/Over 40 sheets: scatter/).first()).toBeVisible();
  await page.getByRole('radio', { name: 'After the moves' }).click();
  await expectAccessible(page, 'register bench');
  await page.locator('[data-field=C-0-dx]').fill('5.1');
  await expect(page.getByText(/is no misregister but a slip/)).toBeVisible();
  await page.reload();
  await expect(page.locator('[data-field=C-0-dx]')).toHaveValue('5.1');
});

test('a mixed colour is weighed out and its trial judged', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/ink');
  await expect(page.locator('[data-test=mixing]')).toContainText('5.3');
  await expectAccessible(page, 'ink bench');
  await page.locator('[data-field=parts-0]').fill('50');
  await expect(page.getByText('The parts add up to 108, not 100. Change one of them.')).toBeVisible();
});

test('colour on press is read by the stand-in and judged against the aims', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/colour');
  await page.getByRole('button', { name: 'Read a run' }).click();
  await expect(page.locator('[data-colour=C]')).toBeVisible();
  await expect(page.locator('dk-trend-chart svg').first()).toBeVisible();
  await expectAccessible(page, 'colour bench');
  await page.keyboard.press('Control+z');
  await expect(page.getByText('No reading yet')).toBeVisible();
});

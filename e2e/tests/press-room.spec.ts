import { AxeBuilder } from '@axe-core/playwright';
import { type Page, expect, test } from '@playwright/test';
import { signIn } from './steps.js';

async function axe(page: Page, name: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${name}: ${id} ${nodes.map(({ target }) => target.join(' ')).join(', ')}`),
  ).toEqual([]);
}

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
  await axe(page, 'register bench');
  await page.locator('[data-field=C-0-dx]').fill('5.1');
  await expect(page.getByText(/is no misregister but a slip/)).toBeVisible();
  await page.reload();
  await expect(page.locator('[data-field=C-0-dx]')).toHaveValue('5.1');
});

test('a mixed colour is weighed out and its trial judged', async ({ page }) => {
  await signIn(page);
  await page.goto('/benches/ink');
  await expect(page.locator('[data-test=mixing]')).toContainText('5.3');
  await axe(page, 'ink bench');
  await page.locator('[data-field=parts-0]').fill('50');
  await expect(page.getByText('The parts add up to 108, not 100. Change one of them.')).toBeVisible();
});

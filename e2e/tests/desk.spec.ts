import { expect } from '@playwright/test';
import { test } from './server';
import { dialogReady, expectAccessible, released, signIn } from './steps';

test('the desk opens first, and what wants a decision is given, put off, done and taken back', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const number = await released(page, 'trail-map', 0);
  await page.goto('/floor');
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await page.getByRole('menuitem', { name: 'By rule, at once' }).click();
  await page.getByRole('button', { name: 'Take it in force' }).click();
  await expect(page.locator('[data-test=shown]')).toContainText('In force');

  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
  const late = page
    .getByRole('listitem')
    .filter({ hasText: `${number} ` })
    .filter({ hasText: 'will be' });
  await expect(late).toHaveCount(1);
  await expect(late).toContainText('late');
  await expectAccessible(page, 'desk');

  await late.getByRole('button', { name: 'Give to' }).click();
  await page.getByRole('menuitem', { name: 'Sales desk' }).click();
  await expect(late).toContainText('Given to Sales desk by Production manager');
  // Whoever it is given to sees it, and may not say anything of it.
  const other = await (await browser.newContext({ locale: 'en-GB' })).newPage();
  await signIn(other, 'viewer');
  await other.goto('/desk');
  const theirs = other
    .getByRole('listitem')
    .filter({ hasText: `${number} ` })
    .filter({ hasText: 'will be' });
  await expect(theirs).toContainText('Given to you by Production manager');
  await expect(theirs.getByRole('button')).toHaveCount(0);
  await other.context().close();

  await late.getByRole('button', { name: 'Take back' }).click();
  await late.getByRole('button', { name: 'Put off' }).click();
  await page.getByRole('menuitem', { name: 'Until a day' }).click();
  await dialogReady(page);
  await expectAccessible(page, 'put off');
  await page.getByRole('button', { name: 'Put it off' }).click();
  await expect(late).toHaveCount(0);
  await page.getByRole('switch', { name: /done or put off/ }).click();
  await expect(late).toContainText('Put off to');
  await late.getByRole('button', { name: 'Take back' }).click();
  await late.getByRole('button', { name: 'Done' }).click();
  await expect(late).toContainText('Done, says Production manager');

  // By the keys: to the desk from anywhere.
  await page.goto('/norms');
  await expect(page.getByRole('heading', { name: 'Norms' })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('d');
  await expect(page.getByRole('heading', { name: 'Desk' })).toBeVisible();
});

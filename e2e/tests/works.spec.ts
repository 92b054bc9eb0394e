import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from '@playwright/test';
import { test } from './server';
import { dialogReady, expectAccessible, openExample, signIn } from './steps.js';

test('a machine is copied, corrected, drawn as it is typed, and retired', async ({ page }) => {
  await signIn(page);
  await page.goto('/works/machines/buckle-folder');
  await page.getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByRole('heading', { name: 'Buckle folder 2' })).toBeVisible();
  await expectAccessible(page, 'a machine');
  const drawing = page.getByRole('img', { name: /to scale/ });
  await expect(drawing).toHaveAccessibleName(/up to 1020 × 720 mm/);
  await page.getByLabel('Name', { exact: true }).fill('Folder by the river');
  await page.getByLabel('Largest piece, one side').fill('740');
  await page.getByLabel('Smallest piece, one side').fill('900');
  await expect(drawing).toHaveAccessibleName(/up to 740 × 720 mm, from 900 × 70 mm/);
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('group', { name: 'What is typed' }).getByRole('alert')).toContainText(
    'The smallest longer side',
  );
  await page.getByLabel('Smallest piece, one side').fill('100');
  await page.getByLabel('Belt speed').fill('160');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('It is entered.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Belt speed')).toHaveValue('160');
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByRole('dialog')).toContainText('Largest piece, one side: 1020 to 740');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('checkbox', { name: /Retired/ }).check();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('It is entered.')).toBeVisible();
  await page.getByRole('link', { name: 'Machines', exact: true }).first().click();
  await expect(page.getByRole('link', { name: 'Buckle folder', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Folder by the river' })).toHaveCount(0);
  await page.getByRole('checkbox', { name: 'Retired too' }).check();
  await expect(page.getByRole('link', { name: 'Folder by the river' })).toBeVisible();
  await expectAccessible(page, 'the machines');
});

test('an ink is entered with its recipe, and taken by a job', async ({ page }) => {
  await signIn(page);
  await page.goto('/works/inks');
  await page.getByRole('button', { name: 'Paste lines' }).click();
  await page
    .getByLabel('Lines of a sheet: inks and supplies')
    .fill(
      'Name\tWhat it is\tRecipe\nMill green\tMixed colour\tYellow 50; Blue 50\nFogged\tno such thing\t\nMill glue\tHot melt\t',
    );
  await expect(page.getByText('2 inks and supplies can be taken; 1 line cannot.')).toBeVisible();
  await expectAccessible(page, 'inks out of a list');
  await page.getByRole('button', { name: 'Take 2 inks and supplies' }).click();
  await expect(page.getByRole('link', { name: 'Mill green' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Mill glue' })).toBeVisible();
  await expectAccessible(page, 'inks and supplies');
  await page.getByRole('button', { name: 'An ink' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Lock-keeper red');
  await page.getByRole('button', { name: 'Base ink' }).click();
  await page.getByRole('button', { name: 'Base ink' }).click();
  await page.getByLabel('Parts').first().fill('70');
  await page.getByLabel('Parts').last().fill('20');
  await expect(page.getByRole('alert')).toContainText('The parts add up to 90, not 100');
  await page.getByLabel('Parts').last().fill('30');
  await expectAccessible(page, 'an ink');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('It is entered.')).toBeVisible();
  await page.getByRole('button', { name: 'History' }).click();
  await expect(page.getByRole('dialog')).toContainText('Recipe: not told to Base 1 70, Base 2 30');
  await page.getByRole('button', { name: 'Close' }).click();
  await page.goto('/works/supplies/spine-melt');
  await expect(page.getByRole('heading', { name: 'Spine melt' })).toBeVisible();
  await expectAccessible(page, 'a supply');

  await openExample(page, 'trail-map');
  await page.locator('dk-stream svg [data-step="print-map"]').click();
  const field = page.getByLabel('Add an ink').first();
  await field.fill('lock');
  await field.press('Enter');
  await expect(page.getByLabel('Coverage lock', { exact: true })).toBeVisible();
  await field.click();
  await page.getByRole('option', { name: 'Lock-keeper red' }).click();
  await expect(page.getByLabel('Coverage Lock-keeper red')).toBeVisible();
  await expect(field).toHaveValue('');
});

test('a price list with mistakes is pasted: what is right is entered, what is wrong is told by its line', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/works/papers/price-list');
  const lines = [
    'Paper;g/m2;Size;Price',
    'Canal laid;90;64 x 92;1,10',
    'Canal laid;90;70 x 100;1,10',
    'Canal wove;heavy;70 x 100;1,10',
    'Canal wove;120;70 x 100;$ 1,10',
  ];
  await page.getByLabel('Lines of a price list').fill(lines.join('\n'));
  await expect(page.locator('[data-test="outcome"]')).toContainText('1 papers: 1 new');
  await expect(page.getByRole('alert')).toContainText('Line 4: Weight, g/m²: “heavy” is no figure above 0');
  await expect(page.getByRole('alert')).toContainText('Line 5: Price: “$ 1,10” is USD, the works reckons in EUR');
  await expectAccessible(page, 'a price list');
  await page.getByRole('button', { name: 'Enter 1 papers' }).click();
  await page.getByRole('link', { name: 'Look at the papers' }).click();
  await page.getByLabel('Search by name or weight').fill('canal');
  await expect(page.locator('tbody tr')).toHaveCount(1);
  await expect(page.locator('tbody tr')).toContainText('920 × 640; 1000 × 700');
  await expect(page.locator('tbody tr')).toContainText('1.10');
  await page.getByRole('link', { name: 'Canal laid 90 g' }).click();
  await expectAccessible(page, 'a paper');
  await page.getByRole('button', { name: 'Size', exact: true }).click();
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('group', { name: 'What is typed' }).getByRole('alert')).toContainText(
    'has a side outside',
  );
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
  await expect(page.getByText('What you change is entered')).toBeVisible();
});

test('somebody is invited by a link, takes the role that they are given, and is let out again', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await page.goto('/works/people');
  await expectAccessible(page, 'the people');
  await page.getByLabel('Name of a new role').fill('Reckoner');
  await page.getByRole('button', { name: 'Add the role' }).click();
  await page.getByRole('checkbox', { name: /Reckoner may: Plan jobs/ }).check();
  // Where a role enters what happens.
  await page.getByRole('checkbox', { name: /Reckoner may: Enter what happens at plates/ }).check();
  await expect(page.getByRole('button', { name: 'at all stations' })).toHaveCount(2);
  await page.getByRole('button', { name: 'at all stations' }).last().click();
  await page.getByRole('checkbox', { name: /At all stations/ }).uncheck();
  await page.getByRole('checkbox', { name: /Ink room/ }).check();
  await expectAccessible(page, 'stations of a role');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('button', { name: 'at 1 station' })).toBeVisible();
  await page.getByRole('button', { name: 'Invite somebody' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Planning, late');
  await page.getByLabel('Name to sign in with').fill('late');
  await page.getByRole('combobox', { name: 'Role' }).click();
  await page.getByRole('option', { name: 'Reckoner' }).click();
  await page.getByRole('button', { name: 'Invite, and make a link' }).click();
  const link = (await page.locator('[data-test="link"]').textContent()) ?? '';
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('row', { name: /Planning, late/ })).toContainText('invited');

  const there = await (await browser.newContext()).newPage();
  await there.goto(link);
  await expect(there.getByRole('heading', { name: 'Welcome, Planning, late' })).toBeVisible();
  await expectAccessible(there, 'a welcome');
  await there.getByLabel('Password').fill('planning-late');
  await there.getByRole('button', { name: 'Begin' }).click();
  await expect(there.getByRole('alert')).toContainText('guessed easily');
  await there.getByLabel('Password').fill('six bells over the canal');
  await there.getByRole('button', { name: 'Begin' }).click();
  await expect(there.getByRole('button', { name: 'New job' })).toBeVisible();
  await there.goto('/works/machines');
  await expect(there.getByRole('heading', { name: 'Machines' })).toBeVisible();
  await expect(there.getByRole('button', { name: 'Add described machines' })).toHaveCount(0);
  await there.goto('/account');
  await expectAccessible(there, 'an account');

  await page.getByRole('button', { name: 'Change Planning, late' }).click();
  await page.getByRole('checkbox', { name: /Disabled/ }).check();
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(page.getByRole('row', { name: /Planning, late/ })).toContainText('disabled');
  await there.goto('/jobs');
  await expect(there.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'What was done' }).click();
  await page.getByLabel('Search who, what, of which').fill('late');
  await expect(page.locator('tbody tr').first()).toContainText('Change the name or role of somebody');
  await expectAccessible(page, 'the audit');
});

test('a program is let in by a token that is shown once, reads by it, and is refused when it is withdrawn', async ({
  page,
  playwright,
  baseURL,
}) => {
  await signIn(page);
  await page.goto('/works/people');
  await page.getByRole('button', { name: 'Let a program in' }).click();
  await dialogReady(page);
  await page.getByLabel('Name', { exact: true }).fill('Web shop');
  await page.getByRole('button', { name: 'Let it in, and make a token' }).click();
  const token = (await page.locator('[data-test="token"]').textContent()) ?? '';
  await expectAccessible(page, 'a token');
  await page.getByRole('button', { name: 'Close' }).click();
  const row = page.getByRole('row', { name: /Web shop/ });
  await expect(row).toContainText('not used yet');
  const shop = await playwright.request.newContext({
    ...(baseURL === undefined ? {} : { baseURL }),
    extraHTTPHeaders: { Authorization: `Bearer ${token}` },
  });
  expect((await shop.get('/api/jobs')).status()).toBe(200);
  expect((await shop.get('/api/people')).status()).toBe(403);
  await page.getByRole('button', { name: 'Change Web shop' }).click();
  await page.getByRole('button', { name: 'Withdraw the token' }).click();
  await expect(row).toContainText('no token that holds');
  expect((await shop.get('/api/jobs')).status()).toBe(401);
  await shop.dispose();
});

test('another program is told what happens: its secret is shown once, a message arrives, and one that does not says why', async ({
  page,
}) => {
  let came = 0;
  const shop = http.createServer((_request, response) => {
    came++;
    response.writeHead(came === 1 ? 200 : 503).end();
  });
  await new Promise<void>((resolve) => shop.listen(0, '127.0.0.1', resolve));
  await signIn(page);
  await page.goto('/works/people');
  await page.getByRole('button', { name: 'Tell an address' }).click();
  await dialogReady(page);
  await page.getByLabel('Name', { exact: true }).fill('Shop window');
  await page.getByLabel('Address', { exact: true }).fill('nonsense');
  await page.getByRole('checkbox', { name: 'A station counts' }).uncheck();
  await page.getByRole('button', { name: 'Tell it, and make a secret' }).click();
  await expect(page.getByRole('alert')).toContainText('begins with http:// or https://');
  await page
    .getByLabel('Address', { exact: true })
    .fill(`http://127.0.0.1:${(shop.address() as AddressInfo).port}/told`);
  await expectAccessible(page, 'an address that is told');
  await page.getByRole('button', { name: 'Tell it, and make a secret' }).click();
  await expect(page.locator('[data-test="secret"]')).toContainText('whsec_');
  await page.getByRole('button', { name: 'Close' }).click();
  const row = page.getByRole('row', { name: /^Shop window/ });
  await expect(row).toContainText('released, done, late');
  await row.getByRole('button', { name: 'Messages to Shop window' }).click();
  await expect(page.getByText('Nothing was told yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Try it out' }).click();
  await expect(page.getByRole('row', { name: /Nothing, to try it out delivered 1 answered 200/ })).toBeVisible();
  await page.getByRole('button', { name: 'Try it out' }).click();
  await expect(page.getByRole('row', { name: /Nothing, to try it out waiting 1 answered 503/ })).toBeVisible();
  await expectAccessible(page, 'messages to an address');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(row).toContainText('answered 503');
  await row.getByRole('button', { name: 'Change Shop window' }).click();
  await page.getByRole('button', { name: 'Take the address away' }).click();
  await expect(row).toHaveCount(0);
  shop.close();
});

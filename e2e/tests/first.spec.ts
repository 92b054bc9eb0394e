import { type ChildProcess } from 'node:child_process';
import { expect } from '@playwright/test';
import { databaseOf, spawnServer, stopServer, test } from './server';
import { expectAccessible } from './steps.js';

const PORT = 3953;
const address = `http://127.0.0.1:${PORT}`;
// A works without the demo: not the server that the other files have.
test.use({ baseURL: address });

let server: ChildProcess;
let told = '';
test.beforeAll(async () => {
  server = spawnServer(PORT, { ...databaseOf(test.info().file), DEMO: '0' });
  server.stdout?.on('data', (text: Buffer) => (told += text.toString()));
  await expect.poll(() => told).toContain('enter this code');
});
test.afterAll(() => stopServer(server));

test('a works begins with nobody: the first manager is made by the code of the terminal', async ({ page }) => {
  const code = /([2-9A-Z]{4}-){3}[2-9A-Z]{4}/.exec(told)?.[0] ?? '';
  await page.goto(`${address}/jobs`);
  await expect(page.getByRole('heading', { name: 'The first manager' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByText('As the terminal shows it')).toBeVisible();
  await page.getByLabel('Code from the terminal').fill('AAAA-BBBB-CCCC-DDDD');
  await page.getByLabel('Your name').fill('Production, early');
  await page.getByLabel('Name to sign in with').fill('early');
  await page.getByLabel('Password').fill('a lantern in the weir');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('alert')).toContainText('This is not the code that the terminal shows');
  await expectAccessible(page, 'the first manager');
  await page.getByLabel('Code from the terminal').fill(code.toLowerCase());
  await page.getByRole('button', { name: 'Begin' }).click();
  // What the works is called and how it counts comes first.
  await expect(page).toHaveURL(`${address}/works`);
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
  await expect(page.locator('tbody')).not.toContainText('HB-');
  // Nobody else is the first.
  // What is still on its way ends first: its answer would bring the cookie back.
  await page.goto('about:blank');
  await page.context().clearCookies();
  await page.goto(`${address}/jobs`);
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await page.getByLabel('Name').fill('early');
  await page.getByLabel('Password').fill('a lantern in the weir');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('button', { name: 'New job' })).toBeVisible();
});

/** Twenty papers as a supplier lists them. Invented. */
const PRICES = [
  'Paper\tg/m2\tFormat\tGrain\tPrice EUR',
  ...[80, 90, 100, 115, 120, 135, 150, 170, 190, 200, 250, 300].map(
    (gsm) => `Weir smooth\t${gsm}\t52 x 74\tlong\t1.18`,
  ),
  ...[80, 90, 100, 120, 140, 160, 190, 240].map((gsm) => `Weir rough\t${gsm}\t52 x 74\tlong\t1.09`),
].join('\n');
const MACHINES = [
  'B2 four-colour',
  'Guillotine 115',
  'Buckle folder B2, four pockets',
  'Twelve-station gatherer-stitcher',
  'Three-knife trimmer',
];

test('a newcomer sets up a works of five machines and twenty papers, and prints its first ticket, in under 60 actions', async ({
  page,
}) => {
  let actions = 0;
  /** What a person does: a click, a choice, something typed. */
  const act = async (work: Promise<unknown>): Promise<void> => {
    await work;
    actions++;
  };
  await act(page.goto(`${address}/sign-in`));
  await act(page.getByLabel('Name').fill('early'));
  await act(page.getByLabel('Password').fill('a lantern in the weir'));
  await act(page.getByRole('button', { name: 'Sign in', exact: true }).click());
  await act(page.getByRole('link', { name: 'Works' }).click());
  const setUp = page.getByRole('region', { name: 'Setting up the works' });
  await expect(setUp.getByRole('link')).toHaveCount(4);
  await expectAccessible(page, 'a works that is set up');
  await act(page.getByLabel('Name, as tickets say it').fill('Mill at the Weir'));
  await act(page.getByLabel('Time zone').fill('Europe/Stockholm'));
  await page.keyboard.press('Escape');
  await act(page.getByRole('button', { name: 'Keep the settings' }).click());
  await expect(setUp.getByText('done', { exact: true })).toHaveCount(1);

  await act(setUp.getByRole('link', { name: /machines/ }).click());
  await act(page.getByRole('button', { name: 'Add described machines' }).click());
  for (const name of MACHINES) await act(page.getByRole('checkbox', { name: new RegExp(`^${name} \\S`) }).check());
  await act(page.getByRole('button', { name: 'Add 5 machines' }).click());
  await expect(page.getByText('5 machines entered.')).toBeVisible();

  await act(page.getByRole('link', { name: 'Papers', exact: true }).click());
  await act(page.getByRole('link', { name: 'Paste a price list' }).click());
  await act(page.getByLabel('Lines of a price list').fill(PRICES));
  await expect(page.locator('[data-test="outcome"]')).toContainText('20 papers: 20 new');
  await act(page.getByRole('button', { name: 'Enter 20 papers' }).click());
  await expect(page.getByText('20 papers entered')).toBeVisible();
  await expect(setUp).toHaveCount(0);

  await act(page.getByRole('link', { name: 'Jobs', exact: true }).click());
  await act(page.getByRole('button', { name: 'New job' }).click());
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByLabel('Number')).toHaveValue(/^\d\d-0001$/);
  await act(dialog.getByLabel('Title').fill('Trail map of the weir'));
  await act(dialog.getByLabel('Quantity').fill('5000'));
  const create = page.getByRole('button', { name: 'Create job' });
  await expect(create).toBeEnabled();
  await act(create.click());
  await expect(page).toHaveURL(/jobs\/\d+/);
  const id = new URL(page.url()).pathname.split('/').at(-1) ?? '';
  const made = (await (await page.request.get(`${address}/api/jobs/${id}`)).json()) as {
    job: { components: { press: string }[] };
  };
  expect(made.job.components.map(({ press }) => press)).toEqual(['b2-four']);
  await act(page.getByRole('button', { name: 'Release', exact: true }).click());
  await act(
    page
      .getByRole('dialog')
      .getByRole('button', { name: /Release/ })
      .click(),
  );
  await act(page.getByRole('button', { name: 'Documents' }).click());
  const href = await page.getByRole('menuitem', { name: 'Job ticket (PDF)' }).getAttribute('href');
  actions++;
  const ticket = await page.request.get(`${address}${href}`);
  expect(ticket.status()).toBe(200);
  expect(actions).toBeLessThan(60);
});

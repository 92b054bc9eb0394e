import fs from 'node:fs';
import { AxeBuilder } from '@axe-core/playwright';
import { type Locator, type Page, expect } from '@playwright/test';

export type Login = 'manager' | 'operator' | 'viewer';

const PASSWORD = 'weir-and-wheel';

/** Signs in by hand, as a user does. */
export async function signInByHand(page: Page, login: Login = 'manager'): Promise<void> {
  await page.goto('/sign-in?to=/jobs');
  await page.getByLabel('Name').fill(login);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
}

export const csrf = async (page: Page): Promise<Record<string, string>> => ({
  'X-XSRF-TOKEN': (await page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? '',
});

/** Is signed in, for a test that is about something else: asked of the server, without the page for it, and no news to anybody. */
export async function signIn(
  page: Page,
  login: Login = 'manager',
  { isNew = false, heading = 'Jobs' } = {},
): Promise<void> {
  if (!isNew) await page.addInitScript(() => localStorage.setItem('druckerei.tour.job', '{"ever":true}'));
  await page.request.get('/api/session');
  const answer = await page.request.post('/api/session', {
    data: { login, password: PASSWORD },
    headers: await csrf(page),
  });
  expect(answer.ok()).toBe(true);
  await page.goto('/jobs');
  await expect(page.getByRole('heading', { name: heading })).toBeVisible();
}

/** A job out of an example that is released, due in so many days. Returns its number. */
export async function released(page: Page, name: string, days: number): Promise<string> {
  const id = await addExample(page, name, (job) => {
    job['due'] = new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  });
  const { version, works, job } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    version: number;
    works: { mark?: number };
    job: { number: string };
  };
  const answer = await page.request.post(`/api/jobs/${id}/release`, {
    data: { version, mark: works.mark ?? 0 },
    headers: await csrf(page),
  });
  expect(answer.status()).toBe(200);
  return job.number;
}

/** Leaves a norm as it ships, for the tests that come after on the same works. */
export async function leaveAsShipped(page: Page, norm: string): Promise<void> {
  const works = (await (await page.request.get('/api/works')).json()) as {
    mark: number;
    norms: Record<string, { value: number }>;
  };
  const answer = await page.request.put(`/api/norms/${encodeURIComponent(norm)}`, {
    data: { value: null, expected: works.norms[norm]?.value, seen: works.mark, reason: 'a test is over' },
    headers: await csrf(page),
  });
  expect(answer.ok()).toBe(true);
}

let made = 0;

/** A job of the test's own out of a shipped example. Returns its id. */
export async function addExample(
  page: Page,
  name: string,
  patch: (job: Record<string, unknown>) => void = () => undefined,
): Promise<number> {
  const job = JSON.parse(
    fs.readFileSync(new URL(`../../docs/examples/${name}.json`, import.meta.url), 'utf8'),
  ) as Record<string, unknown>;
  job['number'] = `E2E-${process.pid}-${++made}`;
  patch(job);
  const response = await page.request.post('/api/jobs', { data: job, headers: await csrf(page) });
  expect(response.status()).toBe(201);
  return ((await response.json()) as { id: number }).id;
}

/** The same, opened. */
export async function openExample(
  page: Page,
  name: string,
  patch: (job: Record<string, unknown>) => void = () => undefined,
): Promise<number> {
  const id = await addExample(page, name, patch);
  await page.goto(`/jobs/${id}`);
  await expect(page.locator('dk-stream svg')).toBeVisible();
  return id;
}

/** A figure of the balance line. */
export const balance = (page: Page, id: string): Locator => page.locator(`dk-balance [data-figure="${id}"]`);
export const station = (page: Page, id: string): Locator => page.locator(`[data-step="${id}"]`);
export const field = (page: Page, path: string): Locator => page.locator(`[data-path="${path}"]`);
export const saved = (page: Page): Promise<void> => expect(page.locator('dk-save-mark')).toHaveText(/Saved/);

/** Opens what a station may spoil, folded to one line. */
export const openNorms = (page: Page): Promise<void> => page.locator('[data-test=norm-line]').click();

/** A dialog takes the focus when it has opened: what is typed before that lands in its first field. */
export const dialogReady = (page: Page): Promise<void> =>
  expect(page.locator('mat-dialog-container :focus')).toHaveCount(1);

/** Text of a PDF, page by page joined. */
export async function pdfText(bytes: Uint8Array): Promise<string> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const content = await (await document.getPage(n)).getTextContent();
    pages.push(content.items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  return pages.join('\n').replace(/\s+/g, ' ');
}

/** Colours that are on their way, say from light to dark, are not those that are read. */
async function comeToRest(page: Page): Promise<void> {
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          document
            .getAnimations()
            .filter((one) => one.playState === 'running' && one.effect?.getComputedTiming().iterations !== Infinity)
            .length,
      ),
    )
    .toBe(0);
}

/** No breach of WCAG 2.2 AA that a machine can find. */
export async function expectAccessible(page: Page, name: string): Promise<void> {
  await comeToRest(page);
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(({ id, nodes }) => `${name}: ${id} ${nodes.map(({ target }) => target.join(' ')).join(', ')}`),
  ).toEqual([]);
}

/** Takes an entry of the menu with one's own name. */
export async function chooseOwn(page: Page, entry: string): Promise<void> {
  await page
    .locator('header')
    .getByRole('button', { name: /Production manager|Sales desk/ })
    .click();
  await page.getByRole('menuitem', { name: entry }).click();
}

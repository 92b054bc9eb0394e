import { type Browser, type BrowserContext, type Page, expect } from '@playwright/test';
import { test } from './server';
import { addExample, csrf, expectAccessible, signIn } from './steps';

interface Answer {
  readonly records: readonly {
    readonly id: number;
    readonly event: { readonly kind: string; readonly count?: number };
  }[];
}

const bookOf = async (page: Page, id: number): Promise<Answer> =>
  (await (await page.request.get(`/api/jobs/${id}/book`)).json()) as Answer;
const numberOf = async (page: Page, id: number): Promise<string> =>
  ((await (await page.request.get(`/api/jobs/${id}`)).json()) as { job: { number: string } }).job.number;

/** Counts on a line of the tally sheet, as a finger on a tablet does. */
async function tap(page: Page, line: string, count: number, reason?: string): Promise<void> {
  await page.getByRole('button', { name: new RegExp(`^${line}`) }).click();
  if (reason) await page.getByRole('button', { name: reason, exact: true }).click();
  for (const digit of String(count)) await page.getByRole('button', { name: digit, exact: true }).click();
  await page.getByRole('button', { name: /^Enter [\d,]+ / }).click();
  await expect(page.locator('dk-number-pad')).toHaveCount(0);
}
const act = (page: Page, name: string): Promise<void> => page.getByRole('button', { name, exact: true }).click();
const on = (page: Page, line: string) => page.locator(`[data-test="${line}"]`);

/** A tablet of its own, with whoever works there signed in. */
async function tablet(browser: Browser): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'operator');
  return { context, page };
}

test('two tablets and a planner: a pile is scanned, counted, closed, and the planner sees it', async ({
  page: planner,
  browser,
}) => {
  await signIn(planner);
  const id = await addExample(planner, 'trail-map');
  const number = await numberOf(planner, id);
  await planner.goto(`/book/${id}/cut`);
  await expect(planner.getByRole('heading', { name: 'Guillotine' })).toBeVisible();

  const cutter = await tablet(browser);
  await cutter.page.goto('/book');
  await expectAccessible(cutter.page, 'stations');
  await cutter.page.getByLabel('This device is called').fill('Cutting tablet');
  // A wrong tag is told with what would be right.
  await cutter.page.getByLabel('Tag, ticket or number').fill(`${number}/print-map-2/9`);
  await act(cutter.page, 'Open');
  await expect(cutter.page.getByRole('alert')).toContainText('That station makes piles 1 to 1.');
  await cutter.page.getByLabel('Tag, ticket or number').fill(`${number}/print-map-2/1`);
  await act(cutter.page, 'Open');
  await expect(cutter.page.getByText(`Pile ${number}/print-map-2/1`)).toBeVisible();
  await cutter.page.getByRole('button', { name: /^Enter [\d,]+ sheets/ }).click();
  await expect(on(cutter.page, 'taken-in')).toHaveText('5,102');
  await act(cutter.page, 'Begin set-up');
  await tap(cutter.page, 'Spoiled', 5, 'cut');
  await act(cutter.page, 'Set-up done');
  await act(cutter.page, 'Begin the run');
  await expect(on(cutter.page, 'phase')).toContainText('Running');
  await tap(cutter.page, 'Good out', 4000);
  // The planner's screen has it without a reload.
  await expect(on(planner, 'good')).toHaveText('4,000');
  await expect(on(planner, 'forecast')).toContainText('of 10,000');
  // More than came in is refused at the field, with what would be right.
  await cutter.page.getByRole('button', { name: /^Good out/ }).click();
  await cutter.page.locator('dk-number-pad input').fill('9000');
  await cutter.page.keyboard.press('Enter');
  await expect(cutter.page.getByRole('alert')).toContainText('at most 6,194');
  await act(cutter.page, 'Leave it');
  await tap(cutter.page, 'Good out', 6190);
  await act(cutter.page, 'Stop');
  await act(cutter.page, 'machine');
  await act(cutter.page, 'Stop: machine');
  await expect(on(cutter.page, 'balance')).toContainText('4 maps of what came in are not told yet');
  await act(cutter.page, 'Close the station');
  await expect(cutter.page.getByRole('alert')).toContainText('does not balance');
  await expectAccessible(cutter.page, 'station');
  await cutter.page.getByText('Explain the difference').click();
  await act(cutter.page, 'counter');
  await expect(on(cutter.page, 'balance')).toContainText('In and out agree');
  await act(cutter.page, 'Close the station');
  await expect(on(cutter.page, 'phase')).toContainText('Closed');

  // The next station, on another tablet; its scanner types into the page.
  const folder = await tablet(browser);
  await folder.page.goto(`/book/${id}/cut`);
  await expect(on(folder.page, 'phase')).toContainText('Closed');
  await folder.page.getByRole('heading', { name: 'Guillotine' }).click();
  await folder.page.evaluate((code) => {
    for (const key of [...Array.from(code), 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
  }, `${number}/cut/1`);
  await expect(folder.page.getByRole('heading', { name: 'Fold' })).toBeVisible();
  await folder.page.getByRole('button', { name: /^Enter [\d,]+ maps/ }).click();
  await tap(folder.page, 'Good out', 1000);
  await tap(folder.page, 'Good out', 1000);
  await folder.page.getByRole('button', { name: 'Strike through: Good out 1,000' }).first().click();
  await folder.page.getByLabel('Why it is wrong').fill('counted twice');
  await act(folder.page, 'Strike through');
  await expect(on(folder.page, 'good')).toHaveText('1,000');

  // The room in view: what works, and that the chain holds.
  await planner.goto('/book');
  await expect(planner.getByRole('link', { name: new RegExp(`Fold.*${number}`) })).toContainText('1,000 of');
  await planner.getByRole('link', { name: 'The chain of the book' }).click();
  await expect(on(planner, 'chain')).toContainText('The chain holds');
  await expectAccessible(planner, 'chain');
  const hash = (await planner.locator('code').textContent()) ?? '';
  await planner.getByLabel('Hash on paper').fill(hash);
  await act(planner, 'Look for it');
  await expect(on(planner, 'asked')).toContainText('This hash is that of entry');
  await Promise.all([cutter.context.close(), folder.context.close()]);
});

test('each station takes in what the one before it gave, closes when in and out agree, and what is packed lies in the store', async ({
  page: planner,
  browser,
}) => {
  await signIn(planner);
  const id = await addExample(planner, 'trail-map');
  const { context, page } = await tablet(browser);
  await page.goto(`/book/${id}/cut`);
  await tap(page, 'Taken in', 5_102);
  await act(page, 'Begin the run');
  await tap(page, 'Good out', 10_204);
  await act(page, 'Close the station');
  await expect(on(page, 'phase')).toContainText('Closed');
  const station = async (name: string, came: number, spoiled: number, reason: string): Promise<void> => {
    await page.getByRole('navigation', { name: 'Other stations of this job' }).getByText(name).click();
    await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
    await tap(page, 'Taken in', came);
    await act(page, 'Begin the run');
    if (spoiled > 0) await tap(page, 'Spoiled', spoiled, reason);
    await tap(page, 'Good out', came - spoiled);
    await act(page, 'Close the station');
    await expect(on(page, 'phase')).toContainText('Closed');
  };
  await station('Fold', 10_173, 73, 'fold skew');
  await station('Band', 10_100, 5, 'dirt');
  await station('Box', 10_095, 0, '');
  await expect(on(page, 'forecast')).toContainText('10,095 of 10,000 expected');
  // What is packed lies among the finished goods.
  const lots = (await (await planner.request.get('/api/finished')).json()) as {
    lots: { job: number; pieces: number; place: string }[];
  };
  expect(lots.lots.filter(({ job }) => job === id)).toMatchObject([{ pieces: 10_095, place: 'on the floor, packed' }]);
  await context.close();
});

test('what is being counted stays open when the answer to the entry before comes late', async ({ page }) => {
  await signIn(page);
  const id = await addExample(page, 'trail-map');
  await page.goto(`/book/${id}/cut`);
  let answer = (): void => undefined;
  const late = new Promise<void>((go) => (answer = go));
  await page.route(`**/api/jobs/${id}/book`, async (route) => {
    if (route.request().method() === 'POST') await late;
    await route.continue();
  });
  await page.getByRole('button', { name: /^Taken in/ }).click();
  await page.getByRole('button', { name: '9', exact: true }).click();
  await page.getByRole('button', { name: /^Enter 9 / }).click();
  await expect(on(page, 'waiting')).toContainText('1 entry on the way');
  await page.getByRole('button', { name: /^Spoiled/ }).click();
  await page.getByRole('button', { name: 'cut', exact: true }).click();
  await page.getByRole('button', { name: '4', exact: true }).click();
  answer();
  await expect(page.getByText('Entered.')).toBeAttached();
  await page.getByRole('button', { name: /^Enter 4 / }).click();
  await expect(on(page, 'spoiled')).toHaveText('4');
  await expect(page.locator('dk-number-pad')).toHaveCount(0);
});

test('a tablet goes on without network, is opened anew, and loses nothing; what is refused later is explained', async ({
  page: planner,
  browser,
}) => {
  await signIn(planner);
  const id = await addExample(planner, 'trail-map');
  const { context, page } = await tablet(browser);
  await page.goto(`/book/${id}/cut`);
  await tap(page, 'Taken in', 100);
  // What it needs without network is kept by now.
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload();
  await expect(on(page, 'taken-in')).toHaveText('100');
  await context.setOffline(true);
  await tap(page, 'Good out', 150);
  await expect(on(page, 'waiting')).toContainText('1 entry on the way');
  await expect(on(page, 'good')).toHaveText('150');
  await page.reload();
  await expect(on(page, 'good')).toHaveText('150');
  await expect(page.getByText('Without network.')).toBeVisible();
  await tap(page, 'Good out', 40);
  // A picture of the camera is kept with the rest, made small here.
  await act(page, 'Photograph');
  const picture = { name: 'pile.png', mimeType: 'image/png', buffer: await page.screenshot() };
  await page.getByLabel('Picture from the camera or a file').setInputFiles(picture);
  await page.getByLabel('What is to be seen').fill('corner crushed');
  await act(page, 'Enter the photograph');
  await expect(page.getByRole('img', { name: 'Photograph: corner crushed' })).toBeVisible();
  // Somebody else counts the same pile meanwhile.
  const headers = await csrf(planner);
  const entry = {
    uid: crypto.randomUUID(),
    at: new Date().toISOString(),
    late: false,
    event: { kind: 'good', step: 'cut', count: 45 },
  };
  const sent = { device: 'Desk', seen: 0, entries: [entry] };
  expect((await planner.request.post(`/api/jobs/${id}/book`, { data: sent, headers })).ok()).toBe(true);
  await context.setOffline(false);
  await expect(on(page, 'waiting')).toHaveCount(0);
  await expect(on(page, 'good')).toHaveText('195');
  await expect(page.getByText(/Held: Good out 40/)).toBeVisible();
  const kept = page.getByRole('img', { name: 'Photograph: corner crushed' });
  await expect(kept).toHaveAttribute('src', new RegExp(`^/api/jobs/${id}/photos/[0-9a-f]{64}$`));
  await expect.poll(() => kept.evaluate((image: HTMLImageElement) => image.naturalHeight)).toBe(1180);

  await planner.goto('/book');
  await planner
    .getByRole('link', { name: /1 entry to explain/ })
    .first()
    .click();
  await act(planner, 'Explain');
  await planner.getByLabel('What happened').fill('45 were another pile');
  await expectAccessible(planner, 'held');
  await act(planner, 'It counts');
  await expect(on(planner, 'good')).toHaveText('235');
  await expect(on(planner, 'balance')).toContainText('35 maps more are told than came in');
  await context.close();
});

test('the network goes at any moment: every entry is in the book once, in its order', async ({
  page: planner,
  browser,
}) => {
  await signIn(planner);
  const id = await addExample(planner, 'trail-map');
  const { context, page } = await tablet(browser);
  await page.goto(`/book/${id}/cut`);
  await tap(page, 'Taken in', 1000);
  // Cut before the server has it, after it has it, or not at all: by turns that look like chance.
  let call = 0;
  await page.route(`**/api/jobs/${id}/book`, async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    const turn = (call++ * 7) % 5;
    if (turn === 1 || turn === 3) return route.abort('connectionreset');
    if (turn === 2) {
      await route.fetch();
      return route.abort('connectionreset');
    }
    return route.continue();
  });
  for (let n = 1; n <= 12; n++) await tap(page, 'Good out', n);
  await expect(on(page, 'waiting')).toHaveCount(0);
  const { records } = await bookOf(planner, id);
  const counted = records.flatMap(({ event }) => (event.kind === 'good' ? [event.count] : []));
  expect(counted).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
  await context.close();
});

test('season tickets: spoils are bagged, counted by two, destroyed before two, and the certificate is printed', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const id = await addExample(page, 'season-tickets');
  await page.goto(`/book/${id}/cut`);
  await tap(page, 'Taken in', 40);
  await tap(page, 'Spoiled', 3, 'cut');
  await page.getByRole('link', { name: 'Accountable work' }).click();
  await expect(page.locator('[data-station="cut"]')).toContainText('3');
  await expectAccessible(page, 'accountable work');
  const bags = page.getByRole('region', { name: 'Spoils in bags' });
  await bags.getByLabel('Station').selectOption({ value: 'cut' });
  await bags.getByLabel('Bag', { exact: true }).fill('B-7');
  await bags.getByLabel('Counted').fill('4');
  await bags.getByLabel('Seal').fill('S-70');
  await bags.getByLabel('Locked up in').fill('Strong room');
  await act(page, 'Bag and seal');
  await expect(page.getByRole('alert')).toContainText('4 in a bag are more than');
  await bags.getByLabel('Counted').fill('3');
  await act(page, 'Bag and seal');
  const bag = page.locator('[data-bag="B-7"]');
  await expect(bag).toContainText('3 Production manager');
  await expect(bag.getByRole('checkbox')).toHaveCount(0);

  const other = await tablet(browser);
  await other.page.goto(`/book/${id}/account`);
  await other.page.getByLabel('Count of bag B-7').fill('3');
  await act(other.page, 'Count again');
  await expect(bag).toContainText('two agree');
  await bag.getByRole('checkbox').click();
  await bags.getByLabel('Where').fill('Yard');
  await act(page, 'Destroyed before my eyes');
  await expect(bag).toContainText('destroyed');
  const destruction = page.locator('[data-destruction]');
  await expect(destruction.getByRole('link')).toHaveCount(0);
  await act(other.page, 'I have seen it, too');
  const certificate = destruction.getByRole('link', { name: 'Certificate (PDF)' });
  await expect(certificate).toBeVisible();
  const answer = await page.request.get((await certificate.getAttribute('href')) ?? '');
  expect(answer.headers()['content-type']).toBe('application/pdf');
  await other.context.close();
});

import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { addExample, dialogReady, expectAccessible, pdfText, released, signIn } from './steps';

const dayIn = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

async function planByRule(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Plan anew' }).click();
  await page.getByRole('menuitem', { name: 'By rule, at once' }).click();
  await expect(page.locator('[data-test=trial]')).toContainText('This is a trial');
  // A trial from before is shown until the new one is there, and it cannot be taken.
  await expect(page.getByRole('button', { name: 'Take it in force' })).toBeEnabled();
  await expect(page.locator('[data-test=run]')).toHaveCount(0);
}

/** Where on the screen the parts of each machine's chain lie: their waists begin, their runs begin. */
const cords = (page: Page): Promise<{ waist: number; run: number; y: number }[][]> =>
  page.locator('dk-chains svg').evaluate((svg) => {
    const { left, top } = svg.getBoundingClientRect();
    return [...svg.querySelectorAll('path.waist:not(.own)')].map((path) =>
      [...(path.getAttribute('d') ?? '').matchAll(/M ([\d.]+) ([\d.]+) H ([\d.]+)/g)].map(([, x, y, run]) => ({
        waist: left + Number(x),
        run: left + Number(run),
        y: top + Number(y),
      })),
    );
  });

test('released jobs are laid on the machines, taken in force, and a late one says why and what would help', async ({
  page,
  browser,
}) => {
  await signIn(page);
  const first = await released(page, 'trail-map', 20);
  // All want the press at once, and none is in time.
  for (const name of ['concert-programme', 'garden-cards', 'constellation-cards']) await released(page, name, 0);
  await page.goto('/floor');
  await planByRule(page);
  await expect(page.locator('dk-chains .cord').first()).toBeAttached();
  await expectAccessible(page, 'chains');
  await page.getByRole('button', { name: 'Take it in force' }).click();
  await expect(page.locator('[data-test=shown]')).toContainText('In force');
  await expect(page.locator('[data-test=trial]')).toHaveCount(0);

  await page.getByRole('tab', { name: 'Shift book' }).click();
  await expect(page.getByRole('row', { name: new RegExp(first) }).first()).toContainText('Print');
  await expectAccessible(page, 'shift book');
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'As CSV' }).click();
  expect((await saved).suggestedFilename()).toMatch(/^shift-book-\d+\.csv$/);
  const href = (await page.getByRole('link', { name: 'For print' }).getAttribute('href')) ?? '';
  expect(await pdfText(await (await page.request.get(href)).body())).toContain(first);
  // A calendar reads what is in force by its own address, without anybody signing in.
  await page.getByRole('button', { name: 'As a calendar' }).click();
  await dialogReady(page);
  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('Your address').inputValue();
  await expectAccessible(page, 'feed');
  const stranger = await browser.newContext();
  expect(await (await stranger.request.get(address)).text()).toContain(`SUMMARY:${first}`);
  await page.getByRole('button', { name: 'End it' }).click();
  await expect(page.locator('[data-test=feed]')).toContainText('You have no address');
  expect((await stranger.request.get(address)).status()).toBe(404);
  await stranger.close();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('tab', { name: /^Late/ }).click();
  const told = page.locator('section.late');
  await expect(told.first()).toContainText('late');
  await expect(told.getByRole('listitem').first()).toContainText('earlier');
  await expectAccessible(page, 'late');
  await page.getByRole('tab', { name: 'Hours' }).click();
  await expectAccessible(page, 'hours');

  // A job that is released later makes what is in force stale, and says so.
  await released(page, 'trail-map', 20);
  await page.reload();
  await expect(page.getByRole('status').filter({ hasText: 'Plan anew' })).toContainText('have changed since');
});

test('a station is dragged into another waist with its price told before, moved by the shift book, and fixed', async ({
  page,
  browser,
}) => {
  await signIn(page);
  await released(page, 'trail-map', 20);
  await released(page, 'trail-map', 21);
  await page.goto('/floor');
  await planByRule(page);
  // Somebody else who looks at the floor sees each trial.
  const other = await browser.newPage();
  await signIn(other, 'viewer');
  await other.goto('/floor');
  await expect(other.locator('[data-test=trial]')).toBeVisible();

  await page.bringToFront();
  await page.getByRole('radio', { name: 'Shift' }).click();
  // The first two that follow one another on the same machine: what is in sight is drawn, so one looks further until there are two.
  const chains = page.locator('dk-chains .chains');
  await expect(async () => {
    const found = await chains.evaluate((window) => {
      const chain = [...window.querySelectorAll('path.waist')].find((path) =>
        /M.*M/.test(path.getAttribute('d') ?? ''),
      );
      const [, x] = /M ([\d.]+)/.exec(chain?.getAttribute('d') ?? '') ?? [];
      chain?.scrollIntoView({ block: 'center', inline: 'nearest' });
      window.scrollTo({ left: chain ? Number(x) - 40 : window.scrollLeft + 400 });
      return chain !== undefined;
    });
    expect(found).toBe(true);
  }).toPass();
  await expect.poll(async () => (await cords(page)).some(({ length }) => length > 1)).toBe(true);
  const row = (await cords(page)).find(({ length }) => length > 1);
  const [to, from] = row ?? [];
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.run + 2, from.y);
  await page.mouse.down();
  await page.mouse.move(to.waist + 12, to.y + 1, { steps: 8 });
  await expect(page.locator('[data-test=effect]')).toContainText('unaffected');
  await page.mouse.up();
  await expect(page.locator('[data-test=effect]')).toContainText('Moved: ');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('[data-test=effect]')).toHaveText('');
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(0);

  await page.getByRole('tab', { name: 'Shift book' }).click();
  const table = page.getByRole('table', { name: /^Shift book of/ }).first();
  const name = await table.getByRole('row').nth(1).getByRole('rowheader').textContent();
  await table
    .getByRole('row')
    .nth(1)
    .getByRole('button', { name: /^Later/ })
    .click();
  await expect(table.getByRole('row').nth(2).getByRole('rowheader')).toHaveText(name ?? '');

  await table.getByRole('row').nth(1).getByRole('button', { name: /^Fix/ }).click();
  await dialogReady(page);
  await expectAccessible(page, 'pin');
  await page.getByLabel('Why').fill('the customer comes to see it');
  await page.getByRole('button', { name: 'Fix', exact: true }).click();
  await expect(table.getByRole('button', { name: /^Fixed: / })).toHaveCount(1);
  await expect(other.getByText('Something this trial builds on has changed')).toBeVisible();
  await table.getByRole('button', { name: /^Fixed: / }).click();
  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(table.getByRole('button', { name: /^Fixed: / })).toHaveCount(0);
  await other.close();
});

test('hours are changed, a machine gets its own, and a wrong time is refused with the reason', async ({ page }) => {
  await signIn(page);
  await released(page, 'trail-map', 20);
  await page.goto('/floor');
  await page.getByRole('tab', { name: 'Hours' }).click();
  // A crew runs its machines, and is short on a day.
  await page.getByRole('button', { name: 'Crew', exact: true }).click();
  await page.getByLabel('Name', { exact: true }).fill('Cutters');
  await page.getByLabel('Machines that it runs').click();
  await page.getByRole('listbox').getByRole('option', { name: 'Guillotine 115' }).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Closed or open' }).click();
  await page.getByLabel('Machine or crew').last().selectOption({ label: 'crew Cutters' });
  await page.getByLabel('places', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('alert')).toContainText('The crew Cutters has 1 places, not 2');
  await page.getByLabel('places', { exact: true }).fill('1');
  await expectAccessible(page, 'crews');
  await page
    .getByLabel('until', { exact: true })
    .last()
    .fill(`${dayIn(-30)}T10:00`);
  await page.getByLabel('why').fill('the transformer is changed');
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('alert')).toContainText('before it begins');
  await page
    .getByLabel('until', { exact: true })
    .last()
    .fill(`${dayIn(2)}T10:00`);
  await page.getByRole('group', { name: 'Days of shift 1, Press room' }).getByRole('button', { name: 'Sat' }).click();
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('button', { name: 'Save hours' })).toBeDisabled();
  await page.reload();
  await page.getByRole('tab', { name: 'Hours' }).click();
  await expect(page.getByLabel('why')).toHaveValue('the transformer is changed');
  await expect(page.getByLabel('Machines that it runs')).toContainText('Guillotine 115');
  await page.getByRole('button', { name: 'Take out the transformer is changed' }).click();
  await page.getByRole('button', { name: 'Take out the crew Cutters' }).click();
  await page.getByRole('group', { name: 'Days of shift 1, Press room' }).getByRole('button', { name: 'Sat' }).click();
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('button', { name: 'Save hours' })).toBeDisabled();
});

test('a look that was asked before a trial was taken does not bring the trial back', async ({ page }) => {
  await signIn(page);
  await released(page, 'trail-map', 20);
  await page.goto('/floor');
  await planByRule(page);
  let answer = (): void => undefined;
  const late = new Promise<void>((go) => (answer = go));
  let isFirst = true;
  await page.route('**/api/floor', async (route) => {
    if (!isFirst) return route.continue();
    isFirst = false;
    const response = await route.fetch();
    await late;
    // The page may have given it up meanwhile.
    await route.fulfill({ response }).catch(() => undefined);
  });
  const asked = page.waitForRequest('**/api/floor');
  await addExample(page, 'trail-map');
  await asked;
  await page.getByRole('button', { name: 'Take it in force' }).click();
  await expect(page.locator('[data-test=shown]')).toContainText('In force');
  answer();
  await page.evaluate(() => new Promise((drawn) => setTimeout(drawn, 500)));
  await expect(page.locator('[data-test=trial]')).toHaveCount(0);
});

test('a breakdown is told, and what it holds up is planned anew around it', async ({ page }) => {
  await signIn(page);
  const number = await released(page, 'trail-map', 20);
  await page.goto('/floor');
  await planByRule(page);
  await page.getByRole('button', { name: 'Take it in force' }).click();
  await expect(page.locator('[data-test=shown]')).toContainText('In force');
  await page.getByRole('tab', { name: 'Shift book' }).click();
  const folded = page.getByRole('table', { name: 'Shift book of Buckle folder' }).getByRole('row', { name: number });
  const before = (await folded.first().getByRole('cell').first().textContent()) ?? '';

  // The folder stands for three weeks: told by dragging over the days, and by a calendar that its maker has sent.
  await page.getByRole('tab', { name: 'Hours' }).click();
  await page.getByLabel('Whose days').selectOption({ label: 'Buckle folder' });
  const days = page.getByRole('group', { name: 'Open hours of the coming weeks' }).getByRole('button');
  const today = await days.evaluateAll((all) => all.findIndex((one) => one.classList.contains('today')));
  await days.last().scrollIntoViewIfNeeded();
  await days.nth(today).hover();
  await page.mouse.down();
  await days.nth(today + 7).hover();
  await days.nth(today + 14).hover();
  await page.mouse.up();
  await expect(page.getByLabel('Machine or crew').last()).toHaveValue(/^machine:/);
  await page.getByLabel('why').last().fill('a shaft is broken');
  await page.getByLabel('Calendar file').setInputFiles({
    name: 'repair.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(
      [
        'BEGIN:VCALENDAR',
        'BEGIN:VEVENT',
        'UID:1',
        `DTSTART;VALUE=DATE:${dayIn(15).replaceAll('-', '')}`,
        `DTEND;VALUE=DATE:${dayIn(21).replaceAll('-', '')}`,
        'SUMMARY:The new shaft is fitted',
        'END:VEVENT',
        'END:VCALENDAR',
      ].join('\r\n'),
    ),
  });
  await expect(page.locator('[data-test=calendar]')).toContainText('1 stretch of repair.ics put in below');
  await expect(page.getByLabel('why').last()).toHaveValue('The new shaft is fitted');
  await expectAccessible(page, 'days');
  await page
    .getByLabel('Calendar file')
    .setInputFiles({ name: 'x.ics', mimeType: 'text/calendar', buffer: Buffer.from('x') });
  await expect(page.locator('[data-test=calendar]')).toContainText('x.ics: This is no iCalendar file');
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('button', { name: 'Save hours' })).toBeDisabled();

  await expect(page.getByRole('status').filter({ hasText: 'Plan anew' })).toContainText('have changed since');
  await planByRule(page);
  await page.getByRole('tab', { name: 'Shift book' }).click();
  await expect(folded.first().getByRole('cell').first()).not.toHaveText(before);
  await page.getByRole('tab', { name: 'Hours' }).click();
  for (const why of ['a shaft is broken', 'The new shaft is fitted'])
    await page.getByRole('button', { name: `Take out ${why}` }).click();
  await page.getByRole('button', { name: 'Save hours' }).click();
  await expect(page.getByRole('button', { name: 'Save hours' })).toBeDisabled();
});

test('a job that is not on the floor says when it could be ready', async ({ page }) => {
  await signIn(page);
  const id = await addExample(page, 'trail-map');
  await page.goto(`/jobs/${id}`);
  await expect(page.locator('dk-ready-on')).toContainText(/Ready on.*\d/);
  // The clock of its stream.
  const inStream = page.getByRole('button', { name: 'When each station runs, in the stream' });
  await inStream.click();
  await expect(page.locator('dk-stream .clock').first()).toHaveText(/\d\d:\d\d/);
  await expectAccessible(page, 'clock in the stream');
  await inStream.click();
  await page.locator('dk-ready-on .day').click();
  await dialogReady(page);
  const clock = page.getByRole('table', { name: 'When each station runs' });
  await expect(clock.getByRole('row').filter({ hasText: 'Print, Map' }).first()).toContainText(/\d\d:\d\d/);
  await expectAccessible(page, 'clock of the stations');
  await page.getByRole('button', { name: 'Close' }).click();
});

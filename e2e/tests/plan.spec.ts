import { expect } from '@playwright/test';
import { test } from './server';
import { balance, chooseOwn, expectAccessible, field, openExample, pdfText, saved, signIn, station } from './steps';

test.describe('the trail map', () => {
  test('is planned, changed, undone, released and printed', async ({ page }) => {
    await signIn(page);
    await page.getByRole('searchbox').fill('trail');
    await page.getByRole('link', { name: 'HB-2041' }).click();

    // the material run, from bought paper to packed maps
    await expect(balance(page, 'total.pressSheets')).toContainText('5,484 sheets');
    await expect(balance(page, 'total.plates')).toContainText('4 plates');
    await expect(station(page, 'print-map')).toHaveAttribute(
      'aria-label',
      'Print: 5,484 sheets in, 5,204 sheets out, 200 spoiled at set-up, 80 while running',
    );
    await expect(station(page, 'fold')).toHaveAttribute(
      'aria-label',
      'Fold: 10,173 maps in, 10,011 maps out, 60 spoiled at set-up, 102 while running',
    );

    // a change moves every figure at once, and the balance says what it did
    await field(page, 'order.quantity').fill('12,000');
    await expect(balance(page, 'total.pressSheets')).toContainText('6,522 sheets');
    await expect(balance(page, 'total.pressSheets')).toContainText('was 5,484 sheets');
    await saved(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(balance(page, 'total.pressSheets')).toContainText('5,484 sheets');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(balance(page, 'total.pressSheets')).toContainText('6,522 sheets');
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);

    // all three schools
    await page.getByRole('tab', { name: 'Schools' }).click();
    await expect(page.locator('[data-school=step]')).toHaveText('5,484');
    await expect(page.locator('[data-school=added]')).toHaveText('5,475');
    await expect(page.locator('[data-school=table]')).toHaveText('5,838');

    // released, frozen, printed
    await page.getByRole('button', { name: 'Release' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Release' }).click();
    await expect(page.locator('dk-status-mark')).toContainText('Released');
    const link = page.getByRole('menuitem', { name: 'Job ticket' });
    await page.getByRole('button', { name: 'Documents' }).click();
    const ticket = await page.request.get((await link.getAttribute('href')) ?? '');
    const text = await pdfText(await ticket.body());
    for (const words of [
      'HB-2041 Trail map',
      '5,484 sheets',
      '10,173 maps',
      'Revision 1, released',
      'Double-sheet detector: sheet caliper 106',
      'Take a sample every 500 sheets',
      'never reach under the clamp',
      'Four folds',
    ]) {
      expect(text).toContain(words);
    }
    expect(text).not.toContain('DRAFT');
    const tags = await page.request.get(
      (await page.getByRole('menuitem', { name: 'Pile tags' }).getAttribute('href')) ?? '',
    );
    expect(await pdfText(await tags.body())).toContain('pile 1 of');
  });

  test('opens a figure down to its norm', async ({ page }) => {
    await signIn(page);
    await openExample(page, 'trail-map', (job) => {
      job['route'] = (job['route'] as Record<string, unknown>[]).map(
        ({ setup: _setup, running: _running, ...step }) => step,
      );
    });
    await station(page, 'cut').click();
    await page.locator('[data-test=in] button').click();
    const working = page.locator('dk-working');
    await expect(working).toContainText('Into the machine, step by step');
    await working
      .getByRole('row', { name: /^running/ })
      .getByRole('button')
      .click();
    await working.getByRole('row', { name: /^norm/ }).getByRole('button').click();
    await expect(working.getByRole('heading')).toHaveText('Guillotine: running spoilage');
    await expect(working).toContainText('0.2 %');
    await expect(working).toContainText('Source: practice, handbook');
    const own = page.getByLabel('In this job, instead of the norm');
    await own.fill('150');
    await expect(page.locator('dk-norm-field')).toContainText('goes from 0 to below 100 %, not 150 %');
    const sheets = await balance(page, 'total.pressSheets').getByRole('button').textContent();
    await own.fill('3');
    await expect(balance(page, 'total.pressSheets')).toContainText(`was ${sheets}`);
    await expect(working).toContainText('set by user, set in this job. Without this it would be 0.2 %');
    await own.fill('');
    await expect(balance(page, 'total.pressSheets').getByRole('button')).toHaveText(sheets ?? '');
    await working.getByRole('button', { name: 'Into the machine' }).click();
    await expect(working.getByRole('heading')).toHaveText('Into the machine, step by step');
  });

  test('is read and typed in inches and pounds by who prefers them', async ({ page }) => {
    await signIn(page);
    await openExample(page, 'trail-map');
    await expect(balance(page, 'total.paperKg').getByRole('button')).toHaveText('463 kg');
    await chooseOwn(page, 'Measures in inch and pound');
    await expect(balance(page, 'total.paperKg').getByRole('button')).toHaveText('1,021.09 lb');
    await station(page, 'print-map').click();
    await expect(page.getByLabel('Width, trimmed')).toHaveValue('16.535');
    await page.getByLabel('Width, trimmed').fill('16');
    await expect(page.getByLabel('Width, trimmed')).toHaveValue('16');
    await chooseOwn(page, 'Measures in metric');
    await expect(page.getByLabel('Width, trimmed')).toHaveValue('406.4'); // 16 x 25.4
    await page.keyboard.press('Control+z');
    await expect(page.getByLabel('Width, trimmed')).toHaveValue('420');
  });

  test('takes another paper, style and ink', async ({ page }) => {
    await signIn(page);
    await openExample(page, 'trail-map');
    await station(page, 'print-map').click();
    await page.getByRole('combobox', { name: 'Paper' }).click();
    await page.getByRole('option', { name: 'Uncoated offset 120 g' }).click();
    await expect(balance(page, 'total.paperKg')).toContainText('was 463 kg');
    await page.getByRole('combobox', { name: 'Work style' }).click();
    await page.getByRole('option', { name: 'Perfecting' }).click();
    await expect(balance(page, 'total.plates')).toContainText('8 plates');
    await expect(station(page, 'print-map-2')).toHaveCount(0);
    await page.getByRole('button', { name: 'Take Y off the back' }).click();
    await expect(balance(page, 'total.plates')).toContainText('7 plates');
    await page.getByLabel('Add an ink').last().fill('Silver');
    await page.getByLabel('Add an ink').last().press('Enter');
    await expect(balance(page, 'total.plates')).toContainText('8 plates');
    await saved(page);
    await page.reload();
    await expect(balance(page, 'total.plates')).toContainText('8 plates');
  });
});

test('the concert programme joins three lanes at the stitcher', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'HB-2042' }).click();
  await page.getByRole('tab', { name: 'Schools' }).click();
  const cell = (component: string, school: string) =>
    page.locator(`[data-component=${component}][data-school=${school}]`);
  for (const [component, step, added] of [
    ['section-1', '3,536', '3,526'],
    ['section-2', '655', '653'],
    ['cover', '685', '683'],
  ] as const) {
    await expect(cell(component, 'step')).toHaveText(step);
    await expect(cell(component, 'added')).toHaveText(added);
  }
  await expect(balance(page, 'total.plates')).toContainText('24 plates');
  await expect(station(page, 'stitch')).toHaveAttribute('aria-label', /3,118 sets in, 3,012 copies out/);
});

test('an impossible change says why, and the figures before it stay', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await station(page, 'print-map').click();
  await field(page, 'components[0].heightMm').fill('1500');
  await expect(page.getByRole('alert')).toContainText('does not fit the usable');
  await expect(balance(page, 'total.pressSheets')).toContainText('5,484');
  await expect(page.getByRole('button', { name: 'Release' })).toBeDisabled();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a change after the release opens the next revision, and the difference is shown', async ({ page }) => {
  await signIn(page);
  await openExample(page, 'trail-map');
  await page.getByRole('button', { name: 'Release' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Release' }).click();
  await expect(page.getByText('The first change opens revision 2')).toBeVisible();
  await field(page, 'order.quantity').fill('20000');
  await saved(page);
  await expect(page.locator('dk-status-mark')).toContainText('Released, changed since');
  await page.getByRole('tab', { name: 'Revisions' }).click();
  await page.getByRole('button', { name: 'What changed' }).click();
  await expect(page.getByRole('row', { name: 'Order quantity 10,000 20,000' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Press sheets, Map 5,484 sheets/ })).toBeVisible();
  await page.getByRole('button', { name: 'As reckoned today' }).click();
  await expect(page.getByText('Its documents keep the figures that it was released with.')).toBeVisible();
  await expect(page.getByText('no difference')).toHaveCount(1);
  await page.getByRole('link', { name: 'Revision 1' }).click();
  await expect(page.getByText('kept as it was')).toBeVisible();
  await expect(balance(page, 'total.pressSheets')).toContainText('5,484');
  await page.getByRole('tab', { name: 'Order' }).click();
  await expect(field(page, 'order.quantity')).toHaveJSProperty('readOnly', true);
});

test('a job is opened plainly, mended there, put aside and taken up again, without being reckoned here', async ({
  page,
}) => {
  await signIn(page);
  const id = await openExample(page, 'trail-map');
  await page.goto(`/jobs/${id}/plain`);
  const file = page.getByLabel('Job file');
  await expect(file).toHaveValue(/"plannedOvers": 0|"quantity": 10000/);
  const text = await file.inputValue();
  await file.fill(text.replace('"quantity": 10000', '"quantity": "many"'));
  await expect(page.getByLabel('What cannot be used')).toContainText('order.quantity');
  await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeDisabled();
  await file.fill(text.replace('"quantity": 10000', '"quantity": 10500'));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await expectAccessible(page, 'plain view');
  await page.getByRole('button', { name: 'Put aside' }).click();
  await expect(page.locator('dk-status-mark')).toContainText('Put aside');
  await page.getByRole('button', { name: 'Take up again' }).click();
  await expect(page.locator('dk-status-mark')).toContainText('Draft');
  await page.getByRole('link', { name: 'Open as usual' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('10,500');
});

// Time from the click on a job to its drawn stream, and from the questions of a family to the drawn stream of its job.
import { withManager } from './browser.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Clicks and waits until the stream has been painted. */
async function untilDrawn(page, click) {
  const start = performance.now();
  await click();
  await page.locator('dk-stream svg [data-step]').first().waitFor();
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0))));
  return performance.now() - start;
}

async function openJobs(page) {
  const jobs = await (await page.request.get('/api/jobs')).json();
  const times = [];
  for (const { number } of jobs) {
    await page.goto('/jobs');
    const link = page.getByRole('link', { name: number, exact: true });
    await link.waitFor();
    times.push(await untilDrawn(page, () => link.click()));
  }
  return times;
}

async function beginFamilies(page) {
  await page.goto('/jobs');
  const times = [];
  for (let at = 0; ; at++) {
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('button', { name: 'New job' }).click();
    await page.locator('mat-dialog-container :focus').waitFor();
    const start = performance.now();
    await page.getByRole('combobox', { name: 'Family' }).click();
    const options = page.getByRole('option');
    await options.first().waitFor();
    if (at >= (await options.count())) break;
    await options.nth(at).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('textbox', { name: 'Number' }).fill(`BENCH-${at}`);
    await dialog.getByRole('textbox', { name: 'Title' }).fill('Bench');
    await dialog.getByLabel('Quantity').fill('5000');
    await untilDrawn(page, () => dialog.getByRole('button', { name: 'Create job' }).click());
    times.push(performance.now() - start);
  }
  return times;
}

export const measureOpening = (address) =>
  withManager(address, {}, async (page) => {
    const opened = await openJobs(page);
    const begun = await beginFamilies(page);
    return [
      { name: `click to drawn stream, ${opened.length} shipped jobs, median`, value: median(opened), target: 1000 },
      { name: 'the same, slowest', value: Math.max(...opened), target: 1000 },
      {
        name: `family chosen to drawn stream, ${begun.length} families, slowest`,
        value: Math.max(...begun),
        target: 60_000,
      },
    ];
  });

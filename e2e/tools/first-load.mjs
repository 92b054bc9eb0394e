// What the browser really fetches of JavaScript, packed, for the list of jobs and then for the first job.
import { withManager, withPage } from './browser.mjs';

const fetched = (page) =>
  page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter(({ name }) => name.endsWith('.js'))
      .map(({ name, encodedBodySize }) => [name, encodedBodySize]),
  );
const bytesOf = (files) => files.reduce((sum, [, bytes]) => sum + bytes, 0);

/** Bytes for a browser that has nothing of it yet, and the files that they come in. */
export const measureFirstLoad = (address) =>
  withManager(address, {}, async (signedIn) => {
    const context = await signedIn
      .context()
      .browser()
      .newContext({ baseURL: address, storageState: await signedIn.context().storageState() });
    const page = await context.newPage();
    await page.goto('/jobs');
    await page.waitForLoadState('networkidle');
    const list = await fetched(page);
    await page.getByRole('table').getByRole('link').first().click();
    await page.locator('dk-stream svg [data-step]').first().waitFor();
    await page.waitForLoadState('networkidle');
    const job = await fetched(page);
    return { list: bytesOf(list), files: list.length, job: bytesOf(job) - bytesOf(list) };
  });

/** Bytes of all that a stranger's browser fetches for the reckoner alone, packed. @param {string} locale of the browser */
export const measureReckonerLoad = (address, locale) =>
  withPage(address, { locale }, async (page) => {
    await page.goto('/reckoner');
    await page.locator('dk-reckoner-page').waitFor();
    await page.waitForLoadState('networkidle');
    return page.evaluate(() =>
      [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
        .map(({ encodedBodySize }) => encodedBodySize)
        .reduce((sum, bytes) => sum + bytes, 0),
    );
  });

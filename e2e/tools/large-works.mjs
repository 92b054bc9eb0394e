// Times in a large works: a click to the editor that it opens, and the last key of a search to the rows that it finds.
import { withManager } from './browser.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const TIMES = 5;
/** Milliseconds that somebody looks at a list before they click: what nobody has opened yet is fetched meanwhile. */
const LOOKING_MS = 2_500;

const painted = (page) =>
  page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0))));

async function timed(page, act, until) {
  const start = performance.now();
  await act();
  await until();
  await painted(page);
  return performance.now() - start;
}

/**
 * Milliseconds from the click, as the browser hears it, until what it opens is painted: a test that clicks looks for the place
 * first, which nobody waits for. @param what selector of what is opened @param text that it holds
 */
async function opening(page, link, what, text = '') {
  await page.evaluate(
    ([selector, words]) => {
      const isThere = () => [...document.querySelectorAll(selector)].some((one) => one.textContent?.includes(words));
      globalThis.opened = new Promise((resolve) => {
        const begin = () => {
          const start = performance.now();
          const painted = () => requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - start), 0));
          const seen = new MutationObserver(() => {
            if (!isThere()) return;
            seen.disconnect();
            painted();
          });
          seen.observe(document.body, { subtree: true, childList: true, characterData: true });
        };
        addEventListener('click', begin, { capture: true, once: true });
      });
    },
    [what, text],
  );
  await link.click();
  return page.evaluate(() => globalThis.opened);
}

/** A list: where it is, what is searched for in it, and what it opens. */
const LISTS = [
  { name: 'machine', at: '/works/machines', search: 'Search', word: 'press 150', open: 'Bench press 150', seen: 'h1' },
  { name: 'paper', at: '/works/papers', search: 'Search', word: 'paper 4321', open: 'Bench paper 4321', seen: 'h1' },
  {
    name: 'customer',
    at: '/customers',
    search: 'Search',
    word: 'customer 1234',
    open: 'Bench customer 1234',
    seen: 'h1',
  },
];

async function ofList(page, { name, at, search, word, open, seen }) {
  const [found, opened] = [[], []];
  for (let i = 0; i < TIMES; i++) {
    await page.goto(at);
    const link = page.getByRole('link', { name: open, exact: true });
    const field = page.getByLabel(search).first();
    await page.locator('tbody tr a').first().waitFor();
    await field.fill(word.slice(0, -1));
    await page.waitForTimeout(500);
    found.push(
      await timed(
        page,
        () => field.fill(word),
        () =>
          page.waitForFunction(
            (text) =>
              document.querySelectorAll('tbody tr a').length === 1 &&
              document.querySelector('tbody tr a')?.textContent?.trim() === text,
            open,
          ),
      ),
    );
    opened.push(await opening(page, link, seen, open));
  }
  return [
    { name: `large works: search of a ${name}, from its last key`, value: median(found), target: 100 },
    { name: `  and the editor of it, from the click`, value: median(opened), target: 300 },
  ];
}

async function ofNorms(page) {
  const opened = [];
  for (let i = 0; i < TIMES; i++) {
    await page.goto('/jobs');
    await page.locator('tbody tr a').first().waitFor();
    await page.waitForTimeout(LOOKING_MS);
    opened.push(await opening(page, page.getByRole('link', { name: 'Norms', exact: true }), 'tbody tr td input'));
  }
  return [{ name: 'large works: the norms, from the click', value: median(opened), target: 300 }];
}

async function ofJob(page) {
  const opened = [];
  for (let i = 0; i < TIMES; i++) {
    await page.goto('/jobs');
    const link = page.getByRole('link', { name: 'HB-2041', exact: true });
    await link.waitFor();
    await page.waitForTimeout(LOOKING_MS);
    opened.push(await opening(page, link, 'dk-stream svg [data-step]'));
  }
  return [{ name: 'large works: a job, from the click to its stream', value: median(opened), target: 300 }];
}

export const measureLargeWorks = (address) =>
  withManager(address, {}, async (page) => {
    const times = [];
    for (const list of LISTS) times.push(...(await ofList(page, list)));
    return [...times, ...(await ofNorms(page)), ...(await ofJob(page))];
  });

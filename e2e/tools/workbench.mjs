// The job page as a workbench: from a station chosen to its drawing seen, what shifts after the first paint, and how many
// actions lead from an order to its released ticket.
import { withManager } from './browser.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Runs in the page: chooses every station in turn; milliseconds until it is drawn, and whether all of it was in sight. */
async function chooseAll() {
  const painted = () => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
  const steps = [...document.querySelectorAll('[data-step]')].map((element) => element.getAttribute('data-step'));
  const told = [];
  for (const step of steps) {
    const station = document.querySelector(`[data-step="${CSS.escape(step)}"]`);
    const start = performance.now();
    station.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await painted();
    const drawing = document.querySelector('dk-step-bench dk-station-drawing svg, dk-step-bench dk-layout-view svg');
    const box = drawing?.getBoundingClientRect();
    const at = document.querySelector(`[data-step="${CSS.escape(step)}"]`)?.getBoundingClientRect();
    const inSight = (one) => one === undefined || (one.top >= 0 && one.bottom <= innerHeight);
    const scrolled = document.documentElement.scrollHeight > document.documentElement.clientHeight;
    told.push({ step, ms: performance.now() - start, seen: inSight(box) && inSight(at) && !scrolled });
  }
  return told;
}

async function stations(page) {
  const jobs = await (await page.request.get('/api/jobs')).json();
  const told = [];
  let shift = 0;
  for (const { id, number } of jobs) {
    await page.goto(`/jobs/${id}`);
    await page.locator('dk-stream svg [data-step]').first().waitFor();
    await page.waitForTimeout(300);
    shift = Math.max(shift, await page.evaluate(() => globalThis.dkShift));
    told.push(...(await page.evaluate(chooseAll)).map((one) => ({ ...one, number })));
  }
  return { told, shift };
}

/** A known kind of job from a line of text to its released ticket; every click, key and line typed is one action. */
async function orderToTicket(page) {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'New job' }).waitFor();
  let actions = 0;
  const act = async (what) => {
    actions++;
    await what();
  };
  const start = performance.now();
  await act(() => page.getByRole('button', { name: 'New job' }).click());
  const dialog = page.getByRole('dialog');
  await act(() =>
    dialog
      .getByLabel('Begin from a line of text, or answer below')
      .fill('3000 booklets A5 40pp 4/4 silk 115 cover 250 "Bench"'),
  );
  await dialog.locator('[data-test=better]').waitFor();
  await act(() => dialog.getByRole('button', { name: 'Create job' }).click());
  await page.locator('dk-stream svg [data-step]').first().waitFor();
  await act(() => page.getByRole('button', { name: 'Release' }).click());
  await act(() => page.getByRole('dialog').getByRole('button', { name: 'Release' }).click());
  await page.locator('.banner', { hasText: 'Released and frozen' }).waitFor();
  const id = Number(new URL(page.url()).pathname.split('/').at(-1));
  await act(async () => {
    const ticket = await page.request.get(`/api/jobs/${id}/revisions/1/ticket.pdf`);
    if (ticket.status() !== 200) throw new Error('no ticket');
  });
  return { actions, ms: performance.now() - start };
}

/** Figures with their targets, as the bench prints them. */
export const measureWorkbench = (address) =>
  withManager(address, {}, async (page) => {
    await page.addInitScript(() => {
      globalThis.dkShift = 0;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) if (!entry.hadRecentInput) globalThis.dkShift += entry.value;
      }).observe({ type: 'layout-shift', buffered: true });
    });
    const { told, shift } = await stations(page);
    const { actions, ms } = await orderToTicket(page);
    const times = told.map((one) => one.ms);
    const hidden = told.filter(({ seen }) => !seen).map(({ number, step }) => `${number} ${step}`);
    return {
      times: [
        {
          name: `station chosen to its drawing seen, ${told.length} stations, median`,
          value: median(times),
          target: 150,
        },
        { name: 'the same, slowest', value: Math.max(...times), target: 150 },
        { name: `order to released ticket, ${actions} actions (6 or fewer)`, value: ms, target: 10_000 },
      ],
      shift,
      hidden,
    };
  });

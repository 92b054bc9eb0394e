// Time from a keystroke in the quantity field to the repainted stream.
import { createJob, withManager } from './browser.mjs';

const RUNS = 40;
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** In the page: types a quantity and waits until the frame with the changed stream has been painted. */
async function keystroke(quantity) {
  const field = document.querySelector('[data-path="order.quantity"]');
  const stream = document.querySelector('dk-stream');
  const changed = new Promise((resolve) => {
    const observer = new MutationObserver(() => {
      observer.disconnect();
      // The frame after the change has been drawn when a task that was queued in it runs.
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => resolve(performance.now());
        channel.port2.postMessage(null);
      });
    });
    observer.observe(stream, { subtree: true, characterData: true, childList: true, attributes: true });
  });
  field.focus();
  const start = performance.now();
  field.value = String(quantity);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  return (await changed) - start;
}

async function measure(page, id) {
  await page.goto(`/jobs/${id}`);
  await page.locator('dk-stream svg').waitFor();
  const times = [];
  for (let i = 0; i < RUNS + 5; i++) {
    const time = await page.evaluate(keystroke, 3001 + 7 * i);
    if (i >= 5) times.push(time);
    await page.waitForTimeout(30);
  }
  return median(times);
}

export const measureRepaint = (address, large) =>
  withManager(address, {}, async (page) => {
    const jobs = await (await page.request.get('/api/jobs')).json();
    const programme = jobs.find(({ title }) => title === 'Concert programme').id;
    return [
      {
        name: `keystroke to repaint of the stream, programme, median of ${RUNS}`,
        value: await measure(page, programme),
      },
      {
        name: `keystroke to repaint, ${large.route.length} steps, median of ${RUNS}`,
        value: await measure(page, await createJob(page, { ...large, number: 'BENCH' })),
      },
    ];
  });

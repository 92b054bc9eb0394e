// The part of npm run bench about a crowded floor seen in browsers: a planner's move told before it is let go, a trial that another browser hears of,
// and how long the drawing takes.
import fs from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { repo } from './build-steps.mjs';
import { untilReady, withDemoServer } from './demo-server.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
/** Stations that are laid: some of them take no machine, 1,500 do. And how often each thing is done. */
const STATIONS = 1_850;
const TIMES = 15;
/** Times that something is done before it is measured. */
const WARM = 5;
const NAMES = ['concert-programme', 'trail-map', 'star-atlas', 'garden-cards', 'tea-caddy', 'gala-invitations'];

/** Calls the server as whoever is signed in on a page. */
const caller = (page) => (method, url, body) =>
  page.evaluate(
    async ([method, url, body]) => {
      const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
      const answer = await fetch(url, {
        method,
        headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
        ...(body ? { body: JSON.stringify(body) } : {}),
      });
      return answer.json();
    },
    [method, url, body],
  );

async function signIn(browser, address) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(`${address}/sign-in?to=/jobs`);
  await page.getByLabel('Name').fill('manager');
  await page.getByLabel('Password').fill('weir-and-wheel');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Jobs' }).waitFor();
  return page;
}

/** Releases jobs until so many stations have to run, and lays them. */
async function crowd(call) {
  const due = (days) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  let floor = await call('GET', '/api/floor');
  for (let i = 0; floor.jobs.reduce((sum, { steps }) => sum + steps.length, 0) < STATIONS; i++) {
    const job = JSON.parse(fs.readFileSync(path.join(repo, `docs/examples/${NAMES[i % NAMES.length]}.json`), 'utf8'));
    const { id, version, works } = await call('POST', '/api/jobs', {
      ...job,
      number: `BF-${i}`,
      due: due(5 + (i % 40)),
    });
    await call('POST', `/api/jobs/${id}/release`, { version, mark: works.mark ?? 0 });
    if (i % 10 === 9) floor = await call('GET', '/api/floor');
  }
  await call('POST', '/api/floor/schedules', { effort: 'rule' });
  for (;;) {
    floor = await call('GET', '/api/floor');
    if (!floor.run && floor.trial && floor.waiting === 0) return floor;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Where on the screen the parts of each machine's chain lie. */
const cordsOf = (page) =>
  page.locator('dk-chains svg').evaluate((svg) => {
    const { left, top } = svg.getBoundingClientRect();
    return [...svg.querySelectorAll('path.waist:not(.own)')].map((path) =>
      [...path.getAttribute('d').matchAll(/M ([\d.]+) ([\d.]+) H ([\d.]+)/g)].map(([, x, y, run]) => ({
        waist: left + Number(x),
        run: left + Number(run),
        y: top + Number(y),
      })),
    );
  });

/** Milliseconds of the frames in which something is done on a page: from before it to the frame after next. */
const framesOf = (page, work) =>
  page.evaluate(async (work) => {
    const begun = performance.now();
    await new Function(`return (${work})()`)();
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
    return performance.now() - begun;
  }, work);

/** Milliseconds that a page's main thread is at work while something is done there and drawn: script, style, layout, painting. */
async function workOf(page, work) {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const busy = async () =>
    1000 * (await session.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration').value;
  const idle = await busy();
  await framesOf(page, '() => undefined');
  const before = await busy();
  await framesOf(page, work);
  const after = await busy();
  await session.detach();
  // What measuring takes by itself is not the page's.
  return after - before - (before - idle);
}

/** Runs `work` with a browser at a server with the demo data. @param env settings beside the usual. */
const inBrowser = (work, env = {}) =>
  withDemoServer(async (address) => {
    await untilReady(address);
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu'],
    });
    try {
      await work(browser, address);
    } finally {
      await browser.close();
    }
  }, env);

export const benchFloor = (say, ratio) =>
  inBrowser(async (browser, address) =>
    measure(await signIn(browser, address), await signIn(browser, address), address, say, ratio),
  );

/** The demo's own crowded floor: how soon there is a schedule of it, and what is late when it was looked for longer. */
export const benchDemoFloor = (say, ratio) =>
  inBrowser(
    async (browser, address) => {
      const call = caller(await signIn(browser, address));
      let floor = await call('GET', '/api/floor');
      while (floor.waiting > 0) floor = await call('GET', '/api/floor');
      const planned = async (effort, isThere) => {
        const { id: before } = floor.trial ?? floor.inForce ?? { id: 0 };
        const begun = performance.now();
        await call('POST', '/api/floor/schedules', { effort });
        do floor = await call('GET', '/api/floor');
        while (!isThere(floor, before));
        return performance.now() - begun;
      };
      const times = [];
      for (let i = 0; i < TIMES; i++) {
        times.push(await planned('rule', ({ trial }, before) => trial && trial.id !== before));
        while (floor.run) floor = await call('GET', '/api/floor');
      }
      say(
        `the demo's ${floor.jobs.length} jobs planned by rule, until it is there to see, median of ${TIMES}`,
        `${median(times).toFixed(0)} ms`,
        ratio(median(times), 1_000),
      );
      for (const effort of ['quick', 'thorough']) {
        const ms = await planned(effort, ({ trial, run }, before) => trial && trial.id !== before && !run);
        const { late, judged, bound } = floor.trial.plan;
        say(
          `  ${effort}: late, and of them late even alone in the works`,
          `${late.length}, ${late.filter(({ alone }) => alone > 0).length} in ${(ms / 1000).toFixed(1)} s`,
          `bound ${((100 * bound) / Math.max(1, judged.late)).toFixed(0)} % of what was found`,
        );
      }
    },
    { DEMO_FLOOR: '1' },
  );

/** The same with two browsers that are signed in. */
export async function measure(planner, other, address, say, ratio) {
  const call = caller(planner);
  const { trial } = await crowd(call);
  const runs = trial.plan.slots.filter(({ machine, end, start }) => machine !== null && end > start);
  const machine = runs[0].machine;
  const own = runs.filter((slot) => slot.machine === machine).sort((a, b) => a.start - b.start);
  const at = ({ job, step }) => ({ job, step });
  // There and back again.
  const move = (i, schedule) => ({
    schedule,
    ...(i % 2 === 0 ? { ...at(own[20]), before: at(own[10]) } : { ...at(own[20]), after: at(own[19]) }),
  });
  const name = `${runs.length} stations`;

  const tries = [];
  for (let i = -WARM; i < TIMES; i++) {
    const begun = performance.now();
    await call('POST', '/api/floor/tries', move(i + WARM, trial.id));
    if (i >= 0) tries.push(performance.now() - begun);
  }
  say(
    `what a move among ${name} comes to, by the server, median of ${TIMES}`,
    `${median(tries).toFixed(0)} ms`,
    ratio(median(tries), 100),
  );

  for (const page of [planner, other]) {
    await page.goto(`${address}/floor`);
    await page.locator('dk-chains .cord').first().waitFor({ state: 'attached' });
  }
  for (const [zoom, told] of [
    ['Six weeks', 'six weeks'],
    ['Week', 'a week'],
    ['Shift', 'a shift'],
  ]) {
    const [draws, works] = [[], []];
    const choose = `() => [...document.querySelectorAll('[role=radio]')].find((one) => one.textContent.trim() === '${zoom}').click()`;
    for (let i = 0; i < 10; i++) {
      await planner.getByRole('radio', { name: zoom === 'Week' ? 'Shift' : 'Week', exact: true }).click();
      await planner.waitForTimeout(150);
      if (i % 2 === 0) draws.push(await framesOf(planner, choose));
      else works.push(await workOf(planner, choose));
    }
    say(
      `two frames while the chains of ${name} are drawn anew for ${told}, median of 5`,
      `${median(draws).toFixed(0)} ms`,
      ratio(median(draws), 33.4),
    );
    say(
      '  work of the page for it (one frame is 16.7 ms)',
      `${median(works).toFixed(1)} ms`,
      ratio(median(works), 16.7),
    );
  }

  // A cord is dragged over the waists of its machine.
  await planner.getByRole('radio', { name: 'Week', exact: true }).click();
  const [first] = (await cordsOf(planner)).find(({ length }) => length > 10);
  await planner.locator('dk-chains .chains').evaluate((window, x) => {
    window.scrollLeft = x - window.getBoundingClientRect().left - 40;
  }, first.waist);
  const row = (await cordsOf(planner)).find(({ length }) => length > 10);
  const dragged = row[9];
  await planner.mouse.move(dragged.run + 1, dragged.y);
  await planner.mouse.down();
  const [frames, effects] = [[], []];
  for (let i = 0; i < TIMES; i++) {
    const { waist } = row[7 - (i % 6)];
    await planner.evaluate(() => {
      window.shown = undefined;
      const effect = document.querySelector('[data-test=effect]');
      const before = effect.textContent;
      const begun = performance.now();
      new MutationObserver((_, observer) => {
        if (effect.textContent === '' || effect.textContent === before) return;
        window.shown = performance.now() - begun;
        observer.disconnect();
      }).observe(effect, { childList: true, characterData: true, subtree: true });
    });
    await planner.mouse.move(waist + 1, dragged.y);
    frames.push(await framesOf(planner, '() => undefined'));
    await planner.waitForTimeout(400);
    const shown = await planner.evaluate(() => window.shown);
    if (shown !== undefined) effects.push(shown);
  }
  await planner.mouse.up();
  say(
    `two frames while a cord of ${name} is dragged, median of ${TIMES}`,
    `${median(frames).toFixed(0)} ms`,
    ratio(median(frames), 33.4),
  );
  if (effects.length > 0)
    say(
      `effect of a move shown before it is let go, median of ${effects.length}`,
      `${median(effects).toFixed(0)} ms`,
      ratio(median(effects), 100),
    );

  await planner.goto(`${address}/jobs`);
  const [words, answers] = [[], []];
  for (let i = 0; i < TIMES; i++) {
    const heard = other.evaluate(
      () =>
        new Promise((resolve) => {
          new MutationObserver(() => resolve(Date.now())).observe(document.querySelector('dk-floor-page'), {
            childList: true,
            characterData: true,
            subtree: true,
            attributes: true,
          });
        }),
    );
    await planner.waitForTimeout(1_300);
    const { trial: now } = await call('GET', '/api/floor');
    const { begun, answered } = await planner.evaluate(sendMove, move(i, now.id));
    answers.push(answered - begun);
    words.push((await heard) - answered);
  }
  say(
    `from a move that is answered to the chains of another browser, median of ${TIMES}`,
    `${median(words).toFixed(0)} ms`,
    ratio(median(words), 300),
  );
  say('  until whoever moves has the answer', `${median(answers).toFixed(0)} ms`, '');
}

/** Sends a move from a page, and tells when; what is answered is not carried out of it. */
async function sendMove(move) {
  const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '');
  const begun = Date.now();
  await fetch('/api/floor/moves', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token },
    body: JSON.stringify(move),
  });
  return { begun, answered: Date.now() };
}

// The part of npm run bench about the book of the floor: entries a second, a long outbox, the chain walked, the way to another screen.
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { repo } from './build-steps.mjs';
import { spawnServer, stopServer, untilReady, webFolder, withCluster } from './demo-server.mjs';
import { signedIn } from './signed-in.mjs';

const PORT = 3957;
const at = (values, share) => [...values].sort((a, b) => a - b)[Math.floor((values.length - 1) * share)];
const JOBS = 8;
/** Entries a second, and seconds; the first are not measured: a server that has just started compiles what it runs. */
const RATE = 200;
const SECONDS = 15;
const WARM = 3;
const OUTBOX = 5_000;
const BATCH = 200;
const CHAIN = 1_000_000;
const TIMES = 15;
/** Nothing of what came before is asked back. */
const LAST = 2_147_483_647;

const example = (name) => JSON.parse(fs.readFileSync(path.join(repo, `docs/examples/${name}.json`), 'utf8'));
const entry = (event, late = false) => ({ uid: randomUUID(), at: new Date().toISOString(), late, event });
const note = (n) => entry({ kind: 'note', step: 'cut', text: `Entry ${n}` });

async function newJob(call, number) {
  const answer = await call('POST', '/api/jobs', { ...example('trail-map'), number });
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
  return (await answer.json()).id;
}

/** Sends entries at a steady rate, whatever the answers take; how long each took, ms. */
async function steady(call, jobs) {
  const times = [];
  const open = [];
  let failed;
  const begun = performance.now() + WARM * 1_000;
  for (let n = -RATE * WARM; n < RATE * SECONDS; n++) {
    const due = begun + (n * 1_000) / RATE;
    const wait = due - performance.now();
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    open.push(
      call('POST', `/api/jobs/${jobs[Math.abs(n) % jobs.length]}/book`, {
        device: 'Bench',
        seen: LAST,
        entries: [note(n)],
      })
        .then(async (answer) => {
          const text = await answer.text();
          if (!answer.ok) throw new Error(`${answer.status} ${text}`);
          // From when it was due: what waits behind others has waited.
          if (n >= 0) times.push(performance.now() - due);
        })
        .catch((error) => (failed ??= error)),
    );
  }
  await Promise.all(open);
  if (failed) throw failed;
  return times;
}

/** A chain as long as a works has after years, written past the gates. */
async function lengthen(url, job) {
  const client = new pg.Client(url);
  await client.connect();
  try {
    await client.query(`
      ALTER TABLE book_entry DISABLE TRIGGER USER;
      DO $$
      DECLARE hash bytea; text_of text; last integer; next bytea;
      BEGIN
        SELECT id, sha256 INTO last, hash FROM book_entry ORDER BY id DESC LIMIT 1;
        FOR n IN last + 1..${CHAIN} LOOP
          text_of := '{"by":1,"entered":1790000000000,"event":{"count":' || n || ',"kind":"good","step":"cut"},"happened":1790000000000,"job":${job},"uid":"bench-' || n || '"}';
          next := sha256(hash || convert_to(n::text || E'\\n' || text_of, 'UTF8'));
          INSERT INTO book_entry (id, canon, before, sha256) VALUES (n, text_of, hash, next);
          hash := next;
        END LOOP;
      END $$;
      ALTER TABLE book_entry ENABLE TRIGGER USER;
      ANALYZE book_entry`);
  } finally {
    await client.end();
  }
}

/** From an entry by one to its number on another's screen, and from a scan to the pad of the station. */
async function onScreens(address, call, number) {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    const page = await browser.newPage({ viewport: { width: 820, height: 1180 } });
    await page.goto(`${address}/sign-in?to=/book`);
    await page.getByLabel('Name').fill('manager');
    await page.getByLabel('Password').fill('weir-and-wheel');
    await page.getByRole('button', { name: 'Sign in' }).click();
    const scans = [];
    for (let i = 0; i < 5; i++) {
      await page.goto(`${address}/book`);
      await page.getByLabel('Tag, ticket or number').fill(`${number}/print-map-2/1`);
      const begun = performance.now();
      await page.getByRole('button', { name: 'Open', exact: true }).click();
      await page.locator('dk-number-pad').waitFor();
      scans.push(performance.now() - begun);
    }
    const id = Number(/book\/(\d+)/.exec(page.url())[1]);
    await page.waitForTimeout(1_500);
    const times = [];
    for (let i = 1; i <= TIMES; i++) {
      const seen = page.waitForFunction(
        (n) => document.querySelector('[data-test="good"]')?.textContent === n,
        `${i}`,
        {
          polling: 10,
        },
      );
      const begun = performance.now();
      await (
        await call('POST', `/api/jobs/${id}/book`, {
          device: 'Bench',
          seen: LAST,
          entries: [entry({ kind: 'good', step: 'cut', count: 1 })],
        })
      ).arrayBuffer();
      await seen;
      times.push(performance.now() - begun);
      await page.waitForTimeout(1_200);
    }
    return { scans, times };
  } finally {
    await browser.close();
  }
}

/** What the counts so far will come to, after each entry. */
function forecasts(core) {
  const job = example('concert-programme');
  const plan = core.plan(job, core.SHIPPED_WORKS).value;
  const card = core.roomCard(job, plan, core.SHIPPED_WORKS).value;
  const records = card.steps.map(({ id }, i) => ({
    id: i + 1,
    at: '2026-01-01T08:00:00Z',
    by: '',
    event: { kind: 'good', step: id, count: 100 },
  }));
  return Array.from({ length: TIMES * 2 }, () => {
    const begun = performance.now();
    core.forecastCounts(card.forecast, core.roomState(records));
    return performance.now() - begun;
  }).slice(TIMES);
}

export async function benchBook(core, say, ratio) {
  const drawn = at(forecasts(core), 0.5);
  say(
    'forecast after an entry at each of the stations of a programme, median',
    `${drawn.toFixed(1)} ms`,
    ratio(drawn, 20),
  );
  await withCluster(async (cluster) => {
    const database = cluster.database('book');
    const server = spawnServer(PORT, { ...database, WEB_DIR: webFolder });
    try {
      const address = `http://127.0.0.1:${PORT}`;
      await untilReady(address);
      const call = await signedIn(address);
      const jobs = [];
      for (let i = 0; i < JOBS; i++) jobs.push(await newJob(call, `BB-${i}`));
      const times = await steady(call, jobs);
      say(
        `${RATE} entries a second for ${SECONDS} s, to ${JOBS} jobs: acknowledged, median and 95 of 100`,
        `${at(times, 0.5).toFixed(0)} and ${at(times, 0.95).toFixed(0)} ms`,
        ratio(at(times, 0.95), 50),
      );
      const begun = performance.now();
      const own = await newJob(call, 'BB-own');
      for (let n = 0; n < OUTBOX; n += BATCH) {
        const entries = Array.from({ length: BATCH }, (_, i) => ({ ...note(n + i), late: true }));
        await (await call('POST', `/api/jobs/${own}/book`, { device: 'Bench', seen: LAST, entries })).arrayBuffer();
      }
      const sent = performance.now() - begun;
      say(`an outbox of ${OUTBOX} entries sent`, `${(sent / 1_000).toFixed(1)} s`, ratio(sent, 30_000));
      const { scans, times: seen } = await onScreens(address, call, 'BB-0');
      say(
        'from a scan to the pad of its station, median',
        `${at(scans, 0.5).toFixed(0)} ms`,
        ratio(at(scans, 0.5), 1_000),
      );
      say('from an entry to another screen, median', `${at(seen, 0.5).toFixed(0)} ms`, ratio(at(seen, 0.5), 300));
      await lengthen(database.OWNER_DATABASE_URL ?? database.DATABASE_URL, own);
      const walked = await (await call('GET', '/api/book/check')).json();
      if (walked.faults.length > 0 || walked.entries !== CHAIN) throw new Error(JSON.stringify(walked).slice(0, 300));
      say(
        `the chain of ${CHAIN} entries walked`,
        `${(walked.milliseconds / 1_000).toFixed(1)} s`,
        ratio(walked.milliseconds, 20_000),
      );
    } finally {
      await stopServer(server);
    }
  });
}

// Two people at once, at everything that two can write: one wins, the other is told what stands, nobody waits for ever.
import fs from 'node:fs';
import path from 'node:path';
import { buildServer, repo } from '../build-steps.mjs';
import { spawnServer, stopServer, withCluster } from '../demo-server.mjs';
import { Client, untilHealthy } from './client.mjs';

const PORT = 3969;
const address = `http://127.0.0.1:${PORT}`;
const KEY = 'sheets/silk-115/1020x720/width';
const example = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
/** The map with a die of the customer's, which the store keeps between jobs. */
const DIE = { id: 'race-die', kind: 'cutting-die', name: 'Race die', owner: 'customer' };
const CARRIER = 'map.race-die';
const withDie = { ...example, components: example.components.map((one) => ({ ...one, tools: [DIE] })) };
const ORDER = {
  title: 'Guide',
  widthMm: 148,
  heightMm: 210,
  pages: 64,
  stock: 'cream',
  film: 'matt',
  due: '2026-12-09',
};

let made = 0;
const newJob = async (who, job = example) =>
  (await who.call('POST', '/api/jobs', { ...job, number: `RACE-${++made}` })).body;
const get = async (who, at) => (await who.call('GET', at)).body;

/** A carrier's life up to the store, in a job that has it. */
async function keepDie(who, job, first) {
  const enter = async (event) => {
    const { records } = await get(who, `/api/jobs/${job.id}/room`);
    const { status, body } = await who.call('POST', `/api/jobs/${job.id}/room`, {
      event,
      seen: records.at(-1)?.id ?? 0,
    });
    if (status !== 201) throw new Error(`${event.kind} ${event.state ?? ''}: ${JSON.stringify(body)}`);
  };
  const die = { kind: 'carrier', carrier: CARRIER };
  if (first) await enter({ ...die, state: 'made' });
  await enter({ kind: 'inspection', carrier: CARRIER, faults: [] });
  await enter({ ...die, state: 'on-press' });
  await enter({ ...die, state: 'held' });
  await enter({ kind: 'count', step: job.job.route.at(-1).id, good: job.job.order.quantity });
  await enter({ ...die, state: 'kept', place: 'Rack' });
}

/** Each race: what is set up once, and the two calls of a round. */
const RACES = {
  'a norm, its first change': async ([a, b]) => {
    const { SHIPPED_WORKS, isWithin, normCatalogue } = await import('@druckerei/core');
    const norms = [...normCatalogue(SHIPPED_WORKS).values()].filter(
      (norm) => !norm.choices && norm.value > 0 && isWithin(norm, norm.value * 1.02),
    );
    return async (round) => {
      const { id, value } = norms[round];
      const { mark } = await get(a, '/api/works');
      const send = (who, by) =>
        who.call('PUT', `/api/norms/${encodeURIComponent(id)}`, {
          value: value * by,
          expected: value,
          seen: mark,
          reason: '',
        });
      return Promise.all([send(a, 1.01), send(b, 1.02)]);
    };
  },
  'a lot of paper': async ([a, b]) => {
    const { holdings } = await get(a, '/api/stores');
    let lot = holdings[0];
    return async (round) => {
      const send = (who, by) =>
        who.call('PUT', `/api/stores/holdings/${lot.id}`, {
          quantity: 5_000 + 2 * round + by,
          expected: lot.quantity,
          version: lot.version,
          place: `Bay ${by}`,
          reason: '',
        });
      const answers = await Promise.all([send(a, 0), send(b, 1)]);
      lot = (await get(a, '/api/stores')).holdings.find(({ id }) => id === lot.id);
      return answers;
    };
  },
  'a reservation': async ([a, b]) => {
    const job = await newJob(a);
    return async (round) => {
      const { mark } = await get(a, '/api/stores');
      const send = (who, by) =>
        who.call('PUT', `/api/jobs/${job.id}/reservations`, { key: KEY, quantity: 1 + 2 * round + by, seen: mark });
      return Promise.all([send(a, 0), send(b, 1)]);
    };
  },
  'finished goods called off': async ([a, b]) => {
    const job = await newJob(a);
    const { lots } = (await a.call('POST', '/api/finished/lots', { job: job.id, pieces: 9_000, place: 'Hall' })).body;
    const id = lots.find((lot) => lot.job === job.id).id;
    return async () => {
      const finished = await get(a, '/api/finished');
      const lot = finished.lots.find((one) => one.id === id);
      const call = {
        pieces: 1,
        expected: lot.pieces,
        version: lot.version,
        seen: finished.mark,
        destination: 'Fair',
        transitDays: 1,
      };
      return Promise.all([a, b].map((who) => who.call('POST', `/api/finished/lots/${id}/call-offs`, call)));
    };
  },
  'the days to a destination': async ([a, b]) => {
    const lots = [];
    for (const who of [a, b]) {
      const job = await newJob(a);
      const { body } = await who.call('POST', '/api/finished/lots', { job: job.id, pieces: 9_000, place: 'Hall' });
      lots.push(body.lots.find((lot) => lot.job === job.id).id);
    }
    return async (round) => {
      const finished = await get(a, '/api/finished');
      return Promise.all(
        [a, b].map((who, i) => {
          const lot = finished.lots.find(({ id }) => id === lots[i]);
          const call = {
            pieces: 1,
            expected: lot.pieces,
            version: lot.version,
            seen: finished.mark,
            destination: 'Island',
          };
          return who.call('POST', `/api/finished/lots/${lot.id}/call-offs`, {
            ...call,
            transitDays: 2 * round + i + 1,
          });
        }),
      );
    };
  },
  'single books, put in backwards':
    async ([a, b]) =>
    async (round) => {
      const orders = Array.from({ length: 400 }, (_, i) => ({ id: `B${round}-${i}`, ...ORDER }));
      return Promise.all([
        a.call('POST', '/api/singles', { orders }),
        b.call('POST', '/api/singles', { orders: orders.toReversed() }),
      ]);
    },
  'single books, moved backwards': async ([a, b]) => {
    const orders = Array.from({ length: 100 }, (_, i) => ({ id: `M-${i}`, ...ORDER, due: '2026-12-01' }));
    let books = (await a.call('POST', '/api/singles', { orders })).body.filter(({ id }) => id.startsWith('M-'));
    return async (round) => {
      const seen = books.map(({ id, version }) => ({ id, version }));
      const state = round % 2 === 0 ? 'printed' : 'open';
      const answers = await Promise.all([
        a.call('PUT', '/api/singles/state', { books: seen, state }),
        b.call('PUT', '/api/singles/state', { books: seen.toReversed(), state }),
      ]);
      books = answers.find(({ status }) => status === 200).body.filter(({ id }) => id.startsWith('M-'));
      return answers;
    };
  },
  'a kept carrier': async ([a, b]) => {
    let holder = await newJob(a, withDie);
    await keepDie(a, holder, true);
    return async () => {
      const two = [await newJob(a, withDie), await newJob(b, withDie)];
      const event = { kind: 'carrier', carrier: CARRIER, state: 'made', from: { job: holder.job.number, used: 0 } };
      const answers = await Promise.all(
        [a, b].map((who, i) => who.call('POST', `/api/jobs/${two[i].id}/room`, { event, seen: 0 })),
      );
      holder = two[answers.findIndex(({ status }) => status === 201)];
      await keepDie(a, holder, false);
      return answers;
    };
  },
  'a count at one station': async ([a, b]) => {
    const job = await newJob(a);
    return async (round) => {
      const { records } = await get(a, `/api/jobs/${job.id}/room`);
      const send = (who, good) =>
        who.call('POST', `/api/jobs/${job.id}/room`, {
          event: { kind: 'count', step: job.job.route.at(-1).id, good },
          seen: records.at(-1)?.id ?? 0,
        });
      return Promise.all([send(a, 1 + round), send(b, 100 + round)]);
    };
  },
  'a draft': async ([a, b]) => {
    let job = await newJob(a);
    return async (round) => {
      const send = (who, overs) =>
        who.call('PUT', `/api/jobs/${job.id}/draft`, {
          version: job.version,
          job: { ...job.job, order: { ...job.job.order, plannedOvers: overs } },
        });
      const answers = await Promise.all([send(a, 1 + round), send(b, 100 + round)]);
      job = answers.find(({ status }) => status === 200).body;
      return answers;
    };
  },
  'a release':
    async ([a, b]) =>
    async () => {
      const job = await newJob(a);
      return Promise.all(
        [a, b].map((who) =>
          who.call('POST', `/api/jobs/${job.id}/release`, { version: job.version, mark: job.works.mark ?? 0 }),
        ),
      );
    },
};

const tellsWhatStands = ({ body }) => Boolean(body.current ?? body.detail ?? body.errors?.length);

/** @returns rows of the table, and whether all of it was reached. */
export function races(times) {
  buildServer();
  return withCluster(async (cluster) => {
    const server = spawnServer(PORT, { ...cluster.database('races'), LOG_LEVEL: 'silent', SIGN_IN_TRIES: '1000' });
    try {
      await untilHealthy(address);
      const people = [new Client(address), new Client(address)];
      for (const one of people) await one.signIn();
      const rows = [];
      let met = true;
      for (const [name, prepare] of Object.entries(RACES)) {
        const race = await prepare(people);
        let [fair, told] = [0, 0];
        for (let round = 0; round < times; round++) {
          const answers = await race(round);
          const lost = answers.filter(({ status }) => status === 409);
          if (lost.length === 1 && answers.some(({ status }) => status < 300)) fair++;
          else
            process.stderr.write(
              `${name}: ${answers.map(({ status, body }) => `${status} ${body.title ?? ''}`).join(', ')}\n`,
            );
          if (lost.length === 1 && tellsWhatStands(lost[0])) told++;
        }
        rows.push([
          name,
          `${fair} of ${times}`,
          told === fair ? 'one winner, the other 409 with what stands' : `${told} told`,
        ]);
        met &&= fair === times && told === times;
      }
      return { rows, met };
    } finally {
      await stopServer(server);
    }
  });
}

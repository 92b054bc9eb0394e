import { randomUUID } from 'node:crypto';
import type { RoomEntry } from '@druckerei/core';
import type { Finished, HoldingHistoryEntry, JobBook, Revision, SentAnswer, Stores } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('follow_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' };
const KEY = 'sheets/silk-115/1020x720/width';

let made = 0;
const newJob = async (): Promise<Revision> =>
  (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `F-${++made}` }))).body as Revision;
async function send(job: number, ...events: RoomEntry[]): Promise<SentAnswer['entries']> {
  const entries = events.map((event) => ({ uid: randomUUID(), at: new Date().toISOString(), late: true, event }));
  const response = await manager.call('post', `/api/jobs/${job}/book`, { device: 'Tablet 1', seen: 0, entries });
  expect(response.status).toBe(200);
  return (response.body as SentAnswer).entries;
}
const stores = async (): Promise<Stores> => (await manager.call('get', '/api/stores')).body as Stores;
const onHand = ({ holdings }: Stores): number[] =>
  holdings.filter(({ key }) => key === KEY).map(({ quantity }) => quantity);
const reserved = ({ reservations }: Stores, of: number): number =>
  reservations.find(({ job, key }) => job === of && key === KEY)?.quantity ?? 0;
const drawn = ({ drawn: all }: Stores, of: number): number =>
  all.find(({ job, key }) => job === of && key === KEY)?.quantity ?? 0;
const takenIn = (count: number): RoomEntry => ({ kind: 'taken-in', step: 'print-map', count });

/** Counts the demo's lots of the paper away, and puts two in. */
async function twoLots(first: number, second: number): Promise<void> {
  for (const { id, key, quantity, version, place } of (await stores()).holdings)
    if (key === KEY)
      await manager.call('put', `/api/stores/holdings/${id}`, {
        ...{ quantity: 0, expected: quantity, version, place, reason: 'counted' },
      });
  for (const quantity of [first, second])
    await manager.call('post', '/api/stores/holdings', { paper: PAPER, quantity, place: 'Bay 1', reason: 'delivered' });
}

describe('what is taken in on the floor', () => {
  it('leaves the oldest lots and the reservation, and comes back when it is struck through or left over', async () => {
    await twoLots(1_000, 4_000);
    const { id } = await newJob();
    await manager.call('put', `/api/jobs/${id}/reservations`, { key: KEY, quantity: 2_500, seen: SEEN });
    const [entry] = await send(id, takenIn(1_500));
    let now = await stores();
    expect([onHand(now), reserved(now, id), drawn(now, id)]).toEqual([[3_500], 1_000, 1_500]);
    await send(id, takenIn(1_200), { kind: 'left-over', step: 'print-map', count: 100 });
    now = await stores();
    expect([onHand(now), reserved(now, id), drawn(now, id)]).toEqual([[2_400], 0, 2_600]);
    await send(id, { kind: 'strike', record: entry?.id ?? 0, why: 'another job' });
    now = await stores();
    expect([onHand(now), reserved(now, id), drawn(now, id)]).toEqual([[3_900], 1_400, 1_100]);
    const lot = now.holdings.find(({ key }) => key === KEY)?.id ?? 0;
    const history = (await manager.call('get', `/api/stores/holdings/${lot}/history`)).body as HoldingHistoryEntry[];
    expect(history.map(({ reason }) => reason)).toContain(`Taken in on the floor, job F-${made}`);
    expect(history[0]).toMatchObject({ before: 2_400, after: 3_900, reason: `Back from the floor, job F-${made}` });
  });

  it('stays drawn of the paper that it was, where a later revision takes another', async () => {
    await twoLots(5_000, 0);
    const job = await newJob();
    await send(job.id, takenIn(1_000));
    const [map] = job.job.components;
    if (!map) throw new Error('no map');
    const changed = { ...job.job, components: [{ ...map, stock: 'offset-100' }] };
    const saved = await manager.call('put', `/api/jobs/${job.id}/draft`, { version: job.version, job: changed });
    expect(saved.status).toBe(200);
    const key = 'sheets/offset-100/1020x720/width';
    const paper = { ...PAPER, stock: 'offset-100' };
    await manager.call('post', '/api/stores/holdings', { paper, quantity: 900, place: 'Bay 2', reason: 'delivered' });
    const [entry] = await send(job.id, takenIn(300));
    const there = (now: Stores, of: string): number =>
      now.holdings.filter((lot) => lot.key === of).reduce((sum, { quantity }) => sum + quantity, 0);
    let now = await stores();
    expect([there(now, KEY), there(now, key)]).toEqual([4_000, 600]);
    await send(job.id, { kind: 'strike', record: entry?.id ?? 0, why: 'of another job' });
    await send(job.id, { kind: 'left-over', step: 'print-map', count: 250 });
    now = await stores();
    expect([there(now, KEY), there(now, key)]).toEqual([4_250, 900]);
  });

  it('never takes the store below nothing, whoever takes first', async () => {
    await twoLots(600, 0);
    const jobs = [await newJob(), await newJob(), await newJob()];
    await Promise.all(jobs.map(({ id }) => send(id, takenIn(400))));
    const now = await stores();
    expect(onHand(now)).toEqual([]);
    expect(jobs.reduce((sum, { id }) => sum + drawn(now, id), 0)).toBe(600);
    // What was short goes out once it is there.
    await manager.call('post', '/api/stores/holdings', {
      ...{ paper: PAPER, quantity: 2_000, place: 'Bay 1', reason: 'delivered' },
    });
    for (const { id } of jobs) await send(id, takenIn(1));
    expect(onHand(await stores())).toEqual([2_000 - 600 - 3]);
  });

  it('waits with an entry that is held, until somebody explains it', async () => {
    await twoLots(5_000, 0);
    const { id } = await newJob();
    const pile = (count: number): RoomEntry => ({ kind: 'taken-in', step: 'print-map', count, pile: 'P1' });
    const [, held] = await send(id, pile(300), pile(200));
    expect(held?.outcome).toBe('held');
    expect(onHand(await stores())).toEqual([4_700]);
    const settle = { taken: true, why: 'the tag was on two piles' };
    const told = await manager.call('post', `/api/jobs/${id}/book/${held?.id ?? 0}/settled`, settle);
    expect(told.status).toBe(200);
    expect(onHand(await stores())).toEqual([4_500]);
  });

  it('is left to hand for a job whose book was begun before the store followed it', async () => {
    await twoLots(5_000, 0);
    const { id } = await newJob();
    await server.database.pool.query('UPDATE job SET stores_follow = false WHERE id = $1', [id]);
    await send(id, takenIn(300));
    expect(onHand(await stores())).toEqual([5_000]);
  });
});

describe('finished goods', () => {
  const lots = async (of: number): Promise<[number, string][]> =>
    ((await manager.call('get', '/api/finished')).body as Finished).lots
      .filter(({ job }) => job === of)
      .map(({ pieces, place }) => [pieces, place]);
  const ends = async (of: number): Promise<string> =>
    ((await manager.call('get', `/api/jobs/${of}/book`)).body as JobBook).card?.steps.at(-1)?.['id'] as string;

  it('come out of what the last station has counted once the order is covered, and follow it', async () => {
    const { id } = await newJob();
    const step = await ends(id);
    const good = (count: number): RoomEntry => ({ kind: 'good', step, count });
    await send(id, { kind: 'taken-in', step, count: 10_500 }, good(9_000));
    expect(await lots(id)).toEqual([]);
    await send(id, good(1_000));
    expect(await lots(id)).toEqual([[10_000, 'on the floor, packed']]);
    const [more] = await send(id, good(200));
    expect(await lots(id)).toEqual([[10_200, 'on the floor, packed']]);
    await send(id, { kind: 'strike', record: more?.id ?? 0, why: 'counted twice' });
    expect(await lots(id)).toEqual([[10_000, 'on the floor, packed']]);
  });

  it('are beside what somebody took in by hand, which is never taken away', async () => {
    const { id } = await newJob();
    const step = await ends(id);
    await manager.call('post', '/api/finished/lots', { job: id, pieces: 4_000, place: 'Hall 2', meant: true });
    const [entry] = await send(id, { kind: 'good', step, count: 10_000 });
    expect(await lots(id)).toEqual([
      [4_000, 'Hall 2'],
      [6_000, 'on the floor, packed'],
    ]);
    await send(id, { kind: 'strike', record: entry?.id ?? 0, why: 'of another job' });
    expect(await lots(id)).toEqual([[4_000, 'Hall 2']]);
  });
});

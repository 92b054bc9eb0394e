import { type Carrier, type Job, type RoomEvent, listCarriers, plan } from '@druckerei/core';
import type { KeptCarrier, PressRoom, Problem, Revision } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('room_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
});
afterAll(() => server.stop());

let made = 0;
async function newJob(change: Partial<Job> = {}): Promise<Revision> {
  const response = await manager.call(
    'post',
    '/api/jobs',
    exampleJob('trail-map', { number: `R-${++made}`, ...change }),
  );
  return response.body as Revision;
}
const plannedOf = ({ job, works }: Revision) => {
  const outcome = plan(job, works);
  if (!outcome.ok) throw new Error('not planned');
  return outcome.value;
};
const carriersOf = (revision: Revision): Carrier[] => listCarriers(revision.job, plannedOf(revision), revision.works);
const enter = (revision: Revision, event: RoomEvent, who = operator) =>
  who.call('post', `/api/jobs/${revision.id}/room`, { event, seen: SEEN });
async function enterAll(revision: Revision, events: readonly RoomEvent[]): Promise<PressRoom> {
  let room: PressRoom | undefined;
  for (const event of events) {
    const response = await enter(revision, event);
    expect([event.kind, response.status]).toEqual([event.kind, 201]);
    room = response.body as PressRoom;
  }
  if (!room) throw new Error('nothing entered');
  return room;
}
const messages = (body: unknown): string[] => ((body as Problem).errors ?? []).map(({ message }) => message);

/** Artwork approved, every carrier made and inspected. */
const prepared = (revision: Revision): RoomEvent[] => [
  { kind: 'artwork', component: 'map', approved: true },
  ...carriersOf(revision).flatMap(({ id }): RoomEvent[] => [
    { kind: 'carrier', carrier: id, state: 'made' },
    { kind: 'inspection', carrier: id, faults: [] },
  ]),
];
const MIXED: Partial<Job> = {
  inks: [{ name: 'Moss', kind: 'mixed' }],
  components: exampleJob('trail-map').components.map((c) => ({
    ...c,
    front: [{ name: 'Moss' }],
    back: [{ name: 'Moss' }],
  })),
};

describe('gates on the server', () => {
  it('make no plate before the artwork is approved, and keep who approved it', async () => {
    const revision = await newJob();
    const [first] = carriersOf(revision);
    const event: RoomEvent = { kind: 'carrier', carrier: first?.id ?? '', state: 'made' };
    const refused = await enter(revision, event);
    expect(refused.status).toBe(422);
    expect(messages(refused.body)).toEqual(['The artwork of Map is not approved. Approve it first.']);
    await enterAll(revision, [{ kind: 'artwork', component: 'map', approved: true, note: 'proof 2' }]);
    const room = (await enter(revision, event)).body as PressRoom;
    expect(room.records.map(({ by, event: { kind } }) => `${kind} ${by}`)).toEqual([
      'artwork Press operator, early shift',
      'carrier Press operator, early shift',
    ]);
  });

  it('start no press without an accepted trial of a mixed colour', async () => {
    const revision = await newJob(MIXED);
    await enterAll(revision, prepared(revision));
    const step = plannedOf(revision).steps.find(({ operation }) => operation === 'print')?.id ?? '';
    const start: RoomEvent = { kind: 'press-start', step };
    const refused = await enter(revision, start);
    expect(refused.status).toBe(422);
    expect(messages(refused.body)[0]).toContain('The trial of Moss is not accepted');
    const aim = { l: 40, a: -30, b: 20 };
    await enterAll(revision, [{ kind: 'trial', ink: 'Moss', aim, measured: aim, tolerance: 2, accepted: true }, start]);
    const early = await enter(revision, { kind: 'count', step, good: 100 });
    expect(messages(early.body)[0]).toContain('No good sheet');
    await enterAll(revision, [
      { kind: 'first-sheet', step, kept: 'rack 4' },
      { kind: 'count', step, good: 100 },
    ]);
  });

  it('let no plate be recycled while the count is short, unless with a reason', async () => {
    const revision = await newJob();
    await enterAll(revision, prepared(revision));
    const carrier = carriersOf(revision)[0]?.id ?? '';
    const refused = await enter(revision, { kind: 'carrier', carrier, state: 'recycled' });
    expect(refused.status).toBe(422);
    expect(messages(refused.body)[0]).toContain('may be needed for the missing copies');
    await enterAll(revision, [{ kind: 'carrier', carrier, state: 'recycled', reason: 'order withdrawn' }]);
  });

  it('take back the last entry alone', async () => {
    const revision = await newJob();
    const room = await enterAll(revision, prepared(revision));
    const last = room.records.at(-1)?.id ?? 0;
    expect((await enter(revision, { kind: 'take-back', record: last - 1 })).status).toBe(422);
    await enterAll(revision, [{ kind: 'take-back', record: last }]);
  });
});

describe('the store', () => {
  it('offers a reorder what an earlier job kept, with place, owner and what it has run; once', async () => {
    const tools: Partial<Job> = {
      components: exampleJob('trail-map').components.map((c) => ({
        ...c,
        tools: [{ id: 'map-die', kind: 'cutting-die' as const, name: 'Rounded corners', owner: 'customer' as const }],
      })),
    };
    const first = await newJob(tools);
    const die = carriersOf(first).find(({ kind }) => kind === 'cutting-die');
    if (!die) throw new Error('no die');
    const last = plannedOf(first).steps.at(-1)?.id ?? '';
    await enterAll(first, [
      { kind: 'carrier', carrier: die.id, state: 'made' },
      { kind: 'inspection', carrier: die.id, faults: [] },
      { kind: 'carrier', carrier: die.id, state: 'on-press' },
      { kind: 'carrier', carrier: die.id, state: 'held' },
      { kind: 'count', step: last, good: first.job.order.quantity },
      { kind: 'carrier', carrier: die.id, state: 'kept', place: 'Die rack C7' },
    ]);
    const again = await newJob(tools);
    const { kept } = (await operator.call('get', `/api/jobs/${again.id}/room`)).body as PressRoom;
    expect(kept).toEqual([
      expect.objectContaining({
        job: first.job.number,
        kind: 'cutting-die',
        owner: 'customer',
        place: 'Die rack C7',
        used: die.impressions,
      }),
    ]);
    const take: RoomEvent = {
      kind: 'carrier',
      carrier: die.id,
      state: 'made',
      from: { job: first.job.number, used: 0 },
    };
    const room = await enterAll(again, [take]);
    // what it has run comes from the store, whatever was sent
    expect(room.records.at(-1)?.event).toMatchObject({ from: { used: die.impressions }, place: 'Die rack C7' });
    expect(room.kept).toEqual([]);
    const third = await newJob(tools);
    expect((await enter(third, take)).status).toBe(409);
    const all = (await operator.call('get', '/api/carriers')).body as KeptCarrier[];
    expect(all.filter(({ kind }) => kind === 'cutting-die')).toEqual([]);
  });

  it('gives a kept carrier to one of two jobs that take it at once, every time', async () => {
    const tools: Partial<Job> = {
      components: exampleJob('trail-map').components.map((c) => ({
        ...c,
        tools: [{ id: 'race-die', kind: 'cutting-die' as const, name: 'Race die', owner: 'customer' as const }],
      })),
    };
    const first = await newJob(tools);
    const die = carriersOf(first).find(({ kind }) => kind === 'cutting-die');
    if (!die) throw new Error('no die');
    let holder = first;
    const keep = (revision: Revision): Promise<PressRoom> =>
      enterAll(revision, [
        { kind: 'inspection', carrier: die.id, faults: [] },
        { kind: 'carrier', carrier: die.id, state: 'on-press' },
        { kind: 'carrier', carrier: die.id, state: 'held' },
        { kind: 'count', step: plannedOf(revision).steps.at(-1)?.id ?? '', good: revision.job.order.quantity },
        { kind: 'carrier', carrier: die.id, state: 'kept', place: 'Die rack C8' },
      ]);
    await enterAll(first, [{ kind: 'carrier', carrier: die.id, state: 'made' }]);
    await keep(first);
    for (let round = 0; round < 4; round++) {
      const two = [await newJob(tools), await newJob(tools)];
      const from = { job: holder.job.number, used: 0 };
      const answers = await Promise.all(
        two.map((revision) => enter(revision, { kind: 'carrier', carrier: die.id, state: 'made', from })),
      );
      expect(answers.filter(({ status }) => status === 409)).toHaveLength(1);
      const winner = two[answers.findIndex(({ status }) => status < 300)];
      if (!winner) throw new Error('nobody has it');
      await keep(winner);
      holder = winner;
    }
  });
});

describe('records', () => {
  it('are never changed, whoever asks', async () => {
    const revision = await newJob();
    await enterAll(revision, [{ kind: 'artwork', component: 'map', approved: true }]);
    await expect(server.owner.pool.query('DELETE FROM book_entry')).rejects.toThrow('stays as it is');
  });

  it('are refused with the field where they make no sense, and never answered 5xx', async () => {
    const revision = await newJob();
    const odd: object[] = [
      { kind: 'ink', ink: 'K', move: 'issued', kg: -1 },
      {
        kind: 'trial',
        ink: 'K',
        aim: { l: 500, a: 0, b: 0 },
        measured: { l: 0, a: 0, b: 0 },
        tolerance: 2,
        accepted: true,
      },
      { kind: 'carrier', carrier: 'nothing', state: 'made' },
      { kind: 'count', step: 'nowhere', good: 1 },
      { kind: 'magic' },
    ];
    for (const event of odd) {
      const response = await manager.call('post', `/api/jobs/${revision.id}/room`, { event, seen: SEEN });
      expect([400, 422]).toContain(response.status);
      expect(messages(response.body).length).toBeGreaterThan(0);
    }
    expect((await enter({ ...revision, id: 999_999 }, { kind: 'press-start', step: 'print' })).status).toBe(404);
    expect(server.errors).toEqual([]);
  });
});

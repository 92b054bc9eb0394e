import { randomUUID } from 'node:crypto';
import type { RoomEntry } from '@druckerei/core';
import type { Faults, Readings, Revision, SentAnswer } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('quality_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
});
afterAll(() => server.stop());

let made = 0;
async function newJob(): Promise<number> {
  const job = exampleJob('trail-map', { number: `Q-${++made}` });
  return ((await manager.call('post', '/api/jobs', job)).body as Revision).id;
}
async function send(job: number, ...events: readonly RoomEntry[]): Promise<SentAnswer> {
  const at = new Date().toISOString();
  const entries = events.map((event) => ({ uid: randomUUID(), at, late: false, event }));
  const response = await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries });
  return response.body as SentAnswer;
}
const reading = (name: string, value: number, sheet: number): RoomEntry => ({
  ...{ kind: 'reading', step: 'print-map', of: 'density', name, value, sheet },
});

describe('what the book says of quality', () => {
  it('are readings thing by thing, with their tolerance, without what was struck through', async () => {
    const job = await newJob();
    const answer = await send(job, reading('C', 1.45, 500), reading('C', 9, 1_000), reading('K', 1.7, 500), {
      ...{ kind: 'reading', step: 'fold', of: 'length', value: 210.2 },
    });
    const wrong = answer.entries[1]?.id ?? 0;
    await send(job, { kind: 'strike', record: wrong, why: 'another patch' });
    const { series } = (await manager.call('get', '/api/quality/readings?days=2')).body as Readings;
    const own = series.filter((one) => one.job.id === job);
    expect(own.map(({ name, points }) => [name, points.length])).toEqual([
      ['C', 1],
      ['K', 1],
      ['', 1],
    ]);
    // The aim of cyan is 1.45, off it 0.1: norm of the works.
    expect(own[0]?.tolerance?.lower).toBeCloseTo(1.35, 10);
    expect(own[0]).toMatchObject({ title: 'Print', points: [{ value: 1.45, sheet: 500 }] });
    expect(own[2]).toMatchObject({ of: 'length', tolerance: null, points: [{ sheet: null }] });
  });

  it('are readings apart by their instrument, lots that were looked at, and faults seen of closed runs', async () => {
    const job = await newJob();
    await send(
      job,
      reading('C', 1.45, 500),
      { ...reading('C', 1.46, 500), source: 'Stand-in spectrodensitometer' } as RoomEntry,
      { kind: 'taken-in', step: 'cut', count: 50 },
      { kind: 'fault', step: 'cut', fault: 'dirt' },
      { kind: 'fault', step: 'cut', fault: 'dirt' },
      { kind: 'inspected', step: 'cut', lot: 100, sample: 13, faulty: 0, aql: 1, level: 'II' },
      { kind: 'good', step: 'cut', count: 100 },
      { kind: 'step-closed', step: 'cut' },
    );
    const { series, lots, runs } = (await manager.call('get', '/api/quality/readings?days=2')).body as Readings;
    expect(series.filter((one) => one.job.id === job).map(({ source }) => source)).toEqual([
      null,
      'Stand-in spectrodensitometer',
    ]);
    expect(lots.filter((one) => one.job.id === job)).toMatchObject([{ step: 'cut', found: 0, of: 13 }]);
    expect(runs.filter((one) => one.job.id === job)).toMatchObject([{ step: 'cut', found: 0, of: 50, faults: 2 }]);
  });

  it('are faults with station, machine, stock and shift, each with its entry', async () => {
    const job = await newJob();
    const answer = await send(
      job,
      { kind: 'taken-in', step: 'cut', count: 100 },
      { kind: 'spoiled', step: 'cut', count: 3, reason: 'crease', during: 'run' },
      { kind: 'incident', step: 'cut', what: 'jam', lost: 2 },
      { kind: 'incident', step: 'cut', what: 'wash-up', lost: 0 },
      { kind: 'fault', step: 'cut', fault: 'dirt' },
    );
    const { lines } = (await manager.call('get', '/api/quality/faults?days=2')).body as Faults;
    const own = lines.filter((one) => one.job.id === job);
    expect(own.map(({ reason, count, unit }) => [reason, count, unit])).toEqual([
      ['crease', 3, 'sheet'],
      ['jam', 2, 'sheet'],
      ['dirt', 1, 'seen'],
    ]);
    expect(own[0]).toMatchObject({ entry: answer.entries[1]?.id, machine: 'Guillotine 115', station: 'Guillotine' });
    expect(own[0]?.stock).not.toBe('');
  });

  it('asks for days that there are', async () => {
    for (const days of ['0', '-1', 'x', '99999'])
      expect((await manager.call('get', `/api/quality/faults?days=${days}`)).status).toBe(400);
    expect((await manager.call('get', '/api/quality/readings')).status).toBe(200);
  });

  it('are lots by their plan: a wrong sample is told, a refused one is sorted before the station is closed', async () => {
    const job = await newJob();
    const lot = (sample: number, faulty: number): RoomEntry => ({
      ...{ kind: 'inspected', step: 'box', lot: 1_000, sample, faulty, aql: 1, level: 'II' },
    });
    const answer = await send(
      job,
      lot(50, 0),
      lot(80, 3),
      { kind: 'step-closed', step: 'box' },
      {
        ...{ kind: 'sorted', step: 'box', faulty: 9 },
      },
    );
    expect(answer.entries.map(({ outcome }) => outcome)).toEqual(['refused', 'entered', 'refused', 'entered']);
    expect(answer.entries[0]?.errors[0]).toMatchObject({
      path: 'sample',
      message: expect.stringContaining('80') as string,
    });
  });
});

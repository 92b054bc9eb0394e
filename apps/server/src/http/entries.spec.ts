import type { IncomingMessage } from 'node:http';
import type { CountedLines, EnteredCustomers, Problem } from '@druckerei/contract';
import { JSON_LINES, MOST_ENTRIES } from '@druckerei/contract';
import type { Test } from 'supertest';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../server.fixture.js';
import { MOST_TOLD } from './entries.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('entries_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const lines = (...told: readonly unknown[]): string => told.map((one) => JSON.stringify(one)).join('\n');
const send = (body: string, to = '/api/customers/list'): Test =>
  manager.call('post', to).set('Content-Type', JSON_LINES).send(body);
const errorsOf = ({ body }: { body: unknown }): string[] =>
  ((body as Problem).errors ?? []).map(({ path, message }) => `${path}: ${message}`);
const customers = async (search: string): Promise<number> =>
  Number((await manager.call('get', `/api/customers?search=${search}`)).headers['x-total-count']);

describe('a list that comes as lines', () => {
  it('is taken as the same list is that comes in one', async () => {
    const entries = Array.from({ length: 5_000 }, (_, i) => ({ name: `Liner ${i}`, note: 'two\u2028lines' }));
    const answer = await send(lines({}, ...entries));
    expect(answer.status).toBe(201);
    expect((answer.body as EnteredCustomers).ids).toHaveLength(5_000);
    expect(await customers('Liner')).toBe(5_000);
    const kept = await manager.call('get', `/api/customers/${(answer.body as EnteredCustomers).ids[4_999] ?? 0}`);
    expect(kept.body).toMatchObject({ customer: entries[4_999] });
  });

  it('is refused by its entries, as many as are told, and none of it goes in', async () => {
    const odd = await send(lines({}, { name: 'Whole' }, { name: '' }, { name: 'Odd', weight: 99 }));
    expect(odd.status).toBe(422);
    expect(errorsOf(odd)).toEqual([
      'customers[1].name: Name is empty',
      'customers[2].weight: Weight must be at most 10',
    ]);
    const many = await send(lines({}, ...Array.from({ length: 3_000 }, () => ({ name: '' }))));
    expect(errorsOf(many)).toHaveLength(MOST_TOLD);
    expect(await customers('Whole')).toBe(0);
  });

  it('is refused where a later part of it names what an earlier part has brought in', async () => {
    const entries = Array.from({ length: 4_500 }, (_, i) => ({ name: `Twice ${i % 4_400}` }));
    const answer = await send(lines({}, ...entries));
    expect(answer.status).toBe(409);
    expect(errorsOf(answer)[0]).toBe(
      'customers[4400].name: “Twice 0” is a name of Twice 0. Choose another, or leave it out.',
    );
    expect(errorsOf(answer)).toHaveLength(100);
    expect(await customers('Twice')).toBe(0);
  });

  it.each([
    ['nothing', '', 422, 'The first line is the body without its list'],
    ['no entry', lines({}), 422, 'customers: at least one entry is wanted'],
    ['a first line that is none', lines({ name: 'A' }, { name: 'B' }), 422, 'Unknown field name'],
    ['what is no JSON', `${lines({}, { name: 'A' })}\n{"name": "B`, 422, 'customers[1]: This line is no JSON'],
    ['a line without end', `{}\n${'x'.repeat(300_000)}`, 413, undefined],
    ['bytes that are no text', `{}\n\u0000\u0001`, 422, 'customers[0]: This line is no JSON'],
  ])('is refused where it has %s', async (_, body, status, told) => {
    const answer = await send(body);
    expect(answer.status).toBe(status);
    if (told !== undefined) expect(errorsOf(answer).join()).toContain(told);
  });

  it('is refused where it has more entries than are taken', async () => {
    const answer = await send(`{}\n${'{"name":"M"}\n'.repeat(MOST_ENTRIES + 1)}`);
    expect(answer.status).toBe(422);
    expect(errorsOf(answer)).toEqual([`customers: at most ${MOST_ENTRIES} entries are taken at once`]);
  });

  it('leaves one line of audit', async () => {
    const total = async () => Number((await manager.call('get', '/api/audit')).headers['x-total-count']);
    const before = await total();
    expect((await send(lines({}, { name: 'Audited' }))).status).toBe(201);
    expect(await total()).toBe(before + 1);
  });
});

describe('who waits for a long list', () => {
  const counts = (n: number, at: string): string => {
    const moment = Date.parse(at);
    const one = (i: number) => ({
      ...{ job: `WL-${i % 3}`, station: 'Box', good: 1, spoiled: 0 },
      at: new Date(moment + i * 1000).toISOString(),
    });
    return lines({ device: 'Counter' }, ...Array.from({ length: n }, (_, i) => one(i)));
  };
  beforeAll(async () => {
    for (const i of [0, 1, 2])
      expect((await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `WL-${i}` }))).status).toBe(
        201,
      );
  });

  it('is told on the way, and answered by the last line', async () => {
    const answer = await send(counts(6_000, '2026-11-01T06:00:00Z'), '/api/book/counts').set('Accept', JSON_LINES);
    const told = answer.text
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as object);
    expect(told.at(-1)).toEqual({ answer: { entered: 6_000, known: 0, held: 0 } satisfies CountedLines });
    const way = told.slice(0, -1) as { doing: string; done: number; of: number }[];
    expect(way[0]).toEqual({ doing: 'looking', done: 0, of: 6_000 });
    expect(
      way.every(
        ({ done, of }, i) =>
          of === 6_000 && done <= of && (way[i - 1]?.doing !== way[i]?.doing || done >= (way[i - 1]?.done ?? 0)),
      ),
    ).toBe(true);
  });

  it('is told the problem by the last line, where it is found on the way', async () => {
    const bad = `${counts(3, '2026-11-02T06:00:00Z')}\n${lines({ job: 'WL-9', station: 'Box', at: '2026-11-02T07:00', good: 1, spoiled: 0 })}`;
    const answer = await send(bad, '/api/book/counts').set('Accept', JSON_LINES);
    const told = JSON.parse(answer.text.trimEnd().split('\n').at(-1) ?? '') as { problem: Problem };
    expect(told.problem).toMatchObject({
      status: 422,
      errors: [{ path: 'lines[3].job', message: 'No job has the number WL-9. Look at its ticket.' }],
    });
  });

  it('enters a list of counts once, however often it is taken', async () => {
    const again = await send(counts(6_000, '2026-11-01T06:00:00Z'), '/api/book/counts');
    expect(again.body).toEqual({ entered: 0, known: 6_000, held: 0 } satisfies CountedLines);
  });

  it('stops it by leaving: of a list that goes in whole nothing is there', async () => {
    const entries = Array.from({ length: 40_000 }, (_, i) => ({ name: `Left ${i}` }));
    await new Promise<void>((resolve) => {
      const call = send(lines({}, ...entries)).set('Accept', JSON_LINES);
      void call
        .buffer(false)
        .parse((response, done) => {
          const wire = response as unknown as IncomingMessage;
          wire.on('error', () => undefined);
          wire.once('data', () => {
            wire.destroy();
            done(null, undefined);
            resolve();
          });
        })
        .end(() => undefined);
    });
    // Whoever sends the same names next waits for what is under way: it has been given up, so they are free.
    expect((await send(lines({}, { name: 'Left 1' }))).status).toBe(201);
    expect(await customers('Left')).toBe(1);
  });
});

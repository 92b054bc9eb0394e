import { createHash, randomUUID } from 'node:crypto';
import type { RoomEntry } from '@druckerei/core';
import { roomState } from '@druckerei/core';
import { sql } from '../../db/sql.js';
import { checkBookAt } from './command.js';
import type {
  BookCheck,
  JobBook,
  Needs,
  Problem,
  Revision,
  Scanned,
  SentAnswer,
  StationLine,
} from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, recordOf, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('book_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
});
afterAll(() => server.stop());

let made = 0;
async function newJob(): Promise<Revision> {
  const response = await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `B-${++made}` }));
  return response.body as Revision;
}

type Sent = Readonly<{ uid: string; at: string; late: boolean; event: RoomEntry }>;
const sent = (event: RoomEntry, change: Partial<Sent> = {}): Sent => ({
  ...{ uid: randomUUID(), at: new Date().toISOString(), late: false, event },
  ...change,
});
async function send(job: number, entries: readonly Sent[], seen = 0): Promise<SentAnswer> {
  const response = await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet 1', seen, entries });
  expect(response.status).toBe(200);
  return response.body as SentAnswer;
}
const outcomes = ({ entries }: SentAnswer): string[] => entries.map(({ outcome }) => outcome);
const state = ({ records }: Pick<JobBook, 'records'>) => roomState(records);
const check = async (query = ''): Promise<BookCheck> =>
  (await manager.call('get', `/api/book/check${query}`)).body as BookCheck;
const cutting = (count: number, kind: 'taken-in' | 'good'): RoomEntry => ({ kind, step: 'cut', count });

describe('entries of a station', () => {
  it('are taken one behind another, and told what is wrong with the one that is not', async () => {
    const { id } = await newJob();
    const book = await send(id, [
      sent(cutting(10, 'taken-in')),
      sent(cutting(15, 'good')),
      sent(cutting(10, 'good')),
      sent({ kind: 'good', step: 'gild', count: 1 }),
      sent(cutting(5, 'good'), { at: '2099-01-01T00:00:00.000Z' }),
    ]);
    expect(outcomes(book)).toEqual(['entered', 'entered', 'refused', 'refused', 'refused']);
    const wrong = book.entries.slice(2).map(({ errors }) => errors.map(({ message }) => message).join());
    expect(wrong[0]).toMatch(/at most 5/);
    expect(wrong[1]).toMatch(/no step gild/);
    expect(wrong[2]).toMatch(/Set the clock/);
    expect(state(book).counts.get('cut')?.good).toBe(15);
    expect(book.records.at(-1)).toMatchObject({ device: 'Tablet 1', by: 'Press operator, early shift' });
  });

  it('are known when they are sent again, in the same call or later', async () => {
    const { id } = await newJob();
    const entry = sent(cutting(10, 'taken-in'));
    const first = await send(id, [entry, entry]);
    expect(outcomes(first)).toEqual(['entered']);
    const again = await send(id, [entry]);
    expect(again.entries).toEqual([{ ...first.entries[0], outcome: 'known' }]);
    expect(again.records).toHaveLength(1);
    // Only what came behind what the device had seen is answered.
    expect((await send(id, [sent(cutting(1, 'good'))], again.records[0]?.id)).records).toHaveLength(1);
  });

  it('that waited on a tablet and are refused are held until a manager explains them', async () => {
    const { id } = await newJob();
    const at = new Date(Date.now() - 3_600_000).toISOString();
    const book = await send(id, [
      sent(cutting(10, 'taken-in'), { late: true, at }),
      sent(cutting(25, 'good'), { late: true, at }),
      sent({ kind: 'count', step: 'print', good: 100 }, { late: true, at }),
    ]);
    expect(outcomes(book)).toEqual(['entered', 'held', 'held']);
    expect(state(book).counts.size).toBe(0);
    expect(book.records[1]).toMatchObject({
      at,
      event: { kind: 'held', refused: [expect.stringMatching(/at most 20/)] },
    });
    const settle = (record: number | null | undefined, taken: boolean, who = manager) =>
      who.call('post', `/api/jobs/${id}/book/${record ?? 0}/settled`, { taken, why: 'seen at the table' });
    const [, good, count] = book.entries;
    expect((await settle(good?.id, true, operator)).status).toBe(403);
    expect((await settle(good?.id, true)).status).toBe(200);
    const after = (await settle(count?.id, false)).body as JobBook;
    expect([...state(after).counts].map(([step, { good: n }]) => [step, n])).toEqual([['cut', 25]]);
    expect(state(after).held).toEqual([]);
    const again = await settle(good?.id, true);
    expect([again.status, (again.body as Problem).title]).toEqual([409, expect.stringContaining('is not held')]);
  });

  it('that take another back count as such where they were held and are explained, in core and in the database', async () => {
    const { id } = await newJob();
    const book = await send(id, [sent(cutting(10, 'taken-in')), sent(cutting(20, 'good'))]);
    const good = book.entries[1]?.id ?? 0;
    // The clock of the tablet goes an hour ahead: it is held.
    const ahead = new Date(Date.now() + 3_600_000).toISOString();
    const [strike] = (
      await send(id, [sent({ kind: 'strike', record: good, why: 'wrong pile' }, { late: true, at: ahead })])
    ).entries;
    expect(strike?.outcome).toBe('held');
    const counted = async (): Promise<unknown> =>
      (await server.database.pool.query('SELECT step, good::integer FROM counted_steps() WHERE job_id = $1', [id]))
        .rows;
    expect(await counted()).toEqual([{ step: 'cut', good: 20 }]);
    const settled = await manager.call('post', `/api/jobs/${id}/book/${strike?.id ?? 0}/settled`, {
      ...{ taken: true, why: 'it is so' },
    });
    expect(state(settled.body as JobBook).counts.size).toBe(0);
    expect(await counted()).toEqual([]);
  });

  it('that are held and explained are known to the store of carriers too', async () => {
    const { id } = await newJob();
    const { card } = (await operator.call('get', `/api/jobs/${id}/book`)).body as JobBook;
    const [plate] = (card?.carriers ?? []) as { id: string; key: string; impressions: number }[];
    const carrier = plate?.id ?? '';
    // Never made, as far as the book knows: it is held.
    const kept = sent({ kind: 'carrier', carrier, state: 'kept', place: 'Rack 9' }, { late: true });
    const { entries } = await send(id, [kept]);
    expect(outcomes({ entries, records: [] })).toEqual(['held']);
    const known = async (): Promise<object[]> =>
      ((await manager.call('get', '/api/carriers')).body as { jobId: number }[]).filter(({ jobId }) => jobId === id);
    expect(await known()).toEqual([]);
    const record = entries[0]?.id ?? 0;
    await manager.call('post', `/api/jobs/${id}/book/${record}/settled`, { taken: true, why: 'it lies there' });
    expect(await known()).toMatchObject([{ carrier, place: 'Rack 9', used: plate?.impressions }]);
  });

  it('are told as they should be, whatever is sent, and never answered 5xx', async () => {
    const { id } = await newJob();
    const odd: readonly object[] = [
      { kind: 'incident', step: 'cut', what: 'jam', lost: 0, carrier: 'a\u0000b' },
      { kind: 'good', step: 'cut', count: 0.5 },
      { kind: 'good', step: 'cut', count: 0 },
      { kind: 'note', step: 'cut', text: '\ud800' },
      { kind: 'held', entry: cutting(1, 'good'), refused: [] },
      { kind: 'settled', record: 1, taken: true, why: 'x' },
      { kind: 'photo', step: 'cut', picture: 'x' },
    ];
    for (const event of odd) {
      const entries = [{ ...sent(cutting(1, 'good'), { late: true }), event }];
      const { status } = await operator.call('post', `/api/jobs/${id}/book`, { device: 'x', seen: 0, entries });
      expect([event, status]).toEqual([event, 422]);
    }
    const taken = sent(cutting(1, 'taken-in'));
    await send(id, [taken]);
    // A name that another job's entry has.
    const other = await newJob();
    const { status } = await operator.call('post', `/api/jobs/${other.id}/book`, {
      device: 'x',
      seen: 0,
      entries: [taken],
    });
    expect(status).toBe(409);
    expect(server.errors).toEqual([]);
  });

  it('are struck through, and stay in the book', async () => {
    const { id } = await newJob();
    const book = await send(id, [sent(cutting(10, 'taken-in')), sent(cutting(8, 'good')), sent(cutting(4, 'good'))]);
    const record = book.entries[1]?.id ?? 0;
    const struck = await send(id, [sent({ kind: 'strike', record, why: 'counted twice' })]);
    expect(state(struck).counts.get('cut')?.good).toBe(4);
    expect(struck.records).toHaveLength(4);
    expect(outcomes(await send(id, [sent({ kind: 'strike', record, why: 'again' })]))).toEqual(['refused']);
  });

  it('of two tablets at once are all there, each once, and the chain does not fork', async () => {
    const { id } = await newJob();
    await send(id, [sent(cutting(5_000, 'taken-in'))]);
    const tablets = Array.from({ length: 8 }, () => Array.from({ length: 5 }, () => sent(cutting(1, 'good'))));
    await Promise.all(tablets.flatMap((entries) => entries.map((entry) => send(id, [entry]))));
    const book = (await operator.call('get', `/api/jobs/${id}/book`)).body as JobBook;
    expect(state(book).counts.get('cut')?.good).toBe(40);
    expect((await check()).faults).toEqual([]);
  });

  it('finish a job, whose paper is let go then', async () => {
    const { id } = await newJob();
    const wanted = async (): Promise<boolean> => {
      const needs = (await manager.call('get', '/api/needs')).body as Needs;
      return needs.jobs.some(({ job }) => job === id);
    };
    expect(await wanted()).toBe(true);
    await send(id, [
      sent({ kind: 'good', step: 'box', count: 6_000 }),
      sent({ kind: 'good', step: 'box', count: 4_000 }),
    ]);
    expect(await wanted()).toBe(false);
  });

  it('are held of a job that was put aside', async () => {
    const { id, version } = await newJob();
    expect((await manager.call('put', `/api/jobs/${id}/aside`, { version, aside: true })).status).toBe(200);
    const book = await send(id, [sent(cutting(1, 'taken-in')), sent(cutting(1, 'taken-in'), { late: true })]);
    expect(outcomes(book)).toEqual(['refused', 'held']);
    expect(book.entries[0]?.errors[0]?.message).toMatch(/was put aside/);
  });

  it('are shown of all stations at work, with what is held and what does not balance', async () => {
    const { id, job } = await newJob();
    await send(id, [
      sent(cutting(10, 'taken-in')),
      sent({ kind: 'setup-begun', step: 'cut' }),
      sent(cutting(99, 'good'), { late: true }),
    ]);
    const lines = (await manager.call('get', '/api/book/stations')).body as StationLine[];
    expect(lines.filter((line) => line.job.id === id)).toMatchObject([
      {
        job: { number: job.number },
        step: 'cut',
        phase: 'set-up',
        difference: 20,
        held: 1,
        by: 'Press operator, early shift',
      },
    ]);
  });
});

describe('a scan', () => {
  const scan = (code: string) => operator.call('get', `/api/book/scan?code=${encodeURIComponent(code)}`);
  it('says the job of a ticket, and of a tag the station that the pile goes to', async () => {
    const { id, job } = await newJob();
    expect((await scan(job.number.toLowerCase())).body).toMatchObject({ job: { id }, step: null });
    expect((await scan(`${job.number}/cut`)).body).toMatchObject({ job: { id }, step: 'cut', pile: null });
    const tag = (await scan(`${job.number}/print-map-2/1`)).body as Scanned;
    expect(tag).toMatchObject({ job: { id }, pile: `${job.number}/print-map-2/1` });
    expect([tag.step, (tag.count ?? 0) > 0]).toEqual(['cut', true]);
  });
  it.each([
    ['NONE-1', /No job has the number NONE-1/],
    ['{number}/print-map-2/99', /has no pile 99 from/],
    ['{number}/gild', /has no station gild/],
    ['{number}/gild/1', /has no pile 1 from gild/],
  ])('of %s is told', async (code, title) => {
    const { job } = await newJob();
    const response = await scan(code.replace('{number}', job.number));
    expect([response.status, (response.body as Problem).title]).toEqual([404, expect.stringMatching(title)]);
    expect((response.body as Problem).detail).not.toBe('');
  });
});

describe('the chain of the book', () => {
  /** Does something to the book that nobody may, with its guards off, looks at it, and takes it back. */
  async function tampered(statements: readonly string[]): Promise<BookCheck['faults']> {
    const client = await server.owner.pool.connect();
    try {
      await client.query('BEGIN');
      await client.query('ALTER TABLE book_entry DISABLE TRIGGER USER');
      await client.query('ALTER TABLE book_entry DROP CONSTRAINT book_entry_hash, DROP CONSTRAINT book_entry_doc');
      for (const statement of statements) await client.query(statement);
      const { rows } = await client.query<{ faults: BookCheck['faults'] }>(sql('room/check'), [0, '', 1_000]);
      return rows[0]?.faults ?? [];
    } finally {
      await client.query('ROLLBACK');
      client.release();
    }
  }
  let ids: number[] = [];
  beforeAll(async () => {
    const { id } = await newJob();
    ids = [];
    for (let n = 1; n <= 12; n++) ids.push(await recordOf(server, id, { kind: 'good', step: 'cut', count: n }));
  });

  it('holds, its head carries the hash of all, and a hash on paper is found again', async () => {
    const { faults, head, entries } = await check();
    expect(faults).toEqual([]);
    const { rows } = await server.database.pool.query<{ id: number; canon: string }>(
      'SELECT id, canon FROM book_entry ORDER BY id',
    );
    let before = Buffer.alloc(0);
    for (const { id, canon } of rows)
      before = createHash('sha256').update(before).update(`${id}\n${canon}`, 'utf8').digest();
    expect([head?.sha256, entries]).toEqual([before.toString('hex'), rows.length]);
    expect((await check(`?hash=${head?.sha256 ?? ''}`)).asked?.entry).toMatchObject({ id: head?.id });
    expect((await check(`?hash=${'0'.repeat(64)}`)).asked?.entry).toBeNull();
    expect((await manager.call('get', '/api/book/check?hash=short')).status).toBe(400);
    expect((await checkBookAt(server.url)).head).toEqual(head);
  });

  it('finds every single change, wherever it is (identity)', async () => {
    for (const id of ids) {
      const faults = await tampered([
        `UPDATE book_entry SET canon = replace(canon, '"step":"cut"', '"step":"box"') WHERE id = ${id}`,
      ]);
      expect(faults).toEqual([{ id, fault: 'hash' }]);
      // Hashed anew, it does not fit what follows; the last one has nothing behind it: its hash on paper is not found then.
      const anew = await tampered([
        `UPDATE book_entry SET canon = replace(canon, '"step":"cut"', '"step":"box"') WHERE id = ${id}`,
        `UPDATE book_entry SET doc = canon::jsonb WHERE id = ${id}`,
        `UPDATE book_entry SET sha256 = sha256(before || convert_to(id::text || E'\\n' || canon, 'UTF8')) WHERE id = ${id}`,
      ]);
      expect(anew.map((fault) => fault.id)).toEqual(id === ids.at(-1) ? [] : [id + 1]);
      // What is asked of it, changed beside its text.
      const beside = await tampered([`UPDATE book_entry SET doc = doc || '{"device": "other"}' WHERE id = ${id}`]);
      expect(beside).toEqual([{ id, fault: 'text' }]);
    }
  });

  it('finds every two that are swapped, and every one that is cut out (identity)', async () => {
    for (const id of ids.slice(0, -1)) {
      const swapped = await tampered([
        `UPDATE book_entry SET id = -1 WHERE id = ${id}`,
        `UPDATE book_entry SET id = ${id} WHERE id = ${id + 1}`,
        `UPDATE book_entry SET id = ${id + 1} WHERE id = -1`,
      ]);
      expect(swapped.length).toBeGreaterThan(0);
      const cut = await tampered([`DELETE FROM book_entry WHERE id = ${id}`]);
      expect(cut).toEqual([{ id: id + 1, fault: 'link' }]);
    }
  });

  it('cannot be forked, changed or written past by the application, nor by the owner with triggers off', async () => {
    const last = ids.at(-1) ?? 0;
    const copy = `INSERT INTO book_entry (id, canon, doc, before, sha256) SELECT id + 100, replace(canon, 'cut', 'box'), replace(canon, 'cut', 'box')::jsonb, before, sha256 FROM book_entry WHERE id = ${last}`;
    await expect(server.database.pool.query(copy)).rejects.toMatchObject({ constraint: 'book_entry_chain' });
    await expect(server.owner.pool.query(`UPDATE book_entry SET canon = '{}'`)).rejects.toMatchObject({
      constraint: 'book_entry_frozen',
    });
    await expect(server.owner.pool.query(`UPDATE book_entry SET event = '{}'`)).rejects.toThrow(
      'can only be updated to DEFAULT',
    );
    const client = await server.owner.pool.connect();
    try {
      await client.query('BEGIN');
      await client.query('ALTER TABLE book_entry DISABLE TRIGGER USER');
      await client.query('SAVEPOINT one');
      await expect(client.query(copy)).rejects.toMatchObject({ constraint: 'book_entry_hash' });
      await client.query('ROLLBACK TO one');
      await expect(
        client.query(`UPDATE book_entry SET doc = doc || '{"device": "other"}' WHERE id = ${last}`),
      ).rejects.toMatchObject({
        constraint: 'book_entry_doc',
      });
    } finally {
      await client.query('ROLLBACK');
      client.release();
    }
  });
});

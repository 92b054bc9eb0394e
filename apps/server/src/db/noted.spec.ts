import { type TestServer, startServer } from '../server.fixture.js';
import { type Note, noting, unnoted } from './noted.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer('noted_test', { demo: false });
});
afterAll(() => server.stop());

const note = (subject: string): Note => ({ values: ['Somebody', 'Change a note', subject], taken: false });
/** Transactions that left lines of a subject. */
async function lines(subject: string): Promise<string[]> {
  const text = 'SELECT xmin::text AS xmin FROM audit_record WHERE subject = $1';
  return (await server.owner.pool.query<{ xmin: string }>(text, [subject])).rows.map(({ xmin }) => xmin);
}
async function works(): Promise<{ xmin: string; place: string }> {
  const text = `SELECT xmin::text AS xmin, coalesce(body ->> 'place', '') AS place FROM works`;
  const { rows } = await server.owner.pool.query<{ xmin: string; place: string }>(text);
  return rows[0] ?? { xmin: '', place: '' };
}
const settle = (place: string): Promise<unknown> => server.database.one('works/put', { name: 'Works', place });
const stop = (): never => {
  throw new Error('no');
};

describe('the note of a call', () => {
  it('is in the transaction of what it notes, once', async () => {
    const one = note('one');
    await noting(one, async () => {
      await server.database.transaction(async (queries) => {
        await queries.one('works/put', { name: 'Works', place: 'Hill' });
      });
      expect(one.taken).toBe(true);
      expect(await lines('one')).toEqual([(await works()).xmin]);
      await settle('Dale');
    });
    expect(await works()).toMatchObject({ place: 'Dale' });
    expect(await lines('one')).toHaveLength(1);
  });
  it('goes with a statement that writes by itself', async () => {
    await noting(note('alone'), () => settle('Ford'));
    expect(await lines('alone')).toEqual([(await works()).xmin]);
  });
  it('is not there where the change is not', async () => {
    const failed = note('failed');
    await noting(failed, async () => {
      const fails = server.database.transaction(async (queries) => {
        await queries.one('works/put', { name: 'Works', place: 'Nowhere' });
        stop();
      });
      await expect(fails).rejects.toThrow('no');
      expect([failed.taken, await lines('failed'), (await works()).place]).toEqual([false, [], 'Ford']);
      // The next that writes carries it.
      await settle('Bridge');
    });
    expect(await lines('failed')).toEqual([(await works()).xmin]);
  });
  it('takes the change with it where it cannot be written', async () => {
    const cannot: Note = { values: ['\0', 'Change a note', 'cannot'], taken: false };
    await expect(noting(cannot, () => settle('Marsh'))).rejects.toThrow(/encoding/);
    expect((await works()).place).toBe('Bridge');
  });
  it('is not carried by what goes on behind the call', async () => {
    const over = note('over');
    let end = (): void => undefined;
    const ended = new Promise<void>((resolve) => (end = resolve));
    let behind: Promise<unknown> = Promise.resolve();
    await noting(over, () => {
      behind = ended.then(() => settle('Heath'));
      return Promise.resolve();
    });
    end();
    await behind;
    expect([over.taken, await lines('over'), (await works()).place]).toEqual([false, [], 'Heath']);
  });
  it('is left by nothing that only reads, nor by what is kept beside', async () => {
    const reading = note('reading');
    await noting(reading, async () => {
      await server.database.transaction((queries) => queries.many('works/get'));
      await server.database.many('works/get');
      await unnoted(() => settle('Moor'));
    });
    expect([reading.taken, await lines('reading'), (await works()).place]).toEqual([false, [], 'Moor']);
  });
});

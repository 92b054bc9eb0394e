import { createHash, randomUUID } from 'node:crypto';
import { type RoomEntry, MOST_PHOTO_SIDE } from '@druckerei/core';
import type { JobBook, Revision, SentAnswer } from '@druckerei/contract';
import sharp from 'sharp';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let operator: Visitor;
let manager: Visitor;
let job: Revision;
beforeAll(async () => {
  server = await startServer('photos_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
  job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'P-1' }))).body as Revision;
});
afterAll(() => server.stop());

const plain = (width: number, height: number, background = '#c04020') =>
  sharp({ create: { width, height, channels: 3, background } });
const hashOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
const photo = (sha256: string): RoomEntry => ({ kind: 'photo', step: 'cut', sha256, note: 'corner of the pile' });
interface Sending {
  readonly event: RoomEntry;
  readonly picture?: string;
  readonly late?: boolean;
  readonly uid?: string;
}
async function send(...sendings: readonly Sending[]): Promise<SentAnswer['entries']> {
  const entries = sendings.map(({ uid = randomUUID(), late = false, ...sent }) => ({
    ...{ uid, at: new Date().toISOString(), late },
    ...sent,
  }));
  const sent = { device: 'Tablet 1', seen: 0, entries };
  const answer = await operator.call('post', `/api/jobs/${job.id}/book`, sent);
  expect(answer.status).toBe(200);
  return (answer.body as SentAnswer).entries;
}
const fault = async (sending: Sending): Promise<string> => {
  const [answer] = await send(sending);
  return `${answer?.outcome ?? ''}: ${answer?.errors.map(({ message }) => message).join(' ') ?? ''}`;
};

describe('photographs of the book', () => {
  it('are kept under the hash that their entry says, sent twice as once, and given back as they were', async () => {
    const bytes = await plain(640, 480).jpeg().toBuffer();
    const sending = { event: photo(hashOf(bytes)), picture: bytes.toString('base64'), uid: randomUUID() };
    expect((await send(sending)).map(({ outcome }) => outcome)).toEqual(['entered']);
    expect((await send(sending)).map(({ outcome }) => outcome)).toEqual(['known']);
    const { records } = (await operator.call('get', `/api/jobs/${job.id}/book`)).body as JobBook;
    expect(records.filter(({ event }) => event.kind === 'photo')).toHaveLength(1);
    const got = await operator.bytes(`/api/jobs/${job.id}/photos/${hashOf(bytes)}`);
    expect(hashOf(got)).toBe(hashOf(bytes));
  });

  it('of another job are not given, nor one that nobody entered', async () => {
    const other = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'P-2' })))
      .body as Revision;
    const bytes = await plain(20, 20, '#204060').jpeg().toBuffer();
    await send({ event: photo(hashOf(bytes)), picture: bytes.toString('base64') });
    const at = async (of: number, sha256: string): Promise<number> =>
      (await operator.call('get', `/api/jobs/${of}/photos/${sha256}`)).status;
    expect([await at(job.id, hashOf(bytes)), await at(other.id, hashOf(bytes))]).toEqual([200, 404]);
    expect([await at(job.id, 'a'.repeat(64)), await at(job.id, 'x')]).toEqual([404, 400]);
  });

  it('are refused where they are no photograph, also late: what is no picture cannot be explained', async () => {
    const bytes = await plain(20, 20, '#000').jpeg().toBuffer();
    const picture = bytes.toString('base64');
    const png = await plain(20, 20).png().toBuffer();
    const large = await plain(MOST_PHOTO_SIDE + 1, 4)
      .jpeg()
      .toBuffer();
    expect(await fault({ event: photo(hashOf(bytes)) })).toBe('refused: The picture is missing. Take it again.');
    expect(await fault({ event: photo('a'.repeat(64)), picture, late: true })).toContain('refused: The picture is not');
    expect(await fault({ event: photo(hashOf(png)), picture: png.toString('base64') })).toContain('This is no JPEG');
    expect(await fault({ event: photo(hashOf(large)), picture: large.toString('base64') })).toContain(
      `${MOST_PHOTO_SIDE + 1} × 4 pixels`,
    );
    const note = { kind: 'note', step: 'cut', text: 'x' } as const;
    expect(await fault({ event: note, picture })).toContain('Leave it away');
    expect(await fault({ event: photo(hashOf(Buffer.from('nothing'))), picture: 'bm90aGluZw==' })).toContain('no JPEG');
  });

  it('come with an entry that is held, and stay', async () => {
    const bytes = await plain(30, 20, '#0a0').jpeg().toBuffer();
    const event = { ...photo(hashOf(bytes)), step: 'gild' } as RoomEntry;
    const [held] = await send({ event, picture: bytes.toString('base64'), late: true });
    expect(held?.outcome).toBe('held');
    expect((await operator.call('get', `/api/jobs/${job.id}/photos/${hashOf(bytes)}`)).status).toBe(200);
  });

  it('cannot be another than their hash says, whoever writes', async () => {
    const write = server.owner.pool.query('INSERT INTO book_photo (sha256, data) VALUES ($1, $2)', [
      'b'.repeat(64),
      'bm90aGluZw==',
    ]);
    await expect(write).rejects.toThrow('book_photo_is_itself');
  });
});

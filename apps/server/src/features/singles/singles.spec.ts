import type { Problem, SingleBook } from '@druckerei/contract';
import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('singles_test');
  operator = await visitor(server.app, 'operator');
});
afterAll(() => server.stop());

const order = (id: string) => ({
  id,
  title: 'Guide',
  widthMm: 148,
  heightMm: 210,
  pages: 64,
  stock: 'cream 90 g',
  film: 'matt',
  due: '2026-12-09',
});
const stateOf = (body: unknown, code: string): string | undefined =>
  (body as SingleBook[]).find(({ id }) => id === code)?.state;
const messages = (body: unknown): string[] => ((body as Problem).errors ?? []).map(({ message }) => message);
const booksNow = async (): Promise<SingleBook[]> => (await operator.call('get', '/api/singles')).body as SingleBook[];
const move = async (codes: string[], state: string) => {
  const now = new Map((await booksNow()).map(({ id, version }) => [id, version]));
  const books = codes.map((id) => ({ id, version: now.get(id) ?? 1 }));
  return operator.call('put', '/api/singles/state', { books, state });
};
const kit = (cover: string, block: string) => operator.call('post', '/api/singles/kits', { cover, block });

describe('the order book of single books', () => {
  it('keeps what is put into it, all or none', async () => {
    const added = await operator.call('post', '/api/singles', { orders: [order('B-1'), order('B-2')] });
    expect([added.status, stateOf(added.body, 'B-2')]).toEqual([201, 'open']);
    const again = await operator.call('post', '/api/singles', { orders: [order('B-3'), order('B-2')] });
    expect(messages(again.body)).toEqual(['B-2 is in the book already. Give it a code of its own.']);
    expect(stateOf((await operator.call('get', '/api/singles')).body, 'B-3')).toBeUndefined();
    expect((await operator.call('post', '/api/singles', { orders: [{ ...order('B-4'), pages: 3 }] })).status).toBe(422);
  });

  it('goes from printed to kitted to checked, one step at a time, or back to be made again', async () => {
    expect(messages((await kit('B-1', 'B-1')).body)).toEqual(['B-1 is not printed yet: it cannot become kitted now.']);
    expect(stateOf((await move(['B-1', 'B-2'], 'printed')).body, 'B-1')).toBe('printed');
    expect(messages((await move(['B-1'], 'checked')).body)).toEqual(['B-1 is printed: it cannot become checked now.']);
    expect(messages((await kit('B-1', 'B-2')).body)).toEqual([
      'Cover B-1 and block B-2 are not of one order. Stop, and sort the stack from here on.',
    ]);
    expect(messages((await kit('', '')).body)[0]).toContain('without a code');
    expect(stateOf((await kit('B-1', 'B-1')).body, 'B-1')).toBe('kitted');
    expect(messages((await kit('B-1', 'B-1')).body)).toEqual(['B-1 is matched already: it cannot become kitted now.']);
    expect(stateOf((await move(['B-1'], 'checked')).body, 'B-1')).toBe('checked');
    expect(stateOf((await move(['B-1'], 'open')).body, 'B-1')).toBe('open');
    expect(messages((await move(['B-9'], 'printed')).body)).toEqual([
      'The book has no order B-9. Look at the code again.',
    ]);
  });

  it('moves none of a batch where one of it may not', async () => {
    await move(['B-1'], 'printed');
    await operator.call('post', '/api/singles', { orders: [order('B-7')] });
    expect((await move(['B-1', 'B-7'], 'printed')).status).toBe(422);
    expect(stateOf((await operator.call('get', '/api/singles')).body, 'B-7')).toBe('open');
  });
});

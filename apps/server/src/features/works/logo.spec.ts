import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('logo_test');
  manager = await visitor(server.app, 'manager');
  operator = await visitor(server.app, 'operator');
});
afterAll(() => server.stop());

/** A picture of one dot, as PNG. */
const DOT = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
const shown = async (): Promise<string | null> =>
  ((await operator.call('get', '/api/works/logo')).body as { logo: string | null }).logo;
const faults = (body: unknown): string[] =>
  ((body as { errors?: { message: string }[] }).errors ?? []).map(({ message }) => message);

describe('the logo of the works', () => {
  it('is set, stands on orders and offers, and is taken away', async () => {
    expect(await shown()).toBeNull();
    const before = await manager.bytes('/api/purchases/1/order.pdf');
    expect((await manager.call('put', '/api/works/logo', { image: DOT })).status).toBe(200);
    expect(await shown()).toBe(`data:image/png;base64,${DOT}`);
    for (const path of ['/api/purchases/1/order.pdf', '/api/offers/1/offer.pdf'])
      expect((await manager.bytes(path)).toString('latin1')).toContain('/Subtype /Image');
    expect(before.toString('latin1')).not.toContain('/Subtype /Image');
    expect((await manager.call('delete', '/api/works/logo')).status).toBe(200);
    expect(await shown()).toBeNull();
  });

  it('is refused where it is no picture or damaged, with what to do, and nothing is kept', async () => {
    const bytes = Buffer.from(DOT, 'base64');
    const damaged = Buffer.concat([bytes.subarray(0, 40), Buffer.from('damaged')]).toString('base64');
    const answers = [Buffer.from('no picture at all').toString('base64'), damaged, 'no base64!'].map((image) =>
      manager.call('put', '/api/works/logo', { image }),
    );
    const [none, broken, text] = await Promise.all(answers);
    expect([none?.status, faults(none?.body)]).toEqual([422, ['This is neither a PNG nor a JPEG.']]);
    expect([broken?.status, faults(broken?.body)]).toEqual([
      422,
      ['This picture is damaged: it cannot be drawn. Save it anew as PNG or JPEG.'],
    ]);
    expect([text?.status, faults(text?.body)[0]]).toEqual([422, expect.stringContaining('base64')]);
    expect(await shown()).toBeNull();
  });

  it('is set by who sets the works alone', async () => {
    expect((await operator.call('put', '/api/works/logo', { image: DOT })).status).toBe(403);
  });
});

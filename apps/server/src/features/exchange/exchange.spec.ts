import type { Exchanged, JobBook, People, Problem, Revision } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('exchange_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const read = (xml: string | Buffer, by = manager) =>
  by.call('post', '/api/exchange/xjdf', { file: Buffer.from(xml as string).toString('base64') });
const added = async (number: string): Promise<Revision> =>
  (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number }))).body as Revision;
async function written(id: number, by = manager): Promise<string> {
  const answer = await by.call('get', `/api/jobs/${id}/revisions/1/job.xjdf`);
  expect(answer.status).toBe(200);
  expect(answer.headers['content-type']).toMatch(/^application\/xml/);
  return answer.text ?? (answer.body as Buffer).toString();
}

describe('a job for other programs', () => {
  it('is written, and read as the same job; nothing is taken in by reading', async () => {
    const { id, job } = await added('EX-1');
    const answer = await read(await written(id));
    expect(answer.status).toBe(200);
    expect(answer.body).toEqual({ job, why: [], said: [], counts: [] } satisfies Exchanged);
    expect(((await manager.call('get', '/api/jobs?search=EX-1')).body as unknown[]).length).toBe(1);
  });

  it('tells what the floor has counted', async () => {
    const { id, job } = await added('EX-2');
    const step = job.route[0]?.id ?? '';
    const lines = [
      { job: 'EX-2', station: 'Box', at: '2026-11-30T14:05:00Z', begun: '2026-11-30T13:05:00Z', good: 640, spoiled: 9 },
    ];
    expect((await manager.call('post', '/api/book/counts', { device: 'Counter', lines })).body).toMatchObject({
      entered: 4,
    });
    const text = await written(id);
    expect(text).toContain('<PartAmount Amount="640" Waste="9"/>');
    expect(text).toContain('Start="2026-11-30T13:05:00.000Z" End="2026-11-30T14:05:00.000Z"');
    expect(text).not.toContain(`d:Station="${step}"`);
    const { records } = (await manager.call('get', `/api/jobs/${id}/book`)).body as JobBook;
    expect(records).toHaveLength(4);
  });

  it('has counts of a device back at the station that runs on it', async () => {
    const { id } = await added('EX-4');
    const devices = [...(await written(id)).matchAll(/<Device DeviceID="([^"]+)"/g)].map(([, one = '']) => one);
    const device = devices.find((one) => devices.indexOf(one) === devices.lastIndexOf(one)) ?? '';
    const answer = await read(
      `<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0" JobID="EX-4" Types="ConventionalPrinting"><AuditPool><AuditResource>
<Header AgentName="Press" DeviceID="${device}" Time="2026-11-30T10:00:00Z"/><ResourceInfo><ResourceSet Name="Component"><Resource><AmountPool>
<PartAmount Amount="77"/></AmountPool></Resource></ResourceSet></ResourceInfo></AuditResource></AuditPool></XJDF>`,
    );
    const { counts: lines } = answer.body as Exchanged;
    expect(lines).toMatchObject([{ job: 'EX-4', station: device, good: 77 }]);
    const entered = await manager.call('post', '/api/book/counts', { device: 'Press', lines });
    expect(entered.body).toMatchObject({ entered: 1 });
    const { records } = (await manager.call('get', `/api/jobs/${id}/book`)).body as JobBook;
    expect(records[0]?.event).toMatchObject({ kind: 'good', count: 77 });
  });

  it('says no prices to who sees none', async () => {
    const { roles } = (await manager.call('get', '/api/people')).body as People;
    const viewer = roles.find((role) => role.id === 'viewer');
    const job = exampleJob('trail-map', { number: 'EX-3', norms: { 'price.plate': 123.25 } });
    const { id } = (await manager.call('post', '/api/jobs', job)).body as Revision;
    const seen = await visitor(server.app, 'viewer');
    expect(await written(id, seen)).toContain('123.25');
    await manager.call('put', '/api/roles/viewer', { name: viewer?.name, rights: [], stations: viewer?.stations });
    expect(await written(id, await visitor(server.app, 'viewer'))).not.toContain('123.25');
  });

  it.each([
    ['no XML', 'a;b', 'line 1', /Start tag expected/],
    ['a DOCTYPE', '<!DOCTYPE XJDF []>\n<XJDF/>', 'line 2', /DOCTYPE is not read/],
    ['another root', '<JDF/>', 'line 1', /The root is JDF/],
  ])('refuses %s with its line', async (_, xml, path, message) => {
    const answer = await read(xml);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors).toEqual([{ path, message: expect.stringMatching(message) as string }]);
  });

  it('says why there is no job in it, and which file is too large', async () => {
    const none = await read('<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0" JobID="X" Types="Folding"/>');
    expect(none.body).toEqual({
      job: null,
      why: ['There is no product in it: a ProductList with a Product says what is wanted.'],
      said: [],
      counts: [],
    });
    const large = await read(Buffer.alloc(1_100_000, 'a'));
    expect(large.status).toBe(422);
    expect((large.body as Problem).errors?.[0]?.message).toMatch(/at most 1,400,000 characters/);
    expect((await read('')).status).toBe(422);
  });
});

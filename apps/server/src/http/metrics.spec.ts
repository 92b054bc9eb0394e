import { type TestServer, startServer, visitor } from '../server.fixture.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer('metrics_test', { metrics: true });
});
afterAll(() => server.stop());

describe('metrics', () => {
  it('tell every answer by endpoint and status, and the process, in the text format', async () => {
    const someone = await visitor(server.app, 'viewer');
    await someone.call('get', '/api/works');
    await someone.call('get', '/api/people');
    const answer = await (await visitor(server.app)).call('get', '/metrics');
    expect([answer.status, answer.headers['content-type']]).toEqual([200, expect.stringContaining('version=0.0.4')]);
    expect(answer.text).toContain('druckerei_answer_seconds_count{endpoint="works",status="200"} 1');
    expect(answer.text).toContain('druckerei_answer_seconds_count{endpoint="people",status="403"} 1');
    expect(answer.text).toMatch(/^process_resident_memory_bytes \d+/m);
    // Nobody's name, no number of a job, no address.
    expect(answer.text).not.toMatch(/viewer|HB-/);
  });

  it('are not given where the setting does not say so', async () => {
    const plain = await startServer('no_metrics_test', { demo: false });
    expect((await (await visitor(plain.app)).call('get', '/metrics')).status).toBe(404);
    await plain.stop();
  });

  it('readiness says whether this instance may be asked: its schema and its database are there', async () => {
    expect((await (await visitor(server.app)).call('get', '/api/ready')).body).toEqual({ status: 'ready' });
  });
});

import express from 'express';
import request from 'supertest';
import { answerProblems } from './problem.js';
import { openLog, requestLog } from './log.js';

const lines: Record<string, unknown>[] = [];
const log = openLog('info', { write: (line) => lines.push(JSON.parse(line) as Record<string, unknown>) });

const app = express()
  .use(requestLog(log))
  .get('/feeds/secret', (_request, response) => void response.send('a calendar'))
  .get('/fault', () => {
    throw Object.assign(new RangeError('a fault of our own'), { client: { password: 'weir' } });
  })
  .use(answerProblems);

const said = (text: string): Record<string, unknown> | undefined => lines.find(({ msg }) => msg === text);

describe('the log', () => {
  it('holds what went wrong under the number that is answered, and nothing that the driver knows besides', async () => {
    const answer = await request(app).get('/fault').set('Cookie', 'druckerei=let-me-in');
    expect(answer.status).toBe(500);
    const line = said('unexpected error');
    expect(line).toMatchObject({ err: { type: 'RangeError', message: 'a fault of our own' } });
    expect((answer.body as { detail: string }).detail).toContain(line?.['errorId']);
    expect(JSON.stringify(lines)).not.toMatch(/weir|let-me-in/);
  });

  it('has a line for a request, without what an address lets in by', async () => {
    await request(app).get('/feeds/secret');
    expect(said('request completed')).toBeDefined();
    expect(JSON.stringify(lines)).toContain('/feeds/…');
    expect(JSON.stringify(lines)).not.toContain('secret');
  });

  it('tells an error that is logged outside a request, too', () => {
    log.error({ err: new Error('no place left') }, 'backup');
    expect(said('backup')).toMatchObject({ err: { message: 'no place left' } });
  });
});

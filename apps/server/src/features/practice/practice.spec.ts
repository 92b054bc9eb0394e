import { makeExercise, bestShift, makeShift } from '@druckerei/core';
import type { ClassLine, Problem, Reached } from '@druckerei/contract';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let learner: Visitor;
beforeAll(async () => {
  server = await startServer('practice_test');
  learner = await visitor(server.app, 'viewer');
});
afterAll(() => server.stop());

async function textOf(bytes: Uint8Array): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages = Array.from({ length: document.numPages }, async (_, i) => {
    const { items } = await (await document.getPage(i + 1)).getTextContent();
    return items.map((item) => ('str' in item ? item.str : '')).join(' ');
  });
  return (await Promise.all(pages)).join(' ').replace(/\s+/g, ' ');
}
const sheet = (query: string, kind = 'spine') => `/api/practice/${kind}/sheet.pdf?${query}`;

describe('a sheet of exercises', () => {
  it('has so many from a number on, without what is right; the answers are another document', async () => {
    const asked = await textOf(await learner.bytes(sheet('seed=17&count=3')));
    const answers = await textOf(await learner.bytes(sheet('seed=17&count=3&answers=1')));
    for (const no of [17, 18, 19]) for (const text of [asked, answers]) expect(text).toContain(`No. ${no}`);
    expect(asked).not.toContain('No. 20');
    const made = makeExercise('spine', 17, 1);
    if (!made.ok) throw new Error('cannot be made');
    const pages = String(made.value.values['pages']);
    expect(asked).toContain(`A book of ${pages} pages`);
    const { formula = '' } = made.value.rows.at(-1) ?? {};
    expect(formula).not.toBe('');
    expect([asked.includes(formula), answers.includes(formula)]).toEqual([false, true]);
    expect(asked).toContain('Name:');
  });

  it('asks for the last result alone in the highest grade', async () => {
    const [every, last] = await Promise.all(
      ['1', '3'].map(async (grade) => textOf(await learner.bytes(sheet(`seed=4&count=1&grade=${grade}`)))),
    );
    expect([every?.includes('Block'), last?.includes('Block')]).toEqual([true, false]);
  });

  it.each([
    ['seed=1', 'nothing', 404, /no exercise|nothing/i],
    ['seed=0', 'spine', 400, /./],
    ['count=51', 'spine', 400, /./],
    ['grade=4', 'spine', 400, /./],
    ['answers=yes', 'spine', 400, /./],
  ])('of %s of %s is %i', async (query, kind, status, said) => {
    const answer = await learner.call('get', sheet(query, kind));
    expect(answer.status).toBe(status);
    expect((answer.body as Problem).title).toMatch(said);
  });
});

describe('what was reached in exercises', () => {
  const made = (seed: number) => {
    const exercise = makeExercise('spine', seed, 1);
    if (!exercise.ok) throw new Error('cannot be made');
    return exercise.value;
  };
  const right = (seed: number) => made(seed).rows.map(({ id, value }) => ({ row: id, value }));
  const fill = (who: Visitor, seed: number, answers: unknown, change = {}) =>
    who.call('post', '/api/practice/reached', { kind: 'spine', seed, grade: 1, answers, ...change });

  it('is marked by the server, and kept with the account: the best, and how often', async () => {
    const [first = { row: '', value: 0 }, ...others] = right(3);
    const wrong = await fill(learner, 3, [{ ...first, value: first.value * 3 }, ...others]);
    expect(wrong.status).toBe(201);
    expect(wrong.body).toMatchObject([{ kind: 'spine', times: 1 }]);
    const [before] = wrong.body as Reached[];
    expect(before?.best).toBeGreaterThan(0);
    expect(before?.best).toBeLessThan(1);
    expect((await fill(learner, 4, right(4))).body).toMatchObject([{ kind: 'spine', times: 2, best: 1 }]);
    expect((await fill(learner, 4, [])).body).toMatchObject([{ kind: 'spine', times: 3, best: 1 }]);
    expect((await learner.call('get', '/api/practice/reached')).body).toMatchObject([{ times: 3 }]);
  });

  it('is of a shift what the best loses of what was lost', async () => {
    const operator = await visitor(server.app, 'operator');
    const play = (change: object = {}) => {
      const { decisions, extra } = bestShift(makeShift(9));
      return operator.call('post', '/api/practice/shifts', { seed: 9, decisions, extra, ...change });
    };
    const idle = Array.from({ length: 12 }, () => ({ moves: {}, keys: {} }));
    const first = await play({ decisions: idle });
    expect(first.status).toBe(201);
    const [before] = first.body as Reached[];
    expect(before).toMatchObject({ kind: 'shift', times: 1 });
    expect(before?.best).toBeLessThan(1);
    expect((await play()).body).toMatchObject([{ kind: 'shift', times: 2, best: 1 }]);
    for (const [change, path] of [
      [{ decisions: idle.slice(1) }, 'decisions'],
      [{ decisions: [{ moves: { K: 1 }, keys: {} }, ...idle.slice(1)] }, 'decisions[0].moves'],
      [{ decisions: [{ moves: { C: 21 }, keys: {} }, ...idle.slice(1)] }, 'decisions[0].moves.C'],
      [{ extra: -1 }, 'extra'],
    ] as const) {
      const answer = await play(change);
      expect(answer.status).toBe(422);
      expect((answer.body as Problem).errors?.[0]?.path).toBe(path);
    }
  });

  it('is seen by oneself and by whoever manages people, each by name', async () => {
    const manager = await visitor(server.app, 'manager');
    expect((await manager.call('get', '/api/practice/reached')).body).toEqual([]);
    await fill(manager, 5, right(5));
    const all = (await manager.call('get', '/api/practice/class')).body as ClassLine[];
    expect(all.map(({ name, kind, best }) => [name, kind, best])).toEqual([
      ['Press operator, early shift', 'shift', 1],
      ['Production manager', 'spine', 1],
      ['Sales desk', 'spine', 1],
    ]);
    expect((await learner.call('get', '/api/practice/class')).status).toBe(403);
  });

  it.each([
    ['no such exercise', { kind: 'spline' }, 'kind'],
    ['a row that it has not', { answers: [{ row: 'spin', value: 1 }] }, 'answers[0].row'],
    ['no number', { answers: [{ row: 'block', value: 'much' }] }, 'answers[0].value'],
  ])('refuses %s', async (_, change, path) => {
    const answer = await fill(learner, 3, [], change);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors?.map((one) => one.path)).toEqual([path]);
  });
});

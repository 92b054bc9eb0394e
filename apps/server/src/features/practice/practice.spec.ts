import { makeExercise } from '@druckerei/core';
import type { Problem } from '@druckerei/contract';
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

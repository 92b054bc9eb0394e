import { type Job, type Works, SHIPPED_WORKS } from '@druckerei/core';
import type { Revision } from '@druckerei/contract';
import { setTimeout as wait } from 'node:timers/promises';
import { ProblemError } from '../http/problem.js';
import { exampleJob } from '../server.fixture.js';
import { assess } from './tasks.js';
import { type WorkLimits, type Workshop, WORK_LIMITS, openWorkshop } from './workshop.js';

const works: Works = SHIPPED_WORKS;
const atlas = exampleJob('star-atlas');
const revisionOf = (job: Job): Revision =>
  ({
    id: 1,
    revision: 1,
    state: 'draft',
    version: 1,
    changedAt: new Date(0).toISOString(),
    changedBy: '',
    job,
    works,
    revisions: [],
  }) as never;

const opened: Workshop[] = [];
const open = (limits: Partial<WorkLimits> = {}): Workshop => {
  const workshop = openWorkshop({ ...WORK_LIMITS, ...limits });
  opened.push(workshop);
  return workshop;
};
afterAll(() => Promise.all(opened.map((workshop) => workshop.close())));

const problemOf = (work: Promise<unknown>): Promise<ProblemError> =>
  work.then(
    () => {
      throw new Error('nothing was refused');
    },
    (error: unknown) => error as ProblemError,
  );

describe('the workshop', () => {
  it('gives what the task gives (differential, against the task on this thread)', async () => {
    const made = await open().run('assess', { job: atlas, works });
    expect(made).toEqual(structuredClone(assess({ job: atlas, works })));
    expect(made.needs.length).toBeGreaterThan(3);
  });

  it('may be closed at any moment while its threads begin, and nobody else is hurt', async () => {
    for (let after = 0; after < 900; after += 75) {
      const workshop = openWorkshop(WORK_LIMITS);
      const run = workshop.run('assess', { job: atlas, works }).then(
        () => 'done',
        (error: unknown) => (error instanceof ProblemError ? error.status : error),
      );
      await wait(after);
      await workshop.close();
      expect(['done', 503]).toContain(await run);
    }
  });

  it('passes on the problem that a task tells', async () => {
    const workshop = open();
    const problem = await problemOf(workshop.run('layoutSvg', { revision: revisionOf(atlas), component: 'nothing' }));
    expect(problem).toBeInstanceOf(ProblemError);
    expect([problem.status, problem.title]).toEqual([404, 'This job has no component nothing']);
  });

  it('holds nobody else up while it works', async () => {
    const workshop = open();
    const ticket = workshop.run('ticket', { revision: revisionOf(atlas) });
    let turns = 0;
    const timer = setInterval(() => turns++, 5);
    expect((await ticket).byteLength).toBeGreaterThan(10_000);
    clearInterval(timer);
    expect(turns).toBeGreaterThan(10);
  });

  it('ends what runs longer than it may with the reason, and works on', async () => {
    const workshop = open();
    const problem = await problemOf(workshop.run('ticket', { revision: revisionOf(atlas) }, { runMs: 1 }));
    expect([problem.status, problem.title]).toEqual([422, expect.stringContaining('longer than 0.001 seconds')]);
    expect((await workshop.run('assess', { job: atlas, works })).problems).toEqual([]);
  });

  it('ends what nobody waits for any more', async () => {
    const gone = new AbortController();
    const workshop = open();
    const ticket = problemOf(workshop.run('ticket', { revision: revisionOf(atlas) }, { signal: gone.signal }));
    setTimeout(() => gone.abort(), 100);
    expect((await ticket).status).toBe(499);
  });

  it('refuses what takes more memory than it may, and works on', async () => {
    const workshop = open({ memoryMb: 48 });
    const numbered = exampleJob('season-tickets', {
      order: { ...exampleJob('season-tickets').order, quantity: 900_000 },
    });
    const problem = await problemOf(workshop.run('numbersCsv', { revision: revisionOf(numbered), step: 'number' }));
    expect([problem.status, problem.title]).toEqual([422, expect.stringContaining('48 MB')]);
    expect((await workshop.run('assess', { job: atlas, works })).problems).toEqual([]);
    // Memory that runs out is looked for long before it is given up, on a machine that others use too.
  }, 180_000);

  it('says that it is busy where too many wait', async () => {
    const workshop = open({ queue: 1 });
    const map = revisionOf(exampleJob('trail-map'));
    const all = await Promise.allSettled(Array.from({ length: 8 }, () => workshop.run('ticket', { revision: map })));
    const refused = all.flatMap((one) => (one.status === 'rejected' ? [one.reason as ProblemError] : []));
    expect(all.some(({ status }) => status === 'fulfilled')).toBe(true);
    expect(refused.length).toBeGreaterThan(0);
    expect(new Set(refused.map(({ status }) => status))).toEqual(new Set([503]));
  });
});

import { loadDemo, setUpWorks } from '../demo/load-demo.js';
import { freshDatabase } from '../server.fixture.js';
import { openWorkshop } from '../work/workshop.js';
import { alone } from './alone.js';
import { type Database, connect } from './database.js';
import { setUpSchema } from './schema.js';

let urls: Awaited<ReturnType<typeof freshDatabase>>;
const open: Database[] = [];
const instance = (): Database => {
  const database = connect(urls.application, () => undefined);
  open.push(database);
  return database;
};
const workshop = openWorkshop();
beforeAll(async () => {
  urls = await freshDatabase('alone_test');
});
afterAll(async () => {
  await Promise.all([workshop.close(), ...open.map((one) => one.close())]);
});

describe('instances that start at once', () => {
  it('set up one works between them: schema, grants and demo, each once', async () => {
    const start = async (): Promise<readonly string[]> => {
      const ran = await setUpSchema(urls.application, urls.owner);
      const database = instance();
      await alone(database, async () => {
        await setUpWorks(database);
        await loadDemo({ database, workshop });
      });
      return ran;
    };
    const ran = await Promise.all([start(), start(), start()]);
    // The migrations ran in one of them, all of them.
    const counts = ran.map(({ length }) => length).sort((a, b) => a - b);
    expect(counts).toEqual([0, 0, expect.any(Number)]);
    expect(counts[2]).toBeGreaterThan(10);
    const { rows } = await instance().pool.query<{ works: number; accounts: number; numbers: number; jobs: number }>(
      `SELECT (SELECT count(*)::integer FROM works) AS works, (SELECT count(*)::integer FROM account) AS accounts,
         (SELECT count(DISTINCT number)::integer FROM job) AS numbers, (SELECT count(*)::integer FROM job) AS jobs`,
    );
    expect(rows).toEqual([{ works: 1, accounts: 3, numbers: 17, jobs: 17 }]);
  });

  it('do one after another what is to be done alone, also where one fails at it', async () => {
    const [one, other] = [instance(), instance()];
    const seen: string[] = [];
    const work = (name: string, fails: boolean) => async (): Promise<void> => {
      seen.push(`${name} in`);
      await new Promise((resolve) => setTimeout(resolve, 50));
      seen.push(`${name} out`);
      if (fails) throw new Error(`${name} failed`);
    };
    const results = await Promise.allSettled([alone(one, work('a', true)), alone(other, work('b', false))]);
    expect(results.map(({ status }) => status)).toEqual(['rejected', 'fulfilled']);
    const [first, second] = [seen.slice(0, 2), seen.slice(2)].map((pair) => pair.map((words) => words.slice(0, 1)));
    expect([first?.[0], second?.[0]]).toEqual([first?.[1], second?.[1]]);
  });
});

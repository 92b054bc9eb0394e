import { SHIPPED_WORKS } from '@druckerei/core';
import { setUpWorks } from '../demo/load-demo.js';
import { currentWorks } from '../features/works/works.js';
import { freshDatabase } from '../server.fixture.js';
import { type Database, connect } from './database.js';
import { migrate } from './migrate.js';
import { setUpSchema } from './schema.js';

const opened: Database[] = [];
afterAll(() => Promise.all(opened.map((database) => database.close())));

it('a works of the schema before machines stood by themselves keeps its machines, stocks, norms and people, and starts', async () => {
  const { application, owner } = await freshDatabase('upgrade_test');
  const before = connect(owner, () => undefined);
  opened.push(before);
  await migrate(before, '014_settings_pictures.sql');
  const { norms: _norms, ...shipped } = SHIPPED_WORKS;
  const [first, second, ...others] = shipped.machines;
  const own = { ...first, id: 'own-press', name: 'Press at the window' };
  const body = { ...shipped, name: 'Mill at the Weir', machines: [second, own, first, ...others] };
  await before.pool.query(
    "INSERT INTO account (login, name, role, password_hash) VALUES ('a', 'Anna', 'manager', 'x'), ('o', 'Otto', 'operator', 'x')",
  );
  await before.pool.query('INSERT INTO works (body) VALUES ($1)', [JSON.stringify(body)]);
  await before.pool.query("INSERT INTO norm (id, value) VALUES ('machine.own-press.rate', 99)");
  await before.pool.query(
    "INSERT INTO norm_change (norm, value_before, value_after, reason, changed_by) VALUES ('machine.own-press.rate', 120, 99, 'counted', 1)",
  );

  await setUpSchema(application, owner);
  const after = connect(application, () => undefined);
  opened.push(after);
  await setUpWorks(after, { ...SHIPPED_WORKS, name: 'of another start' });
  const works = await currentWorks(after);
  expect([works.name, works.machines, works.stocks]).toEqual([body.name, body.machines, body.stocks]);
  expect(works.norms['machine.own-press.rate']).toMatchObject({ value: 99, source: { note: 'Anna: counted' } });
  const people = await after.many<{ login: string; roleName: string }>('people/all');
  expect(people.map(({ login, roleName }) => [login, roleName])).toEqual([
    ['a', 'Manager'],
    ['o', 'Operator'],
  ]);
});

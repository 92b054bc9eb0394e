import { type TestServer, startServer } from '../server.fixture.js';
import { migrate } from './migrate.js';
import { queryNames, sql } from './sql.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer('sql_test');
});
afterAll(() => server.stop());

describe('SQL files', () => {
  it.each(queryNames())('%s says what it is for and fits the schema', async (name) => {
    const text = sql(name);
    expect(text).toMatch(/^-- \S.*(One|Many|None)/m);
    await server.database.pool.query(`PREPARE "fits ${name}" AS ${text}`);
  });
});

describe('migrations', () => {
  it('run once', async () => {
    await expect(migrate(server.owner)).resolves.toEqual([]);
  });

  it('take a file for run that was mended after it ran', async () => {
    const { pool } = server.owner;
    const ofOld = 'b8e7b381b3ebb17ccc5d83eab9a22bae259412d27a07b95b8f6a0dcc3a4969e8';
    await pool.query("UPDATE migration SET checksum = $1 WHERE name = '012_aside.sql'", [ofOld]);
    await expect(migrate(server.owner)).resolves.toEqual([]);
  });

  it('notice a file that was changed after it ran', async () => {
    await server.owner.pool.query("UPDATE migration SET checksum = 'other'");
    await expect(migrate(server.owner)).rejects.toThrow(/was changed after it ran/);
  });

  it('keep released revisions frozen, whoever asks', async () => {
    const { pool } = server.owner;
    await pool.query(
      "UPDATE revision SET state = 'released', works = '{}', released_by = changed_by, released_at = now() WHERE job_id = 1",
    );
    await expect(pool.query("UPDATE revision SET body = '{}' WHERE job_id = 1")).rejects.toMatchObject({
      constraint: 'revision_frozen',
    });
    await expect(pool.query('DELETE FROM revision WHERE job_id = 1')).rejects.toMatchObject({
      constraint: 'revision_frozen',
    });
  });
});

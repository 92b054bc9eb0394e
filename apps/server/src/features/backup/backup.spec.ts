import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Problem, Restored, Revision } from '@druckerei/contract';
import yazl from 'yazl';
import { type Database, connect } from '../../db/database.js';
import { migrate } from '../../db/migrate.js';
import {
  type TestServer,
  type Visitor,
  exampleJob,
  freshDatabase,
  startServer,
  visitor,
} from '../../server.fixture.js';
import { addAccount } from '../accounts/add-account.js';
import { backupInto, restoreFrom } from './command.js';
import type { Manifest } from '../../db/backup/manifest.js';
import { openBackup } from '../../db/backup/read-backup.js';
import { BACKUP_TABLES, LEFT_OUT } from '../../db/backup/tables.js';

let full: TestServer;
let empty: TestServer;
let folder: string;
const opened: Database[] = [];
const at = (name: string): string => path.join(folder, name);
const OWN = { login: 'keeper', name: 'Keeper', role: 'manager', password: 'a long password', demo: false } as const;

beforeAll(async () => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-backup-spec-'));
  full = await startServer('backup_full');
  empty = await startServer('backup_empty', { demo: false });
  await addAccount(full.database, OWN);
  await addAccount(empty.database, { ...OWN, login: 'first' });
});
afterAll(async () => {
  await Promise.all([full.stop(), empty.stop(), ...opened.map((database) => database.close())]);
  fs.rmSync(folder, { recursive: true, force: true });
});

/** Somebody with a password of their own. */
async function signedIn(server: TestServer, login: string): Promise<Visitor> {
  const someone = await visitor(server.app);
  expect((await someone.signIn(login, OWN.password)).status).toBe(200);
  return someone;
}
async function database(name: string): Promise<{ application: string; owner: string }> {
  return freshDatabase(name);
}
const counted = async (server: TestServer, table: string): Promise<number> =>
  Number((await server.database.pool.query<{ n: string }>(`SELECT count(*) AS n FROM ${table}`)).rows[0]?.n);

/** A backup with some of its entries otherwise. */
async function changed(
  file: string,
  change: (manifest: Manifest, lines: Map<string, string[]>) => void,
): Promise<Buffer> {
  const backup = await openBackup(file);
  const lines = new Map<string, string[]>();
  for (const { name } of BACKUP_TABLES) {
    const rows: string[] = [];
    for await (const row of backup.lines(name)) rows.push(row);
    lines.set(name, rows);
  }
  backup.close();
  const manifest = structuredClone(backup.manifest);
  change(manifest, lines);
  const zip = new yazl.ZipFile();
  for (const [name, rows] of lines)
    zip.addBuffer(Buffer.from(rows.map((row) => `${row}\n`).join('')), `tables/${name}.jsonl`);
  zip.addBuffer(Buffer.from(JSON.stringify(manifest)), 'manifest.json');
  zip.end();
  const parts: Buffer[] = [];
  for await (const part of zip.outputStream) parts.push(Buffer.from(part));
  return Buffer.concat(parts);
}

describe('a backup', () => {
  it('holds every table of the works', async () => {
    const { rows } = await full.database.pool.query<{ name: string }>(
      "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'",
    );
    expect(rows.map(({ name }) => name).sort()).toEqual(
      [...BACKUP_TABLES.filter(({ past }) => !past).map(({ name }) => name), ...LEFT_OUT].sort(),
    );
  });

  it('is restored into an empty database row for row, and the works goes on there', async () => {
    const manager = await signedIn(full, OWN.login);
    const made = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'B-1' }))).body as Revision;
    await manager.call('post', `/api/jobs/${made.id}/release`, {
      version: made.version,
      mark: made.works.mark ?? 0,
    });
    // Line breaks that no program should take for the end of a row.
    await full.database.pool.query("UPDATE holding SET place = E'bay\\u2028\\r\\n1' WHERE id = 1");
    const before = await backupInto(at('before.zip'), urlsOf(full));
    const addresses = await database('backup_restored');
    await restoreFrom(at('before.zip'), addresses);
    const after = await backupInto(at('after.zip'), addresses);
    expect(after.tables).toEqual(before.tables);
    expect(before.tables['job']?.rows).toBeGreaterThan(17);

    const restored = connect(addresses.application, () => undefined);
    opened.push(restored);
    const [next] = await restored.many<{ id: number }>('jobs/add', 'B-2');
    expect(next?.id).toBe(made.id + 1);
    await expect(restored.pool.query("UPDATE revision SET body = '{}' WHERE state = 'released'")).rejects.toMatchObject(
      {
        constraint: 'revision_frozen',
      },
    );
  });

  it('is written whole or not at all, and over nothing', async () => {
    fs.writeFileSync(at('there.zip'), 'mine');
    await expect(backupInto(at('there.zip'), urlsOf(full))).rejects.toThrow(/EEXIST/);
    expect(fs.readFileSync(at('there.zip'), 'utf8')).toBe('mine');
    expect(fs.readdirSync(folder).filter((name) => name.endsWith('.half'))).toEqual([]);
  });

  it('of an earlier version is brought up to date where it is restored', async () => {
    const old = await database('backup_old');
    const owner = connect(old.owner, () => undefined);
    opened.push(owner);
    await migrate(owner, '008_versions_and_sent.sql');
    await owner.pool.query(`
      INSERT INTO account (login, name, role, password_hash) VALUES ('a', 'A', 'manager', 'x');
      INSERT INTO works (body) VALUES ('{}');
      INSERT INTO job (number) VALUES ('OLD-1');
      INSERT INTO revision (job_id, revision, version, body, changed_by) VALUES (1, 1, 1, '{"title": "Old", "order": {"quantity": 5}}', 1)`);
    await backupInto(at('old.zip'), { application: old.owner });
    const addresses = await database('backup_young');
    await restoreFrom(at('old.zip'), addresses);
    const young = connect(addresses.application, () => undefined);
    opened.push(young);
    const { rows } = await young.pool.query('SELECT number, title, quantity FROM job');
    expect(rows).toEqual([{ number: 'OLD-1', title: 'Old', quantity: 5 }]);
    const response = await restoreHere(fs.readFileSync(at('old.zip')));
    expect([response.status, (response.body as Problem).title]).toEqual([
      422,
      expect.stringMatching(/earlier version/),
    ]);
  });
});

const urlsOf = (server: TestServer): { application: string } => ({ application: server.url });
const restoreHere = async (bytes: Buffer) =>
  (await signedIn(empty, 'first')).sendBytes('post', '/api/backup', 'application/zip', bytes);

describe('a file that cannot be restored', () => {
  const good = (): Buffer => fs.readFileSync(at('before.zip'));
  const rowsOf = (lines: Map<string, string[]>, table: string): string[] => lines.get(table) ?? [];

  it.each<[string, () => Promise<Buffer> | Buffer, RegExp]>([
    ['is no ZIP', () => Buffer.from('hello'), /cannot be opened as a ZIP/],
    ['is cut', () => good().subarray(0, good().length / 2), /cannot be opened as a ZIP/],
    [
      'was changed in a row',
      () =>
        changed(at('before.zip'), (_, lines) => {
          const rows = rowsOf(lines, 'holding');
          rows[0] = (rows[0] ?? '').replace(/"place":"[^"]*"/, '"place":"elsewhere"');
        }),
      /holding does not hold what the backup says/,
    ],
    [
      'lost a row',
      () => changed(at('before.zip'), (_, lines) => lines.get('holding_change')?.pop()),
      /does not hold what the backup says/,
    ],
    [
      'holds a row that cannot be',
      () =>
        changed(at('before.zip'), (_, lines) => {
          rowsOf(lines, 'destination').push('{"name":"Nowhere","days":-3}');
        }),
      /destination, rows 1 to \d+: .*destination_days_not_negative/,
    ],
    [
      'holds what is no row',
      () => changed(at('before.zip'), (_, lines) => rowsOf(lines, 'norm').push('}{')),
      /norm, rows/,
    ],
    [
      'was written by a later version',
      () => changed(at('before.zip'), ({ migrations }) => migrations.push({ name: '999_later.sql', checksum: 'x' })),
      /later version/,
    ],
    [
      'says nothing of a table',
      () =>
        changed(at('before.zip'), ({ tables }) => {
          delete tables['job'];
        }),
      /nothing of job/,
    ],
  ])('because it %s: says so, and changes nothing', async (_, bytes, why) => {
    const response = await restoreHere(await bytes());
    expect([response.status, (response.body as Problem).title]).toEqual([422, expect.stringMatching(why)]);
    expect(await counted(empty, 'job')).toBe(0);
    expect((await (await signedIn(empty, 'first')).call('get', '/api/works')).status).toBe(200);
  });

  it('because it is no backup at all', async () => {
    const manager = await signedIn(empty, 'first');
    expect((await manager.call('post', '/api/backup', { a: 1 })).status).toBe(415);
  });
});

describe('backup and restore in the application', () => {
  it('are for managers alone', async () => {
    for (const login of ['operator', 'viewer']) {
      const someone = await visitor(full.app, login);
      expect((await someone.call('get', '/api/backup')).status).toBe(403);
      expect((await someone.sendBytes('post', '/api/backup', 'application/zip', Buffer.from('x'))).status).toBe(403);
    }
  });

  it('restores nothing into a works that is in use', async () => {
    const manager = await signedIn(full, OWN.login);
    const jobs = await counted(full, 'job');
    const response = await manager.sendBytes(
      'post',
      '/api/backup',
      'application/zip',
      await manager.bytes('/api/backup'),
    );
    expect([response.status, (response.body as Problem).detail]).toEqual([409, expect.stringMatching(/job \d+/)]);
    expect(await counted(full, 'job')).toBe(jobs);
  });

  it('carries a works over: its accounts hold afterwards, those before do not, and both acts are on record', async () => {
    const manager = await signedIn(full, OWN.login);
    const bytes = await manager.bytes('/api/backup');
    const first = await signedIn(empty, 'first');
    const response = await first.sendBytes('post', '/api/backup', 'application/zip', bytes);
    expect([response.status, (response.body as Restored).jobs]).toEqual([200, await counted(full, 'job')]);
    expect((await first.call('get', '/api/jobs')).status).toBe(401);
    const again = await visitor(empty.app);
    expect((await again.signIn('first', OWN.password)).status).toBe(401);
    const keeper = await signedIn(empty, OWN.login);
    expect((await keeper.call('get', '/api/jobs?limit=100')).body).toEqual(
      (await manager.call('get', '/api/jobs?limit=100')).body,
    );
    const { rows } = await empty.database.pool.query(
      "SELECT actor, what FROM security_record WHERE what IN ('backup', 'restore')",
    );
    expect(rows).toEqual(
      expect.arrayContaining([
        { actor: OWN.login, what: 'backup' },
        { actor: 'first', what: 'restore' },
      ]),
    );
  });
});

describe("the application's role", () => {
  it.each([
    'ALTER TABLE revision DISABLE TRIGGER revision_frozen',
    'TRUNCATE security_record',
    'DELETE FROM book_entry',
    "UPDATE holding_change SET reason = ''",
    'DELETE FROM revision',
    "UPDATE migration SET checksum = 'x'",
    'DROP FUNCTION keep_released CASCADE',
  ])('cannot %s', async (statement) => {
    await expect(full.database.pool.query(statement)).rejects.toMatchObject({ code: '42501' });
  });
});

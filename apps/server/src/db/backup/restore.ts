import pg from 'pg';
import { type Database, runOnce } from '../database.js';
import { sql } from '../sql.js';
import type { Manifest, Migration } from './manifest.js';
import { type OpenBackup, UnusableBackup } from './read-backup.js';
import { linesOf, sameTally, tablesOf, tally } from './rows.js';
import { BACKUP_TABLES, type BackupTable } from './tables.js';

/** Why nothing can be restored into this works: it is in use. */
export class WorksInUse extends Error {}

/** Lines that are put into a table at once, and letters of them. */
const MOST_LINES = 500;
const MOST_LETTERS = 2_000_000;
/** Any number, the same in every instance: one restore at a time. */
const LOCK = 4_127_002;

async function refuseUnlessEmpty(client: pg.ClientBase, tables: readonly BackupTable[]): Promise<void> {
  const used: string[] = [];
  for (const { name, before } of tables) {
    if (before) continue;
    const { rows } = await client.query<{ n: string }>(`SELECT count(*) AS n FROM ${name}`);
    if (rows[0]?.n !== '0') used.push(`${name.replaceAll('_', ' ')} ${rows[0]?.n ?? ''}`);
  }
  if (used.length > 0)
    throw new WorksInUse(
      `A backup is restored into an empty works only; this one holds: ${used.join(', ')}. Start with a new database.`,
    );
}

async function refuseOther(client: pg.ClientBase, { migrations }: Manifest): Promise<void> {
  const { rows } = await client.query<Migration>(sql('backup/migrations'));
  const [ours, theirs] = [rows.map(({ checksum }) => checksum), migrations.map(({ checksum }) => checksum)];
  if (ours.length === theirs.length && ours.every((checksum, i) => checksum === theirs[i])) return;
  const known = ours.filter((checksum, i) => checksum === theirs[i]).length;
  throw new UnusableBackup(
    known === theirs.length
      ? 'This backup was written by an earlier version. Restore it with “npm run restore -- FILE” into a database that no server has started on; it is brought up to date there.'
      : 'This backup was written by a later version. Bring this installation up to date first.',
  );
}

/** What a row of a file says of itself where PostgreSQL refuses it; errors of the wire stay what they are. */
const refused = (error: unknown, where: string): unknown =>
  error instanceof pg.DatabaseError && /^(22|23)/.test(error.code ?? '')
    ? new UnusableBackup(`This backup cannot be restored, nothing was changed: ${where}: ${error.message}`)
    : error;

async function columnsOf(client: pg.ClientBase, { name, before }: BackupTable): Promise<string> {
  const { rows } = await client.query<{ name: string }>(sql('backup/columns'), [name]);
  return rows
    .filter((row) => before !== 'kept' || row.name !== 'id')
    .map((row) => pg.escapeIdentifier(row.name))
    .join(', ');
}

/** Puts the lines of a table in, a few hundred at a time. */
async function fill(client: pg.ClientBase, table: BackupTable, backup: OpenBackup): Promise<void> {
  const columns = await columnsOf(client, table);
  const insert = `INSERT INTO ${table.name} (${columns}) OVERRIDING SYSTEM VALUE SELECT ${columns} FROM json_populate_recordset(NULL::${table.name}, $1::json)`;
  let [batch, letters, rows]: [string[], number, number] = [[], 0, 0];
  const flush = async (): Promise<void> => {
    if (batch.length === 0) return;
    const where = `${table.name}, rows ${rows - batch.length + 1} to ${rows}`;
    await client.query(insert, [`[${batch.join(',')}]`]).catch((error: unknown) => {
      throw refused(error, where);
    });
    [batch, letters] = [[], 0];
  };
  for await (const line of backup.lines(table.name)) {
    batch.push(line);
    letters += line.length;
    rows++;
    if (batch.length === MOST_LINES || letters > MOST_LETTERS) await flush();
  }
  await flush();
}

/** What stands in a table now, counted and hashed as the backup was. */
async function standing(client: pg.ClientBase, table: BackupTable, behind: string) {
  const counted = tally();
  for await (const line of linesOf(client, table, table.before === 'kept' ? `id > ${behind}` : undefined))
    counted.add(line);
  return counted.end();
}

/** The last row that a table keeps from before a restore; 0 where it is replaced or was empty. */
async function lastBefore(client: pg.ClientBase, { name, before }: BackupTable): Promise<string> {
  if (before !== 'kept') return '0';
  const { rows } = await client.query<{ id: string }>(`SELECT coalesce(max(id), 0)::text AS id FROM ${name}`);
  return rows[0]?.id ?? '0';
}

/** Holds what stands against what the backup says, once all of it is in. */
async function compare(client: pg.ClientBase, table: BackupTable, behind: string, { tables }: Manifest): Promise<void> {
  const said = tables[table.name];
  if (!said) throw new UnusableBackup(`The backup says nothing of ${table.name}. Take the file as it was written.`);
  if (!sameTally(await standing(client, table, behind), said))
    throw new UnusableBackup(
      `This backup cannot be restored, nothing was changed: ${table.name} does not hold what the backup says. The file is damaged or was changed.`,
    );
}

/** What ends with the accounts that it belongs to. */
const ENDS: readonly string[] = ['session', 'sent_request', 'account_link', 'program_token', 'floor_feed'];

/** Takes out what a works has from its start, what refers ahead of what is referred to; an earlier schema has not all of it. */
async function emptyOut(client: pg.ClientBase, tables: readonly BackupTable[]): Promise<void> {
  const { rows } = await client.query<{ name: string }>(sql('backup/tables'));
  const ends = rows.map(({ name }) => name).filter((name) => ENDS.includes(name));
  const replaced = tables.filter(({ before }) => before === 'replaced').map(({ name }) => name);
  for (const name of [...ends, ...replaced.reverse()]) await client.query(`DELETE FROM ${name}`);
}

/** New rows are numbered behind those that came. */
async function countOn(client: pg.ClientBase): Promise<void> {
  const { rows } = await client.query<{ name: string; sequence: string }>(sql('backup/numbered'));
  const ours = new Set(BACKUP_TABLES.map(({ name }) => name));
  for (const { name, sequence } of rows)
    if (ours.has(name))
      await client.query(`SELECT setval($1, max(id)) FROM ${name} HAVING max(id) IS NOT NULL`, [sequence]);
}

/**
 * Restores a backup into an empty works, whole or not at all: accounts and the works are replaced, sessions end, and
 * what stands afterwards is hashed and held against the backup. Issues: {@link WorksInUse}, {@link UnusableBackup}.
 */
export const restoreBackup = ({ pool }: Pick<Database, 'pool'>, backup: OpenBackup): Promise<void> =>
  runOnce(pool, async (client) => {
    await client.query('SET LOCAL statement_timeout = 0; SET LOCAL idle_in_transaction_session_timeout = 0');
    await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
    // Whoever writes anything names an account: nobody does until this is over.
    await client.query('LOCK TABLE account IN EXCLUSIVE MODE');
    const tables = await tablesOf(client);
    await refuseUnlessEmpty(client, tables);
    await refuseOther(client, backup.manifest);
    await emptyOut(client, tables);
    const behind = new Map<string, string>();
    for (const table of tables) {
      behind.set(table.name, await lastBefore(client, table));
      await fill(client, table, backup);
    }
    for (const table of tables) await compare(client, table, behind.get(table.name) ?? '0', backup.manifest);
    await countOn(client);
  });

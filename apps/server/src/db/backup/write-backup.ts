import fs from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type pg from 'pg';
import yazl from 'yazl';
import { type Database, runOnce } from '../database.js';
import { sql } from '../sql.js';
import { MANIFEST, type Manifest, type Migration, entryOf } from './manifest.js';
import { type Tally, linesOf, tablesOf, tally } from './rows.js';

/** Everything is read as it stood when the first of it was. */
const ONE_MOMENT = 'BEGIN TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY';

/** Lines of all tables into a ZIP, one table after the other, and at the end what the backup says of itself. */
async function pack(client: pg.ClientBase, file: string): Promise<Manifest> {
  const { rows: migrations } = await client.query<Migration>(sql('backup/migrations'));
  const tables: Record<string, Tally> = Object.create(null) as Record<string, Tally>;
  const manifest: Manifest = {
    format: 'druckerei-backup',
    version: 1,
    made: new Date().toISOString(),
    migrations,
    tables,
  };
  const zip = new yazl.ZipFile();
  const failed = new AbortController();
  zip.once('error', (error: unknown) => failed.abort(error));
  for (const table of await tablesOf(client)) {
    async function* lines(): AsyncGenerator<string> {
      const counted = tally();
      for await (const line of linesOf(client, table)) {
        counted.add(line);
        yield `${line}\n`;
      }
      tables[table.name] = counted.end();
    }
    zip.addReadStreamLazy(entryOf(table.name), (give) => {
      const stream = Readable.from(lines(), { objectMode: true });
      stream.once('error', (error) => zip.emit('error', error));
      give(null, stream);
    });
  }
  zip.addReadStreamLazy(MANIFEST, (give) => {
    give(null, Readable.from([JSON.stringify(manifest, null, 2)]));
  });
  zip.end();
  const written = fs.createWriteStream(file, { mode: 0o600 });
  await pipeline(zip.outputStream, written, { signal: failed.signal }).catch((error: unknown) => {
    throw failed.signal.aborted ? failed.signal.reason : error;
  });
  return manifest;
}

/**
 * Writes everything that the works keeps into a ZIP of JSON lines: as it stood at one moment, while others go on writing.
 * Nothing but a whole file stays. @param file where; it must not be there yet.
 */
export async function writeBackup({ pool }: Pick<Database, 'pool'>, file: string): Promise<Manifest> {
  const half = `${file}.half`;
  try {
    const manifest = await runOnce(pool, (client) => pack(client, half), ONE_MOMENT);
    fs.linkSync(half, file);
    return manifest;
  } finally {
    fs.rmSync(half, { force: true });
  }
}

import fs from 'node:fs';
import { pipeline } from 'node:stream/promises';
import type { Request, Response } from 'express';
import type { Restored } from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import { upTo, withFile } from '../../http/received-file.js';
import type { Handlers } from '../../http/register.js';
import type { SecurityLog } from '../../http/security-log.js';
import type { Manifest } from '../../db/backup/manifest.js';
import { UnusableBackup, openBackup } from '../../db/backup/read-backup.js';
import { WorksInUse, restoreBackup } from '../../db/backup/restore.js';
import { writeBackup } from '../../db/backup/write-backup.js';

const ZIP = 'application/zip';
/** Bytes of a file that is sent to be restored; larger ones are restored by the command. */
export const MOST_BYTES = 1_000_000_000;
const tooLarge = (): string =>
  $localize`The file is larger than ${MOST_BYTES / 1e6} MB. Restore it with “npm run restore”.`;

async function receive(request: Request, file: string): Promise<void> {
  if (!request.is(ZIP)) throw new ProblemError(415, $localize`Send the backup itself, as ${ZIP}`);
  try {
    await pipeline(request, upTo(MOST_BYTES, tooLarge()), fs.createWriteStream(file, { mode: 0o600 }));
  } catch (error) {
    throw error instanceof ProblemError
      ? error
      : new ProblemError(400, $localize`The file did not come in whole. Send it again.`);
  }
}

const send = (response: Response, file: string, name: string): Promise<void> =>
  new Promise((resolve, reject) => {
    response.type(ZIP).download(file, name, (error) => {
      // Whoever goes away while it is sent needs no answer.
      if (error && !response.headersSent) reject(error);
      else resolve();
    });
  });

const brought = ({ made, tables }: Manifest): Restored => ({
  made,
  jobs: tables['job']?.rows ?? 0,
  rows: Object.values(tables).reduce((sum, { rows }) => sum + rows, 0),
});

/** Why a backup was not restored, as an answer. */
const told = (error: unknown): unknown => {
  if (error instanceof WorksInUse)
    return new ProblemError(409, $localize`This works is in use`, { detail: error.message });
  if (error instanceof UnusableBackup) return new ProblemError(422, error.message);
  return error;
};

export interface BackupOptions {
  readonly database: Database;
  readonly security: SecurityLog;
  /** Told when a works has been restored. */
  readonly worksChanged: () => void;
  /** Told when all sessions have ended. */
  readonly endSessions: () => void;
}

export const backupHandlers = ({
  database,
  security,
  worksChanged,
  endSessions,
}: BackupOptions): Pick<Handlers, 'backup' | 'restore'> => ({
  backup: ({ request, response, account }) =>
    withFile(async (file) => {
      const { made } = await writeBackup(database, file);
      await security.note(request, 'backup', account.login, 'done');
      await send(response, file, `druckerei-${made.slice(0, 10)}.zip`);
    }),

  restore: ({ request, account }) =>
    withFile(async (file) => {
      await receive(request, file);
      try {
        const backup = await openBackup(file);
        try {
          await restoreBackup(database, backup);
          await security.note(request, 'restore', account.login, 'done');
          endSessions();
          // Its account may be somebody else's now.
          request.session.destroy(() => undefined);
          worksChanged();
          return brought(backup.manifest);
        } finally {
          backup.close();
        }
      } catch (error) {
        throw told(error);
      }
    }),
});

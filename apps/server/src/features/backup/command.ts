import { connect } from '../../db/database.js';
import { migrate } from '../../db/migrate.js';
import { setUpSchema } from '../../db/schema.js';
import type { Manifest } from '../../db/backup/manifest.js';
import { openBackup } from '../../db/backup/read-backup.js';
import { restoreBackup } from '../../db/backup/restore.js';
import { writeBackup } from '../../db/backup/write-backup.js';

/** Where the database is: as the application, and as the role that owns its tables (the same where absent). */
export interface Addresses {
  readonly application: string;
  readonly owner?: string | undefined;
}

/** Writes a backup into a file that is not there yet. @returns what it says of itself. */
export async function backupInto(file: string, { application }: Addresses): Promise<Manifest> {
  const database = connect(application, () => undefined);
  try {
    return await writeBackup(database, file);
  } finally {
    await database.close();
  }
}

/**
 * Restores a backup into an empty database, or one that a server has started on and nobody has used; a backup of an
 * earlier version is brought up to date. @returns what it says of itself.
 */
export async function restoreFrom(file: string, { application, owner = application }: Addresses): Promise<Manifest> {
  const backup = await openBackup(file);
  const database = connect(owner, () => undefined);
  try {
    await migrate(database, backup.manifest.migrations.at(-1)?.name);
    await restoreBackup(database, backup);
    await setUpSchema(application, owner);
    return backup.manifest;
  } finally {
    backup.close();
    await database.close();
  }
}

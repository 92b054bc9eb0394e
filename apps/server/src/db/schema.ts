import { alone } from './alone.js';
import { connect } from './database.js';
import { grantTo, roleOf } from './grants.js';
import { migrate } from './migrate.js';
import { setUpQueue } from './queue.js';

/**
 * Brings the schema up to date as the role that owns it, and lets the application's role at it. Returns the migrations
 * that ran. @param owner address as the owner; the application owns its tables where absent.
 */
export async function setUpSchema(application: string, owner = application): Promise<string[]> {
  // However long it takes: a migration goes over all that is there.
  const database = connect(owner, () => undefined, {});
  try {
    return await alone(database, async () => {
      const ran = await migrate(database);
      await grantTo(database, roleOf(application));
      await setUpQueue(database, roleOf(application));
      return ran;
    });
  } finally {
    await database.close();
  }
}

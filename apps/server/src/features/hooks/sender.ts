import type { Database } from '../../db/database.js';
import { HOOK_QUEUE, queueOn } from '../../db/queue.js';
import { type Message, sendMessage } from './send-message.js';

/** Messages that are under way at once: one that nobody takes holds up no other. */
const AT_ONCE = 4;
/** Seconds between two looks whether there is one. */
const LOOK_S = 2;

/** A message did not arrive: the queue tries it again. */
class NotArrived extends Error {}

/** Tries a message that waits; nothing where it has gone meanwhile. @param last whether the queue gives up behind this try. */
export async function tryMessage(database: Database, id: number, last: boolean): Promise<void> {
  const message = await database.one<Message & Record<string, unknown>>('hooks/to-send', id);
  if (!message) return;
  const { arrived, outcome } = await sendMessage(message);
  const given = last ? 'given up' : 'waiting';
  await database.one('hooks/tried', id, arrived ? 'delivered' : given, outcome);
  if (!arrived) throw new NotArrived(outcome);
}

/** Sends what waits in the queue, whichever instance has put it there. @returns how it is ended. */
export async function sendMessages(
  database: Database,
  onError: (error: unknown) => void,
): Promise<() => Promise<void>> {
  const queue = queueOn(database, false);
  queue.on('error', onError);
  await queue.start();
  const options = { pollingIntervalSeconds: LOOK_S, includeMetadata: true } as const;
  for (let i = 0; i < AT_ONCE; i++)
    await queue.work<{ message: number }>(HOOK_QUEUE, options, async ([one]) => {
      if (!one) return;
      await tryMessage(database, one.data.message, one.retryCount >= one.retryLimit).catch((error: unknown) => {
        if (!(error instanceof NotArrived)) onError(error);
        throw error;
      });
    });
  // What is under way is handed back, and sent by another instance.
  return () => queue.stop({ graceful: false });
}

import type { Request } from 'express';
import type { SessionData } from 'express-session';
import type { Database } from '../../db/database.js';
import type { Live } from '../../http/live.js';
import type { Handlers } from '../../http/register.js';
import { type SessionMemory, MOST_MS, readAccount } from '../../http/session.js';

interface LiveOptions {
  readonly database: Database;
  readonly live: Live;
  readonly memory: SessionMemory;
}

/** The session as it is kept now; undefined where it has ended. */
const kept = ({ sessionStore, sessionID }: Request): Promise<SessionData | undefined> =>
  new Promise((resolve, reject) => {
    sessionStore.get(sessionID, (error: unknown, found) => {
      if (error) reject(error instanceof Error ? error : new Error('session'));
      else resolve(found ?? undefined);
    });
  });

export const liveHandlers = ({ database, live, memory }: LiveOptions): Pick<Handlers, 'live'> => ({
  live: ({ account, request, response }) => {
    const may = async (): Promise<boolean> => {
      memory.sessions.forget(request.sessionID);
      const session = await kept(request);
      if (session?.accountId !== account.id || Date.now() - session.since >= MOST_MS) return false;
      return (await readAccount(database, account.id)) !== undefined;
    };
    live.join({ account: account.id, response, may });
  },
});

import pg from 'pg';

/** The channel of the query `live/tell`. */
const CHANNEL = 'druckerei';
/** Milliseconds before a connection that broke is made anew, between two looks whether it still stands, and for its answer. */
const AGAIN_MS = 1_000;
const LOOK_MS = 15_000;
const ANSWER_MS = 5_000;

interface Heard {
  /** A message of some instance, this one too. */
  readonly heard: (message: string) => void;
  /** The connection stands again: what was said meanwhile is lost. */
  readonly again: () => void;
  readonly failed: (error: Error) => void;
}

export interface Ear {
  /** Listens, or could not yet and tries again by itself. */
  readonly ready: Promise<void>;
  close(): Promise<void>;
}

/** Hears what instances on a database tell each other, on a connection of its own that is made anew when it breaks. */
export function listenTo(connectionString: string, { heard, again, failed }: Heard): Ear {
  let client: pg.Client | undefined;
  let closed = false;
  let timer: NodeJS.Timeout | undefined;
  const later = (work: () => void, ms: number): void => {
    clearTimeout(timer);
    if (!closed) timer = setTimeout(work, ms).unref();
  };
  const broken = (one: pg.Client, error: Error): void => {
    if (one !== client) return;
    client = undefined;
    failed(error);
    one.end().catch(() => undefined);
    later(() => void open(again), AGAIN_MS);
  };
  const look = (one: pg.Client): void => {
    one.query('SELECT 1').then(
      () => later(() => look(one), LOOK_MS),
      (error: unknown) => broken(one, error as Error),
    );
  };
  const open = async (opened: () => void): Promise<void> => {
    const one = new pg.Client({
      connectionString,
      keepAlive: true,
      connectionTimeoutMillis: ANSWER_MS,
      query_timeout: ANSWER_MS,
    });
    client = one;
    one.on('error', (error) => broken(one, error));
    one.on('end', () => broken(one, new Error('the connection has ended')));
    one.on('notification', ({ payload = '' }) => heard(payload));
    try {
      await one.connect();
      await one.query(`LISTEN ${CHANNEL}`);
      opened();
      later(() => look(one), LOOK_MS);
    } catch (error) {
      broken(one, error as Error);
    }
  };
  return {
    ready: open(() => undefined),
    close: async () => {
      closed = true;
      clearTimeout(timer);
      const last = client;
      client = undefined;
      await last?.end();
    },
  };
}

import type { Request, Response } from 'express';
import type { Logger } from 'pino';
import { type Account, type Endpoint, type LiveMessage, TAB_HEADER, liveSchema } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { type Ear, listenTo } from '../db/listen.js';
import { ProblemError } from './problem.js';

/** Milliseconds between two signs of life, before each of which it is looked whether whoever listens still may. */
const BEAT_MS = 25_000;
/** Milliseconds before a browser comes back. */
const BACK_MS = 2_000;
/** Most streams of an account, and bytes that one may be behind. */
const MOST_OF_ONE = 50;
const MOST_BEHIND = 256 * 1024;

interface Listener {
  readonly account: number;
  readonly response: Response;
  /** Whether whoever listens is still signed in. */
  readonly may: () => Promise<boolean>;
}

/** Hands on what any instance on the database is told to everybody who listens at this one. */
export class Live {
  private readonly listeners = new Set<Listener>();
  private readonly heard: ((message: LiveMessage) => void)[] = [];
  private readonly ear: Ear;
  private closed = false;
  private readonly beat = setInterval(() => void this.lookAll(), BEAT_MS).unref();

  constructor(databaseUrl: string, failed: (error: Error) => void) {
    this.ear = listenTo(databaseUrl, {
      heard: (text) => this.hear(text),
      again: () => this.send({ topic: 'all', by: '' }),
      failed,
    });
  }

  /** Has something of this instance told too. */
  onHeard(heard: (message: LiveMessage) => void): void {
    this.heard.push(heard);
  }

  get ready(): Promise<void> {
    return this.ear.ready;
  }

  /** Answers somebody until they leave, their session ends or the server stops. */
  join(listener: Listener): void {
    const { account, response } = listener;
    if (this.closed) throw new ProblemError(503, $localize`The server is stopping`);
    if ([...this.listeners].filter((one) => one.account === account).length >= MOST_OF_ONE)
      throw new ProblemError(429, $localize`You listen from too many windows at once`, {
        detail: $localize`Close some of them: ${MOST_OF_ONE} may listen at a time.`,
      });
    response.writeHead(200, {
      'Content-Type': 'text/event-stream; charset=utf-8',
      // Neither packed nor held back on the way.
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    });
    // Who asks for the head alone is told what there would be, and does not wait.
    if (response.req.method === 'HEAD') {
      response.end();
      return;
    }
    response.write(`retry: ${BACK_MS}\n\n`);
    this.listeners.add(listener);
    response.once('close', () => this.listeners.delete(listener));
  }

  /** Ends a stream. It is told nothing more from here on: what is written behind the end of an answer ends the server. */
  private leave(listener: Listener): void {
    this.listeners.delete(listener);
    listener.response.end();
  }

  private hear(text: string): void {
    const message = liveSchema.safeParse(parsed(text));
    if (!message.success) return;
    this.send(message.data);
    for (const one of this.heard) one(message.data);
    // Somebody may have been disabled, or may no longer do what they could.
    if (['people', 'all'].includes(message.data.topic)) void this.lookAll();
  }

  private send(message: LiveMessage): void {
    for (const { response } of this.listeners) write(response, `event: change\ndata: ${JSON.stringify(message)}\n\n`);
  }

  private async lookAll(): Promise<void> {
    await Promise.all(
      [...this.listeners].map(async (listener) => {
        // Whoever cannot be looked up, as the database is away, is left alone until it is back.
        const may = await listener.may().catch(() => true);
        if (!this.listeners.has(listener)) return;
        if (may) write(listener.response, ':\n\n');
        else this.leave(listener);
      }),
    );
  }

  /** Ends every stream: browsers come back, to another instance or to this one when it has started anew. */
  async close(): Promise<void> {
    this.closed = true;
    clearInterval(this.beat);
    for (const listener of this.listeners) this.leave(listener);
    await this.ear.close();
  }
}

/** Tells a stream; one that does not take what it is told is given up. */
function write(response: Response, text: string): void {
  if (response.writableLength > MOST_BEHIND) response.destroy();
  else response.write(text);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Tells every instance what a call has changed, where its endpoint tells anything. Never fails: it was changed all the same. */
export const teller =
  (database: Database, log: Logger) =>
  async (account: Account, { tells }: Endpoint, request: Request): Promise<void> => {
    if (!tells) return;
    const [job, tab] = [Number(request.params['id']), request.get(TAB_HEADER)];
    const message: LiveMessage = {
      topic: tells,
      by: account.name,
      ...(['jobs', 'room'].includes(tells) && Number.isInteger(job) ? { job } : {}),
      ...(tab !== undefined && /^[a-z0-9]{1,60}$/.test(tab) ? { tab } : {}),
    };
    await database.one('live/tell', JSON.stringify(message)).catch((error: unknown) => {
      log.error({ err: error, topic: tells }, 'live');
    });
  };

import fs from 'node:fs/promises';
import path from 'node:path';
import type { Account } from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { type Note, noting } from '../../db/noted.js';
import { problemOf } from '../../http/problem.js';
import { readAccount } from '../../http/session.js';
import type { Bench } from '../jobs/bench.js';
import { TAKEN_ENDINGS, type TakenFile, takeFile } from './take-file.js';

/** Where files are dropped, and as whom they are taken in. */
export interface Inbox {
  readonly dir: string;
  readonly login: string;
  /** Milliseconds between two looks; a file is taken in when it has not grown from one to the next. */
  readonly everyMs?: number;
  /** Milliseconds after which a file that is still being taken in was left by an instance that stopped. */
  readonly leftMs?: number;
}

const EVERY_MS = 2_000;
const MOST_BYTES = 5_000_000;
const isWanted = (name: string): boolean =>
  !name.startsWith('.') && TAKEN_ENDINGS.includes(path.extname(name).toLowerCase());
/** Of a file that is being taken in: nobody else takes it. */
const CLAIMED = '.taking-';
const LEFT_MS = 10 * 60_000;
/** Letters of a file's name that the audit keeps. */
const MOST_SUBJECT = 200;

/** What changes as a file grows; undefined where it is gone. */
const stampOf = (file: string): Promise<string | undefined> =>
  fs.stat(file).then(
    ({ size, mtimeMs }) => `${size} ${mtimeMs}`,
    () => undefined,
  );
/** Whether a file could be moved. */
const moved = (from: string, to: string): Promise<boolean> =>
  fs.rename(from, to).then(
    () => true,
    () => false,
  );

/** The file's name in a folder, with a number where there is one of that name. */
async function freeName(folder: string, name: string): Promise<string> {
  const { name: base, ext } = path.parse(name);
  for (let n = 1; ; n++) {
    const file = path.join(folder, n === 1 ? name : `${base}-${n}${ext}`);
    if ((await stampOf(file)) === undefined) return file;
  }
}

/** Puts a file where it belongs, and the answer beside the place where it was dropped. */
async function answer({ dir }: Inbox, name: string, { taken, lines }: TakenFile): Promise<void> {
  const folder = path.join(dir, taken ? 'taken' : 'refused');
  await fs.mkdir(folder, { recursive: true });
  const head = taken
    ? $localize`Taken in.`
    : $localize`Refused; nothing of it was taken in. Mend it and drop it again.`;
  await fs.writeFile(path.join(dir, `${name}.answer.txt`), `${[head, ...lines].join('\n')}\n`);
  await fs.rename(path.join(dir, CLAIMED + name), await freeName(folder, name));
}

/** Who takes files in. Errors: throws where nobody of that name may plan. */
async function takerOf(database: Database, login: string): Promise<Account> {
  const row = await database.one<{ id: number }>('accounts/by-login', login);
  const account = row && (await readAccount(database, row.id));
  if (!account?.rights.includes('plan')) throw new Error(`INBOX_LOGIN: ${login} is nobody who may plan jobs`);
  return account;
}

/** What became of a file that is claimed. Errors: throws where the database is away. */
async function readClaimed(bench: Bench, account: Account, name: string, file: string): Promise<TakenFile> {
  const { size } = await fs.stat(file);
  if (size > MOST_BYTES) return { taken: false, lines: [$localize`A file may have ${MOST_BYTES / 1e6} MB at most.`] };
  const bytes = await fs.readFile(file);
  const note: Note = {
    values: [account.name, 'Take in a file of the inbox', name.slice(0, MOST_SUBJECT)],
    taken: false,
  };
  return noting(note, () => takeFile(bench, account, name, bytes));
}

/** Watches a folder, one file after another. */
class Watch {
  /** Files as they were seen last, by their names. */
  private seen = new Map<string, string>();
  private stopped = false;
  private said = '';
  private readonly timer: NodeJS.Timeout;
  private looking: Promise<void> | undefined;

  constructor(
    private readonly bench: Bench,
    private readonly inbox: Inbox,
    private readonly failed: (error: unknown) => void,
  ) {
    this.timer = setInterval(() => {
      this.looking ??= this.lookAndTell().finally(() => (this.looking = undefined));
    }, inbox.everyMs ?? EVERY_MS);
  }

  async stop(): Promise<void> {
    this.stopped = true;
    clearInterval(this.timer);
    await this.looking;
  }

  /** What goes on being wrong is told once. */
  private async lookAndTell(): Promise<void> {
    try {
      await this.look();
      this.said = '';
    } catch (error) {
      if (String(error) !== this.said) this.failed(error);
      this.said = String(error);
    }
  }

  private async look(): Promise<void> {
    const now = new Map<string, string>();
    for (const entry of await fs.readdir(this.inbox.dir, { withFileTypes: true })) {
      if (this.stopped) return;
      if (!entry.isFile()) continue;
      if (entry.name.startsWith(CLAIMED)) await this.tellLeft(entry.name.slice(CLAIMED.length));
      if (!isWanted(entry.name)) continue;
      const stamp = await stampOf(path.join(this.inbox.dir, entry.name));
      if (stamp !== undefined && this.seen.get(entry.name) === stamp) await this.take(entry.name);
      else if (stamp !== undefined) now.set(entry.name, stamp);
    }
    this.seen = now;
  }

  /** Takes in a file that nobody else has. */
  private async take(name: string): Promise<void> {
    const { database } = this.bench;
    const account = await takerOf(database, this.inbox.login);
    const [dropped, claimed] = [name, CLAIMED + name].map((one) => path.join(this.inbox.dir, one)) as [string, string];
    // Another instance may have it; what one has left of the same name is told first.
    if ((await stampOf(claimed)) !== undefined || !(await moved(dropped, claimed))) return;
    const made: TakenFile = await readClaimed(this.bench, account, name, claimed).catch(async (error: unknown) => {
      // The database is away, or the server is busy: it is taken in when that is over.
      if ((problemOf(error)?.status ?? 0) >= 500) {
        await fs.rename(claimed, await freeName(this.inbox.dir, name));
        throw error;
      }
      this.failed(error);
      return { taken: false, lines: [$localize`Something went wrong with it in the server, whose log says what.`] };
    });
    await answer(this.inbox, name, made);
    if (made.taken) await database.one('live/tell', JSON.stringify({ topic: made.topic ?? 'jobs', by: account.name }));
  }

  /** What an instance that stopped has left half done is told, and not done again: its jobs may be there. */
  private async tellLeft(name: string): Promise<void> {
    const { ctimeMs } = await fs.stat(path.join(this.inbox.dir, CLAIMED + name)).catch(() => ({ ctimeMs: Infinity }));
    if (Date.now() - ctimeMs < (this.inbox.leftMs ?? LEFT_MS)) return;
    const line = $localize`The server stopped while it was taken in. Look whether its jobs are there before it is dropped again.`;
    await answer(this.inbox, name, { taken: false, lines: [line] });
  }
}

/** Watches a folder for lists of orders, job files and XJDF. @returns what ends it, when what it has in hand is done. */
export function watchFolder(bench: Bench, inbox: Inbox, failed: (error: unknown) => void): () => Promise<void> {
  const watch = new Watch(bench, inbox, failed);
  return () => watch.stop();
}

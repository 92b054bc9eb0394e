import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { RoomEntry } from '@druckerei/core';
import type { EntryAnswer, SentAnswer, SentEntries } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { Subject, firstValueFrom } from 'rxjs';
import { BookApi } from './book-api';
import { BookShelf, type BookWaiting } from './book-shelf';
import { type Failure, failureOf, isUnanswered } from './problem';
import { newUid } from './new-uid';
import { sessionFeature } from './session.state';

/** Milliseconds before what waits is sent again. */
const AGAIN_MS = 5_000;
/** Of a job that nobody looks at nothing is asked back. */
const LAST = 2_147_483_647;
/** Entries, and characters of their pictures, that are sent at once; one goes whatever it weighs. */
const MOST_SENT = 200;
const MOST_CHARACTERS = 1_200_000;
const SENDING = 'druckerei-book-sending';

/** The first entries that go into one call. */
function loadOf(entries: readonly BookWaiting[], most: number): readonly BookWaiting[] {
  let characters = 0;
  const end = entries.findIndex(({ picture = '' }, i) => {
    characters += picture.length;
    return i >= most || (i > 0 && characters > MOST_CHARACTERS);
  });
  return end < 0 ? entries : entries.slice(0, end);
}

/** What the server has made of entries of a job: what became of each, and what the book has of it behind what was seen. */
export interface BookAnswer extends SentAnswer {
  readonly job: number;
  readonly seen: number;
}

/**
 * Entries of stations on their way to the book: each is kept on this device, under the account that made it, before it is
 * sent and until the server has answered. Each has a name of its own: sent again, by any tab, it is entered once. They go
 * in the order that they were made in.
 */
@Injectable({ providedIn: 'root' })
export class BookOutbox {
  private readonly api = inject(BookApi);
  private readonly shelf = inject(BookShelf);
  private readonly account = inject(Store).selectSignal(sessionFeature.selectAccount);
  private readonly entries = signal<readonly BookWaiting[]>([]);
  private readonly told = new Subject<BookAnswer>();
  private readonly others = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(SENDING);
  private sending: Promise<void> | undefined;
  private again = false;
  /** The last entry that is shown of jobs that are looked at here. */
  private readonly seen = new Map<number, number>();
  /** What this device keeps has been read. */
  private looked: Promise<void> = Promise.resolve();
  /** What the server does not have yet, oldest first. */
  readonly waiting = this.entries.asReadonly();
  readonly answers = this.told.asObservable();
  readonly unsent = computed(() => this.entries().length);
  /** The server did not answer the last time. */
  readonly away = signal(false);

  constructor() {
    effect(() => {
      this.account();
      untracked(() => {
        this.looked = this.look();
        void this.sendAll();
      });
    });
    setInterval(() => void this.sendAll(), AGAIN_MS);
    window.addEventListener('online', () => void this.sendAll());
    this.others?.addEventListener('message', () => {
      this.looked = this.look();
    });
  }

  /**
   * Keeps an entry here, then sends it. Resolves with what became of it; undefined while it waits.
   * @param late what a gate refuses is to be held for explaining, though it is sent at once; picture: of a photograph.
   */
  async enter(
    job: number,
    event: RoomEntry,
    { late = false, picture }: Partial<Pick<BookWaiting, 'late' | 'picture'>> = {},
  ): Promise<EntryAnswer | undefined> {
    await this.looked;
    const account = this.account();
    if (!account) return undefined;
    const uid = newUid();
    const entry = { account: account.id, job, uid, at: new Date().toISOString(), late, event, picture };
    const n = await this.shelf.add(entry);
    this.entries.update((entries) => [...entries, { ...entry, n }]);
    let answer: EntryAnswer | undefined;
    const heard = this.answers.subscribe(({ entries }) => {
      answer ??= entries.find((one) => one.uid === uid);
    });
    await this.sendAll();
    heard.unsubscribe();
    return answer;
  }

  /** Says which entry of a job is the last that is shown: later ones come with the answers to what is sent. */
  saw(job: number, last: number): void {
    this.seen.set(job, last);
  }

  /** Leaves an entry out that the server would not have. */
  async drop(entry: BookWaiting): Promise<void> {
    await this.gone([entry]);
  }
  /** Sends one again that the server would not have. */
  async retry(entry: BookWaiting): Promise<void> {
    await this.change([entry], { refused: undefined });
    await this.sendAll();
  }

  /** Sends all that waits; one sender at a time, of all tabs of this browser. */
  async sendAll(): Promise<void> {
    if (this.sending) {
      // What was entered meanwhile is sent behind it.
      this.again = true;
      await this.sending;
      return;
    }
    const locks = (navigator as { readonly locks?: LockManager }).locks;
    const run = async (): Promise<void> => {
      do {
        this.again = false;
        await this.send();
      } while (this.again);
    };
    this.sending = (locks ? locks.request(SENDING, run) : run()).then(
      () => undefined,
      () => undefined,
    );
    await this.sending;
    this.sending = undefined;
  }

  private async send(): Promise<void> {
    await this.looked;
    let most = MOST_SENT;
    for (;;) {
      // Whoever signs in meanwhile sends nothing of anybody else.
      const own = this.account()?.id;
      const open = this.entries().filter(({ refused, account }) => refused === undefined && account === own);
      const [first] = open;
      if (!first) return;
      const batch = loadOf(
        open.filter(({ job }) => job === first.job),
        most,
      );
      const failure = await this.post(first.job, batch);
      if (!failure) {
        most = MOST_SENT;
        continue;
      }
      if (isUnanswered(failure)) {
        this.away.set(failure.status === 0);
        await this.change(
          open.filter(({ late }) => !late),
          { late: true },
        );
        return;
      }
      // One that cannot be read keeps no other from being entered.
      if (batch.length > 1) most = 1;
      else {
        await this.change(batch, { refused: failure.text });
        most = MOST_SENT;
      }
    }
  }

  private async post(job: number, batch: readonly BookWaiting[]): Promise<Failure | undefined> {
    try {
      const entries = batch.map(({ uid, at, late, event, picture }) => ({
        ...{ uid, at, late, event },
        ...(picture === undefined ? {} : { picture }),
      })) as SentEntries['entries'];
      const seen = this.seen.get(job) ?? LAST;
      const answer = await firstValueFrom(this.api.enter(job, { device: deviceName(), seen, entries }));
      const answered = new Set(answer.entries.map(({ uid }) => uid));
      this.away.set(false);
      await this.gone(batch.filter(({ uid }) => answered.has(uid)));
      this.told.next({ ...answer, job, seen });
      return undefined;
    } catch (error) {
      return failureOf(error);
    }
  }

  /** Reads what this device keeps, as any tab has left it. */
  private async look(): Promise<void> {
    const account = this.account();
    this.entries.set(account ? await this.shelf.waiting(account.id) : []);
  }
  private async gone(entries: readonly BookWaiting[]): Promise<void> {
    await this.shelf.drop(entries);
    const places = new Set(entries.map(({ n }) => n));
    this.entries.update((all) => all.filter(({ n }) => !places.has(n)));
    this.others?.postMessage('');
  }
  private async change(entries: readonly BookWaiting[], change: Partial<BookWaiting>): Promise<void> {
    if (entries.length === 0) return;
    await this.shelf.change(entries, change);
    const places = new Set(entries.map(({ n }) => n));
    this.entries.update((all) => all.map((entry) => (places.has(entry.n) ? { ...entry, ...change } : entry)));
    this.others?.postMessage('');
  }
}

const DEVICE = 'druckerei.device';
/** What this device is called in the book; its user may say. */
export const deviceName = (): string => localStorage.getItem(DEVICE) ?? $localize`A device without a name`;
export const nameDevice = (name: string): void => localStorage.setItem(DEVICE, name);

import { Injectable, computed, effect, inject, signal, untracked } from '@angular/core';
import type { RoomEvent } from '@druckerei/core';
import type { PressRoom } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { type Observable, Subject, catchError, finalize, map, of, tap, throwError } from 'rxjs';
import { Api } from './api';
import { failureOf, isUnanswered } from './problem';
import { newKey } from './sent-once.interceptor';
import { sessionFeature } from './session.state';
import { outboxOf } from './unsent';

/** Milliseconds before what waits is sent again. */
const AGAIN_MS = 5_000;

/** An entry of the press room that the server does not have yet, in the order that it was made in. */
export interface Waiting {
  readonly key: string;
  readonly job: number;
  readonly event: RoomEvent;
  /** The last record of the job that its author had seen. */
  readonly seen: number;
  /** When it was made, ISO 8601. */
  readonly at: string;
  /** Why the server did not take it when it was sent later: it waits for its author. */
  readonly refused?: string | undefined;
}

/** Whether what this computer kept is an entry; what it enters is for the server to check, as it does for all. */
function isWaiting(kept: unknown): kept is Waiting {
  if (typeof kept !== 'object' || kept === null) return false;
  const { key, job, event, seen, at, refused } = kept as Partial<Record<keyof Waiting, unknown>>;
  return (
    typeof key === 'string' &&
    Number.isInteger(job) &&
    typeof event === 'object' &&
    event !== null &&
    'kind' in event &&
    Number.isInteger(seen) &&
    typeof at === 'string' &&
    (refused === undefined || typeof refused === 'string')
  );
}

/** What became of an entry: the room with it, or nothing yet: it waits here and is sent by itself. */
export type Sent = { readonly room: PressRoom } | { readonly waits: true };

/**
 * Entries of the press room on their way: each is kept on this computer, under the account that made it, before it is sent,
 * and until the server has answered. Sent again they carry the same key, so that none is entered twice; several tabs may
 * send them. Those of one job go one behind another.
 */
@Injectable({ providedIn: 'root' })
export class RoomOutbox {
  private readonly api = inject(Api);
  private readonly account = inject(Store).selectSignal(sessionFeature.selectAccount);
  private readonly entries = signal<readonly Waiting[]>([]);
  /** Keys of entries that are on the wire, and of the one that is so for the first time: nobody is told yet that it waits. */
  private readonly onWire = new Set<string>();
  private readonly fresh = signal('');
  private readonly later = new Subject<{ job: number; room?: PressRoom }>();
  /** What the server has made of entries that had to wait; nothing where another tab knows. */
  readonly answers = this.later.asObservable();
  readonly waiting = computed(() => this.entries().filter(({ key }) => key !== this.fresh()));
  /** How many the server does not have yet, as far as is known. */
  readonly unsent = computed(() => this.entries().length);

  constructor() {
    effect(() => {
      if (this.account()) untracked(() => this.look());
    });
    setInterval(() => this.sendAll(), AGAIN_MS);
    window.addEventListener('online', () => this.sendAll());
    window.addEventListener('storage', () => this.hearTabs());
  }

  /** Sends an entry. Fails as the server refuses it, or where it is away and this computer cannot keep it either. */
  send(job: number, event: RoomEvent, seen: number): Observable<Sent> {
    const entry: Waiting = { key: newKey(), job, event, seen, at: new Date().toISOString() };
    const behind = this.read().some((one) => one.job === job);
    const kept = this.update((entries) => [...entries, entry]);
    if (behind && kept) {
      this.sendAll();
      return of({ waits: true });
    }
    this.fresh.set(entry.key);
    return this.post(entry).pipe(
      finalize(() => this.fresh.set('')),
      map((room) => ({ room })),
      catchError((error: unknown) => {
        if (kept && isUnanswered(failureOf(error))) return of<Sent>({ waits: true });
        this.drop(entry.key);
        return throwError(() => error);
      }),
    );
  }

  /** Sends the first that waits of every job, and what is behind it once it is there. What was refused waits for its author. */
  sendAll(): void {
    if (!this.account()) return;
    const firsts = new Map(
      this.entries()
        .toReversed()
        .map((entry) => [entry.job, entry]),
    );
    for (const entry of firsts.values()) {
      const open = this.entries().some(({ key }) => key === entry.key) && !this.onWire.has(entry.key);
      if (entry.refused !== undefined || !open) continue;
      this.post(entry).subscribe({
        next: (room) => {
          this.later.next({ job: entry.job, room });
          this.sendAll();
        },
        error: (error: unknown) => {
          const failure = failureOf(error);
          if (!isUnanswered(failure)) this.change(entry.key, { refused: failure.text });
        },
      });
    }
  }

  /** Sends an entry that was refused once more, over what stands. @param seen last record that its author has seen now. */
  again(key: string, seen: number): void {
    this.change(key, { refused: undefined, seen });
    this.sendAll();
  }

  /** Leaves an entry out. */
  drop(key: string): void {
    this.update((entries) => entries.filter((entry) => entry.key !== key));
  }

  /** Another tab has changed what waits: what it has sent is looked for by whoever shows it. */
  private hearTabs(): void {
    const [before, now] = [this.entries(), this.read()];
    this.entries.set(now);
    const left = new Set(now.map(({ key }) => key));
    for (const job of new Set(before.filter(({ key }) => !left.has(key)).map((entry) => entry.job)))
      this.later.next({ job });
  }

  private look(): void {
    this.entries.set(this.read());
    this.sendAll();
  }

  private post(entry: Waiting): Observable<PressRoom> {
    this.onWire.add(entry.key);
    return this.api.enterEvent(entry.job, entry.event, entry.seen, entry.key).pipe(
      tap((room) => this.answered(entry, room)),
      finalize(() => this.onWire.delete(entry.key)),
    );
  }

  /** Takes an entry out; those behind it that had seen what it had seen have now seen it too. */
  private answered({ key, job, seen }: Waiting, { records }: PressRoom): void {
    const [own, ...more] = records.filter(({ id }) => id > seen);
    const seesIt = (entry: Waiting): boolean => entry.job === job && entry.seen === seen && more.length === 0;
    this.update((entries) =>
      entries
        .filter((entry) => entry.key !== key)
        .map((entry) => (own && seesIt(entry) ? { ...entry, seen: own.id } : entry)),
    );
  }

  private change(key: string, change: Partial<Waiting>): void {
    this.update((entries) => entries.map((entry) => (entry.key === key ? { ...entry, ...change } : entry)));
  }

  private read(): readonly Waiting[] {
    const account = this.account();
    if (!account) return [];
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(outboxOf(account.id)) ?? '[]');
      return Array.isArray(kept) ? kept.filter(isWaiting) : [];
    } catch {
      return [];
    }
  }

  /** Changes what is kept here, as any tab has left it. @returns whether this computer keeps it. */
  private update(change: (entries: readonly Waiting[]) => readonly Waiting[]): boolean {
    const account = this.account();
    if (!account) return false;
    const entries = change(this.read());
    try {
      if (entries.length === 0) localStorage.removeItem(outboxOf(account.id));
      else localStorage.setItem(outboxOf(account.id), JSON.stringify(entries));
      this.entries.set(entries);
      return true;
    } catch {
      return false;
    }
  }
}

import 'fake-indexeddb/auto';
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { MockStore, provideMockStore } from '@ngrx/store/testing';
import type { RoomEntry } from '@druckerei/core';
import type { Account, EntryAnswer, SentAnswer, SentEntries } from '@druckerei/contract';
import { IDBFactory } from 'fake-indexeddb';
import { type Observable, of, throwError } from 'rxjs';
import { testAccount } from './account.fixture';
import { BookApi } from './book-api';
import { BookOutbox } from './book-outbox';
import { sessionFeature } from './session.state';

const account = (id: number): Account => testAccount(['record'], id);
const good = (count: number): RoomEntry => ({ kind: 'good', step: 'cut', count });
const AWAY = new HttpErrorResponse({ status: 0 });
const problem = (status: number, title: string): HttpErrorResponse =>
  new HttpErrorResponse({ status, error: { type: 'about:blank', title, status } });

type Sent = SentEntries['entries'][number];

/** A book that knows each entry by its name, refuses what is online above a thousand, and fails as it is told. */
class FakeBook {
  readonly entered: (Sent & { job: number })[] = [];
  readonly calls: number[] = [];
  /** Fails before it enters anything, or after: the answer is lost then. */
  fails: (call: number) => 'before' | 'after' | HttpErrorResponse | undefined = () => undefined;

  enter(job: number, { entries }: SentEntries): Observable<SentAnswer> {
    const failing = this.fails(this.calls.length);
    this.calls.push(entries.length);
    if (failing === 'before') return throwError(() => AWAY);
    if (failing instanceof HttpErrorResponse) return throwError(() => failing);
    const answers = entries.map((entry): EntryAnswer => {
      const known = this.entered.findIndex(({ uid }) => uid === entry.uid);
      const above = entry.event.kind === 'good' && entry.event.count > 1000;
      if (known >= 0) return { uid: entry.uid, outcome: 'known', id: known + 1, errors: [] };
      if (above && !entry.late)
        return { uid: entry.uid, outcome: 'refused', id: null, errors: [{ path: 'count', message: 'too many' }] };
      this.entered.push({ ...entry, job });
      return { uid: entry.uid, outcome: above ? 'held' : 'entered', id: this.entered.length, errors: [] };
    });
    if (failing === 'after') return throwError(() => AWAY);
    return of({ records: [], entries: answers });
  }
}

describe('entries of stations on their way', () => {
  let store: MockStore;
  let book: FakeBook;
  let outbox: BookOutbox;
  const signIn = (who: Account | undefined): void => {
    store.overrideSelector(sessionFeature.selectAccount, who);
    store.refreshState();
    TestBed.tick();
  };
  const open = (): void => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideMockStore({ selectors: [{ selector: sessionFeature.selectAccount, value: account(1) }] }),
        { provide: BookApi, useValue: book },
      ],
    });
    store = TestBed.inject<MockStore>(MockStore);
    outbox = TestBed.inject(BookOutbox);
    TestBed.tick();
  };
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory();
    book = new FakeBook();
    open();
  });
  const counts = (): number[] => book.entered.map(({ event }) => (event.kind === 'good' ? event.count : 0));

  it('are sent at once, and answered', async () => {
    expect(await outbox.enter(7, good(5))).toMatchObject({ outcome: 'entered', id: 1 });
    expect(await outbox.enter(7, good(2000))).toMatchObject({ outcome: 'refused' });
    expect([counts(), outbox.unsent()]).toEqual([[5], 0]);
    expect(book.entered[0]).toMatchObject({ job: 7, late: false });
    expect(book.entered[0]?.uid).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });

  it('wait while the server is away, and go late in their order, each once, though answers are lost', async () => {
    // Away three times, then every second answer is lost on the way.
    book.fails = (call) => (call < 3 ? 'before' : call % 2 === 1 ? 'after' : undefined);
    for (const count of [1, 2, 3000]) expect(await outbox.enter(7, good(count))).toBeUndefined();
    expect([outbox.unsent(), outbox.away()]).toEqual([3, true]);
    for (let i = 0; i < 3; i++) await outbox.sendAll();
    expect(counts()).toEqual([1, 2, 3000]);
    expect(book.entered.every(({ late }) => late)).toBe(true);
    expect([outbox.unsent(), outbox.away()]).toEqual([0, false]);
  });

  it('are there after the page is opened anew, and after somebody else was signed in', async () => {
    book.fails = () => 'before';
    await outbox.enter(7, good(1));
    open();
    signIn(account(2));
    book.fails = () => undefined;
    await outbox.sendAll();
    expect(counts()).toEqual([]);
    signIn(account(1));
    await outbox.sendAll();
    expect(counts()).toEqual([1]);
  });

  it('wait for their author where the server would not have them at all, and keep no other back', async () => {
    book.fails = () => 'before';
    await outbox.enter(7, good(1));
    await outbox.enter(8, good(2));
    await outbox.enter(7, good(3));
    // The three are sent by job: two of job 7 are refused together, then the first of them alone.
    book.calls.length = 0;
    book.fails = (call) => (call < 2 ? problem(400, 'Not as it should be') : undefined);
    await outbox.sendAll();
    expect(counts()).toEqual([2, 3]);
    const [left] = outbox.waiting();
    expect(left).toMatchObject({ event: good(1), refused: expect.stringContaining('Not as it should be') as string });
    if (left) await outbox.retry(left);
    expect([counts(), outbox.unsent()]).toEqual([[2, 3, 1], 0]);
  });

  it('are sent in hundreds, five thousand of them in some twenty calls', async () => {
    book.fails = () => 'before';
    for (let n = 0; n < 450; n++) await outbox.enter(7, good(n + 1));
    book.calls.length = 0;
    book.fails = () => undefined;
    await outbox.sendAll();
    expect(book.calls).toEqual([200, 200, 50]);
    expect(counts()).toEqual(Array.from({ length: 450 }, (_, n) => n + 1));
  });

  it('go with their pictures, no more at once than a call may carry', async () => {
    book.fails = () => 'before';
    const photo = { kind: 'photo', step: 'cut', sha256: 'a'.repeat(64) } as const;
    for (const letter of 'abcd') await outbox.enter(7, photo, { picture: letter.repeat(500_000) });
    await outbox.enter(7, good(1));
    await outbox.enter(7, photo, { picture: 'e'.repeat(2_000_000) });
    // What the browser keeps outlives the page.
    book.calls.length = 0;
    book.fails = () => undefined;
    open();
    await outbox.sendAll();
    expect(book.calls).toEqual([2, 3, 1]);
    expect(book.entered.map(({ picture }) => picture?.[0])).toEqual(['a', 'b', 'c', 'd', undefined, 'e']);
  });

  it('stay while the session has ended', async () => {
    book.fails = () => problem(401, 'Sign in first');
    await outbox.enter(7, good(1));
    expect(outbox.unsent()).toBe(1);
    expect(outbox.away()).toBe(false);
  });
});

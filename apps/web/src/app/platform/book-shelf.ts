import { Injectable } from '@angular/core';
import type { RoomEntry } from '@druckerei/core';
import type { JobBook } from '@druckerei/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** An entry on its way to the book. */
export interface BookWaiting {
  /** Place among all that were made on this device. */
  readonly n: number;
  readonly account: number;
  readonly job: number;
  /** Its name: the book has each once. */
  readonly uid: string;
  /** When it was made, ISO 8601. */
  readonly at: string;
  /** It could not be sent at once. */
  readonly late: boolean;
  readonly event: RoomEntry;
  /** Of a photograph: JPEG, base64. */
  readonly picture?: string | undefined;
  /** Why the server would not have it at all: it waits for its author. */
  readonly refused?: string | undefined;
}

interface Shelf extends DBSchema {
  entries: { key: number; value: Omit<BookWaiting, 'n'> & { n?: number }; indexes: { account: number } };
  books: { key: number; value: JobBook };
}

/**
 * What this device keeps of the book: entries that the server does not have yet, in the order that they were made in, and
 * books as they were last seen. Without the browser's database it is kept as long as the page is open.
 */
@Injectable({ providedIn: 'root' })
export class BookShelf {
  private readonly opened: Promise<IDBPDatabase<Shelf> | undefined> = openDB<Shelf>('druckerei-book', 1, {
    upgrade(db) {
      db.createObjectStore('entries', { keyPath: 'n', autoIncrement: true }).createIndex('account', 'account');
      db.createObjectStore('books');
    },
  }).catch(() => undefined);
  private memory: BookWaiting[] = [];

  /** @returns its place among all. */
  async add(entry: Omit<BookWaiting, 'n'>): Promise<number> {
    const db = await this.opened;
    if (db) return db.add('entries', entry);
    const n = (this.memory.at(-1)?.n ?? 0) + 1;
    this.memory.push({ ...entry, n });
    return n;
  }

  /** Entries of an account, oldest first. */
  async waiting(account: number): Promise<BookWaiting[]> {
    const db = await this.opened;
    const all = db ? await db.getAllFromIndex('entries', 'account', account) : this.memory;
    return (all as BookWaiting[]).filter((entry) => entry.account === account);
  }

  async change(entries: readonly BookWaiting[], change: Partial<BookWaiting>): Promise<void> {
    const db = await this.opened;
    const places = new Set(entries.map(({ n }) => n));
    this.memory = this.memory.map((entry) => (places.has(entry.n) ? { ...entry, ...change } : entry));
    if (!db) return;
    const { store, done } = db.transaction('entries', 'readwrite');
    for (const entry of entries) if (await store.get(entry.n)) await store.put({ ...entry, ...change });
    await done;
  }

  async drop(entries: readonly BookWaiting[]): Promise<void> {
    const db = await this.opened;
    const places = new Set(entries.map(({ n }) => n));
    this.memory = this.memory.filter(({ n }) => !places.has(n));
    if (!db) return;
    const { store, done } = db.transaction('entries', 'readwrite');
    await Promise.all([...places].map((n) => store.delete(n)));
    await done;
  }

  async keep(book: JobBook): Promise<void> {
    await (await this.opened)?.put('books', book, book.job.id).catch(() => undefined);
  }
  /** A book as it was last seen on this device. */
  async kept(job: number): Promise<JobBook | undefined> {
    return (await this.opened)?.get('books', job);
  }
}

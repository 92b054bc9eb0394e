import { signal } from '@angular/core';
import type { Observable } from 'rxjs';
import { pages } from './pages';

/** What a list is asked for: the words of its search, and which part of it. */
interface Asked {
  readonly search: string;
  readonly skip: number;
  readonly limit: number;
}

/** A list that the server finds and hands out page by page, with what is known of it. To be made where one may inject. */
export class SearchedList<Row> {
  readonly search = signal('');
  readonly rows = signal<readonly Row[]>([]);
  readonly total = signal(0);
  readonly loaded = signal(false);
  /** Why it, or the last thing that was done with it, went wrong. */
  readonly failed = signal('');
  private readonly list;

  constructor(ask: (asked: Asked) => Observable<{ rows: Row[]; total: number }>) {
    this.list = pages<Row>({
      ask: (part) => ask({ search: this.search().trim(), ...part }),
      shown: this.rows,
      took: ({ rows, total }) => {
        this.rows.set(rows);
        this.total.set(total);
        this.loaded.set(true);
        this.failed.set('');
      },
      failed: (message) => this.failed.set(message),
    });
    this.list.first();
  }

  find(words: string): void {
    this.search.set(words);
    this.list.typed();
  }
  readonly more = (): void => this.list.more();
  /** As many as are shown, anew. */
  readonly again = (): void => this.list.again();
}

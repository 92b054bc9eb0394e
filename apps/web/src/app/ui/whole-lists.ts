import { DestroyRef, Injectable, inject } from '@angular/core';

/** Lists of the page that is open which show their first rows only: how each comes to show all. */
@Injectable({ providedIn: 'root' })
export class WholeLists {
  private readonly lists = new Set<() => Promise<void>>();

  /** Lets all of them show all they have. */
  async showAll(): Promise<void> {
    await Promise.all([...this.lists].map((show) => show()));
  }
  /** For as long as who asks lives. @param show comes to its end when all is shown, or cannot be. */
  add(show: () => Promise<void>, life: DestroyRef): void {
    this.lists.add(show);
    life.onDestroy(() => this.lists.delete(show));
  }
}

/** To be called where one may inject. */
export const canShowAll = (show: () => Promise<void>): void => inject(WholeLists).add(show, inject(DestroyRef));

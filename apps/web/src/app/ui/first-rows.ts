import { type Signal, computed, effect, linkedSignal, untracked } from '@angular/core';
import { idle } from './idle';
import { canShowAll } from './whole-lists';

/** Rows that a screen has room for. */
const SCREEN = 24;
/** Milliseconds after which the next follow although the browser has had something to do. */
const LATEST_MS = 500;

/**
 * Rows of a long table: those of the first screen at once, the others a screen at a time whenever the browser has nothing to do.
 * To be called where one may inject. @param subject what the table is of: another is begun from its first screen again.
 * @param screen rows that a screen has room for
 */
export function firstRows<Row>(
  rows: Signal<readonly Row[]>,
  subject: () => unknown,
  screen = SCREEN,
): Signal<readonly Row[]> {
  const drawn = linkedSignal({ source: subject, computation: () => screen });
  effect((cleanUp) => {
    if (drawn() >= rows().length) return;
    const waiting = idle(LATEST_MS).subscribe({ complete: () => drawn.update((count) => count + screen) });
    cleanUp(() => waiting.unsubscribe());
  });
  canShowAll(() => {
    drawn.set(untracked(rows).length);
    return Promise.resolve();
  });
  return computed(() => rows().slice(0, drawn()));
}

import { effect } from '@angular/core';

/** Milliseconds before what was not read yet is asked for again. */
const AGAIN_MS = 1_500;

/** Looks again as long as the server has more to read, until whoever asks is gone. To be called where one may inject. @param waiting what is not read yet. */
export function askAgain(waiting: () => number | undefined, look: () => void): void {
  effect((onCleanup) => {
    if ((waiting() ?? 0) === 0) return;
    const timer = setTimeout(look, AGAIN_MS);
    onCleanup(() => {
      clearTimeout(timer);
    });
  });
}

import { DestroyRef, inject } from '@angular/core';

/** Keeps the screen lit as long as a page is looked at, where the browser can. To be called where one may inject. */
export function stayAwake(): void {
  const { wakeLock } = navigator as { readonly wakeLock?: WakeLock };
  let lock: WakeLockSentinel | undefined;
  const ask = (): void => {
    if (document.visibilityState !== 'visible') return;
    // Refused where the battery is low: the page works all the same.
    void wakeLock?.request('screen').then(
      (held) => (lock = held),
      () => undefined,
    );
  };
  document.addEventListener('visibilitychange', ask);
  ask();
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  });
}

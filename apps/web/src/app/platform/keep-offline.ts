/**
 * Has the browser keep what a station needs when the network goes: the application, the session as it was, books and
 * drawings that were looked at. Only in a secure context; elsewhere a page that is open goes on without network, but cannot
 * be opened anew.
 */
export function keepOffline(): void {
  const { serviceWorker } = navigator as { readonly serviceWorker?: ServiceWorkerContainer };
  // Refused where the browser is set so: nothing else depends on it.
  serviceWorker
    ?.register('/station-worker.js')
    .then(() => serviceWorker.ready)
    .then(({ active }) => {
      const files = performance.getEntriesByType('resource').map(({ name }) => new URL(name));
      active?.postMessage({
        page: location.pathname,
        files: files.filter(({ origin }) => origin === location.origin).map(({ pathname }) => pathname),
      });
    })
    .catch(() => undefined);
}

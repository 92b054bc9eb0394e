import { Observable } from 'rxjs';

/** Milliseconds until it is done where a browser cannot tell that it has nothing to do. */
const SOON_MS = 50;

/** Completes when the browser has nothing to do, or after so many milliseconds. */
export const idle = (latestMs: number): Observable<never> =>
  new Observable<never>((observer) => {
    if (!('requestIdleCallback' in globalThis)) {
      const timer = setTimeout(() => observer.complete(), Math.min(SOON_MS, latestMs));
      return () => clearTimeout(timer);
    }
    const asked = requestIdleCallback(() => observer.complete(), { timeout: latestMs });
    return () => cancelIdleCallback(asked);
  });

import type { Response } from 'express';

/** Cancels work that nobody waits for any more. */
export function untilGone(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
}

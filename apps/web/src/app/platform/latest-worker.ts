/** A worker that is asked again and again, of whose answers only the newest counts. */
export interface LatestWorker<Question> {
  /** Asks; what was asked before and is not begun is dropped. */
  readonly ask: (question: Question) => void;
  readonly end: () => void;
}

/**
 * Keeps one worker for questions that come faster than it answers. An answer is handed on unless something newer has been
 * asked meanwhile. @param failed is told when the worker breaks; the next question gets a new one.
 */
export function latestWorker<Question>(
  make: () => Worker,
  answered: (answer: unknown) => void,
  failed: () => void,
): LatestWorker<Question> {
  let worker: Worker | undefined;
  let busy = false;
  let waiting: { readonly question: Question } | undefined;
  const next = (): void => {
    if (busy || !waiting) return;
    worker ??= begin();
    busy = true;
    worker.postMessage(waiting.question);
    waiting = undefined;
  };
  const begin = (): Worker => {
    const made = make();
    made.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      busy = false;
      if (!waiting) answered(data);
      next();
    });
    made.addEventListener('error', () => {
      made.terminate();
      worker = undefined;
      busy = false;
      failed();
      next();
    });
    return made;
  };
  return {
    ask: (question) => {
      waiting = { question };
      next();
    },
    end: () => {
      waiting = undefined;
      worker?.terminate();
      worker = undefined;
      busy = false;
    },
  };
}

/**
 * Puts a question to a worker of its own, which is ended when it is done; what is returned stops it before.
 * @param isDone tells the last answer from those on the way. @param failed is told when the worker breaks.
 */
export function askWorker<Answer>(
  worker: Worker,
  question: unknown,
  isDone: (answer: Answer) => boolean,
  answered: (answer: Answer) => void,
  failed: () => void,
): () => void {
  worker.addEventListener('message', ({ data }: MessageEvent<Answer>) => {
    answered(data);
    if (isDone(data)) worker.terminate();
  });
  worker.addEventListener('error', () => {
    worker.terminate();
    failed();
  });
  worker.postMessage(question);
  return () => worker.terminate();
}

import type { WaysAnswer, WaysQuestion } from './ways.messages';

/** Asks a worker for the ways; the answer's function ends it. */
export function askWays(question: WaysQuestion, answered: (answer: WaysAnswer) => void): () => void {
  const worker = new Worker(new URL('./ways.worker', import.meta.url), { type: 'module' });
  worker.addEventListener('message', ({ data }: MessageEvent<WaysAnswer>) => {
    answered(data);
    if (data.kind === 'done') worker.terminate();
  });
  worker.postMessage(question);
  return () => worker.terminate();
}

import {
  type Answer,
  type BlanksQuestion,
  type GangQuestion,
  type ReadQuestion,
  type WriteQuestion,
  isDone,
} from './messages';

function makeWorker(kind: (BlanksQuestion | GangQuestion | ReadQuestion | WriteQuestion)['kind']): Worker {
  switch (kind) {
    case 'gang':
      return new Worker(new URL('./gang.worker', import.meta.url), { type: 'module' });
    case 'blanks':
      return new Worker(new URL('./blanks.worker', import.meta.url), { type: 'module' });
    default:
      return new Worker(new URL('./drawings.worker', import.meta.url), { type: 'module' });
  }
}

/** Puts a question to a worker of its own; what is returned stops it. */
export function ask(
  question: BlanksQuestion | GangQuestion | ReadQuestion | WriteQuestion,
  answered: (answer: Answer) => void,
  failed: () => void,
): () => void {
  const worker = makeWorker(question.kind);
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

import { askWorker } from './ask-worker';
import type { BestAnswer, BestQuestion } from './best.messages';
import { Run } from './run';
import { wordsOfPage } from './words-of-page';

const isDone = ({ kind }: BestAnswer): boolean => kind === 'best' || kind === 'ladder';

/** A search for the best plan or a ladder, in a worker: of the page that asks for it. */
export const bestRun = (): Run<BestQuestion, BestAnswer> =>
  new Run(
    (question, answered, failed) =>
      askWorker(
        new Worker(new URL('./best.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
        question,
        isDone,
        answered,
        failed,
      ),
    isDone,
  );

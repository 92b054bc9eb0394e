import { askWorker } from '../../../platform/ask-worker';
import type { WaysAnswer, WaysQuestion } from './ways.messages';
import { wordsOfPage } from '../../../platform/words-of-page';

/** Asks a worker for the ways; what is returned ends it. */
export const askWays = (
  question: WaysQuestion,
  answered: (answer: WaysAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./ways.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    question,
    ({ kind }) => kind === 'done',
    answered,
    failed,
  );

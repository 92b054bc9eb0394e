import { askWorker } from '../../../platform/ask-worker';
import type { SureMessage, SureQuestion } from './sure.messages';
import { wordsOfPage } from '../../../platform/words-of-page';

/** Asks a worker how sure the job is; what is returned ends it. */
export const askSure = (
  question: SureQuestion,
  answered: (answer: SureMessage) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./sure.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    question,
    ({ kind }) => kind === 'sure',
    answered,
    failed,
  );

import { askWorker } from '../../../platform/ask-worker';
import type { ZonesAnswer, ZonesQuestion } from './zones.messages';
import { wordsOfPage } from '../../../platform/words-of-page';

/** Reads an artwork in a worker; what is returned stops it. */
export const askZones = (
  question: ZonesQuestion,
  answered: (answer: ZonesAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./zones.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    question,
    ({ kind }) => kind === 'read',
    answered,
    failed,
  );

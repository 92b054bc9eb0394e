import { askWorker } from '../../../platform/ask-worker';
import type { ArtworkAnswer, ArtworkQuestion } from './artwork.messages';
import { wordsOfPage } from '../../../platform/words-of-page';

/** Examines a PDF in a worker; what is returned stops it. */
export const askArtwork = (
  question: ArtworkQuestion,
  answered: (answer: ArtworkAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./artwork.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    question,
    ({ kind }) => kind === 'done',
    answered,
    failed,
  );

import { askWorker } from '../../../platform/ask-worker';
import type { ArtworkAnswer, ArtworkQuestion } from './artwork.messages';

/** Examines a PDF in a worker; what is returned stops it. */
export const askArtwork = (
  question: ArtworkQuestion,
  answered: (answer: ArtworkAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./artwork.worker', import.meta.url), { type: 'module' }),
    question,
    ({ kind }) => kind === 'done',
    answered,
    failed,
  );

import { askWorker } from '../../../platform/ask-worker';
import type { ZonesAnswer, ZonesQuestion } from './zones.messages';

/** Reads an artwork in a worker; what is returned stops it. */
export const askZones = (
  question: ZonesQuestion,
  answered: (answer: ZonesAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./zones.worker', import.meta.url), { type: 'module' }),
    question,
    ({ kind }) => kind === 'read',
    answered,
    failed,
  );

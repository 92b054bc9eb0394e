import type { BlankLayouts, BlankRequest } from '@druckerei/core';
import { askWorker } from './ask-worker';
import { wordsOfPage } from './words-of-page';

export interface BlanksQuestion {
  readonly kind: 'blanks';
  readonly request: BlankRequest;
}
export type BlanksAnswer =
  { readonly kind: 'progress'; readonly share: number } | { readonly kind: 'blanks'; readonly layouts: BlankLayouts };

/** Lays blanks in a worker: the search takes a second or more. What is returned stops it. */
export const askBlanks = (
  question: BlanksQuestion,
  answered: (answer: BlanksAnswer) => void,
  failed: () => void,
): (() => void) =>
  askWorker(
    new Worker(new URL('./blanks.worker', import.meta.url), { type: 'module', name: wordsOfPage() }),
    question,
    ({ kind }) => kind === 'blanks',
    answered,
    failed,
  );

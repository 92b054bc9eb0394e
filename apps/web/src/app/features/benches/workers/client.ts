import { askWorker } from '../../../platform/ask-worker';
import { type BlanksQuestion, askBlanks } from '../../../platform/blanks-client';
import { type Answer, type GangQuestion, type ReadQuestion, type WriteQuestion, isDone } from './messages';
import { wordsOfPage } from '../../../platform/words-of-page';

export type Question = BlanksQuestion | GangQuestion | ReadQuestion | WriteQuestion;

/** Puts a question to a worker of its own; what is returned stops it. */
export function ask(question: Question, answered: (answer: Answer) => void, failed: () => void): () => void {
  if (question.kind === 'blanks') return askBlanks(question, answered, failed);
  const worker =
    question.kind === 'gang'
      ? new Worker(new URL('./gang.worker', import.meta.url), { type: 'module', name: wordsOfPage() })
      : new Worker(new URL('./drawings.worker', import.meta.url), { type: 'module', name: wordsOfPage() });
  return askWorker(worker, question, isDone, answered, failed);
}

import type { CountedLines } from '@druckerei/contract';
import { count, many } from './format';

/** What became of counts that were taken. */
export function enteredText({ entered, known, held }: CountedLines): string {
  const knew = known > 0 ? $localize`, ${count(known)} stood there already` : '';
  const waits = held > 0 ? $localize`, ${count(held)} are held until somebody explains them` : '';
  return $localize`${many(entered, 'entry', 'entries')} came into the book${knew}${waits}.`;
}

import { type FigureBook, GIVEN } from '../kernel/index.js';
import type { NormLookup } from '../works/index.js';
import type { Job } from './job.js';
import { giveNorm } from './step-norms.js';

/**
 * Share of its set-ups that a job bears: all of them, but of a single book that runs in a batch of its own format, paper and
 * film only its part. Undefined where a job bears all. Source: handbook chapter 2, family 15 (identity).
 */
export function batchShare(
  job: Job,
  norms: NormLookup,
  book: FigureBook,
): { share: number; figure: string } | undefined {
  if (job.family !== 'on-demand') return undefined;
  const batch =
    job.order.batch === undefined
      ? giveNorm(book, norms, 'singles.batch')
      : book.give('order.batch', 'Books of the batch', job.order.batch, 'books', GIVEN);
  const share = Math.min(1, job.order.quantity / book.value(batch));
  const figure = book.reckon('order.batchShare', 'Share of the batch', share, 'share', 'min(1, quantity / batch)', {
    quantity: 'order.quantity',
    batch,
  });
  return { share, figure };
}

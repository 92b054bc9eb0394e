import { type Entry, type Ledger, GIVEN, rule } from '../kernel/index.js';
import type { NormLookup } from '../works/index.js';
import type { Job } from './job.js';
import { giveNorm } from './step-norms.js';

const SHARE = rule('Share of the batch', 'share', 'min(1, quantity / batch)');

/**
 * Share of its set-ups that a job bears: all of them, but of a single book that runs in a batch of its own format, paper and
 * film only its part. Undefined where a job bears all. Source: handbook chapter 2, family 15 (identity).
 */
export function batchShare(job: Job, norms: NormLookup, ledger: Ledger): Entry | undefined {
  if (job.family !== 'on-demand') return undefined;
  const order = ledger.group('order');
  const batch =
    job.order.batch === undefined
      ? giveNorm(ledger, norms, 'singles.batch')
      : order.give('batch', 'Books of the batch', job.order.batch, 'books', GIVEN);
  return order.reckon('batchShare', SHARE, { quantity: order.of('quantity'), batch });
}

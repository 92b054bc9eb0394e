import { type Entry, GIVEN, rule } from '../../kernel/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import type { Unordered } from '../../job/index.js';
import type { Run } from '../prepared.js';

const SHARE = rule($localize`Share of the batch`, 'share', 'min(1, quantity / batch)');

/** Single books run in a batch of their format, paper and film. Source: handbook chapter 2, family 15. */
export const runsInBatches = ({ family }: Unordered): boolean => family === 'on-demand';

/** Share of its set-ups that a job of a batch bears. Source: identity. */
export function batchShare({ job, ledger }: Run, norms: NormLookup): Entry {
  const order = ledger.group('order');
  const batch =
    job.order.batch === undefined
      ? giveNorm(ledger, norms, 'singles.batch')
      : order.give('batch', $localize`Books of the batch`, job.order.batch, 'books', GIVEN);
  return order.reckon('batchShare', SHARE, { quantity: order.of('quantity'), batch });
}

import { type FieldChange, type Figures, atDayPrices, diffFigures, diffJobs, plan } from '@druckerei/core';
import type { Difference, Revision } from '@druckerei/contract';
import { readKept } from './kept-plan.js';

/** A revision that is compared, with the plan that it was released with; absent for a draft. */
export interface Compared {
  readonly revision: Revision;
  readonly kept?: Uint8Array | undefined;
}

/** Figures of a side; none where it cannot be planned. Errors: 422 where what was kept cannot be read. */
function figuresOf({ revision: { job, works }, kept }: Compared): Figures {
  if (kept) return readKept(kept).figures;
  const planned = plan(job, works);
  return planned.ok ? planned.value.figures : {};
}

const PRICE_OF = 'works.norms.price.stock.';
/** Whether a norm is no price of a paper, or that of one of these. */
const isOfPapers = (path: string, papers: ReadonlySet<string>): boolean =>
  !path.startsWith(PRICE_OF) || papers.has(path.slice(PRICE_OF.length).replace(/\.value$/, ''));

/** Money of a kilogram below which two prices are told alike. */
const SAME_PRICE = 0.005;
/** A mean over what each ink of the job costs: it moves with every gram that is drawn of one of them. */
const isSameInk = ({ path, before, after }: FieldChange): boolean =>
  path === 'works.norms.price.ink.value' &&
  typeof before === 'number' &&
  typeof after === 'number' &&
  Math.abs(before - after) < SAME_PRICE;

/**
 * What differs between two revisions: the fields, the norms they were planned with, and the resulting figures. A released
 * revision counts as it was released; compared with itself, it is told what the engine would say of it today.
 */
export function difference(one: Compared, other: Compared): Difference {
  const [from, to] = [one.revision, other.revision];
  const now = from.revision === to.revision ? { revision: to } : other;
  // A draft is reckoned at the prices of the day; a release has its own.
  const normsAt = ({ job, works }: Revision) => atDayPrices(job, works).norms;
  const papers = new Set([from, to].flatMap(({ job }) => job.components.map(({ stock }) => stock)));
  const norms = diffJobs(normsAt(from), normsAt(to), 'works.norms').filter(
    (change) =>
      (change.path.endsWith('.value') || !change.path.includes('.source')) &&
      isOfPapers(change.path, papers) &&
      !isSameInk(change),
  );
  return {
    from: from.revision,
    to: to.revision,
    fields: [...diffJobs(from.job, to.job), ...norms],
    figures: diffFigures(figuresOf(one), figuresOf(now)),
  };
}

import { table } from '../../kernel/index.js';
import type { Job } from '../../job/index.js';
import { type Norm, normById, normCatalogue } from '../../norms/index.js';
import type { Works } from '../../works/index.js';

/** Whether a norm says what something costs: its unit is in the currency of the works. */
export const isPrice = ({ currency }: Pick<Works, 'currency'>, { unit }: Pick<Norm, 'unit'>): boolean =>
  unit === currency || unit.startsWith(`${currency}/`);

/** A works as those see it who see no prices: every price is 0, and its plans have no cost. */
export function worksWithoutPrices(works: Works): Works {
  const prices = [...normCatalogue(works).values()].filter((norm) => isPrice(works, norm));
  const none = table(prices.map(({ id, source }) => [id, { value: 0, source }]));
  const { supplied: _, ...rest } = works;
  return { ...rest, norms: { ...works.norms, ...none }, pricesHidden: true };
}

/** A job as those see it who see no prices: without those of parts, of outside work, and of its own norms. */
export const jobWithoutPrices = (works: Works, job: Job): Job => ({
  ...job,
  ...(job.parts ? { parts: job.parts.map(({ price: _, ...part }) => part) } : {}),
  route: job.route.map(({ price: _, ...step }) => step),
  norms: table(
    Object.entries(job.norms).filter(([id]) => {
      const norm = normById(works, id);
      return norm === undefined || !isPrice(works, norm);
    }),
  ),
});

import { type PaperItem, labelSizeOf } from '@druckerei/core';
import { type OtherItem, dayIn } from '@druckerei/contract';
import { notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';
import { nameOf } from './stores.js';

interface LotRow extends Record<string, unknown> {
  readonly id: number;
  readonly paper: PaperItem | null;
  readonly other: OtherItem | null;
  readonly quantity: number;
  readonly place: string;
  readonly came: Date;
  readonly reason: string;
}

export const lotLabelHandlers = ({ database, workshop }: Bench): Pick<Handlers, 'lotLabel'> => ({
  lotLabel: async ({ params, response }) => {
    const lot = await database.one<LotRow>('stores/lot', params.id);
    if (!lot) throw notFound($localize`This lot`);
    const works = await currentWorks(database);
    const { id, quantity, place, reason } = lot;
    const made = await workshop.run('lotLabel', {
      id,
      quantity,
      place,
      reason,
      ...nameOf(lot, works),
      came: dayIn(lot.came, works.timeZone),
      works: works.name,
      size: labelSizeOf(works),
    });
    response.setHeader('Content-Disposition', `inline; filename="lot-${id}.pdf"`);
    return made;
  },
});

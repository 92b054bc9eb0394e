import { type RoomCard, type Works, isPrice, jobWithoutPrices, normById, worksWithoutPrices } from '@druckerei/core';
import type {
  Account,
  Difference,
  DraftApart,
  EndpointId,
  JobBook,
  NormHistoryEntry,
  Revision,
} from '@druckerei/contract';
import type { Database } from '../../db/database.js';
import { JsonText } from '../../http/json-text.js';
import { seesPrices } from './sees-prices.js';
import { currentWorks } from './works.js';

/** A revision as those see it who see no prices. */
export const revisionWithoutPrices = (revision: Revision): Revision => ({
  ...revision,
  job: jobWithoutPrices(revision.works, revision.job) as Revision['job'],
  works: worksWithoutPrices(revision.works) as Revision['works'],
});

async function toldWithoutPrices(told: Revision | DraftApart, database: Database): Promise<Revision | DraftApart> {
  if (told.works !== null) return revisionWithoutPrices(told);
  return { ...told, job: jobWithoutPrices(await currentWorks(database), told.job) as DraftApart['job'] };
}

type BookStep = NonNullable<JobBook['card']>['steps'][number];
const stepWithoutCosts = (step: BookStep): BookStep => ({
  ...step,
  ...{ hourCost: 0, unitPaper: 0 },
  takes: (step as unknown as RoomCard['steps'][number]).takes.map((one) => ({ ...one, cost: 0 })),
});
const bookWithoutCosts = ({ card, ...book }: JobBook): JobBook => ({
  ...book,
  card: card && { ...card, steps: card.steps.map(stepWithoutCosts) },
});

type Hide = (answer: never, database: Database) => unknown;

/** Answers that say what something costs, and how they are told to those who see no prices. */
const HIDDEN: Partial<Readonly<Record<EndpointId, Hide>>> = {
  works: (works: Works) => worksWithoutPrices(works),
  changeSettings: (works: Works) => worksWithoutPrices(works),
  job: toldWithoutPrices,
  revision: toldWithoutPrices,
  jobFile: async (job: Revision['job'], database) => jobWithoutPrices(await currentWorks(database), job),
  // What was released keeps its plan, with its costs.
  difference: async ({ figures, ...rest }: Difference, database): Promise<Difference> => {
    const works = await currentWorks(database);
    return { ...rest, figures: figures.filter((figure) => !isPrice(works, figure)) };
  },
  jobBook: bookWithoutCosts,
  settleEntry: bookWithoutCosts,
  normHistory: async (lines: readonly NormHistoryEntry[], database) => {
    const works = await currentWorks(database);
    return lines.filter(({ norm: id }) => {
      const norm = normById(works, id);
      // A norm of what the works has no more may have been a price.
      return norm !== undefined && !isPrice(works, norm);
    });
  },
};

/** An answer as it is told to somebody. */
export function toldTo(database: Database, id: EndpointId, account: Account | undefined, answer: unknown): unknown {
  const hide = HIDDEN[id];
  if (!hide || !account || answer === undefined || seesPrices(account)) return answer;
  return hide((answer instanceof JsonText ? JSON.parse(answer.text) : answer) as never, database);
}

import { type Job, offerPrice } from '@druckerei/core';
import { type Account, type NewOffer, type Offer, type OfferTake, dayIn } from '@druckerei/contract';
import type { OfferDocument } from '@druckerei/formats';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { inFileName } from '../../http/file-name.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { inTongue } from '../../http/tongue.js';
import { assessJob } from '../assessments/assessments.js';
import { addJob } from '../jobs/write-job.js';
import type { Bench } from '../jobs/bench.js';
import { currentLogo, headOf } from '../works/logo.js';
import { currentWorks } from '../works/works.js';
import { refuseOlder } from '../changes/refuse-older.js';
import { localeOf } from './locale-of.js';

/** Most rows of a page that asks for no number. */
const PAGE = 200;

/** What an offer says, as it is kept. */
type Body = Omit<OfferDocument, 'number' | 'at'> & Pick<Offer, 'margin' | 'lines'>;

type Row = Pick<Offer, 'id' | 'version' | 'number' | 'state' | 'job' | 'madeBy' | 'madeAt'> & {
  readonly body: Body;
  readonly total: number;
};

function told({ total: _, body, ...row }: Row): Offer {
  const { title, customer, currency, margin, until, note, lines } = body;
  return { ...row, title, customer, currency, margin, until, lines, ...(note === undefined ? {} : { note }) };
}

async function readRow(queries: Queries, id: number): Promise<Row> {
  const [row] = await queries.many<Row>('offers/list', '[]', id, 0, 1);
  if (!row) throw notFound($localize`This offer`);
  return row;
}
const readOffer = async (queries: Queries, id: number): Promise<Offer> => told(await readRow(queries, id));

/** An offer of a job at several quantities: each is planned in the works of today, and its cost is what the plan says. */
export async function addOffer(
  { database, workshop }: Bench,
  account: Pick<Account, 'id'>,
  offer: Omit<NewOffer, 'jobs'> & { readonly jobs: readonly Job[] },
): Promise<Offer> {
  const { number, margin, until, note, jobs } = offer;
  const [first] = jobs;
  const errors = jobs.flatMap(({ customer }, i) =>
    customer === first?.customer
      ? []
      : [{ path: `jobs[${i}].customer`, message: $localize`An offer goes to one customer.` }],
  );
  const quantities = jobs.map(({ order }) => order.quantity);
  for (const [i, quantity] of quantities.entries())
    if (quantities.indexOf(quantity) !== i)
      errors.push({ path: `jobs[${i}].order.quantity`, message: $localize`${quantity} is offered twice.` });
  const works = await currentWorks(database);
  const today = dayIn(new Date(), works.timeZone);
  if (until < today)
    errors.push({ path: 'until', message: $localize`The offer would have ended already: today is ${today}.` });
  if (!first || errors.length > 0) throw invalid(errors);
  const locale = await localeOf(database, first.customer, works);
  const costed = await workshop.run('costs', { jobs, works });
  if (costed.faults.length > 0) throw invalid(costed.faults);
  const description = await inTongue(locale, () => workshop.run('describeJob', { job: first, works, locale }));
  const body: Body = {
    works: headOf(works),
    ...(locale === undefined ? {} : { locale }),
    title: first.title,
    customer: first.customer,
    currency: works.currency,
    description,
    margin,
    until,
    ...(note ? { note } : {}),
    lines: costed.costs.map((cost, i) => {
      const quantity = quantities[i] ?? 1;
      const { total, perThousand } = offerPrice(cost, margin, quantity);
      return { quantity, cost, price: total, perThousand };
    }),
  };
  const row = await database.one<{ id: number }>('offers/add', number, body, JSON.stringify(jobs), account.id);
  return readOffer(database, row?.id ?? 0);
}

/** An offer, held until the transaction ends; refused where somebody else has changed it, or it has become a job. */
async function lockOffer(
  queries: Queries,
  id: number,
  version: number,
): Promise<{ state: 'open' | 'declined'; until: string }> {
  const now = await queries.one<{ version: number; state: Offer['state']; until: string }>('offers/lock', id);
  if (!now) throw notFound($localize`This offer`);
  refuseOlder('offer', now.version, version);
  if (now.state === 'taken')
    throw new ProblemError(409, $localize`This offer has been taken: its job is there already`);
  return { state: now.state, until: now.until };
}

const todayIn = async (queries: Queries): Promise<string> => dayIn(new Date(), (await currentWorks(queries)).timeZone);

/** The line that was taken becomes a job as it was costed, once. */
async function takeOffer(
  { database, workshop }: Bench,
  account: Account,
  id: number,
  { version, line, number, due }: OfferTake,
): Promise<Offer> {
  const jobs = (await database.one<{ jobs: Job[] }>('offers/jobs', id))?.jobs;
  if (!jobs) throw notFound($localize`This offer`);
  const offered = jobs[line];
  if (!offered) throw invalid([{ path: 'line', message: $localize`The offer has ${jobs.length} quantities.` }]);
  const job: Job = { ...offered, number, ...(due === undefined ? {} : { due }) };
  const assessed = await assessJob(database, workshop, job);
  return database.transaction(async (queries) => {
    const { state, until } = await lockOffer(queries, id, version);
    if (state === 'declined') throw new ProblemError(409, $localize`This offer was declined. Open it again first.`);
    if (until < (await todayIn(queries)))
      throw new ProblemError(409, $localize`This offer held until ${until}. Offer it anew, at the cost of today.`);
    const made = await addJob(queries, account, job, assessed);
    await queries.one('offers/set', id, 'taken', made.id);
    return readOffer(queries, id);
  });
}

const setOffer = (
  database: Database,
  id: number,
  { version, state }: { version: number; state: 'open' | 'declined' },
): Promise<Offer> =>
  database.transaction(async (queries) => {
    await lockOffer(queries, id, version);
    await queries.one('offers/set', id, state, null);
    return readOffer(queries, id);
  });

export const offerHandlers = (
  bench: Bench,
): Pick<Handlers, 'offers' | 'addOffer' | 'offerPdf' | 'setOffer' | 'takeOffer'> => ({
  offers: async ({ query: { search = '', skip = 0, limit = PAGE }, response }) => {
    const rows = await bench.database.many<Row>('offers/list', JSON.stringify(patternsOf(search)), null, skip, limit);
    response.setHeader('X-Total-Count', String(rows[0]?.total ?? 0));
    return rows.map(told);
  },
  addOffer: ({ account, body }) => addOffer(bench, account, body),
  offerPdf: async ({ params, response }) => {
    const { number, body, madeAt } = await readRow(bench.database, params.id);
    const { margin: _, ...document } = body;
    const head = { ...document.works, logo: await currentLogo(bench.database) };
    const offer = { ...document, works: head, number, at: new Date(madeAt) };
    const made = await inTongue(document.locale, () => bench.workshop.run('offer', offer));
    response.setHeader('Content-Disposition', `inline; filename="offer-${inFileName(number)}.pdf"`);
    return Buffer.from(made);
  },
  setOffer: ({ params, body }) => setOffer(bench.database, params.id, body),
  takeOffer: ({ account, params, body }) => takeOffer(bench, account, params.id, body),
});

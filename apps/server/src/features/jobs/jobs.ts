import type { Response } from 'express';
import type { Revision } from '@druckerei/contract';
import type { Compared } from '../../work/difference.js';
import type { Asked, DocumentName } from '../../work/documents.js';
import { inFileName } from '../../http/file-name.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { untilGone } from '../../http/until-gone.js';
import { bookHead } from '../room/entries.js';
import { keptPlan, listJobs, readRevision, revisionAnswer } from './revisions.js';
import type { Bench } from './bench.js';
import { revisionWithoutPrices } from '../works/hidden-prices.js';
import { seesPrices } from '../works/sees-prices.js';
import { nextNumber } from './next-number.js';
import { copyJob, createJob, createJobs, putAside, release, saveDraft } from './write-job.js';

type Ids =
  | 'jobs'
  | 'nextNumber'
  | 'pictures'
  | 'tickets'
  | 'createJob'
  | 'createJobs'
  | 'copyJob'
  | 'job'
  | 'revision'
  | 'saveDraft'
  | 'release'
  | 'putAside'
  | 'difference'
  | 'ticket'
  | 'pileTags'
  | 'labels'
  | 'layoutPdf'
  | 'stationPdf'
  | 'stationSheet'
  | 'stationSvg'
  | 'numbersCsv'
  | 'numbersPdf'
  | 'layoutSvg'
  | 'layoutDxf'
  | 'jobFile';

/** Job numbers go into file names with what file systems take. */
const name = (response: Response, number: string, ending: string) =>
  response.setHeader('Content-Disposition', `inline; filename="${inFileName(number)}-${ending}"`);

/** What a document is asked for by, beside its revision. */
type Part = Omit<Asked, 'revision' | 'kept' | 'book'>;

/** The ticket of one of several jobs; where it cannot be made, it is said of which. */
async function ticketOf(workshop: Bench['workshop'], asked: Asked, signal: AbortSignal): Promise<Uint8Array> {
  try {
    return await workshop.run('ticket', asked, { signal });
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    throw new ProblemError(error.status, `${asked.revision.job.number}: ${error.title}`, error.details);
  }
}

export function jobHandlers(bench: Bench): Pick<Handlers, Ids> {
  const { database, workshop } = bench;
  async function document(
    { params, response }: { params: { id: number; revision: number }; response: Response },
    document: DocumentName,
    ending: string,
    part: Part = {},
  ): Promise<Buffer> {
    const signal = untilGone(response);
    const revision = await readRevision(database, params.id, params.revision);
    const kept = await keptPlan(database, params.id, params.revision);
    const book = await bookHead(database);
    const made = await workshop.run(document, { revision, kept, book, ...part }, { signal });
    name(response, revision.job.number, ending);
    return Buffer.from(typeof made === 'string' ? new TextEncoder().encode(made) : made);
  }
  return {
    jobs: async ({ query, response }) => {
      const { rows, total } = await listJobs(database, query);
      response.setHeader('X-Total-Count', String(total));
      return rows;
    },
    nextNumber: async () => ({ number: await nextNumber(database) }),
    pictures: ({ query }) => database.many('assessments/pictures', query.jobs),
    tickets: async ({ query, response }) => {
      const signal = untilGone(response);
      const files: Uint8Array[] = [];
      const book = await bookHead(database);
      for (const id of query.jobs) {
        const revision = await readRevision(database, id);
        const kept = await keptPlan(database, id, revision.revision);
        files.push(await ticketOf(workshop, { revision, kept, book }, signal));
      }
      const joined = await workshop.run(
        'joined',
        { title: $localize`Tickets of ${files.length} jobs`, files },
        { signal },
      );
      response.setHeader('Content-Disposition', 'inline; filename="tickets.pdf"');
      return Buffer.from(joined);
    },
    createJob: ({ account, body }) => createJob(bench, account, body),
    createJobs: ({ account, body }) => createJobs(bench, account, body.jobs),
    copyJob: ({ account, params, body }) => copyJob(bench, account, params.id, body),
    job: ({ params, query }) => revisionAnswer(database, params.id, undefined, query.works === 'apart'),
    revision: ({ params, query }) => revisionAnswer(database, params.id, params.revision, query.works === 'apart'),
    saveDraft: ({ account, params, body }) => saveDraft(bench, account, params.id, body.version, body.job),
    release: ({ account, params, body }) => release(bench, account, params.id, body),
    putAside: ({ account, params, body }) => putAside(bench, account, params.id, body),
    difference: async ({ account, params, query, response }) => {
      const seen = seesPrices(account) ? (revision: Revision) => revision : revisionWithoutPrices;
      const compared = async (revision: number): Promise<Compared> => ({
        revision: seen(await readRevision(database, params.id, revision)),
        kept: await keptPlan(database, params.id, revision),
      });
      const sides = { from: await compared(query.from), to: await compared(query.to) };
      return workshop.run('difference', sides, { signal: untilGone(response) });
    },
    ticket: (call) => document(call, 'ticket', 'ticket.pdf'),
    pileTags: (call) => document(call, 'pileTags', 'pile-tags.pdf'),
    labels: (call) =>
      document(call, 'labels', `labels-${call.query.of}.pdf`, { things: call.query.of, size: call.query.size }),
    layoutPdf: (call) =>
      document(call, 'layoutPdf', `layout-${call.params.component}.pdf`, { component: call.params.component }),
    layoutSvg: (call) =>
      document(call, 'layoutSvg', `layout-${call.params.component}.svg`, {
        component: call.params.component,
        side: call.query.side,
      }),
    layoutDxf: (call) =>
      document(call, 'layoutDxf', `layout-${call.params.component}.dxf`, {
        component: call.params.component,
        side: call.query.side,
      }),
    stationPdf: (call) => document(call, 'stationPdf', `station-${call.params.step}.pdf`, { step: call.params.step }),
    stationSheet: async ({ params, response }) => {
      const revision = await readRevision(database, params.id, params.revision);
      const kept = await keptPlan(database, params.id, params.revision);
      return workshop.run('stationSheet', { revision, kept, step: params.step }, { signal: untilGone(response) });
    },
    stationSvg: (call) =>
      document(call, 'stationSvg', `station-${call.params.step}.svg`, {
        step: call.params.step,
        drawing: call.query.drawing,
      }),
    numbersCsv: (call) => document(call, 'numbersCsv', `numbers-${call.params.step}.csv`, { step: call.params.step }),
    numbersPdf: (call) => document(call, 'numbersPdf', `numbers-${call.params.step}.pdf`, { step: call.params.step }),
    jobFile: async ({ params, response }) => {
      const { job } = await readRevision(database, params.id, params.revision);
      name(response, job.number, 'job.json');
      return job;
    },
  };
}

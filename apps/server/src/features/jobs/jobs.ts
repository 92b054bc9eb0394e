import type { Response } from 'express';
import type { Compared } from '../../work/difference.js';
import type { Asked, DocumentName } from '../../work/documents.js';
import type { Handlers } from '../../http/register.js';
import { keptPlan, listJobs, readRevision, revisionAnswer } from './revisions.js';
import type { Bench } from './bench.js';
import { copyJob, createJob, putAside, release, saveDraft } from './write-job.js';

type Ids =
  | 'jobs'
  | 'createJob'
  | 'copyJob'
  | 'job'
  | 'revision'
  | 'saveDraft'
  | 'release'
  | 'putAside'
  | 'difference'
  | 'ticket'
  | 'pileTags'
  | 'layoutPdf'
  | 'stationPdf'
  | 'stationSvg'
  | 'numbersCsv'
  | 'numbersPdf'
  | 'layoutSvg'
  | 'layoutDxf'
  | 'jobFile';

/** Job numbers go into file names with what file systems take. */
const name = (response: Response, number: string, ending: string) =>
  response.setHeader('Content-Disposition', `inline; filename="${number.replace(/[^\w.-]+/g, '-')}-${ending}"`);

/** Cancels work that nobody waits for any more. */
function untilGone(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
}

/** What a document is asked for by, beside its revision. */
type Part = Omit<Asked, 'revision' | 'kept'>;

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
    const made = await workshop.run(document, { revision, kept, ...part }, { signal });
    name(response, revision.job.number, ending);
    return Buffer.from(typeof made === 'string' ? new TextEncoder().encode(made) : made);
  }
  return {
    jobs: async ({ query, response }) => {
      const { rows, total } = await listJobs(database, query);
      response.setHeader('X-Total-Count', String(total));
      return rows;
    },
    createJob: ({ account, body }) => createJob(bench, account, body),
    copyJob: ({ account, params, body }) => copyJob(bench, account, params.id, body),
    job: ({ params }) => revisionAnswer(database, params.id),
    revision: ({ params }) => revisionAnswer(database, params.id, params.revision),
    saveDraft: ({ account, params, body }) => saveDraft(bench, account, params.id, body.version, body.job),
    release: ({ account, params, body }) => release(bench, account, params.id, body),
    putAside: ({ account, params, body }) => putAside(bench, account, params.id, body),
    difference: async ({ params, query, response }) => {
      const compared = async (revision: number): Promise<Compared> => ({
        revision: await readRevision(database, params.id, revision),
        kept: await keptPlan(database, params.id, revision),
      });
      const sides = { from: await compared(query.from), to: await compared(query.to) };
      return workshop.run('difference', sides, { signal: untilGone(response) });
    },
    ticket: (call) => document(call, 'ticket', 'ticket.pdf'),
    pileTags: (call) => document(call, 'pileTags', 'pile-tags.pdf'),
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

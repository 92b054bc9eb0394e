import type { Response } from 'express';
import type { Database } from '../../db/database.js';
import type { Handlers } from '../../http/register.js';
import { difference } from './difference.js';
import {
  layoutDxfOf,
  layoutPdfOf,
  layoutSvgOf,
  numbersCsvOf,
  numbersPdfOf,
  pileTagsOf,
  stationPdfOf,
  stationSvgOf,
  ticketOf,
} from './documents.js';
import { listJobs, readRevision } from './revisions.js';
import { copyJob, createJob, release, saveDraft } from './write-job.js';

type Ids =
  | 'jobs'
  | 'createJob'
  | 'copyJob'
  | 'job'
  | 'revision'
  | 'saveDraft'
  | 'release'
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

export const jobHandlers = (database: Database): Pick<Handlers, Ids> => ({
  jobs: () => listJobs(database),
  createJob: ({ account, body }) => createJob(database, account, body),
  copyJob: ({ account, params, body }) => copyJob(database, account, params.id, body),
  job: ({ params }) => readRevision(database, params.id),
  revision: ({ params }) => readRevision(database, params.id, params.revision),
  saveDraft: ({ account, params, body }) => saveDraft(database, account, params.id, body.version, body.job),
  release: ({ account, params, body }) => release(database, account, params.id, body.version),
  difference: async ({ params, query }) =>
    difference(await readRevision(database, params.id, query.from), await readRevision(database, params.id, query.to)),
  ticket: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const pdf = await ticketOf(revision);
    name(response, revision.job.number, 'ticket.pdf');
    return pdf;
  },
  pileTags: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const pdf = await pileTagsOf(revision);
    name(response, revision.job.number, 'pile-tags.pdf');
    return pdf;
  },
  layoutPdf: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const pdf = await layoutPdfOf(revision, params.component);
    name(response, revision.job.number, `layout-${params.component}.pdf`);
    return pdf;
  },
  layoutSvg: async ({ params, query, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const svg = layoutSvgOf(revision, params.component, query.side);
    name(response, revision.job.number, `layout-${params.component}.svg`);
    return Buffer.from(svg);
  },
  layoutDxf: async ({ params, query, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const dxf = layoutDxfOf(revision, params.component, query.side);
    name(response, revision.job.number, `layout-${params.component}.dxf`);
    return Buffer.from(dxf);
  },
  stationPdf: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const pdf = await stationPdfOf(revision, params.step);
    name(response, revision.job.number, `station-${params.step}.pdf`);
    return pdf;
  },
  stationSvg: async ({ params, query, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const svg = stationSvgOf(revision, params.step, query.drawing);
    name(response, revision.job.number, `station-${params.step}.svg`);
    return Buffer.from(svg);
  },
  numbersCsv: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const csv = numbersCsvOf(revision, params.step);
    name(response, revision.job.number, `numbers-${params.step}.csv`);
    return Buffer.from(csv);
  },
  numbersPdf: async ({ params, response }) => {
    const revision = await readRevision(database, params.id, params.revision);
    const pdf = await numbersPdfOf(revision, params.step);
    name(response, revision.job.number, `numbers-${params.step}.pdf`);
    return pdf;
  },
  jobFile: async ({ params, response }) => {
    const { job } = await readRevision(database, params.id, params.revision);
    name(response, job.number, 'job.json');
    return job;
  },
});

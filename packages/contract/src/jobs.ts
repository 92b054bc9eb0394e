import * as z from 'zod';
import { FAMILIES } from '@druckerei/core';
import { markSchema } from './changes.js';
import { jobSchema } from './job-file.js';
import { JOB_COLUMNS } from './plain.js';
import { line } from './text.js';
import { worksSchema } from './works.js';

export const STATUSES = ['draft', 'released', 'changed', 'aside'] as const;
/** aside: put aside, whatever it was; draft: never released; released: the newest revision is frozen; changed: released once, and a newer draft is open. */
export const statusSchema = z.enum(STATUSES);
export type JobStatus = z.output<typeof statusSchema>;

/** A page of the list of jobs. */
export const jobListQuery = z.object({
  search: line(120).optional(),
  status: statusSchema.optional().describe('only jobs of this status'),
  family: z.enum(FAMILIES).optional().describe('only jobs of this family'),
  customer: line(120).optional().describe('only jobs of this customer, named in full'),
  press: line(40).optional().describe('only jobs with something to print on this press, by its id'),
  dueBy: z.iso.date().optional().describe('only jobs due on this day or before'),
  by: z.enum(JOB_COLUMNS).optional(),
  order: z.enum(['asc', 'desc']).optional(),
  skip: z.coerce.number().int().min(0).max(1_000_000).optional(),
  limit: z.coerce.number().int().min(1).max(500).optional(),
});
export type JobListQuery = z.output<typeof jobListQuery>;

const ids = (most: number) =>
  z
    .string()
    .regex(/^[0-9]{1,9}(,[0-9]{1,9})*$/, { error: 'ids' })
    .transform((text) => text.split(',').map(Number))
    .refine((all) => all.length <= most, { error: () => $localize`at most ${most} jobs at once` })
    .describe('ids of jobs, with commas');
/** Jobs whose pictures are asked for. */
export const picturesQuery = z.object({ jobs: ids(500) });
/** Jobs whose tickets are printed together. */
export const ticketsQuery = z.object({ jobs: ids(50) });
/** A product drawn to scale, millimetres, as core's `productPicture` draws it. */
export const pictureSchema = z
  .strictObject({
    job: z.int(),
    picture: z.looseObject({
      title: z.string(),
      widthMm: z.number(),
      heightMm: z.number(),
      shapes: z.array(z.looseObject({ kind: z.enum(['box', 'path', 'measure']) })),
    }),
  })
  .meta({ id: 'ProductPicture' });

export const jobRowSchema = z
  .strictObject({
    id: z.int(),
    number: z.string(),
    title: z.string(),
    customer: z.string(),
    family: z.string(),
    due: z.string().nullable(),
    quantity: z.number(),
    status: statusSchema,
    revision: z.int(),
    changedAt: z.iso.datetime(),
    changedBy: z.string(),
  })
  .meta({ id: 'JobRow' });
export type JobRow = z.output<typeof jobRowSchema>;

export const revisionRowSchema = z
  .strictObject({
    revision: z.int(),
    state: z.enum(['draft', 'released']),
    changedAt: z.iso.datetime(),
    changedBy: z.string(),
    releasedAt: z.iso.datetime().nullable(),
    releasedBy: z.string().nullable(),
  })
  .meta({ id: 'RevisionRow' });
export type RevisionRow = z.output<typeof revisionRowSchema>;

/** One revision: the job, and the works it is planned with (frozen once released). */
export const revisionSchema = z
  .strictObject({
    id: z.int(),
    revision: z.int(),
    state: z.enum(['draft', 'released']),
    version: z.int(),
    changedAt: z.iso.datetime(),
    changedBy: z.string(),
    job: jobSchema,
    works: worksSchema,
    worksMark: z.string().nullish().describe('what the works of a draft is known by, as ETag of `/api/works`'),
    revisions: z.array(revisionRowSchema),
    aside: z.boolean().optional().describe('put aside: nothing is reckoned or bought for it'),
  })
  .meta({ id: 'Revision' });
export type Revision = z.output<typeof revisionSchema>;

/** How a revision is asked for by who holds the works. */
export const revisionQuery = z.object({
  works: z.literal('apart').optional().describe('apart: a draft comes without the works, which `/api/works` answers'),
});
/** A draft that was asked for without the works. */
export const draftApartSchema = revisionSchema.extend({ works: z.null() }).meta({ id: 'DraftApart' });
export type DraftApart = z.output<typeof draftApartSchema>;

/** Jobs that are begun at once. */
export const MOST_BEGUN = 200;
/** Jobs out of a list of orders: all of them, or none. */
export const severalJobsSchema = z
  .strictObject({ jobs: z.array(jobSchema).min(1).max(MOST_BEGUN) })
  .meta({ id: 'SeveralJobs' });
export const begunJobsSchema = z.strictObject({ ids: z.array(z.int()) }).meta({ id: 'BegunJobs' });
export type BegunJobs = z.output<typeof begunJobsSchema>;

/** Saving a draft: `version` is the one that the editor started from. */
export const saveSchema = z.strictObject({ version: z.int().min(1), job: jobSchema }).meta({ id: 'SaveDraft' });
/** Releasing: `version` of the draft, and `mark` of the norms or `worksMark` of the whole works, as the releaser saw them. */
export const releaseSchema = z
  .strictObject({
    version: z.int().min(1),
    mark: markSchema,
    worksMark: z
      .string()
      .max(80)
      .optional()
      .describe('refused where the works is another by now: prices of suppliers too'),
  })
  .meta({ id: 'Release' });
/** Putting a job aside or taking it up again; `version` is the one that was seen. */
export const asideSchema = z.strictObject({ version: z.int().min(1), aside: z.boolean() }).meta({ id: 'PutAside' });
/** A job to be begun as another is, with what differs; the rest stays. */
export const copySchema = z
  .strictObject({
    number: line(40).min(1),
    title: line(120).min(1),
    customer: line(120).optional(),
    quantity: z.int().min(1).max(1e9).optional(),
    due: z.iso.date().nullable().optional().describe('null where the copy has no due date'),
  })
  .meta({ id: 'CopyJob' });
export type CopyJob = z.output<typeof copySchema>;

const change = z.strictObject({ path: z.string(), before: z.unknown(), after: z.unknown() });
const figureChange = z.strictObject({
  id: z.string(),
  name: z.string(),
  unit: z.string(),
  before: z.number().optional(),
  after: z.number().optional(),
});
/** Fields and resulting figures that differ between two revisions. */
export const differenceSchema = z
  .strictObject({ from: z.int(), to: z.int(), fields: z.array(change), figures: z.array(figureChange) })
  .meta({ id: 'Difference' });
export type Difference = z.output<typeof differenceSchema>;

/** Status of a job by its newest revision, as the list of jobs tells it. */
export const statusOf = ({ aside, state, revision }: Pick<Revision, 'aside' | 'state' | 'revision'>): JobStatus => {
  if (aside) return 'aside';
  if (state === 'released') return 'released';
  return revision > 1 ? 'changed' : 'draft';
};

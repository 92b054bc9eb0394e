import * as z from 'zod';
import { markSchema } from './changes.js';
import { JOB_COLUMNS } from './plain.js';
import { CURRENCIES, isLocale, isTimeZone } from './known-places.js';
import { line, lines } from './text.js';
import {
  CONTACTS,
  DRYINGS,
  FAMILIES,
  FLUTE_IDS,
  INK_KINDS,
  INK_SCHOOLS,
  MACHINE_PROCESSES,
  NORM_GROUPS,
  PRINT_PROCESSES,
  SOURCE_LABELS,
  wrongNumberPattern,
} from '@druckerei/core';
import { foldingSchema, jobSchema } from './job-file.js';

export const ROLES = ['manager', 'operator', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

export const roleSchema = z.enum(ROLES);

const known = (isKnown: (value: string) => boolean, error: string) => z.string().refine(isKnown, { error });
const locale = known(isLocale, 'no language and place are known by this; write it like en-GB');
export const accountSchema = z
  .strictObject({
    id: z.int(),
    login: z.string(),
    name: z.string(),
    role: roleSchema,
    locale: z.string().nullable().optional().describe('language and place of the dates that they chose'),
    worksLocale: z.string().nullable().optional().describe('those of the works'),
  })
  .meta({ id: 'Account' });
export type Account = z.output<typeof accountSchema>;

/** The language and place whose dates somebody reads; null for those of the works. */
export const ownSettingsSchema = z.strictObject({ locale: locale.nullable() }).meta({ id: 'OwnSettings' });

export const signInSchema = z
  .strictObject({ login: line(80).min(1), password: z.string().min(1).max(200) })
  .meta({ id: 'SignIn' });

const sourceSchema = z.strictObject({ label: z.enum(SOURCE_LABELS), note: z.string().optional() });
const sheetSchema = z.strictObject({ widthMm: z.number(), heightMm: z.number(), grain: z.enum(['width', 'height']) });
const pair = z.tuple([z.number(), z.number()]);
const pressSchema = z.strictObject({
  units: z.int(),
  perfects: z.boolean(),
  turnsSheet: z.boolean(),
  maxSheetMm: pair,
  minSheetMm: pair,
  minCaliperUm: z.number(),
  maxCaliperUm: z.number(),
  gripperMm: z.number(),
  tailMm: z.number(),
  sideMm: z.number(),
  colourBarMm: z.number().optional(),
  plateless: z.boolean().optional(),
  handLaid: z.boolean().optional(),
  printing: z.enum(PRINT_PROCESSES).optional(),
  inkSchool: z.enum(INK_SCHOOLS).optional(),
  coatingUnits: z.int().optional(),
  zones: z.strictObject({ count: z.int(), widthMm: z.number() }).optional(),
  plate: z
    .strictObject({
      widthMm: z.number(),
      heightMm: z.number(),
      gaugeMm: z.number(),
      pins: z.string().optional(),
      baseMm: z.number().optional(),
      inTheRound: z.boolean().optional(),
    })
    .optional(),
  register: z
    .strictObject({
      moveMm: z.number(),
      cockMmPerM: z.number(),
      packing: z.boolean().optional(),
      fanOut: z.boolean().optional(),
    })
    .optional(),
  web: z
    .strictObject({
      cutOffMm: z.number().optional(),
      cylinderTeeth: z.array(z.number()).optional(),
      anyRepeat: z.boolean().optional(),
      platesAcross: z.int(),
      platesAround: z.int(),
      trimsInLine: z.boolean().optional(),
    })
    .optional(),
});

/** Folds that the works keeps under a name. */
export const houseFoldSchema = foldingSchema.extend({ name: line(60).min(1) }).meta({ id: 'HouseFold' });

/** What a works says of itself, and how it writes. */
export const worksSettingsSchema = z
  .strictObject({
    name: line(80).min(1),
    place: line(120).optional(),
    currency: known((code) => CURRENCIES.has(code), 'no currency has this code; take one of three letters, as EUR'),
    locale: locale.optional(),
    timeZone: known(isTimeZone, 'no time zone has this name; write it like Europe/Berlin').optional(),
    numberPattern: line(40)
      .superRefine((pattern, context) => {
        const wrong = wrongNumberPattern(pattern);
        if (wrong !== undefined) context.addIssue({ code: 'custom', message: wrong });
      })
      .optional(),
  })
  .meta({ id: 'WorksSettings' });
/** Settings of the works changed; `seen` is what the editor began with, so that nobody overwrites another's unseen. */
export const settingsChangeSchema = z
  .strictObject({ settings: worksSettingsSchema, seen: worksSettingsSchema })
  .meta({ id: 'SettingsChange' });

/** The works as core plans for it. */
export const worksSchema = z
  .strictObject({
    name: z.string(),
    place: z.string().optional(),
    currency: z.string().length(3),
    locale: z.string().optional(),
    timeZone: z.string().optional(),
    numberPattern: z.string().optional(),
    machines: z.array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        process: z.enum(MACHINE_PROCESSES),
        press: pressSchema.optional(),
        takes: z
          .strictObject({
            maxMm: pair,
            minMm: pair,
            minCaliperUm: z.number(),
            maxCaliperUm: z.number(),
            grain: z.enum(['long', 'short']).optional(),
            maxG: z.number().optional(),
            stations: z.int().optional(),
            forceKn: z.number().optional(),
          })
          .optional(),
        cutsStacks: z.boolean().optional(),
      }),
    ),
    stocks: z.array(
      z.strictObject({
        id: z.string(),
        name: z.string(),
        gsm: z.number(),
        bulk: z.number(),
        coated: z.boolean(),
        waxed: z.boolean().optional(),
        sheets: z.array(sheetSchema),
        flutes: z.array(z.enum(FLUTE_IDS)).optional(),
        rollWidthsMm: z.array(z.number()).optional(),
        cleared: z.array(z.enum(CONTACTS)).optional(),
        paperMark: z.string().optional(),
      }),
    ),
    inks: z
      .array(
        z.strictObject({
          name: z.string(),
          kind: z.enum(INK_KINDS),
          drying: z.enum(DRYINGS).optional(),
          cleared: z.array(z.enum(CONTACTS)),
        }),
      )
      .optional(),
    folds: z.array(houseFoldSchema).optional(),
    mark: z.int().optional().describe('last change of a norm'),
    norms: z.record(z.string(), z.strictObject({ value: z.number(), source: sourceSchema })),
  })
  .meta({ id: 'Works' });

export const normGroupSchema = z.enum(NORM_GROUPS);
const normValueSchema = z.number().nullable().describe('null: the works no longer sets it');
/** A norm changed by hand; `expected` is the value that the editor saw, so that nobody overwrites another's change unseen. */
export const normChangeSchema = z
  .strictObject({
    value: normValueSchema,
    expected: z.number(),
    seen: markSchema.describe('mark of the works that the editor saw'),
    reason: lines(300),
  })
  .meta({ id: 'NormChange' });
export type NormChange = z.output<typeof normChangeSchema>;
const normId = z.string().min(1).max(120);
/** Several norms changed together, all or none; each once. */
export const normChangesSchema = z
  .strictObject({
    changes: z
      .array(z.strictObject({ norm: normId, value: normValueSchema, expected: z.number() }))
      .min(1)
      .max(500)
      .refine((all) => new Set(all.map(({ norm }) => norm)).size === all.length, { error: 'a norm is named twice' }),
    seen: markSchema.describe('mark of the works that the editor saw'),
    reason: lines(300),
  })
  .meta({ id: 'NormChanges' });
export type NormChanges = z.output<typeof normChangesSchema>;
/** What norms would do to the open jobs, asked for some jobs at a time. */
export const normEffectQuestion = z
  .strictObject({
    changes: z
      .array(z.strictObject({ norm: normId, value: z.number() }))
      .min(1)
      .max(500),
    skip: z.int().min(0).max(1_000_000),
  })
  .meta({ id: 'NormEffectQuestion' });
const comesTo = z
  .strictObject({ pressSheets: z.number(), cost: z.number() })
  .nullable()
  .describe('null where it cannot be planned');
export const normEffectSchema = z
  .strictObject({
    /** Drafts in hand, in all; those from `skip` on that were planned now. */
    total: z.int(),
    planned: z.int(),
    changed: z.array(
      z.strictObject({ job: z.int(), number: z.string(), title: z.string(), before: comesTo, after: comesTo }),
    ),
  })
  .meta({ id: 'NormEffect' });
export type NormEffect = z.output<typeof normEffectSchema>;
export const normHistorySchema = z
  .strictObject({
    norm: z.string(),
    before: z.number(),
    after: z.number(),
    reason: z.string(),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'NormHistoryEntry' });
export type NormHistoryEntry = z.output<typeof normHistorySchema>;

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
    .refine((all) => all.length <= most, { error: `at most ${most} jobs at once` })
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
    revisions: z.array(revisionRowSchema),
    aside: z.boolean().optional().describe('put aside: nothing is reckoned or bought for it'),
  })
  .meta({ id: 'Revision' });
export type Revision = z.output<typeof revisionSchema>;

/** Saving a draft: `version` is the one that the editor started from. */
export const saveSchema = z.strictObject({ version: z.int().min(1), job: jobSchema }).meta({ id: 'SaveDraft' });
/** Releasing: `version` of the draft and `mark` of the works, as the releaser saw them. */
export const releaseSchema = z.strictObject({ version: z.int().min(1), mark: markSchema }).meta({ id: 'Release' });
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

const fieldError = z.strictObject({ path: z.string(), message: z.string() });
/** RFC 9457 problem details; `errors` names fields, `current` is the other version of a refused save. */
export const problemSchema = z
  .looseObject({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    detail: z.string().optional(),
    errors: z.array(fieldError).optional(),
    current: revisionSchema.optional(),
  })
  .meta({ id: 'Problem' });
export type Problem = z.output<typeof problemSchema>;

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

/** What a restore brought. */
export const restoredSchema = z
  .strictObject({ made: z.iso.datetime(), jobs: z.int(), rows: z.int() })
  .meta({ id: 'Restored' });
export type Restored = z.output<typeof restoredSchema>;

/** Status of a job by its newest revision, as the list of jobs tells it. */
export const statusOf = ({ aside, state, revision }: Pick<Revision, 'aside' | 'state' | 'revision'>): JobStatus => {
  if (aside) return 'aside';
  if (state === 'released') return 'released';
  return revision > 1 ? 'changed' : 'draft';
};

import * as z from 'zod';
import {
  type Job,
  ADHESIVES,
  CONTACTS,
  DRYINGS,
  FAMILIES,
  FILM_BONDS,
  FOLD_KINDS,
  INK_KINDS,
  INSPECTED,
  MAX_QUANTITY,
  OPERATIONS,
  SCHOOLS,
} from '@druckerei/core';
import { item, binding, owner, component } from './job-component.js';
import {
  named,
  id,
  clearedSchema,
  material,
  positiveMm,
  count,
  share,
  inks,
  labSchema,
  margin,
  recipeSchema,
} from './job-fields.js';
import { line, lines } from './text.js';

const inkSpec = z.strictObject({
  name: named(40),
  kind: z.enum(INK_KINDS),
  drying: z.enum(DRYINGS).optional().describe('how it dries; as is usual for the process where absent'),
  aim: labSchema.optional().describe('CIELAB D50, 2 degrees, on the stock of the job'),
  tolerance: z.number().positive().max(50).optional().describe('largest CIEDE2000 of an accepted trial'),
  recipe: recipeSchema.optional().describe('parts of base inks, adding to 100'),
  rests: z
    .array(z.strictObject({ name: named(60), kg: z.number().min(0).max(10_000) }))
    .max(10)
    .optional()
    .describe('rests of the same colour, used up first, kg'),
  filmGsm: z.number().positive().max(100).optional().describe('at full coverage, g/m2'),
  solids: z.number().positive().max(1).optional().describe('share of solids, where the film is told dry'),
  cleared: clearedSchema.optional(),
  accountable: z.boolean().optional().describe('issued and returned by weight'),
});

const incident = z.strictObject({
  name: named(60),
  rate: z.number().min(0).max(1).describe('times in one process unit'),
  loss: z.number().min(0).max(MAX_QUANTITY).describe('process units lost each time'),
});

const step = z.strictObject({
  id,
  operation: z.enum(OPERATIONS),
  component: id.optional(),
  machine: named(60).optional(),
  from: z
    .array(z.strictObject({ material, usage: z.number().positive().max(MAX_QUANTITY).optional() }))
    .max(64)
    .optional(),
  makes: z
    .array(
      z.strictObject({
        material,
        yield: z.number().positive().max(1e6).optional(),
        share: z.number().min(0).max(1).optional(),
      }),
    )
    .max(64)
    .optional(),
  yield: z.number().positive().max(1e6).optional().describe('good outputs from one good process unit'),
  samples: count.optional(),
  setup: count.optional().describe('units used before the first good one'),
  setupFrom: id.optional().describe('earlier step whose spoils serve for the set-up first'),
  running: share
    .optional()
    .describe('running spoilage, a share below 1 of what runs, or of the net where the works tells it so'),
  incidents: z.array(incident).max(20).optional(),
  side: z.enum(['front', 'back', 'both']).optional(),
  folds: z.int().min(0).max(8).optional(),
  perPack: z.int().min(1).max(1e6).optional(),
  hours: z.number().min(0).max(1000).optional(),
  perHour: z.number().positive().max(1e6).optional().describe('pieces in an hour, instead of the norm'),
  transitHours: z.number().min(0).max(1000).optional().describe('outside work: on the road each way'),
  price: z.number().min(0).max(1e6).optional().describe('outside work: of one piece that is sent'),
  leavesMm: z
    .strictObject({ widthMm: positiveMm, heightMm: positiveMm, thicknessMm: positiveMm })
    .optional()
    .describe('hand work: size of what leaves, where it is closed or put up'),
  perLift: z.int().min(1).max(100_000).optional().describe('cut: sheets in a lift, counted exactly'),
  inks: inks.optional().describe('printed again on another press: the inks of this pass'),
  powder: z.boolean().optional().describe('print: anti-set-off powder is dusted on'),
  note: lines(500).optional(),
});

const part = z.strictObject({
  id,
  name: named(60),
  widthMm: positiveMm.optional(),
  heightMm: positiveMm.optional(),
  caliperUm: z.number().positive().max(100_000).optional(),
  massG: z.number().positive().max(100_000).optional().describe('grams of one'),
  owner: owner.optional().describe('the customer sends it: not charged'),
  price: z.number().min(0).max(1e6).optional().describe('of one'),
});
/** Banners are longer than any machine is wide. */
const artworkMm = z.number().min(0.01).max(1_000_000).describe('millimetres');
const artworkPages = z.strictObject({
  count: z.int().min(1).max(10_000).describe('pages that are alike, one behind another'),
  widthMm: artworkMm,
  heightMm: artworkMm,
  bleedMm: margin.describe('beyond the trim, on the side where it is least'),
  boundBleedMm: margin.describe('the same, were one of the upright sides the spine'),
  inks: z.array(named(60)).max(64),
  rgb: z.boolean().optional().describe('painted with colours that are no inks'),
  totalInk: z.number().min(0).max(64).optional().describe('most in one place, 1 for a solid of one ink; an estimate'),
});
/** Pages of all files of a job: each is laid beside what is printed at every change. */
const MOST_PAGES = 20_000;
const pagesOf = (files: readonly { readonly pages: readonly { readonly count: number }[] }[]): number =>
  files.reduce((sum, { pages }) => pages.reduce((all, { count }) => all + count, sum), 0);
const artwork = z.strictObject({
  name: named(200).describe('file name'),
  of: z.array(id).min(1).max(64).describe('components whose pages it has'),
  pages: z.array(artworkPages).min(1).max(2_000),
});
const finish = z.strictObject({
  fold: z.enum(FOLD_KINDS).optional(),
  panelsMm: z.array(positiveMm).min(2).max(20).optional().describe('panels of the fold by hand, outer one first'),
  film: z.enum(['matt', 'gloss']).optional(),
  filmBond: z.enum(FILM_BONDS).optional().describe('dispersion where absent'),
  glueFree: z.boolean().optional().describe('glued areas are kept free of varnish, film and foil'),
  adhesive: z.enum(ADHESIVES).optional(),
  glueCleared: clearedSchema.optional(),
  varnishCleared: clearedSchema.optional(),
  windowMm: z.strictObject({ widthMm: positiveMm, heightMm: positiveMm }).optional(),
  beadMm: z.number().min(0).max(10_000).optional().describe('length of glue beads on one piece'),
  boardMm: z.number().positive().max(20).optional().describe('boards of a case'),
  rollM: z.number().positive().max(10_000).optional().describe('paper on one consumer roll, m'),
});

/** Letters of what another program wrote into a job, all of it together. */
export const MOST_FOREIGN = 200_000;
/** Elements of it. */
export const MOST_FOREIGN_ELEMENTS = 200;
const foreignSchema = z
  .array(
    z.strictObject({
      at: line(400).describe('path of the element that it stood in'),
      xml: lines(MOST_FOREIGN).min(1),
    }),
  )
  .max(MOST_FOREIGN_ELEMENTS)
  .refine((all) => all.reduce((sum, { xml }) => sum + xml.length, 0) <= MOST_FOREIGN, {
    error: () => $localize`at most ${MOST_FOREIGN} letters, of all together`,
  })
  .describe('what came with the job from another program and is not understood: it goes back with it');

/** What may be delivered of an order. */
export const policySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('exact') }),
  z.strictObject({ kind: z.literal('percent'), under: z.number().min(0).max(100), over: z.number().min(0).max(100) }),
  z.strictObject({ kind: z.literal('all-overs') }),
]);

/** The Druckerei job file, version 1. Published as JSON Schema in docs/job-file.schema.json. */
export const jobSchema = z
  .strictObject({
    format: z.literal('druckerei-job'),
    version: z.literal(1),
    number: named(40).describe('job number, printed as Code 128 on the ticket'),
    title: named(120),
    customer: line(120),
    family: z.enum(FAMILIES),
    due: z.iso.date().optional(),
    order: z.strictObject({
      quantity: z.int().min(1).max(MAX_QUANTITY),
      unit: named(20).optional().describe('what is counted, many of them; what leaves the last station where absent'),
      plannedOvers: count,
      policy: policySchema,
      deliveries: z
        .array(z.strictObject({ quantity: z.int().min(1).max(MAX_QUANTITY), due: z.iso.date().optional() }))
        .max(60)
        .optional()
        .describe('partial deliveries, adding to the quantity'),
      batch: z.int().min(1).max(100_000).optional().describe('single books that run together and share set-ups'),
    }),
    school: z.enum(SCHOOLS),
    pages: z.int().min(4).max(4096).optional(),
    binding: binding.optional(),
    components: z.array(component).min(1).max(64),
    inks: z.array(inkSpec).max(40).optional().describe('mixed colours, metallics, varnishes'),
    parts: z.array(part).max(40).optional().describe('bought ready made, taken in by the route as part.<id>'),
    finish: finish.optional(),
    accountable: z
      .strictObject({
        faceValue: z.number().min(0).max(1e9),
        remake: z.enum(['same', 'new']),
        inspect: z
          .enum(INSPECTED)
          .optional()
          .describe('what is looked at before a station is closed: a sample of every lot, or every piece'),
      })
      .optional()
      .describe('its pieces are worth something: every sheet, spoil and number is accounted for'),
    contact: z.enum(CONTACTS).optional().describe('what the product touches'),
    items: z.array(item).max(200).optional().describe('ordered by themselves, sharing press sheets'),
    artwork: z
      .array(artwork)
      .max(40)
      .refine((files) => pagesOf(files) <= MOST_PAGES, {
        error: () => $localize`at most ${MOST_PAGES} pages, of all files together`,
      })
      .optional()
      .describe('files of artwork that were examined'),
    foreign: foreignSchema.optional(),
    route: z.array(step).min(1).max(500),
    norms: z.record(z.string().max(120), z.number()),
  })
  .meta({
    id: 'Job',
    title: 'Druckerei job file',
    description: 'A print job as the planner specifies it. Shares are 0..1, lengths millimetres.',
  });

/** Holds the schema and core's type together: each must be assignable to the other, or this does not compile. */
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
type Mutable<T> = T extends number | string | boolean | null | undefined
  ? T
  : { -readonly [K in keyof T]: Mutable<T[K]> };
export const schemaIsJob: Same<z.output<typeof jobSchema>, Mutable<Job>> = true;

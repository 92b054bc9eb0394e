import * as z from 'zod';
import { line, lines } from './text.js';
import {
  type Job,
  ADHESIVES,
  ARRANGEMENTS,
  BLANK_ARRANGEMENTS,
  COMPONENT_KINDS,
  LOCKED_CHOICES,
  CONTACTS,
  CHECK_SYSTEMS,
  CREEP_SHARES,
  DRYINGS,
  ENGRAVINGS,
  FAMILIES,
  FILM_BONDS,
  FOLD_KINDS,
  INK_KINDS,
  INSPECTED,
  LINE_KINDS,
  MAX_QUANTITY,
  ODD_PLACES,
  OPERATIONS,
  SCHOOLS,
  SPINE_KINDS,
  STRUCTURES,
  WORK_STYLES,
} from '@druckerei/core';

const named = (max: number) => line(max).min(1);
/** Ids appear in file names, figures and addresses. */
const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, { error: 'id' });
const material = z.string().regex(/^[a-z0-9][a-z0-9./-]{0,79}$/, { error: 'id' });
const MOST_COORDINATE_MM = 100_000;
/**
 * The thinnest paper is some hundredths of a millimetre; the narrowest piece a label, the narrowest web one of those.
 * Source: common practice, no source.
 */
const positiveMm = z.number().min(0.01).max(10_000).describe('millimetres');
const pieceMm = z.number().min(1).max(10_000).describe('millimetres');
const sheetMm = z.number().min(10).max(10_000).describe('millimetres');
const count = z.int().min(0).max(MAX_QUANTITY);
const share = z.number().min(0).lt(1);
const grain = z.enum(['width', 'height']).describe('side along which the grain runs');

const ink = z.strictObject({
  name: named(40).describe('K, C, M, Y or a mixed colour'),
  coverage: z.number().min(0).max(1).optional().describe('share 0..1 of the printed area'),
  zones: z.array(z.number().min(0).max(1)).max(80).optional().describe('coverage of each ink zone, left first'),
});
const inks = z.array(ink).max(16);

const channel = z.number().min(-160).max(160);
const margin = z.number().min(0).max(100);
const sheet = { widthMm: sheetMm, heightMm: sheetMm, grain };
const bought = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('sheet'), ...sheet }).describe('larger sheet, cut to the press sheet'),
  z.strictObject({ kind: z.literal('roll'), widthMm: sheetMm }).describe('roll, through the sheeter'),
  z.strictObject({ kind: z.literal('deckle'), widthMm: sheetMm }).describe('web of the corrugator, slit and cut off'),
]);
const lay = z.strictObject({
  arrangement: z.enum(ARRANGEMENTS).optional().describe('the best one where absent'),
  bleedMm: margin.optional().describe('bleed of flat work or trim of a section; the norm of the works where absent'),
  gutterMm: margin.optional().describe('least distance between trimmed pieces; between blanks the stripping gap'),
  blanks: z
    .strictObject({
      arrangement: z.enum(BLANK_ARRANGEMENTS),
      turned: z.boolean().describe('by a quarter, before it is laid'),
      offset: z.number().min(-1).max(1).optional().describe('of the second of a pair, as a share of the blank'),
      shift: share.optional().describe('from row to row, as a share of the row'),
    })
    .optional()
    .describe('how blanks lie; the better of straight rows and head to tail where absent'),
});

/** Points of a drawing kept in the job: a die drawing has hundreds, seldom thousands. */
const MOST_POINTS = 2_000;
const coordinate = z.number().min(-MOST_COORDINATE_MM).max(MOST_COORDINATE_MM);
const points = z.array(z.strictObject({ x: coordinate, y: coordinate })).max(MOST_POINTS);
const die = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('structure'),
    structure: z.enum(STRUCTURES),
    depthMm: positiveMm.describe('inner height between length and width'),
    flapMm: margin.optional(),
    foldMm: margin.optional().describe('allowance for each fold; one caliper where absent'),
    part: z.int().min(0).max(9).optional(),
  }),
  z.strictObject({
    kind: z.literal('drawing'),
    name: line(60),
    outline: points.min(3).describe('closed, millimetres, y up'),
    lines: z.array(z.strictObject({ kind: z.enum(LINE_KINDS), points: points.min(2) })).max(MOST_POINTS),
    areas: z.array(z.strictObject({ kind: z.enum(['glue', 'keep-out']), outline: points.min(3) })).max(1000),
  }),
]);
const carried = z.strictObject({
  item: id,
  count: z.int().min(1).max(10_000).describe('times on the form'),
  share: z.number().positive().max(1).optional().describe('of the item, where several forms carry it'),
});
const item = z.strictObject({
  id,
  name: named(60),
  widthMm: pieceMm,
  heightMm: pieceMm,
  quantity: z.int().min(1).max(MAX_QUANTITY),
  mayTurn: z.boolean().optional().describe('by a quarter; it may where absent'),
});
const trims = z.strictObject({
  headMm: margin.optional(),
  footMm: margin.optional(),
  foreMm: margin.optional(),
  spineMm: margin.optional().describe('milled off each page at the spine of glued work'),
});
const binding = z.strictObject({
  assembly: z.enum(['nested', 'gathered']),
  odd: z.enum(ODD_PLACES).optional().describe('where the section with fewer pages stands'),
  creep: z.enum(['thumb', 'round', 'square']).optional(),
  creepShare: z.enum(CREEP_SHARES).optional(),
  selfEnds: z.boolean().optional().describe('the outer two leaves of the text serve as endpapers at each end'),
  spine: z.enum(SPINE_KINDS).optional().describe('glued spines: milled where absent'),
  twoUp: z.boolean().optional().describe('two copies bound as one, head to head, split at the trimmer'),
});

const owner = z.enum(['house', 'customer']);
const names = z.array(named(40)).max(16);
const tool = z.strictObject({
  id,
  kind: z.enum(['letterpress-die', 'foil-die', 'embossing-die', 'embossing-roller', 'cutting-die', 'numbering-box']),
  name: named(60),
  count: z.int().min(1).max(64).optional(),
  widthMm: positiveMm.optional().describe('foil and embossing: one die, across the foil'),
  heightMm: positiveMm.optional().describe('foil and embossing: one die, along the foil'),
  counter: z.boolean().optional().describe('embossing: with a counter'),
  owner: owner.optional(),
  start: z.int().min(0).max(999_999_999_999_999).optional(),
  step: z.int().min(-1_000_000).max(1_000_000).optional(),
  check: z.boolean().optional().describe('numbering: a check character closes the number'),
  checkSystem: z.enum(CHECK_SYSTEMS).optional().describe('numbering: how the check character is made'),
  digits: z.int().min(1).max(15).optional().describe('numbering: digits, filled with zeros; 6 where absent'),
  places: z.int().min(1).max(8).optional().describe('numbering: how often the number stands on one piece'),
  skips: lines(120).optional().describe('numbering: numbers left out'),
  voids: lines(2_000).optional().describe('numbering: numbers that were voided, replaced from behind the run'),
  prefix: line(12).optional().describe('numbering: letters before the number'),
  lowestOnTop: z.boolean().optional().describe('numbering: the lowest number lies on top of a pile'),
});

/** Folds of a house's own, of a section or kept by the works. */
export const foldingSchema = z.strictObject({
  columns: z.int().min(1).max(16),
  rows: z.int().min(1).max(16),
  folds: lines(400).describe('like: right over left at 3; top under bottom'),
});

const component = z.strictObject({
  id,
  name: named(60),
  kind: z.enum(COMPONENT_KINDS),
  widthMm: pieceMm
    .optional()
    .describe('trimmed width of the flat piece or of one page, inner length of a structure, mm; absent for gangs'),
  heightMm: pieceMm
    .optional()
    .describe('trimmed height of the flat piece or of one page, inner width of a structure, mm; absent for gangs'),
  pages: z.int().min(0).max(128).optional().describe('pages of a section or cover, a multiple of 4'),
  grain: z.enum(['width', 'height', 'any']).optional(),
  stock: named(60),
  paperOwner: owner.optional().describe('the customer’s own paper is not bought nor charged'),
  sheet: z.strictObject(sheet).describe('as it goes through the press'),
  bought: bought.optional(),
  press: named(60),
  workStyle: z.enum(WORK_STYLES),
  locked: z.array(z.enum(LOCKED_CHOICES)).max(5).optional().describe('choices that a search for a better way keeps'),
  front: inks,
  back: inks,
  lay: lay.optional(),
  scheme: id.optional().describe('fold scheme of a section, by its id'),
  folding: foldingSchema.optional().describe('folds of the house’s own in place of a scheme'),
  trims: trims.optional(),
  die: die.optional().describe('shape of a blank'),
  on: id.optional().describe('form that a section shares with others'),
  carries: z.array(carried).max(200).optional().describe('items on a form of a gang'),
  runOf: id.optional().describe('component that this is a second run of'),
  versions: z
    .strictObject({ names: z.array(named(40)).min(1).max(60), inks: z.array(named(40)).max(32) })
    .optional()
    .describe('versions, and the inks that change from one to the next'),
  carriers: z
    .strictObject({
      owner: owner.optional(),
      rulingLpi: z.number().positive().max(1000).optional(),
      angles: z.record(named(40), z.number().min(0).max(180)).optional(),
      imagesPerPlate: z.int().min(1).max(64).optional(),
      engraving: z.enum(ENGRAVINGS).optional(),
      motif: z
        .strictObject({
          smallestPt: z.number().positive().max(200).optional().describe('smallest type, points'),
          finestMm: z.number().positive().max(50).optional().describe('thinnest line, mm'),
          vignettes: z.boolean().optional(),
          securityLines: z.boolean().optional(),
          foil: z.boolean().optional(),
        })
        .optional()
        .describe('gravure: what the artwork holds'),
    })
    .optional(),
  tools: z.array(tool).max(40).optional().describe('dies and numbering boxes'),
  inkOrder: z.strictObject({ front: names.optional(), back: names.optional() }).optional(),
  unitsBefore: z.array(line(40)).max(24).optional().describe('ink now in each unit, empty where clean'),
  marks: z
    .array(z.strictObject({ xMm: z.number().min(0).max(10_000), yMm: z.number().min(0).max(10_000) }))
    .min(2)
    .max(12)
    .optional()
    .describe('register marks, from the left and gripper edge'),
});

const lab = z.strictObject({ l: z.number().min(0).max(100), a: channel, b: channel });
const cleared = z.array(z.enum(CONTACTS)).max(CONTACTS.length);
const inkSpec = z.strictObject({
  name: named(40),
  kind: z.enum(INK_KINDS),
  drying: z.enum(DRYINGS).optional().describe('how it dries; as is usual for the process where absent'),
  aim: lab.optional().describe('CIELAB D50, 2 degrees, on the stock of the job'),
  tolerance: z.number().positive().max(50).optional().describe('largest CIEDE2000 of an accepted trial'),
  recipe: z
    .array(z.strictObject({ ink: named(40), parts: z.number().min(0).max(100) }))
    .max(20)
    .optional()
    .describe('parts of base inks, adding to 100'),
  rests: z
    .array(z.strictObject({ name: named(60), kg: z.number().min(0).max(10_000) }))
    .max(10)
    .optional()
    .describe('rests of the same colour, used up first, kg'),
  filmGsm: z.number().positive().max(100).optional().describe('at full coverage, g/m2'),
  solids: z.number().positive().max(1).optional().describe('share of solids, where the film is told dry'),
  cleared: cleared.optional(),
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
const artworkPages = z.strictObject({
  count: z.int().min(1).max(10_000).describe('pages that are alike, one behind another'),
  widthMm: positiveMm,
  heightMm: positiveMm,
  bleedMm: margin.describe('beyond the trim, on the side where it is least'),
  boundBleedMm: margin.describe('the same, were one of the upright sides the spine'),
  inks: z.array(named(60)).max(64),
  rgb: z.boolean().optional().describe('painted with colours that are no inks'),
  totalInk: z.number().min(0).max(64).optional().describe('most in one place, 1 for a solid of one ink; an estimate'),
});
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
  glueCleared: cleared.optional(),
  varnishCleared: cleared.optional(),
  windowMm: z.strictObject({ widthMm: positiveMm, heightMm: positiveMm }).optional(),
  beadMm: z.number().min(0).max(10_000).optional().describe('length of glue beads on one piece'),
  boardMm: z.number().positive().max(20).optional().describe('boards of a case'),
  rollM: z.number().positive().max(10_000).optional().describe('paper on one consumer roll, m'),
});

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
    artwork: z.array(artwork).max(40).optional().describe('files of artwork that were examined'),
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

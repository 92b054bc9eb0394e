import {
  ARRANGEMENTS,
  BLANK_ARRANGEMENTS,
  COMPONENT_KINDS,
  LOCKED_CHOICES,
  CHECK_SYSTEMS,
  CREEP_SHARES,
  ENGRAVINGS,
  LINE_KINDS,
  MAX_QUANTITY,
  ODD_PLACES,
  SPINE_KINDS,
  STRUCTURES,
  WORK_STYLES,
} from '@druckerei/core';
import * as z from 'zod';
import {
  named,
  id,
  MOST_COORDINATE_MM,
  positiveMm,
  pieceMm,
  sheetMm,
  share,
  inks,
  margin,
  sheet,
} from './job-fields.js';
import { line, lines } from './text.js';

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
export const item = z.strictObject({
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
export const binding = z.strictObject({
  assembly: z.enum(['nested', 'gathered']),
  odd: z.enum(ODD_PLACES).optional().describe('where the section with fewer pages stands'),
  creep: z.enum(['thumb', 'round', 'square']).optional(),
  creepShare: z.enum(CREEP_SHARES).optional(),
  selfEnds: z.boolean().optional().describe('the outer two leaves of the text serve as endpapers at each end'),
  spine: z.enum(SPINE_KINDS).optional().describe('glued spines: milled where absent'),
  twoUp: z.boolean().optional().describe('two copies bound as one, head to head, split at the trimmer'),
});

export const owner = z.enum(['house', 'customer']);
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

export const component = z.strictObject({
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

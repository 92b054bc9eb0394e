import * as z from 'zod';
import {
  type KeptInk,
  type LabelSize,
  LABEL_SIZES,
  FLUTE_IDS,
  INK_SCHOOLS,
  ITEM_KINDS,
  MACHINE_PROCESSES,
  PRINT_PROCESSES,
  SOURCE_LABELS,
  type Works,
  wrongNumberPattern,
  TICKET_PARTS,
  isTicketPart,
} from '@druckerei/core';
import { foldingSchema } from './job-component.js';
import { clearedSchema } from './job-fields.js';
import { CURRENCIES, isTimeZone, localeSchema } from './known-places.js';

import { markSchema } from './changes.js';
import { supplyPriceSchema } from './purchasing.js';
import { normChangesSchema, normEffectQuestion, normsSet } from './norms.js';
import { itemId, known, line, lines } from './text.js';
import { houseInkSchema, houseSupplySchema } from './house-inks.js';

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
    letterhead: lines(600).optional(),
    currency: known(
      (code) => CURRENCIES.has(code),
      () => $localize`no currency has this code; take one of three letters, as EUR`,
    ),
    locale: localeSchema.optional(),
    timeZone: known(isTimeZone, () => $localize`no time zone has this name; write it like Europe/Berlin`).optional(),
    numberPattern: line(40)
      .superRefine((pattern, context) => {
        const wrong = wrongNumberPattern(pattern);
        if (wrong !== undefined) context.addIssue({ code: 'custom', message: wrong });
      })
      .optional(),
    secondFactor: z.enum(['managers', 'everybody']).optional(),
    labelSize: z.enum(Object.keys(LABEL_SIZES) as [LabelSize, ...LabelSize[]]).optional(),
    measures: z.enum(['metric', 'inch-pound']).optional(),
    ticketWithout: line(120)
      .refine((told) => told.split(',').every((name) => isTicketPart(name.trim())), {
        message: $localize`a part that tickets do not have; they have ${TICKET_PARTS.join(', ')}`,
      })
      .optional(),
  })
  .meta({ id: 'WorksSettings' });
/** Settings of the works changed; `seen` is what the editor began with, so that nobody overwrites another's unseen. */
export const settingsChangeSchema = z
  .strictObject({ settings: worksSettingsSchema, seen: worksSettingsSchema })
  .meta({ id: 'SettingsChange' });

/** Most letters of a logo as it is sent: some 500 kB of bytes. */
const MOST_LOGO = 700_000;
/** A picture for the head of papers: PNG or JPEG, in base64. */
export const newLogoSchema = z
  .strictObject({
    image: z
      .base64({ error: () => $localize`send the picture itself, in base64` })
      .min(8)
      .max(MOST_LOGO, { error: () => $localize`the picture is larger than 500 kB` }),
  })
  .meta({ id: 'NewLogo' });
/** The same as it is shown: a data URL, or none. */
export const logoSchema = z.strictObject({ logo: z.string().nullable() }).meta({ id: 'Logo' });

/** A machine as core plans on it; what may be said of it is checked by core's `checkMachine`. */
export const machineSchema = z
  .strictObject({
    id: itemId,
    name: line(80),
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
        clamps: z.int().optional(),
        parallelFolds: z.int().optional(),
        crossFolds: z.int().optional(),
        forceKn: z.number().optional(),
      })
      .optional(),
    cutsStacks: z.boolean().optional(),
    retired: z.boolean().optional(),
  })
  .meta({ id: 'Machine' });
/** A paper or board; what may be said of it is checked by core's `checkStock`. */
export const stockSchema = z
  .strictObject({
    id: itemId,
    name: line(80),
    gsm: z.number(),
    bulk: z.number(),
    coated: z.boolean(),
    waxed: z.boolean().optional(),
    sheets: z.array(sheetSchema).max(60),
    flutes: z.array(z.enum(FLUTE_IDS)).max(4).optional(),
    rollWidthsMm: z.array(z.number()).max(60).optional(),
    cleared: clearedSchema.optional(),
    paperMark: line(80).optional(),
    retired: z.boolean().optional(),
  })
  .meta({ id: 'Stock' });

/** No works has more machines or papers than this. */
const MOST_MACHINES = 1_000;
/** Nor more inks, nor more supplies. */
export const MOST_INKS = 2_000;
const MOST_STOCKS = 6_000;
const apart = (all: readonly { readonly id: string }[]): boolean =>
  new Set(all.map(({ id }) => id)).size === all.length;
const TWICE = { error: () => $localize`one of them is named twice` };
const items = {
  machines: z.array(machineSchema).max(MOST_MACHINES).refine(apart, TWICE),
  stocks: z.array(stockSchema).max(MOST_STOCKS).refine(apart, TWICE),
  inks: z.array(houseInkSchema).max(MOST_INKS).refine(apart, TWICE).default([]),
  supplies: z.array(houseSupplySchema).max(MOST_INKS).refine(apart, TWICE).default([]),
};
/** Machines, stocks, inks and supplies that are put in the place of those of their id, or added, with norms of theirs: all or none. */
export const itemChangesSchema = z
  .strictObject({
    ...items,
    norms: normsSet.max(2 * MOST_STOCKS),
    seen: markSchema.describe('last change of a machine, a stock, an ink or a supply that the writer has seen'),
    normsSeen: markSchema.describe('last change of a norm that the writer has seen'),
    reason: normChangesSchema.shape.reason,
  })
  .meta({ id: 'ItemChanges' });
export type ItemChanges = Omit<z.output<typeof itemChangesSchema>, keyof Items> & Items;
/** Machines, stocks, inks and supplies of a works. */
export type Items = Required<Pick<Works, 'machines' | 'stocks' | 'supplies'>> & { readonly inks: readonly KeptInk[] };
/** What they would do to the open jobs, asked for some jobs at a time. */
export const itemEffectQuestion = z
  .strictObject({ ...items, skip: normEffectQuestion.shape.skip })
  .meta({ id: 'ItemEffectQuestion' });

export const itemVersionsQuery = z.object({ kind: z.enum(ITEM_KINDS), id: itemId });
/** One change of one of them: what it was, null before it was entered, and what it became. */
export const itemVersionSchema = z
  .strictObject({
    before: z.record(z.string(), z.unknown()).nullable(),
    after: z.record(z.string(), z.unknown()),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'ItemVersion' });
export type ItemVersion = z.output<typeof itemVersionSchema>;

/** The works as core plans for it. */
export const worksSchema = z
  .strictObject({
    name: z.string(),
    place: z.string().optional(),
    letterhead: z.string().optional(),
    currency: z.string().length(3),
    locale: z.string().optional(),
    timeZone: z.string().optional(),
    numberPattern: z.string().optional(),
    secondFactor: z.string().optional(),
    labelSize: z.string().optional(),
    measures: z.string().optional(),
    ticketWithout: z.string().optional(),
    machines: z.array(machineSchema),
    stocks: z.array(stockSchema),
    inks: z
      .array(houseInkSchema.partial({ id: true }))
      .optional()
      .describe('what was released before inks were items has no ids'),
    supplies: z.array(houseSupplySchema).optional(),
    folds: z.array(houseFoldSchema).optional(),
    mark: z.int().optional().describe('last change of a norm'),
    itemsMark: z.int().optional().describe('last change of a machine, a stock, an ink or a supply'),
    norms: z.record(z.string(), z.strictObject({ value: z.number(), source: sourceSchema })),
    supplied: z
      .strictObject({
        day: z.iso.date(),
        sellers: z.array(z.strictObject({ id: z.int(), name: z.string(), prices: z.array(supplyPriceSchema) })),
      })
      .optional()
      .describe('what suppliers ask, and the day by the wall of the works'),
    pricesHidden: z.boolean().optional().describe('whoever looks sees no prices: they are 0 here'),
  })
  .meta({ id: 'Works' });

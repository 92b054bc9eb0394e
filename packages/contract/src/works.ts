import * as z from 'zod';
import {
  CONTACTS,
  DRYINGS,
  FLUTE_IDS,
  INK_KINDS,
  INK_SCHOOLS,
  MACHINE_PROCESSES,
  PRINT_PROCESSES,
  SOURCE_LABELS,
  wrongNumberPattern,
} from '@druckerei/core';
import { foldingSchema } from './job-file.js';
import { CURRENCIES, isTimeZone, localeSchema } from './known-places.js';

import { known, line } from './text.js';

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
    locale: localeSchema.optional(),
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

import { type SupplyId, DRYINGS, INK_KINDS, SUPPLIES } from '@druckerei/core';
import * as z from 'zod';
import { clearedSchema, labSchema, recipeSchema } from './job-fields.js';
import { itemId, line } from './text.js';

const cleared = clearedSchema.describe('contacts, by the word of its maker');
/** An ink of the house; what may be said of it is checked by core's `checkInk`. */
export const houseInkSchema = z
  .strictObject({
    id: itemId,
    name: line(40),
    kind: z.enum(INK_KINDS),
    drying: z.enum(DRYINGS).optional(),
    cleared,
    filmGsm: z.number().optional().describe('at full coverage, g/m2'),
    solids: z.number().optional().describe('share of solids, where the film is told dry'),
    aim: labSchema.optional(),
    tolerance: z.number().optional().describe('largest CIEDE2000 of an accepted trial'),
    recipe: recipeSchema.optional().describe('parts of base inks, adding to 100'),
    accountable: z.boolean().optional(),
    retired: z.boolean().optional(),
  })
  .meta({ id: 'HouseInk' });
/** A coating, a glue or a film of the house; what may be said of it is checked by core's `checkSupply`. */
export const houseSupplySchema = z
  .strictObject({
    id: itemId,
    name: line(80),
    supply: z.enum(Object.keys(SUPPLIES) as [SupplyId, ...SupplyId[]]),
    cleared,
    retired: z.boolean().optional(),
  })
  .meta({ id: 'HouseSupply' });

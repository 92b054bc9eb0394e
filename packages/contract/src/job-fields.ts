import { CONTACTS, MAX_QUANTITY } from '@druckerei/core';
import * as z from 'zod';
import { line } from './text.js';

export const named = (max: number) => line(max).min(1);
/** Ids appear in file names, figures and addresses. */
export const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, { error: 'id' });
export const material = z.string().regex(/^[a-z0-9][a-z0-9./-]{0,79}$/, { error: 'id' });
export const MOST_COORDINATE_MM = 100_000;
/**
 * The thinnest paper is some hundredths of a millimetre; the narrowest piece a label, the narrowest web one of those.
 * Source: common practice, no source.
 */
export const positiveMm = z.number().min(0.01).max(10_000).describe('millimetres');
export const pieceMm = z.number().min(1).max(10_000).describe('millimetres');
export const sheetMm = z.number().min(10).max(10_000).describe('millimetres');
export const count = z.int().min(0).max(MAX_QUANTITY);
export const share = z.number().min(0).lt(1);
const grain = z.enum(['width', 'height']).describe('side along which the grain runs');

export const ink = z.strictObject({
  name: named(40).describe('K, C, M, Y or a mixed colour'),
  coverage: z.number().min(0).max(1).optional().describe('share 0..1 of the printed area'),
  zones: z.array(z.number().min(0).max(1)).max(80).optional().describe('coverage of each ink zone, left first'),
});
export const inks = z.array(ink).max(16);

export const channel = z.number().min(-160).max(160);
export const clearedSchema = z.array(z.enum(CONTACTS)).max(CONTACTS.length);
export const labSchema = z.strictObject({ l: z.number().min(0).max(100), a: channel, b: channel });
export const recipeSchema = z.array(z.strictObject({ ink: named(40), parts: z.number().min(0).max(100) })).max(20);
export const margin = z.number().min(0).max(100);
export const sheet = { widthMm: sheetMm, heightMm: sheetMm, grain };

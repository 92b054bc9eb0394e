import * as z from 'zod';
import { line } from './text.js';

/** How much of something there may be, in its unit. */
export const amount = z.number().min(0).max(100_000_000);
/** What a thing is known by: the key of the need that it serves. */
export const itemKey = line(200).min(1);
/** Where something lies. */
export const storePlace = line(80);

import * as z from 'zod';
import { line } from '../text.js';
import type { Endpoint } from './endpoint.js';

/** Most exercises of one sheet. */
export const MOST_EXERCISES = 50;

/** Exercises on paper. */
export const PRACTICE = [
  {
    id: 'exerciseSheet',
    method: 'get',
    path: '/api/practice/{kind}/sheet.pdf',
    summary: 'Exercises of a kind, from a number on, to be filled by hand; or what is right in them',
    right: 'signed in',
    params: z.object({ kind: line(40) }),
    query: z.object({
      seed: z.coerce.number().int().min(1).max(1_000_000_000).optional(),
      grade: z.enum(['1', '2', '3']).optional().describe('every row, the results, or the last result alone'),
      count: z.coerce.number().int().min(1).max(MOST_EXERCISES).optional(),
      answers: z.enum(['0', '1']).optional(),
    }),
    status: 200,
    media: 'application/pdf',
  },
] as const satisfies readonly Endpoint[];

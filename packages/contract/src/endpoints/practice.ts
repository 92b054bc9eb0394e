import * as z from 'zod';
import { classSchema, filledExerciseSchema, playedShiftSchema, reachedListSchema } from '../practice.js';
import { line } from '../text.js';
import type { Endpoint } from './endpoint.js';

/** Most exercises of one sheet. */
export const MOST_EXERCISES = 50;

/** Exercises on paper, and what was reached in them. */
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
  {
    id: 'reached',
    method: 'get',
    path: '/api/practice/reached',
    summary: 'What somebody has reached in the exercises',
    right: 'signed in',
    browser: true,
    status: 200,
    answer: reachedListSchema,
  },
  {
    id: 'fillExercise',
    method: 'post',
    path: '/api/practice/reached',
    summary: 'Have an exercise marked and kept',
    right: 'signed in',
    browser: true,
    unaudited: true,
    body: filledExerciseSchema,
    status: 201,
    answer: reachedListSchema,
  },
  {
    id: 'playShift',
    method: 'post',
    path: '/api/practice/shifts',
    summary: 'Have a simulated shift held against the best, and kept',
    right: 'signed in',
    browser: true,
    unaudited: true,
    body: playedShiftSchema,
    status: 201,
    answer: reachedListSchema,
  },
  {
    id: 'practiceClass',
    method: 'get',
    path: '/api/practice/class',
    summary: 'What everybody has reached in the exercises',
    right: 'people',
    status: 200,
    answer: classSchema,
  },
] as const satisfies readonly Endpoint[];

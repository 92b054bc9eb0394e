import { decisionsSchema, happenedQuery, happenedSchema, learningSchema } from '../learning.js';
import type { Endpoint } from './endpoint.js';

/** What the book of the floor teaches. */
export const LEARNING = [
  {
    id: 'learning',
    method: 'get',
    path: '/api/learning',
    summary: 'What the log proposes for norms, with its evidence, and what was decided before; nothing is changed',
    right: 'signed in',
    status: 200,
    answer: learningSchema,
  },
  {
    id: 'decideNorms',
    method: 'post',
    path: '/api/learning/decisions',
    summary: 'Take or refuse what the log proposes, all or none',
    right: 'norms',
    tells: 'works',
    body: decisionsSchema,
    status: 200,
    answer: learningSchema,
  },
  {
    id: 'happened',
    method: 'get',
    path: '/api/happened',
    summary: 'Planned and happened: sheets, hours, cost and lateness of the jobs closed in a month',
    right: 'prices',
    query: happenedQuery,
    status: 200,
    answer: happenedSchema,
  },
] as const satisfies readonly Endpoint[];

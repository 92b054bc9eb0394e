import { faultsSchema, qualityQuery, readingsSchema } from '../quality.js';
import type { Endpoint } from './endpoint.js';

/** What the book says of quality. */
export const QUALITY = [
  {
    id: 'readings',
    method: 'get',
    path: '/api/quality/readings',
    summary: 'Readings of the last days, thing by thing, with the tolerance of each; what closed runs spoiled',
    right: 'signed in',
    query: qualityQuery,
    status: 200,
    answer: readingsSchema,
  },
  {
    id: 'faults',
    method: 'get',
    path: '/api/quality/faults',
    summary: 'What was spoiled and what faults were seen in the last days, each with its entry',
    right: 'signed in',
    query: qualityQuery,
    status: 200,
    answer: faultsSchema,
  },
] as const satisfies readonly Endpoint[];

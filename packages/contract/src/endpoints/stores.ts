import * as z from 'zod';
import { ALL, type Endpoint, HANDS, MANAGER, job } from './endpoint.js';
import {
  holdingChangeSchema,
  holdingHistorySchema,
  needsSchema,
  newHoldingSchema,
  reserveSchema,
  storesSchema,
} from '../stores.js';

/** Paper on hand, what is reserved of it, and what all jobs need. */
export const STORES = [
  {
    id: 'stores',
    method: 'get',
    path: '/api/stores',
    summary: 'Paper and rolls on hand, and what jobs have reserved',
    roles: ALL,
    status: 200,
    answer: storesSchema,
  },
  {
    id: 'addHolding',
    method: 'post',
    path: '/api/stores/holdings',
    summary: 'Put a lot of paper into the store',
    roles: HANDS,
    body: newHoldingSchema,
    status: 201,
    answer: storesSchema,
  },
  {
    id: 'changeHolding',
    method: 'put',
    path: '/api/stores/holdings/{id}',
    summary: 'Count, move or use a lot; 0 takes it out',
    roles: HANDS,
    params: job,
    body: holdingChangeSchema,
    status: 200,
    answer: storesSchema,
  },
  {
    id: 'holdingHistory',
    method: 'get',
    path: '/api/stores/holdings/{id}/history',
    summary: 'Changes of a lot, newest first',
    roles: ALL,
    params: job,
    status: 200,
    answer: z.array(holdingHistorySchema),
  },
  {
    id: 'reserve',
    method: 'put',
    path: '/api/jobs/{id}/reservations',
    summary: 'Reserve stock for a job; 0 lets it go',
    roles: MANAGER,
    params: job,
    body: reserveSchema,
    status: 200,
    answer: storesSchema,
  },
  {
    id: 'needs',
    method: 'get',
    path: '/api/needs',
    summary: 'What every open job needs to be bought or taken from the store',
    roles: ALL,
    status: 200,
    answer: needsSchema,
  },
] as const satisfies readonly Endpoint[];

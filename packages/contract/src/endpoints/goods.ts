import * as z from 'zod';
import { type Endpoint, job } from './endpoint.js';
import { callOffSchema, finishedSchema, newFinishedSchema } from '../finished.js';
import { kitSchema, newSinglesSchema, singleSchema, singlesMoveSchema } from '../singles.js';

/** Finished goods and single books. */
export const GOODS = [
  {
    id: 'finished',
    method: 'get',
    path: '/api/finished',
    summary: 'Finished goods on hand, last call-offs, transit days by destination',
    right: 'signed in',
    status: 200,
    answer: finishedSchema,
  },
  {
    id: 'addFinished',
    method: 'post',
    path: '/api/finished/lots',
    summary: 'Take finished pieces of a job into the stock',
    right: 'stores',
    body: newFinishedSchema,
    status: 201,
    answer: finishedSchema,
  },
  {
    id: 'callOff',
    method: 'post',
    path: '/api/finished/lots/{id}/call-offs',
    summary: 'Send pieces of a lot to a destination',
    right: 'stores',
    params: job,
    body: callOffSchema,
    status: 201,
    answer: finishedSchema,
  },
  {
    id: 'singles',
    method: 'get',
    path: '/api/singles',
    summary: 'Order book of single books, those that are not checked yet first',
    right: 'signed in',
    status: 200,
    answer: z.array(singleSchema),
  },
  {
    id: 'addSingles',
    method: 'post',
    path: '/api/singles',
    summary: 'Put orders into the book; none where one of them is known already',
    right: 'record',
    body: newSinglesSchema,
    status: 201,
    answer: z.array(singleSchema),
  },
  {
    id: 'moveSingles',
    method: 'put',
    path: '/api/singles/state',
    summary: 'Say that books are printed or checked, or have to be made again',
    right: 'record',
    body: singlesMoveSchema,
    status: 200,
    answer: z.array(singleSchema),
  },
  {
    id: 'kitSingle',
    method: 'post',
    path: '/api/singles/kits',
    summary: 'Match a cover with its block by their codes',
    right: 'record',
    body: kitSchema,
    status: 200,
    answer: z.array(singleSchema),
  },
] as const satisfies readonly Endpoint[];

import * as z from 'zod';
import { type Endpoint, job } from './endpoint.js';
import { enterEventSchema, keptCarrierSchema, roomSchema } from '../room.js';

/** What happens to a job at the press. */
export const PRESS_ROOM = [
  {
    id: 'room',
    method: 'get',
    path: '/api/jobs/{id}/room',
    summary: 'What happened to a job in plate room, ink room and press room, and what the store keeps for it',
    right: 'signed in',
    params: job,
    status: 200,
    answer: roomSchema,
  },
  {
    id: 'enterEvent',
    method: 'post',
    path: '/api/jobs/{id}/room',
    summary: 'Record an event; refused where a gate stands before it',
    right: 'record',
    tells: 'room',
    params: job,
    body: enterEventSchema,
    status: 201,
    answer: roomSchema,
  },
  {
    id: 'keptCarriers',
    method: 'get',
    path: '/api/carriers',
    summary: 'Carriers that the store keeps, last put away first',
    right: 'signed in',
    status: 200,
    answer: z.array(keptCarrierSchema),
  },
] as const satisfies readonly Endpoint[];

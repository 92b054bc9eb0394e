import { deskNoteSchema, deskSchema } from '../desk.js';
import type { Endpoint } from './endpoint.js';

/** What wants a decision today. */
export const DESK = [
  {
    id: 'desk',
    method: 'get',
    path: '/api/desk',
    summary: 'What wants a decision: the most urgent first, with what was said of each',
    right: 'signed in',
    status: 200,
    answer: deskSchema,
  },
  {
    id: 'noteDesk',
    method: 'put',
    path: '/api/desk/notes',
    summary: 'Say that a matter of the desk is done, put it off, or give it to somebody',
    right: 'schedule',
    tells: 'floor',
    body: deskNoteSchema,
    status: 200,
    answer: deskSchema,
  },
] as const satisfies readonly Endpoint[];

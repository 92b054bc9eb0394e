import * as z from 'zod';
import { madeTokenSchema, peopleSchema, programSchema, tokenDaysSchema } from '../people.js';
import { type Endpoint, whole } from './endpoint.js';

const program = z.object({ id: whole });

/** Programs that work with the works: each with a role, and a token in the place of a password. */
export const PROGRAMS = [
  {
    id: 'addProgram',
    method: 'post',
    path: '/api/programs',
    summary: 'Let a program in: answers its token, once',
    right: 'people',
    tells: 'people',
    body: programSchema,
    status: 201,
    answer: madeTokenSchema,
  },
  {
    id: 'renewToken',
    method: 'post',
    path: '/api/programs/{id}/token',
    summary: 'A new token for a program: answers it, once; the one before ends',
    right: 'people',
    tells: 'people',
    params: program,
    body: tokenDaysSchema,
    status: 201,
    answer: madeTokenSchema,
  },
  {
    id: 'withdrawToken',
    method: 'delete',
    path: '/api/programs/{id}/token',
    summary: 'Withdraw the token of a program',
    right: 'people',
    tells: 'people',
    params: program,
    status: 200,
    answer: peopleSchema,
  },
] as const satisfies readonly Endpoint[];

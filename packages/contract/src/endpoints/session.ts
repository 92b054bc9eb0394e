import * as z from 'zod';
import { ALL, type Endpoint } from './endpoint.js';
import { accountSchema, firstManagerSchema, ownSettingsSchema, signInSchema } from '../session.js';

/** Who is signed in, and whether the server is there. */
export const SESSION = [
  {
    id: 'health',
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server and its database answer',
    roles: 'public',
    status: 200,
    answer: z.strictObject({ status: z.literal('ok') }),
  },
  {
    id: 'openapi',
    method: 'get',
    path: '/api/openapi.json',
    summary: 'This document',
    roles: 'public',
    status: 200,
    answer: z.looseObject({}),
  },
  {
    id: 'session',
    method: 'get',
    path: '/api/session',
    summary: 'Who is signed in, or null; sets the CSRF cookie',
    roles: 'public',
    status: 200,
    answer: z.strictObject({
      account: accountSchema.nullable(),
      demo: z.boolean(),
      first: z.boolean().describe('nobody has an account yet: the first manager is to be made'),
    }),
  },
  {
    id: 'signIn',
    method: 'post',
    path: '/api/session',
    summary: 'Sign in',
    roles: 'public',
    body: signInSchema,
    status: 200,
    answer: z.strictObject({ account: accountSchema }),
  },
  {
    id: 'firstManager',
    method: 'post',
    path: '/api/first-manager',
    summary: 'Make the first manager of a works, by the code that the terminal shows, and sign in',
    roles: 'public',
    body: firstManagerSchema,
    status: 201,
    answer: z.strictObject({ account: accountSchema }),
  },
  { id: 'signOut', method: 'delete', path: '/api/session', summary: 'Sign out', roles: ALL, status: 204 },
  {
    id: 'ownSettings',
    method: 'put',
    path: '/api/session/settings',
    summary: 'Choose how dates are written for oneself',
    roles: ALL,
    body: ownSettingsSchema,
    status: 200,
    answer: z.strictObject({ account: accountSchema }),
  },
] as const satisfies readonly Endpoint[];

import * as z from 'zod';
import {
  type Role,
  accountSchema,
  copySchema,
  differenceSchema,
  jobRowSchema,
  normChangeSchema,
  normHistorySchema,
  revisionSchema,
  saveSchema,
  signInSchema,
  versionSchema,
  worksSchema,
} from './api.js';
import { SHEET_SIDES } from '@druckerei/core';
import { jobSchema } from './job-file.js';
import { keptCarrierSchema, roomEventSchema, roomSchema } from './room.js';

export interface Endpoint {
  readonly id: string;
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** OpenAPI path with `{parameters}`. */
  readonly path: string;
  readonly summary: string;
  /** Who may call it: nobody signed in ('public'), or one of these roles. */
  readonly roles: 'public' | readonly Role[];
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly status: number;
  /** JSON answer; a media type in `media` where it is no JSON. */
  readonly answer?: z.ZodType;
  readonly media?: string;
}

const ALL: readonly Role[] = ['manager', 'operator', 'viewer'];
const MANAGER: readonly Role[] = ['manager'];
const HANDS: readonly Role[] = ['manager', 'operator'];
const whole = z.coerce.number().int().min(1).max(2_147_483_647);
const job = z.object({ id: whole });
const revision = z.object({ id: whole, revision: whole });
const layout = revision.extend({ component: z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, { error: 'id' }) });
const side = z.object({ side: z.enum(SHEET_SIDES).optional() });

/** Every route of the server: registered from this table, documented from it, and tested from it. */
export const ENDPOINTS = [
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
    answer: z.strictObject({ account: accountSchema.nullable(), demo: z.boolean() }),
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
  { id: 'signOut', method: 'delete', path: '/api/session', summary: 'Sign out', roles: ALL, status: 204 },
  {
    id: 'works',
    method: 'get',
    path: '/api/works',
    summary: 'Machines, stocks and norms in force',
    roles: ALL,
    status: 200,
    answer: worksSchema,
  },
  {
    id: 'normHistory',
    method: 'get',
    path: '/api/norms/history',
    summary: 'Changes of norms, newest first',
    roles: ALL,
    query: z.object({ norm: z.string().max(120).optional() }),
    status: 200,
    answer: z.array(normHistorySchema),
  },
  {
    id: 'changeNorm',
    method: 'put',
    path: '/api/norms/{norm}',
    summary: 'Set a norm',
    roles: MANAGER,
    params: z.object({ norm: z.string().min(1).max(120) }),
    body: normChangeSchema,
    status: 200,
    answer: worksSchema,
  },
  {
    id: 'jobs',
    method: 'get',
    path: '/api/jobs',
    summary: 'All jobs, last changed first',
    roles: ALL,
    status: 200,
    answer: z.array(jobRowSchema),
  },
  {
    id: 'createJob',
    method: 'post',
    path: '/api/jobs',
    summary: 'A new job',
    roles: MANAGER,
    body: jobSchema,
    status: 201,
    answer: revisionSchema,
  },
  {
    id: 'copyJob',
    method: 'post',
    path: '/api/jobs/{id}/copy',
    summary: 'A new job out of the newest revision of this one',
    roles: MANAGER,
    params: job,
    body: copySchema,
    status: 201,
    answer: revisionSchema,
  },
  {
    id: 'job',
    method: 'get',
    path: '/api/jobs/{id}',
    summary: 'The newest revision',
    roles: ALL,
    params: job,
    status: 200,
    answer: revisionSchema,
  },
  {
    id: 'revision',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}',
    summary: 'One revision',
    roles: ALL,
    params: revision,
    status: 200,
    answer: revisionSchema,
  },
  {
    id: 'saveDraft',
    method: 'put',
    path: '/api/jobs/{id}/draft',
    summary: 'Save the draft; opens a new revision where the newest is released',
    roles: MANAGER,
    params: job,
    body: saveSchema,
    status: 200,
    answer: revisionSchema,
  },
  {
    id: 'release',
    method: 'post',
    path: '/api/jobs/{id}/release',
    summary: 'Freeze the draft with the norms it was planned with',
    roles: MANAGER,
    params: job,
    body: versionSchema,
    status: 200,
    answer: revisionSchema,
  },
  {
    id: 'difference',
    method: 'get',
    path: '/api/jobs/{id}/difference',
    summary: 'Fields and figures that differ between two revisions',
    roles: ALL,
    params: job,
    query: z.object({ from: whole, to: whole }),
    status: 200,
    answer: differenceSchema,
  },
  {
    id: 'room',
    method: 'get',
    path: '/api/jobs/{id}/room',
    summary: 'What happened to a job in plate room, ink room and press room, and what the store keeps for it',
    roles: ALL,
    params: job,
    status: 200,
    answer: roomSchema,
  },
  {
    id: 'enterEvent',
    method: 'post',
    path: '/api/jobs/{id}/room',
    summary: 'Record an event; refused where a gate stands before it',
    roles: HANDS,
    params: job,
    body: z.strictObject({ event: roomEventSchema }),
    status: 201,
    answer: roomSchema,
  },
  {
    id: 'keptCarriers',
    method: 'get',
    path: '/api/carriers',
    summary: 'Carriers that the store keeps, last put away first',
    roles: ALL,
    status: 200,
    answer: z.array(keptCarrierSchema),
  },
  {
    id: 'ticket',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/ticket.pdf',
    summary: 'Job ticket',
    roles: ALL,
    params: revision,
    status: 200,
    media: 'application/pdf',
  },
  {
    id: 'pileTags',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/pile-tags.pdf',
    summary: 'Pile tags',
    roles: ALL,
    params: revision,
    status: 200,
    media: 'application/pdf',
  },
  {
    id: 'layoutPdf',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/layouts/{component}.pdf',
    summary: 'Layout of a component with dimensions, both sides',
    roles: ALL,
    params: layout,
    status: 200,
    media: 'application/pdf',
  },
  {
    id: 'layoutSvg',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/layouts/{component}.svg',
    summary: 'Layout of a component with dimensions, one side, in millimetres',
    roles: ALL,
    params: layout,
    query: side,
    status: 200,
    media: 'image/svg+xml',
  },
  {
    id: 'layoutDxf',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/layouts/{component}.dxf',
    summary: 'Layout of a component, one side, in millimetres',
    roles: ALL,
    params: layout,
    query: side,
    status: 200,
    media: 'image/vnd.dxf',
  },
  {
    id: 'jobFile',
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}/job.json',
    summary: 'Job file',
    roles: ALL,
    params: revision,
    status: 200,
    answer: jobSchema,
  },
] as const satisfies readonly Endpoint[];

export type EndpointId = (typeof ENDPOINTS)[number]['id'];

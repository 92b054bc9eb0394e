import * as z from 'zod';
import { changeSchema, changesQuery } from '../changes.js';
import type { Endpoint } from './endpoint.js';
import { restoredSchema } from '../problem.js';

/** History of changes, backup and restore. */
export const UPKEEP = [
  {
    id: 'live',
    method: 'get',
    path: '/api/live',
    summary: 'What others change, as it happens: server-sent events `change`, each with a LiveMessage',
    right: 'signed in',
    browser: true,
    stream: true,
    status: 200,
    media: 'text/event-stream',
  },
  {
    id: 'changes',
    method: 'get',
    path: '/api/changes',
    summary: 'How reservations, days to destinations or single books changed, newest first',
    right: 'signed in',
    query: changesQuery,
    status: 200,
    answer: z.array(changeSchema),
  },
  {
    id: 'backup',
    method: 'get',
    path: '/api/backup',
    summary:
      'Everything that the works keeps, in a ZIP of JSON lines; it holds the hashes of passwords, so keep it safe',
    right: 'backup',
    status: 200,
    media: 'application/zip',
  },
  {
    id: 'restore',
    method: 'post',
    path: '/api/backup',
    summary: 'Restore a backup into an empty works: accounts are those of the backup afterwards, and all sessions end',
    right: 'backup',
    tells: 'all',
    takes: 'application/zip',
    status: 200,
    answer: restoredSchema,
  },
] as const satisfies readonly Endpoint[];

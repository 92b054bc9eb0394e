import fs from 'node:fs';
import path from 'node:path';
import { type Job, type Plan, SHIPPED_WORKS, plan } from '@druckerei/core';
import type { Revision } from '@druckerei/contract';

export const example = (name: string): Job =>
  JSON.parse(
    fs.readFileSync(path.resolve(__dirname, '../../../../../../docs/examples', `${name}.json`), 'utf8'),
  ) as Job;

export function planned(job: Job): Plan {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error('the example cannot be planned');
  return outcome.value;
}

export const revisionOf = (job: Job, change: Partial<Revision> = {}): Revision =>
  ({
    id: 7,
    revision: 1,
    state: 'draft',
    version: 1,
    changedAt: '2026-11-23T12:00:00.000Z',
    changedBy: 'Production manager',
    job,
    works: SHIPPED_WORKS,
    revisions: [
      {
        revision: 1,
        state: 'draft',
        changedAt: '2026-11-23T12:00:00.000Z',
        changedBy: 'Production manager',
        releasedAt: null,
        releasedBy: null,
      },
    ],
    ...change,
  }) as Revision;

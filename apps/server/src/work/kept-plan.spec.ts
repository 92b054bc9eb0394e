import { type Job, type Plan, SHIPPED_WORKS, plan } from '@druckerei/core';
import type { Revision } from '@druckerei/contract';
import fs from 'node:fs';
import { deflateSync } from 'node:zlib';
import { ProblemError } from '../http/problem.js';
import { difference } from './difference.js';
import { DOCUMENTS } from './documents.js';
import { deflated, planOf } from './kept-plan.js';

const url = new URL('../../../../docs/examples/season-tickets.json', import.meta.url);
const job = JSON.parse(fs.readFileSync(url, 'utf8')) as Job;
const revision = {
  job,
  works: SHIPPED_WORKS,
  revision: 3,
  state: 'released',
  revisions: [],
  changedAt: '2026-11-28T08:00:00.000Z',
} as unknown as Revision;

function planned(of: Job): Plan {
  const outcome = plan(of, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}
/** Stands for what another engine said when the revision was released. */
const otherwise = deflated(planned({ ...job, order: { ...job.order, quantity: job.order.quantity * 2 } }));
const numbering = job.route.find(({ operation }) => operation === 'number')?.id ?? '';

describe('the plan that a revision was released with', () => {
  it('is read as it was made', () => {
    const made = planned(job);
    expect(planOf(revision, deflated(made))).toEqual(JSON.parse(JSON.stringify(made)));
  });

  it('is what its documents are made of, whatever the engine says today', () => {
    const today = DOCUMENTS.numbersCsv({ revision, step: numbering });
    expect(DOCUMENTS.numbersCsv({ revision, kept: deflated(planned(job)), step: numbering })).toBe(today);
    const then = DOCUMENTS.numbersCsv({ revision, kept: otherwise, step: numbering });
    expect(then.split('\n').length).toBeGreaterThan(1.8 * today.split('\n').length);
  });

  it('is told apart from what the engine says today', () => {
    const { fields, figures } = difference({ revision, kept: otherwise }, { revision, kept: otherwise });
    expect(fields).toEqual([]);
    const sheets = figures.find(({ id }) => id === 'total.pressSheets');
    expect(sheets?.before).toBeGreaterThan(sheets?.after ?? Infinity);
  });

  it('is refused with the reason where it cannot be read', () => {
    const kept = (text: string) => () => planOf(revision, deflateSync(text));
    expect(kept('{"format":"druckerei-plan","version":9}')).toThrow(ProblemError);
    expect(kept('{"format":"druckerei-plan","version":9}')).toThrow(/version 9.*reads version 1/);
    expect(kept('no plan')).toThrow(/no JSON/);
  });
});

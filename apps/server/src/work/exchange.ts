import type { Job, RoomRecord, Works } from '@druckerei/core';
import type { Exchanged, Revision } from '@druckerei/contract';
import { readXjdf, writeXjdf, xjdfJob } from '@druckerei/formats/xjdf';
import { invalid } from '../http/problem.js';
import { planOf } from './kept-plan.js';

/** A revision, with the plan that it was released with, and what the floor has entered of it. */
export interface XjdfAsked {
  readonly revision: Revision;
  /** The job as it may be told to who asks. */
  readonly job: Job;
  readonly kept?: Uint8Array | undefined;
  readonly records: readonly RoomRecord[];
}

const writtenXjdf = ({ revision, job, kept, records }: XjdfAsked): string =>
  writeXjdf({
    job,
    plan: planOf(revision, kept),
    works: revision.works,
    at: new Date(revision.changedAt),
    records,
  });

/** What a file asks for and has counted. Issues: 422, each fault with its line. */
function exchanged({ bytes, works, number }: { bytes: Uint8Array; works: Works; number: string }): Exchanged {
  const read = readXjdf(bytes);
  if (!read.ok) throw invalid(read.faults.map(({ line, message }) => ({ path: `line ${line}`, message })));
  const { audits, notes } = read.value;
  const made = xjdfJob(read.value, works, number);
  const counts = audits.map(({ line: _line, ...one }) => one);
  return made.job === undefined
    ? { job: null, why: [...made.why], said: [...notes], counts }
    : { job: made.job as Exchanged['job'], why: [], said: [...made.said, ...notes], counts };
}

/** Files of other programs. */
export const EXCHANGE_TASKS = { writtenXjdf, exchanged } as const;

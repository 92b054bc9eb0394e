import type { Job, Plan, Works } from '@druckerei/core';

/** What every document of a job is made from. */
export interface JobDocument {
  readonly job: Job;
  readonly plan: Plan;
  readonly works: Works;
  readonly revision: number;
  readonly state: 'draft' | 'released';
  /** When the revision was released or last changed: printed, and the date of the file. */
  readonly at: Date;
}

export const number = (value: number, digits = 0): string =>
  value.toLocaleString('en-GB', { minimumFractionDigits: digits, maximumFractionDigits: digits });
/** As many places as there are, two at most. */
export const plainNumber = (value: number): string => value.toLocaleString('en-GB', { maximumFractionDigits: 2 });
export const percent = (share: number): string =>
  `${(share * 100).toLocaleString('en-GB', { maximumFractionDigits: 3 })} %`;
export const plural = (unit: string, count: number): string =>
  count === 1 || unit.endsWith('s') ? unit : unit === 'copy' ? 'copies' : `${unit}s`;

export const stateText = ({ revision, state }: JobDocument): string =>
  `Revision ${revision}, ${state === 'released' ? 'released' : 'draft, not released'}`;

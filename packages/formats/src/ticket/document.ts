import { type Job, type Plan, type Works, numberText, wordOf } from '@druckerei/core';
import type { BookHead } from '../pdf/book-head.js';

/** What every document of a job is made from. */
export interface JobDocument {
  readonly job: Job;
  readonly plan: Plan;
  readonly works: Works;
  readonly revision: number;
  readonly state: 'draft' | 'released';
  /** When the revision was released or last changed: printed, and the date of the file. */
  readonly at: Date;
  /** How the book ended when it is printed; undefined where nothing is in it. */
  readonly book?: BookHead | undefined;
}

export const number = (value: number, digits = 0): string => numberText(value, digits, digits);
export const percent = (share: number): string => `${numberText(share * 100)} %`;

export const stateText = ({ revision, state }: JobDocument): string =>
  $localize`Revision ${revision}, ${state === 'released' ? wordOf('released') : $localize`draft, not released`}`;

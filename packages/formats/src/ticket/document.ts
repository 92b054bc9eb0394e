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

/** Formats are dear to make: one for each number of places. */
const FORMATS = new Map<string, Intl.NumberFormat>();
function formatOf(least: number, most: number): Intl.NumberFormat {
  const key = `${least}-${most}`;
  const known = FORMATS.get(key);
  if (known) return known;
  const made = new Intl.NumberFormat('en-GB', { minimumFractionDigits: least, maximumFractionDigits: most });
  FORMATS.set(key, made);
  return made;
}

export const number = (value: number, digits = 0): string => formatOf(digits, digits).format(value);
/** As many places as there are, two at most. */
export const plainNumber = (value: number): string => formatOf(0, 2).format(value);
export const percent = (share: number): string => `${formatOf(0, 3).format(share * 100)} %`;
export const plural = (unit: string, count: number): string =>
  count === 1 || unit.endsWith('s') ? unit : unit === 'copy' ? 'copies' : `${unit}s`;

export const stateText = ({ revision, state }: JobDocument): string =>
  `Revision ${revision}, ${state === 'released' ? 'released' : 'draft, not released'}`;

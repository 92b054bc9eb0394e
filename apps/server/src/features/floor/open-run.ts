import type { Effort, FloorRun } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';

/** Changes that are tried for a better schedule. */
export const EVALUATIONS: Readonly<Record<Effort, number>> = { rule: 0, quick: 30_000, thorough: 300_000 };

/** The plan that is under way, or has come to nothing. */
export async function openRun(queries: Queries): Promise<FloorRun | null> {
  const run = await queries.one<Omit<FloorRun, 'of'> & Record<string, unknown>>('floor/open-run');
  return run ? { ...run, of: EVALUATIONS[run.effort] } : null;
}

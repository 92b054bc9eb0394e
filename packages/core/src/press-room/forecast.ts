import { type ForecastBasis, type RunForecast, forecastBasis, forecastFrom } from '../outlook/index.js';
import type { Job } from '../job/index.js';
import { type Outcome, own } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import type { RoomState } from './state.js';

/** The same counts give the same forecast everywhere. */
const SEED = 1;
const DRAWS = 500;

/**
 * What the job will come to, forwards from the counts in force of steps that the route still has; undefined before anything is
 * counted. Issues: `count.*`. Source: handbook chapter 6 "While it runs".
 */
export function forecastCounts(
  basis: ForecastBasis,
  { counts }: Pick<RoomState, 'counts'>,
): Outcome<RunForecast> | undefined {
  const counted = [...counts].flatMap(([step, { good }]) =>
    own(basis.planned, step) === undefined ? [] : [{ step, good }],
  );
  return counted.length > 0 ? forecastFrom(basis, counted, { seed: SEED, draws: DRAWS }) : undefined;
}

/** The same of a job that is not reckoned yet. Issues: `count.*`, and those of the plan. */
export function forecastCount(job: Job, works: Works, state: RoomState): Outcome<RunForecast> | undefined {
  if (state.counts.size === 0) return undefined;
  const basis = forecastBasis(job, works);
  return basis.ok ? forecastCounts(basis.value, state) : basis;
}

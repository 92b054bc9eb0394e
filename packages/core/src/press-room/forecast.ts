import { type RunForecast, reckonForecast } from '../outlook/index.js';
import type { Job } from '../job/index.js';
import type { Outcome } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import type { RoomState } from './state.js';

/** The same counts give the same forecast everywhere. */
const SEED = 1;
const DRAWS = 500;

/**
 * What the job will come to, forwards from the counts in force of steps that the route still has; undefined before anything is
 * counted. Issues: `count.*`, and those of the plan. Source: handbook chapter 6 "While it runs".
 */
export function forecastCount(job: Job, works: Works, { counts }: RoomState): Outcome<RunForecast> | undefined {
  const known = new Set(job.route.map(({ id }) => id));
  const counted = [...counts].flatMap(([step, { event }]) => (known.has(step) ? [{ step, good: event.good }] : []));
  return counted.length > 0 ? reckonForecast(job, works, counted, { seed: SEED, draws: DRAWS }) : undefined;
}

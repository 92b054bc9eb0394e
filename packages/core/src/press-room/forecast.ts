import { type ForecastBasis, type RunForecast, forecastBasis, forecastFrom } from '../outlook/index.js';
import type { Job } from '../job/index.js';
import { type StationTally, allSpoiled, countedOf } from '../book/index.js';
import { type Outcome, own, table } from '../kernel/index.js';
import type { StepBegun } from '../sure/index.js';
import type { Works } from '../works/index.js';
import { type RoomState, progressOf } from './state.js';

/** The same counts give the same forecast everywhere. */
const SEED = 1;
const DRAWS = 500;

/** What a station that still runs has done so far. */
function begunOf(tally: StationTally, y: number): StepBegun {
  const { good, samples } = tally;
  return { good, samples, used: (good + samples) / y + allSpoiled(tally) };
}

/** What a forecast asks of the state of a job. */
type Counted = Pick<RoomState, 'counts' | 'closed' | 'started' | 'tallies'>;

/**
 * Process units that go into each step: as planned, or more where more of what is bought was taken in than the plan lays out. What was
 * not taken in yet may still come.
 */
function laidOut({ graph, planned }: ForecastBasis, { tallies }: Counted): ForecastBasis['planned'] {
  const bought = new Set(graph.bought);
  const taken = graph.steps.flatMap(({ id, inputs }) => {
    const tally = tallies.get(id);
    const from = inputs.filter(({ material }) => bought.has(material));
    if (!tally || from.length === 0) return [];
    const units = from.map(({ material, usage }) => {
      const only = inputs.length === 1;
      return (countedOf(tally.takenIn, material, only) - countedOf(tally.leftOver, material, only)) / usage;
    });
    return [[id, Math.max(own(planned, id) ?? 0, Math.floor(Math.min(...units)))] as const];
  });
  return taken.length === 0 ? planned : table([...Object.entries(planned), ...taken]);
}

/**
 * What the job will come to, forwards from the counts of steps that are done and from what those that still run have done so
 * far, of steps that the route still has; undefined before anything is counted. Issues: `count.*`.
 * Source: handbook chapter 6 "While it runs".
 */
export function forecastCounts(basis: ForecastBasis, state: Counted): Outcome<RunForecast> | undefined {
  const { done } = progressOf(state);
  const known = [...state.counts].filter(([step]) => own(basis.planned, step) !== undefined);
  if (known.length === 0) return undefined;
  const counted = known.flatMap(([step, { good }]) => (done.has(step) ? [{ step, good }] : []));
  const begun = known.flatMap(([step]) => {
    const [tally, need] = [state.tallies.get(step), own(basis.needs, step)];
    return tally && need && !done.has(step) ? [[step, begunOf(tally, need.output.yield)] as const] : [];
  });
  return forecastFrom(
    { ...basis, planned: laidOut(basis, state) },
    counted,
    { seed: SEED, draws: DRAWS },
    table(begun),
  );
}

/** The same of a job that is not reckoned yet. Issues: `count.*`, and those of the plan. */
export function forecastCount(job: Job, works: Works, state: RoomState): Outcome<RunForecast> | undefined {
  if (state.counts.size === 0) return undefined;
  const basis = forecastBasis(job, works);
  return basis.ok ? forecastCounts(basis.value, state) : basis;
}

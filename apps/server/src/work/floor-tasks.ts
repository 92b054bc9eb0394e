import {
  type FloorEffort,
  type FloorMove,
  type FloorPlan,
  type FloorPaper,
  type FloorProblem,
  type FloorPromise,
  type FloorStep,
  type RoomRecord,
  floorSteps,
  holdsOf,
  moveFloor,
  paperDays,
  planFloor,
  promiseFor,
  roomState,
  stationName,
} from '@druckerei/core';
import type { Revision } from '@druckerei/contract';
import { planOf } from './kept-plan.js';
import type { Ongoing } from './ongoing.js';

export interface Kept {
  readonly revision: Revision;
  /** The plan that it was released with; undefined for a draft. */
  readonly kept: Uint8Array | undefined;
}

/** Stations of a revision as the schedule takes them. Issues: 422 where it cannot be planned. */
const stepsOf = ({ revision, kept }: Kept): FloorStep[] =>
  floorSteps(revision.job, revision.works, planOf(revision, kept));

function promise(
  asked: Kept & {
    readonly problem: FloorProblem;
    readonly standing: FloorPlan | undefined;
    readonly records: readonly RoomRecord[];
    readonly paper: FloorPaper;
    /** The job is not as it was released: its own place in the schedule that stands is a gap. */
    readonly changed: boolean;
  },
): FloorPromise & { readonly names: ReadonlyMap<string, string> } {
  const { problem, standing, revision } = asked;
  const { number, title, customer, due } = revision.job;
  const steps = stepsOf(asked);
  const others = problem.jobs.filter(({ id }) => id !== revision.id);
  const day = paperDays(asked.paper, [...others, { id: revision.id, due, steps }]);
  const holds = holdsOf(steps, roomState(asked.records), (key) => day(revision.id, key));
  const job = { id: revision.id, number, title, customer, due, weight: 1, steps, done: [], begun: [], holds };
  const gaps = asked.changed && standing ? without(standing, job.id) : standing;
  const names = new Map(steps.map((step) => [step.id, stationName(step)]));
  return { ...promiseFor(problem, gaps, job), names };
}

const without = (standing: FloorPlan, job: number): FloorPlan => ({
  ...standing,
  slots: standing.slots.filter((slot) => slot.job !== job),
});

/** A station of a schedule that stands, and where it would go. */
export interface Moving {
  readonly problem: FloorProblem;
  readonly standing: FloorPlan;
  readonly move: FloorMove;
  /** At once, without what would help. */
  readonly rough: boolean;
}

/** How far a plan is; the best so far where it is better than the last that was told. */
export interface PlanNews {
  readonly tried: number;
  readonly better?: FloorPlan | undefined;
}
/** Milliseconds between two news of a plan. */
const NEWS_MS = 1_000;

/** Plans the floor, tells how far it is every second, and ends where it is asked to. */
function planned(
  { problem, effort }: { readonly problem: FloorProblem; readonly effort: FloorEffort },
  { ends, tell }: Ongoing,
): FloorPlan {
  let [last, cost] = [-Infinity, Infinity];
  return planFloor(problem, effort, (progress) => {
    const now = performance.now();
    if (now - last >= NEWS_MS) {
      last = now;
      const better = progress.cost < cost ? progress.best() : undefined;
      cost = Math.min(cost, progress.cost);
      tell({ tried: progress.tried, better } satisfies PlanNews);
    }
    return !ends();
  });
}

/** What the floor asks of a thread. */
export const FLOOR_TASKS = {
  floorSteps: stepsOf,
  planFloor: planned,
  moveFloor: ({ problem, standing, move, rough }: Moving) => moveFloor(problem, standing, move, rough),
  promise,
} as const;

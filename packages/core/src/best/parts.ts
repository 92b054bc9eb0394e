import type { Outcome } from '../kernel/index.js';
import { type Component, type Job } from '../job/index.js';
import { type Plan, plan } from '../plan/index.js';
import type { Works } from '../works/index.js';
import { type Way, type WayTarget, type Ways, findWays, targetComponents, withWay } from '../ways/index.js';
import { lockIssues, keepLocks } from './locks.js';

/** A part of a job whose way is open: the text, or one component that stands for itself. */
export interface Part {
  readonly target: WayTarget;
  readonly now: Component;
  readonly ways: readonly Way[];
  readonly found: Ways;
}

/** Whether a form carries sections of the text. */
const carriesText = ({ components }: Job, id: string): boolean =>
  components.some(({ kind, on }) => kind === 'section' && on === id);

/** Parts of a job that may run in several ways; the text, which takes longest, comes last. */
export const targetsOf = (job: Job): WayTarget[] => [
  ...job.components
    .filter(
      ({ id, kind, on, runOf }) =>
        kind !== 'section' && on === undefined && runOf === undefined && !carriesText(job, id),
    )
    .map(({ id }) => ({ kind: 'component', id }) as const),
  ...(job.components.some(({ kind }) => kind === 'section') ? [{ kind: 'text' } as const] : []),
];

/** Ways planned in full to see whether the quick reckoning says the same. */
const SAMPLE = 6;
const SAME = 1e-6;

/** A job run one way and counted step by step, in full. */
export function planWay(job: Job, target: WayTarget, way: Way, works: Works): Plan | undefined {
  const outcome = plan({ ...withWay(job, target, way, works), school: 'step' }, works);
  return outcome.ok ? outcome.value : undefined;
}

/**
 * Ways with the cost that the plan gives them: as they are where a sample agrees with it, each planned in full where what
 * stands behind the part costs otherwise (dies and foil by the number on the sheet, machines in line).
 */
function exactCosts(job: Job, works: Works, target: WayTarget, ways: readonly Way[]): readonly Way[] {
  const every = Math.max(1, Math.floor(ways.length / SAMPLE));
  const agrees = ({ cost }: Way, planned: Plan | undefined): boolean =>
    planned !== undefined && Math.abs(planned.totals.cost.total - cost) <= SAME * Math.max(1, cost);
  if (ways.every((way, i) => i % every !== 0 || agrees(way, planWay(job, target, way, works)))) return ways;
  return ways.flatMap((way) => {
    const planned = planWay(job, target, way, works);
    return planned ? [{ ...way, cost: planned.totals.cost.total, hours: planned.totals.hours }] : [];
  });
}

/**
 * The ways of a part that keep its locks, each at what the whole job costs with it. Undefined where its ways cannot be
 * listed (it runs on a web, or its lane parts); issues where locks leave none.
 */
export function partOf(job: Job, works: Works, target: WayTarget): Outcome<Part> | undefined {
  const [now] = targetComponents(job, target);
  const found = findWays(job, works, target);
  if (!now || !found.ok || found.value.ways.length === 0) return undefined;
  const kept = keepLocks(found.value.ways, now);
  if (kept.length === 0) return { ok: false, issues: lockIssues(found.value.ways, now, works) };
  return { ok: true, value: { target, now, found: found.value, ways: exactCosts(job, works, target, kept) } };
}

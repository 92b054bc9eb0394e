import type { Plan, PlanStep } from './plan.js';

/** What keeps a job longest: a machine that runs, or material that only lies. */
export interface Bottleneck {
  readonly step: string;
  /** Machine hours of all its steps, where a machine keeps it; hours that it lies, elsewhere. */
  readonly hours: number;
  readonly kind: 'machine' | 'lying';
  /** The machine, where it is one. */
  readonly machine: string | null;
}

/**
 * The machine with the most hours of the job, or the step at which it lies longer than that. Source: identity (the most of
 * sums). Undefined where nothing takes any time.
 */
export function bottleneckOf({ steps }: Pick<Plan, 'steps'>): Bottleneck | undefined {
  const machines = new Map<string, { hours: number; longest: PlanStep }>();
  for (const step of steps) {
    const key = step.machine ?? $localize`step ${step.id}`;
    const before = machines.get(key);
    machines.set(key, {
      hours: (before?.hours ?? 0) + step.hours,
      longest: before && before.longest.hours >= step.hours ? before.longest : step,
    });
  }
  let most: Bottleneck | undefined;
  for (const { hours, longest } of machines.values())
    if (hours > (most?.hours ?? 0)) most = { step: longest.id, hours, kind: 'machine', machine: longest.machine };
  for (const step of steps) {
    const hours = step.lagHours + step.waitHours;
    if (hours > (most?.hours ?? 0)) most = { step: step.id, hours, kind: 'lying', machine: null };
  }
  return most;
}

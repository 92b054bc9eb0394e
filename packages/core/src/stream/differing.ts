import type { Plan, PlanStep } from '../plan/index.js';

const same = (a: PlanStep, b: PlanStep): boolean =>
  a.machine === b.machine &&
  a.processUnits === b.processUnits &&
  a.needsOut === b.needsOut &&
  a.hours === b.hours &&
  a.unitIn === b.unitIn &&
  a.unitOut === b.unitOut;

/** Stations of a plan that the other has not, or has with another machine, count, unit or hours; by the step's id. */
export function differingSteps(plan: Plan, other: Plan): ReadonlyMap<string, 'differs'> {
  const others = new Map(other.steps.map((step) => [step.id, step]));
  const differs = (step: PlanStep): boolean => {
    const beside = others.get(step.id);
    return !beside || !same(step, beside);
  };
  return new Map(plan.steps.filter(differs).map(({ id }) => [id, 'differs']));
}

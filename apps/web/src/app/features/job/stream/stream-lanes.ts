import type { Plan, PlanEdge } from '@druckerei/core';

/** What of a plan the stream shows. */
export type StreamedPlan = Pick<Plan, 'steps' | 'edges'>;

/** Which of several ends a step leads to alone, by step; empty where there is one end. */
export function lanesOfEnds(plan: StreamedPlan, ends: readonly PlanEdge[]): ReadonlyMap<string, number> {
  const lanes = new Map<string, number>();
  if (ends.length < 2) return lanes;
  ends.forEach(({ from }, i) => {
    let at = plan.steps.find(({ id }) => id === from);
    while (at?.component === null) {
      const { id } = at;
      lanes.set(id, i);
      const before = plan.edges.find(({ to }) => to === id)?.from;
      at = plan.steps.find((step) => step.id === before);
    }
  });
  return lanes;
}

/** Stations of one lane that make the same thing on two machines: the first above its lane, the second below. */
export function twinsOf({ edges, steps }: StreamedPlan): ReadonlyMap<string, -1 | 1> {
  const component = new Map(steps.map((step) => [step.id, step.component]));
  const makers = new Map<string, string[]>();
  for (const { material, from } of edges)
    if (from !== null && !makers.get(material)?.includes(from))
      makers.set(material, [...(makers.get(material) ?? []), from]);
  const sides = new Map<string, -1 | 1>();
  for (const [first, second] of makers.values())
    if (first !== undefined && second !== undefined && component.get(first) === component.get(second))
      sides.set(first, -1).set(second, 1);
  return sides;
}

/** More lanes than this are drawn with those that are alike as one. */
const MANY_LANES = 5;

/** Lanes of the same stations with the same counts are drawn once, and named with how many there are. */
export function alikeOnce(
  plan: StreamedPlan,
  components: readonly { id: string; name: string }[],
): { plan: StreamedPlan; components: readonly { id: string; name: string }[] } {
  if (components.length <= MANY_LANES) return { plan, components };
  const groups = new Map<string, { id: string; name: string }[]>();
  for (const component of components) {
    const lane = plan.steps.filter((step) => step.component === component.id);
    const key = lane.map(({ operation, processUnits, needsOut }) => `${operation} ${processUnits} ${needsOut}`).join();
    groups.set(key, [...(groups.get(key) ?? []), component]);
  }
  const kept = [...groups.values()].flatMap(([first, ...others]) =>
    first
      ? [{ ...first, name: others.length > 0 ? `${first.name}, and ${others.length} more alike` : first.name }]
      : [],
  );
  const shown = new Set(kept.map(({ id }) => id));
  const steps = plan.steps.filter(({ component }) => component === null || shown.has(component));
  const ids = new Set(steps.map(({ id }) => id));
  const edges = plan.edges.filter(({ from, to }) => (from === null || ids.has(from)) && (to === null || ids.has(to)));
  return { plan: { steps, edges }, components: kept };
}

import type { Alike, Plan, PlanEdge } from '../plan/index.js';

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

/** A lane to draw: one component, or those that are alike as one. */
export interface StreamLane {
  /** The component whose stations are drawn. */
  readonly id: string;
  readonly name: string;
  /** Components that it stands for, itself among them; more than one may be opened. */
  readonly alike: readonly string[];
  /** One of several alike lanes that were opened; the first of them closes them again. */
  readonly opened: boolean;
}

/**
 * Lanes that are alike are drawn once, as the one that holds the chosen station, unless they are asked for each by itself.
 * @param open the lanes asked for, by their first component. @param chosen the component of the chosen station.
 */
export function lanesShown(
  components: readonly { readonly id: string; readonly name: string }[],
  groups: readonly Alike[],
  open: ReadonlySet<string>,
  chosen: string | null,
): StreamLane[] {
  const names = new Map(components.map(({ id, name }) => [id, name]));
  return groups.flatMap(({ ids, name }): StreamLane[] => {
    const [first = ''] = ids;
    if (open.has(first) && ids.length > 1)
      return ids.map((id) => ({ id, name: names.get(id) ?? id, alike: ids, opened: true }));
    const id = ids.find((one) => one === chosen) ?? first;
    return [
      {
        id,
        name: ids.length > 1 && id === chosen ? `${name}: ${names.get(id) ?? id}` : name,
        alike: ids,
        opened: false,
      },
    ];
  });
}

/** What of the plan lies in the lanes shown, and behind where they join. */
export function planShown(plan: StreamedPlan, lanes: readonly StreamLane[]): StreamedPlan {
  const shown = new Set(lanes.map(({ id }) => id));
  const steps = plan.steps.filter(({ component }) => component === null || shown.has(component));
  const ids = new Set(steps.map(({ id }) => id));
  const edges = plan.edges.filter(({ from, to }) => (from === null || ids.has(from)) && (to === null || ids.has(to)));
  return { steps, edges };
}

import type { ComponentLayout } from '../press-sheet/index.js';
import type { Job, Step } from '../job/index.js';
import { type Material, takenBy } from '../material/index.js';
import type { Plan } from '../plan/index.js';
import type { Machine, Works } from '../works/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';

/** A station with what stands before and behind it, and what comes to it. */
export interface Station {
  readonly step: Step;
  readonly index: number;
  readonly layout: ComponentLayout | undefined;
  readonly machine: Machine | undefined;
  /** Stations whose material it takes, in the order of its inputs. */
  readonly makers: readonly Station[];
  /** Every station before it, and behind it, along the flow. */
  readonly before: readonly Station[];
  readonly behind: readonly Station[];
  /** Materials that come to it, with how many of each make one. */
  readonly incoming: readonly { readonly material: Material; readonly usage: number; readonly from: string | null }[];
  /** What leaves it; of several materials the first. */
  readonly made: Material | undefined;
}

/** A planned job as the rules see it. */
export interface RouteFacts {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly stations: readonly Station[];
}

/** The stations of a planned job. The plan says that the route has no circle. */
export function factsOf(job: Job, plan: Plan, works: Works): RouteFacts {
  const made = new Map<string, string[]>();
  for (const step of job.route)
    for (const { material } of step.makes ?? [{ material: step.id }])
      made.set(material, [...(made.get(material) ?? []), step.id]);
  for (const { material, from } of plan.edges) if (from !== null && !made.has(material)) made.set(material, [from]);
  const lanes = new Map(Object.entries(plan.layouts));
  const edgesTo = new Map<string, Plan['edges'][number][]>();
  for (const edge of plan.edges) if (edge.to !== null) edgesTo.set(edge.to, [...(edgesTo.get(edge.to) ?? []), edge]);
  const leaving = new Map([...plan.edges].reverse().map(({ from, state }) => [from, state]));
  const machines = new Map(plan.steps.map(({ id, machine }) => [id, works.machines.find((one) => one.id === machine)]));
  type Growing = { -readonly [K in keyof Station]: Station[K] };
  const stations = job.route.map((step, index): Growing => {
    const usage = new Map(takenBy(step).map((taken) => [taken.material, taken.usage]));
    return {
      step,
      index,
      // What is still one component is laid as that, whoever works on it.
      layout: lanes.get(step.component ?? edgesTo.get(step.id)?.[0]?.state.component ?? ''),
      machine: machines.get(step.id),
      made: leaving.get(step.id),
      makers: [],
      before: [],
      behind: [],
      incoming: (edgesTo.get(step.id) ?? []).map(({ material, state, from }) => ({
        material: state,
        usage: usage.get(material) ?? 1,
        from,
      })),
    };
  });
  const byId = new Map(stations.map((station) => [station.step.id, station]));
  for (const station of stations)
    station.makers = takenBy(station.step).flatMap(({ material }) =>
      (made.get(material) ?? []).flatMap((id) => byId.get(id) ?? []),
    );
  const earlier = new Map<Growing, readonly Station[]>();
  const walk = (station: Growing): readonly Station[] => {
    const known = earlier.get(station);
    if (known) return known;
    earlier.set(station, []);
    const all = new Set<Station>();
    for (const maker of station.makers) {
      all.add(maker);
      for (const one of walk(maker)) all.add(one);
    }
    const list = [...all];
    earlier.set(station, list);
    return list;
  };
  for (const station of stations) station.before = walk(station);
  const later = new Map<Station, Station[]>();
  for (const station of stations)
    for (const one of station.before) later.set(one, [...(later.get(one) ?? []), station]);
  for (const station of stations) station.behind = later.get(station) ?? [];
  return { job, works, norms: normsOf(works, job.norms), stations };
}

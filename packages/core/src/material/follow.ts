import type { NormLookup } from '../norms/index.js';
import type { Works } from '../works/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import { type Job, type Step, paperOf, partMaterial } from '../job/index.js';
import { materialsAfter } from './after.js';
import { type Material, type Taken, paperMaterial, partAsBought } from './state.js';
import { type Wet, lain, waitsFor } from './wet.js';

/** What a step takes in: what the job says, else its component's paper. */
export const takenBy = (step: Step): readonly { material: string; usage: number }[] => {
  if (step.from && step.from.length > 0) return step.from.map(({ material, usage = 1 }) => ({ material, usage }));
  return step.component === undefined ? [] : [{ material: paperOf(step.component), usage: 1 }];
};

/** What lies before a station because it is wet: the thing that wants most, what it has lain, and what is left. */
export interface Waiting {
  readonly wet: Wet;
  readonly before: Step;
  /** Hours still wanted; 0 where the job tells the time of the station itself. */
  readonly hours: number;
}

/** How long something lies at or before a step. */
export interface Lying {
  /** At a station that lets things lie: hours, and what the next station still wants where that decides. */
  readonly lagHours: number;
  readonly lag?: Waiting | undefined;
  /** Before a station that works: what is left of the time that it wants. */
  readonly wait?: Waiting | undefined;
}

/** Every material of a route by its id, what a station adds in grams, and what waits to be dry. Hours. */
export interface Followed {
  readonly materials: ReadonlyMap<string, Material>;
  /** Materials that each step makes. */
  readonly made: ReadonlyMap<string, readonly string[]>;
  /** Grams that a step puts onto one that goes through it. */
  readonly gains: ReadonlyMap<string, number>;
  readonly lying: ReadonlyMap<string, Lying>;
}

/** Stations that let things lie for a time of their own, by norm; drying lasts as long as the next station wants. */
export const LYING_NORMS: Partial<Record<Step['operation'], { readonly norm: string; readonly perHour: number }>> = {
  outside: { norm: 'outside.hours', perHour: 1 },
  cool: { norm: 'bind.coolMinutes', perHour: 60 },
  press: { norm: 'press.hours', perHour: 1 },
};

interface Context {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly layouts: ReadonlyMap<string, ComponentLayout>;
  /** Layout that a step works by: on its own machine where it prints again on another press. */
  readonly layoutAt: (step: Step) => ComponentLayout | undefined;
  readonly made: (step: Step) => readonly string[];
  /** Done in one go with printing: waits for nothing, and dries before it leaves the machine. */
  readonly inLine: (step: Step) => boolean;
}

/** The station behind a lying one that works: the next that is not a lying one itself. */
function nextWorking(route: readonly Step[], step: Step, seen: readonly Step[] = []): Step | undefined {
  const next = route.find((other) => takenBy(other).some(({ material }) => material === step.id));
  if (!next || seen.includes(next)) return undefined;
  return next.operation === 'dry' ? nextWorking(route, next, [...seen, next]) : next;
}

/** Stations that part, print or fold say whose they are; for all others what is still one component is laid as that. */
const SAYS: readonly Step['operation'][] = ['print', 'cut', 'die-cut', 'fold'];
function ownLayout({ layouts }: Context, step: Step, inputs: readonly Taken[]): ComponentLayout | undefined {
  return SAYS.includes(step.operation) ? undefined : layouts.get(inputs[0]?.material.component ?? '');
}

/** What lies at or before a step, out of what comes to it. Source: handbook chapter 5 "Drying and handling" (practice). */
function lyingAt({ job, norms, inLine }: Context, step: Step, wet: readonly Wet[]): Lying {
  if (inLine(step)) return { lagHours: 0 };
  const own = LYING_NORMS[step.operation];
  if (step.operation !== 'dry' && !own) {
    const found = waitsFor(wet, step.operation, norms);
    return { lagHours: 0, ...(found ? { wait: { ...found, before: step } } : {}) };
  }
  if (own) {
    const away = step.hours ?? norms(own.norm).value / own.perHour;
    return { lagHours: away + (step.operation === 'outside' ? 2 * (step.transitHours ?? 0) : 0) };
  }
  const next = nextWorking(job.route, step);
  const found = next && waitsFor(wet, next.operation, norms);
  const lag = found && next ? { ...found, before: next } : undefined;
  return { lagHours: step.hours ?? lag?.hours ?? 0, ...(lag ? { lag } : {}) };
}

/**
 * Walks the route from paper to product, whatever the order in the file, and works out the state of every material and how
 * long it lies on the way.
 */
export function followMaterials(context: Context): Followed {
  const { job, works, norms, layouts, layoutAt, made } = context;
  const materials = new Map<string, Material>();
  const lying = new Map<string, Lying>();
  const gains = new Map<string, number>();
  const makes = new Map(job.route.map((step) => [step.id, made(step)]));
  for (const [id, layout] of layouts) materials.set(paperOf(id), paperMaterial(layout));
  for (const part of job.parts ?? []) materials.set(partMaterial(part.id), partAsBought(part));
  let open = [...job.route];
  for (let before = -1; open.length > 0 && open.length !== before;) {
    before = open.length;
    open = open.filter((step) => {
      const inputs = takenBy(step).flatMap(({ material: id, usage }): Taken[] => {
        const material = materials.get(id);
        return material ? [{ material, usage }] : [];
      });
      if (inputs.length < takenBy(step).length) return true;
      const lies = lyingAt(
        context,
        step,
        inputs.flatMap(({ material }) => material.wet),
      );
      lying.set(step.id, lies);
      const hours = lies.lagHours + (lies.wait?.hours ?? 0);
      const stood = lies.lagHours > 0 || step.operation === 'dry';
      const rested = inputs.map(({ material, usage }) => ({
        usage,
        material: { ...material, wet: lain(material.wet, hours, stood) },
      }));
      const at = {
        job,
        works,
        norms,
        step,
        layout: layoutAt(step) ?? ownLayout(context, step, rested),
        inputs: rested,
      };
      const after = materialsAfter(at, makes.get(step.id) ?? []);
      for (const [id, material] of after.materials)
        materials.set(id, context.inLine(step) ? { ...material, wet: [] } : material);
      gains.set(step.id, after.gainG);
      return false;
    });
  }
  return { materials, made: makes, gains, lying };
}

import type { Job } from '../job/index.js';
import type { PlanStep } from '../plan/index.js';
import { type Carrier, TOOL_AT, inkOf, wantsTrial } from '../prepress/index.js';
import type { Works } from '../works/index.js';

interface JobInWorks {
  readonly job: Job;
  readonly works: Works;
}

/** Whether a press step runs with a printing carrier, of whatever set. */
function runsWith(carrier: Carrier, { component, id, operation }: PlanStep, job: Job): boolean {
  const side = job.route.find((step) => step.id === id)?.side ?? 'front';
  return (
    carrier.component === component &&
    carrier.step === (operation === 'overprint' ? id : undefined) &&
    carrier.ink !== undefined &&
    (side === 'both' || carrier.side === 'both' || carrier.side === side)
  );
}
/** Printing carriers that a press step begins with. */
const carriersAt = (all: readonly Carrier[], step: PlanStep, job: Job): Carrier[] =>
  all.filter((carrier) => carrier.set === 1 && runsWith(carrier, step, job));

/** Stations that wear a carrier. */
export function wornBy(carrier: Carrier, steps: readonly PlanStep[], job: Job): PlanStep[] {
  const kind = carrier.kind === 'embossing-counter' ? 'embossing-die' : carrier.kind;
  const stations = (TOOL_AT as Partial<Readonly<Record<string, readonly string[]>>>)[kind];
  return steps.filter((step) =>
    stations
      ? step.component === carrier.component && stations.includes(step.operation)
      : isPass(job, step) && runsWith(carrier, step, job),
  );
}

/** Inks of a press step that want an accepted trial. */
function inksAt({ job, works }: JobInWorks, { component, id }: PlanStep): string[] {
  const pass = job.route.find((step) => step.id === id);
  const of = job.components.find((one) => one.id === component);
  const side = pass?.side ?? 'front';
  const uses = pass?.inks ?? (side === 'both' ? [...(of?.front ?? []), ...(of?.back ?? [])] : (of?.[side] ?? []));
  return [...new Set(uses.map(({ name }) => name))].filter((name) => wantsTrial(inkOf(job, works, name)));
}

/** Whether a step is a pass through a press, which starts behind its gate: another press's where its inks are told. */
const isPass = (job: Job, { id, operation }: PlanStep): boolean =>
  operation === 'print' || (operation === 'overprint' && job.route.some((step) => step.id === id && step.inks?.length));

/** What a press start asks for: approved artwork of a component, accepted trials of inks, inspected carriers. */
export interface PressWants {
  readonly component: string;
  readonly inks: readonly string[];
  /** Ids. */
  readonly carriers: readonly string[];
}

/** What the gate of a step looks at; undefined where it is no pass through a press. @param all carriers of the job. */
export function pressWants(context: JobInWorks, step: PlanStep, all: readonly Carrier[]): PressWants | undefined {
  if (!isPass(context.job, step)) return undefined;
  const carriers = carriersAt(all, step, context.job).map(({ id }) => id);
  return { component: step.component ?? '', inks: inksAt(context, step), carriers };
}

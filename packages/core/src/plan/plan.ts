import { type Flow, type FlowGraph, type School, SCHOOLS, reckonFlow } from '../flow/index.js';
import { type Figures, type Issue, type Outcome, FigureBook, toNumber } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { type Works, normsOf, spoilageTable } from '../works/index.js';
import { type JobFlow, type Layouts, buildGraph, processUnit, takenBy } from './build-graph.js';
import { checkJob } from './check-job.js';
import { type ComponentLayout, sharingLayouts } from './component-layout.js';
import { type CostTotals, costFigures } from './cost.js';
import { timeFigures } from './hours.js';
import type { StepTime } from './step-time.js';
import type { Job, Step } from './job.js';
import type { Material } from './material.js';
import { layOnce } from './remember-layout.js';
import { type PressTotals, pressFigures } from './press-totals.js';
import { machineOf } from './step-norms.js';
import { countFigures } from './working.js';
import { adviseJob } from './advice.js';
import { adviseInks } from './ink-advice.js';
import { adviseRegister } from './register-plan.js';
import { sectionPositions } from './section-layout.js';

/** One row of the plan: a station with the counts into and out of it by the job's school. */
export interface PlanStep {
  readonly id: string;
  readonly component: string | null;
  readonly operation: Step['operation'];
  readonly name: string;
  readonly machine: string | null;
  readonly unitIn: string;
  readonly unitOut: string;
  readonly yield: number;
  readonly setup: number;
  /** Share of what runs. */
  readonly running: number;
  readonly samples: number;
  /** Good pieces that the steps after this one want. */
  readonly needsOut: number;
  /** What goes through the machine. */
  readonly processUnits: number;
  /** Process units with no spoilage at all, to draw the stream by. */
  readonly net: number;
  /** Machine hours, set-up and run. */
  readonly hours: number;
  /** Hours that the material lies (drying). */
  readonly lagHours: number;
  /** Where several products come from one process unit: what the others get too many, by material. */
  readonly overruns: Readonly<Record<string, number>>;
}

/** Material on its way between two steps; `from` is null for bought paper. */
export interface PlanEdge {
  readonly material: string;
  readonly from: string | null;
  /** Null for the finished product. */
  readonly to: string | null;
  readonly count: number;
  /** Figure that says the count. */
  readonly figure: string;
  readonly state: Material;
}

export interface Totals extends PressTotals, CostTotals {
  readonly hours: number;
  /** Hours from the first press start to the last box along the longest way, drying included. */
  readonly leadHours: number;
}

export interface Plan {
  readonly school: School;
  /** End to beginning is the order of reckoning; these stand in the order of the route. */
  readonly steps: readonly PlanStep[];
  readonly edges: readonly PlanEdge[];
  readonly layouts: Readonly<Record<string, ComponentLayout>>;
  readonly totals: Totals;
  /** Press sheets by component under every school. */
  readonly schools: Readonly<Record<School, Readonly<Record<string, number>>>>;
  readonly figures: Figures;
  /** What works but wants a look. */
  readonly advice: readonly Issue[];
}

export type PlanOutcome =
  { readonly ok: true; readonly plan: Plan } | { readonly ok: false; readonly issues: readonly Issue[] };

function layAll(job: Job, works: Works, norms: ReturnType<typeof normsOf>): { layouts: Layouts; issues: Issue[] } {
  const layouts = new Map<string, ComponentLayout>();
  const issues: Issue[] = [];
  const context = { job, works, norms, positions: sectionPositions(job) };
  job.components.forEach((component, i) => {
    // What shares a form is laid with it.
    if (component.on !== undefined) return;
    const laid = layOnce(component, `components[${i}]`, context);
    issues.push(...laid.issues);
    if (laid.layout) layouts.set(component.id, laid.layout);
  });
  return { layouts, issues };
}

/** Layouts by lane: components, and the sections that share a form. */
function lanesOf(layouts: Layouts): Layouts {
  const sharing = [...layouts.values()].flatMap(sharingLayouts);
  return new Map([...layouts, ...sharing.map((layout) => [layout.component.id, layout] as const)]);
}

function planStep(
  job: Job,
  step: Step,
  flow: Flow,
  { materials }: JobFlow,
  book: FigureBook,
  time: StepTime,
  machine: string | null,
): PlanStep {
  const reckoned = flow.byId.get(step.id);
  if (!reckoned) throw new Error(`step ${step.id} was not reckoned`);
  const value = (field: string) => book.value(`step.${step.id}.${field}`);
  const out = reckoned.downstream.output.material;
  return {
    id: step.id,
    component: step.component ?? null,
    operation: step.operation,
    name: OPERATION_RULES[step.operation].name,
    machine,
    unitIn: processUnit(step, materials),
    unitOut: materials.get(out)?.unit ?? processUnit(step, materials),
    yield: reckoned.downstream.output.yield,
    setup: value('setup'),
    running: value('running'),
    samples: value('samples'),
    needsOut: value('needsOut'),
    processUnits: reckoned.units[job.school],
    net: toNumber(reckoned.downstream.net),
    hours: time.hours,
    lagHours: time.lagHours,
    overruns: reckoned.byStep.overruns,
  };
}

function edgesOf(job: Job, { materials, graph, demands }: JobFlow, units: ReadonlyMap<string, number>): PlanEdge[] {
  const makers = new Map(
    graph.steps.flatMap((step) => step.outputs.map(({ material }) => [material, step.id] as const)),
  );
  const edge = (material: string, to: string | null, count: number, figure: string): PlanEdge[] => {
    const state = materials.get(material);
    return state ? [{ material, from: makers.get(material) ?? null, to, count, figure, state }] : [];
  };
  return [
    ...job.route.flatMap((step) =>
      takenBy(step).flatMap(({ material, usage }) =>
        edge(material, step.id, (units.get(step.id) ?? 0) * usage, `step.${step.id}.processUnits`),
      ),
    ),
    ...demands.flatMap(({ material, quantity, figure }) => edge(material, null, quantity, figure)),
  ];
}

const firstPress = (job: Job, component: string): Step | undefined =>
  job.route.find((step) => step.component === component && step.operation === 'print');

/** The material flow of a job, as its plan reckons it. Issues: every code of the catalogue. */
export function graphOf(job: Job, works: Works): Outcome<FlowGraph> {
  const checked = checkJob(job, works).filter(({ severity }) => severity === 'error');
  if (checked.length > 0) return { ok: false, issues: checked };
  const norms = normsOf(works, job.norms);
  const { layouts, issues } = layAll(job, works, norms);
  if (issues.length > 0) return { ok: false, issues };
  const { flow, issues: wrong } = buildGraph(job, lanesOf(layouts), norms, new FigureBook());
  return flow ? { ok: true, value: flow.graph } : { ok: false, issues: wrong };
}

/**
 * The plan of a job in a works: counts into and out of every step by every school, plates, paper, ink, hours and cost,
 * each figure with its working. Pure: the same job and works give the same plan, in the browser and on the server.
 * Issues: every code of the catalogue; a plan never holds NaN or Infinity.
 * Source: handbook chapters 4, 5, 6 and 8.
 */
export function plan(job: Job, works: Works): PlanOutcome {
  const checked = checkJob(job, works);
  const errors = checked.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) return { ok: false, issues: errors };
  const norms = normsOf(works, job.norms);
  const { layouts, issues } = layAll(job, works, norms);
  if (issues.length > 0) return { ok: false, issues };
  const book = new FigureBook();
  const lanes = lanesOf(layouts);
  const built = buildGraph(job, lanes, norms, book);
  if (!built.flow) return { ok: false, issues: built.issues };
  const table = spoilageTable(norms);
  const reckoned = reckonFlow(built.flow.graph, table);
  if (!reckoned.ok) return { ok: false, issues: reckoned.issues };
  const flow = reckoned.value;
  countFigures(book, job, flow, built.flow, norms);
  const machines = new Map(
    job.route.map((step) => [
      step.id,
      machineOf(step, step.component === undefined ? undefined : lanes.get(step.component), works),
    ]),
  );
  const times = timeFigures({
    job,
    works,
    layouts: lanes,
    flow,
    materials: built.flow.materials,
    machines,
    norms,
    book,
  });
  const press = pressFigures({ job, layouts, flow, works, norms, book });
  const cost = costFigures({ job, layouts, times, machines, norms, book, works });
  const units = new Map(flow.steps.map(({ step, units: bySchool }) => [step.id, bySchool[job.school]]));
  const jobFlow = built.flow;
  const steps = job.route.map((step) =>
    planStep(
      job,
      step,
      flow,
      jobFlow,
      book,
      times.steps.get(step.id) ?? { hours: 0, lagHours: 0 },
      machines.get(step.id)?.id ?? null,
    ),
  );
  const sheets = (school: School) =>
    Object.fromEntries(
      [...layouts.keys()].map((id) => [id, flow.byId.get(firstPress(job, id)?.id ?? '')?.units[school] ?? 0]),
    );
  return {
    ok: true,
    plan: {
      school: job.school,
      steps,
      edges: edgesOf(job, jobFlow, units),
      layouts: Object.fromEntries(layouts),
      totals: { ...press, hours: times.hours, leadHours: times.leadHours, ...cost },
      schools: Object.fromEntries(SCHOOLS.map((school) => [school, sheets(school)])) as Plan['schools'],
      figures: book.figures,
      advice: [
        ...checked,
        ...adviseJob(job, lanes, jobFlow, norms),
        ...adviseInks(job, works, layouts),
        ...[...layouts.values()].flatMap((layout) => adviseRegister(job, layout, norms)),
      ],
    },
  };
}

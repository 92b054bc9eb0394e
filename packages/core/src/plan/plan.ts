import type { Flow, School } from '../flow/index.js';
import { type Figures, type Issue, type Outcome, FigureBook, toNumber, table } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { type Machine, type NormLookup, type Works, hasRunNorms, normsOf, withStockNorms } from '../works/index.js';
import { type JobFlow, type Layouts, buildGraph, processUnit } from './build-graph.js';
import { checkJob } from './check-job.js';
import { type ComponentLayout, sharingLayouts } from './component-layout.js';
import { type CostTotals, costFigures } from './cost.js';
import { timeFigures } from './hours.js';
import { type StepTime, NO_TIME } from './step-time.js';
import type { Job, Step } from './job.js';
import { type Material, takenBy } from './material/index.js';
import { numberIssues } from './number-plan.js';
import { type Packing, packingFigures, packingUses } from './packing.js';
import { partFigures } from './part-figures.js';
import { type PlannedUse, useFigures } from './uses/use-figures.js';
import { layOnce } from './remember-layout.js';
import { type PressTotals, type SheetsBySchool, pressFigures, pressSheetsBySchool } from './press-totals.js';
import { machineOf } from './step-norms.js';
import { countFigures } from './working.js';
import { adviseJob } from './advice.js';
import { adviseInks } from './ink-advice.js';
import { adviseRegister } from './register-plan.js';
import { wasteFigure } from './waste.js';
import { sectionPositions } from './section-layout.js';
import { type Settled, settle } from './settle.js';

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
  /** Good material used up before the first good piece. */
  readonly setup: number;
  /** Spoils of an earlier step that serve for the set-up beside it. */
  readonly setupSpoils: number;
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
  /** Hours that the material lies here (drying, cooling, outside). */
  readonly lagHours: number;
  /** Grams that the station puts onto one that goes through it. */
  readonly gainG: number;
  /** Hours that it lies before this station, since what is wet on it wants them still. */
  readonly waitHours: number;
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
  /** Figure that says the count; of what several steps make, the count of all. */
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
  /** What the packing stations pack, by step. */
  readonly packings: Readonly<Record<string, Packing>>;
  /** What the stations use up beside paper, ink and parts. */
  readonly uses: readonly PlannedUse[];
  readonly totals: Totals;
  readonly schools: SheetsBySchool;
  readonly figures: Figures;
  /** What works but wants a look. */
  readonly advice: readonly Issue[];
}

export type PlanOutcome =
  { readonly ok: true; readonly plan: Plan } | { readonly ok: false; readonly issues: readonly Issue[] };

function layAll(job: Job, works: Works, norms: NormLookup): { layouts: Layouts; issues: Issue[] } {
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

function planStep(
  job: Job,
  step: Step,
  flow: Flow,
  { materials, gains }: JobFlow,
  book: FigureBook,
  time: StepTime,
  machine: string | null,
  processUnits: number,
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
    setupSpoils: book.figures[`step.${step.id}.setup.all`] ? value('setup.all') - value('setup') : 0,
    running: value('running'),
    samples: value('samples'),
    needsOut: value('needsOut'),
    processUnits,
    net: toNumber(reckoned.downstream.net),
    hours: time.hours,
    lagHours: time.lagHours,
    waitHours: time.waitHours,
    gainG: gains.get(step.id) ?? 0,
    overruns: reckoned.byStep.overruns,
  };
}

function edgesOf(job: Job, { materials, graph, demands }: JobFlow, units: ReadonlyMap<string, number>): PlanEdge[] {
  const makers = new Map<string, { readonly from: string | null; readonly share: number }[]>();
  for (const { id, outputs } of graph.steps)
    for (const { material, share = 1 } of outputs)
      makers.set(material, [...(makers.get(material) ?? []), { from: id, share }]);
  const edge = (material: string, to: string | null, count: number, figure: string): PlanEdge[] => {
    const state = materials.get(material);
    if (!state) return [];
    return (makers.get(material) ?? [{ from: null, share: 1 }]).map(({ from, share }) => ({
      material,
      from,
      to,
      count: share === 1 ? count : Math.ceil(count * share),
      figure,
      state,
    }));
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

/** A job checked, laid out and told as a flow, before anything is counted. */
interface Built {
  /** What the check found to look at; no errors. */
  readonly checked: readonly Issue[];
  readonly norms: NormLookup;
  readonly book: FigureBook;
  readonly layouts: Layouts;
  /** Layouts by lane: components, and the sections that share a form. */
  readonly lanes: Layouts;
  /** Machine of every step. */
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly jobFlow: JobFlow;
  readonly settled: Settled;
}

function build(job: Job, asked: Works): Outcome<Built> {
  const works = withStockNorms(asked, job.norms);
  const checked = checkJob(job, works);
  const errors = checked.filter(({ severity }) => severity === 'error');
  if (errors.length > 0) return { ok: false, issues: errors };
  const norms = normsOf(works, job.norms);
  const { layouts, issues } = layAll(job, works, norms);
  if (issues.length > 0) return { ok: false, issues };
  const sharing = [...layouts.values()].flatMap(sharingLayouts);
  const lanes: Layouts = new Map([...layouts, ...sharing.map((layout) => [layout.component.id, layout] as const)]);
  const book = new FigureBook();
  const machines = new Map(
    job.route.map((step) => [
      step.id,
      machineOf(step, step.component === undefined ? undefined : lanes.get(step.component), works),
    ]),
  );
  const runNorms = hasRunNorms(Object.keys(works.norms));
  const { flow, issues: wrong } = buildGraph({ job, works, layouts: lanes, machines, norms }, book, runNorms);
  if (!flow) return { ok: false, issues: wrong };
  const settled = settle({ job, layouts: lanes, machines, norms, book }, flow.graph);
  if (!settled.ok) return settled;
  return { ok: true, value: { checked, norms, book, layouts, lanes, machines, jobFlow: flow, settled: settled.value } };
}

/** The material flow of a job, as its plan reckons it. Issues: every code of the catalogue. */
export function flowOf(job: Job, works: Works): Outcome<Settled> {
  const built = build(job, works);
  return built.ok ? { ok: true, value: built.value.settled } : built;
}

/**
 * The plan of a job in a works: counts into and out of every step by every school, plates, paper, ink, hours and cost,
 * each figure with its working. Pure: the same job and works give the same plan, in the browser and on the server.
 * Issues: every code of the catalogue; a plan never holds NaN or Infinity.
 * Source: handbook chapters 4, 5, 6 and 8.
 */
export function plan(job: Job, asked: Works): PlanOutcome {
  const works = withStockNorms(asked, job.norms);
  const built = build(job, works);
  if (!built.ok) return built;
  const { checked, norms, book, layouts, lanes, machines, jobFlow, settled } = built.value;
  const { flow, units } = settled;
  const numbered = job.route.find(({ operation }) => operation === 'number');
  const numbers = lanes.get(numbered?.component ?? '')?.pattern.count ?? 1;
  const impossible = numbered
    ? numberIssues(job, (flow.byId.get(numbered.id)?.byStep.needsOut[numbered.id] ?? 0) * numbers)
    : [];
  if (impossible.length > 0) return { ok: false, issues: impossible };
  countFigures({ book, job, flow, jobFlow, machines, norms, units });
  partFigures(book, job);
  const packings = packingFigures({ job, jobFlow, norms, book });
  const times = timeFigures({
    packings,
    job,
    works,
    layouts: lanes,
    flow,
    jobFlow,
    machines,
    norms,
    book,
  });
  const press = pressFigures({ job, layouts, works, norms, book });
  const uses = [
    ...useFigures({ job, layouts: lanes, machines, jobFlow, norms, book }),
    ...packingUses({ job, jobFlow, norms, book }, packings),
  ];
  wasteFigure({ job, jobFlow, book });
  const cost = costFigures({ job, layouts, times, machines, norms, book, works, uses, packings });
  const steps = job.route.map((step) =>
    planStep(
      job,
      step,
      flow,
      jobFlow,
      book,
      times.steps.get(step.id) ?? NO_TIME,
      machines.get(step.id)?.id ?? null,
      units.get(step.id) ?? 0,
    ),
  );
  return {
    ok: true,
    plan: {
      school: job.school,
      steps,
      edges: edgesOf(job, jobFlow, units),
      layouts: table(layouts),
      packings: table(packings),
      uses,
      totals: { ...press, hours: times.hours, leadHours: times.leadHours, ...cost },
      schools: pressSheetsBySchool(job, layouts, book),
      figures: book.figures,
      advice: [
        ...checked,
        ...adviseJob(job, lanes),
        ...adviseInks(job, works, layouts),
        ...[...layouts.values()].flatMap((layout) => adviseRegister(job, layout, norms)),
      ],
    },
  };
}

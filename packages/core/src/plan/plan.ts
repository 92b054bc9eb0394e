import type { School } from '../flow/index.js';
import {
  type Figures,
  type Issue,
  type Outcome,
  Ledger,
  toNumber,
  table,
  group,
  keepLedger,
  valueAt,
} from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import type { SupplyId, Works } from '../works/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import { figureId, type Job, type Step } from '../job/index.js';
import { type Material, takenBy } from '../material/index.js';
import { numberIssues } from '../prepress/index.js';
import { adviseOrder } from './advice.js';
import { type JobFlow, askedOf, processUnit } from './counting/build-graph.js';
import { checkOrder } from './check-job.js';
import type { CostTotals } from './cost/cost.js';
import { type Bought, lastDayPrices, withoutSuppliers, worksAtDayPrices } from './cost/day-prices.js';
import { isPrice } from './cost/without-prices.js';
import { type Packing, loadingFigure, packingUses } from './uses/packing.js';
import { partFigures } from './uses/part-figures.js';
import type { Run } from './prepared.js';
import { type PressTotals, type SheetsBySchool, pressSheetsBySchool } from './press/press-totals.js';
import { type StableFlow, reckonUntilStable } from './counting/reckon-until-stable.js';
import { type StepTime, NO_TIME } from './hours/step-time.js';
import { type Structure, structureOf } from './structure.js';
import { wasteFigure } from './cost/waste.js';
import { countFigures } from './working.js';

/** What a station of a planned job uses up, with the figure that says how much. */
export interface PlannedUse {
  readonly step: string;
  readonly supply: SupplyId;
  readonly figure: string;
}

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

/** Sums of a job over all its steps. */
export interface Totals extends PressTotals, CostTotals {
  readonly hours: number;
  /** Hours from the first press start to the last box along the longest way, drying included. */
  readonly leadHours: number;
}

/** A job, reckoned: its stations, materials, layouts, sums and figures. */
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

/** Press sheets of all components together. Source: identity. */
export const allPressSheets = ({ pressSheets }: Pick<Totals, 'pressSheets'>): number =>
  Object.values(pressSheets).reduce((sum, sheets) => sum + sheets, 0);

/** What a station uses up beyond what the stations behind it want, by the plan: set-up, spoils and samples, in what leaves it. Source: identity. */
export const plannedWaste = ({ processUnits, yield: made, needsOut }: PlanStep): number =>
  Math.max(0, processUnits * made - needsOut);

/** A job whose material flow stands: what goes through every station, before hours, ink and cost. */
interface Counted {
  readonly structure: Structure;
  readonly ledger: Ledger;
  readonly jobFlow: JobFlow;
  readonly settled: StableFlow;
}

function planStep(
  { structure, ledger, jobFlow, settled }: Counted,
  times: ReadonlyMap<string, StepTime>,
  step: Step,
): PlanStep {
  const flow = settled.flow.byId.get(step.id);
  if (!flow) throw new Error(`step ${step.id} was not reckoned`);
  const at = ledger.step(step.id);
  const { output } = flow.downstream;
  const unit = processUnit(step, jobFlow.materials);
  const setup = at.of('setup').value;
  const { hours, lagHours, waitHours } = times.get(step.id) ?? NO_TIME;
  return {
    id: step.id,
    component: step.component ?? null,
    operation: step.operation,
    name: OPERATION_RULES[step.operation].name,
    machine: structure.machines.get(step.id)?.id ?? null,
    unitIn: unit,
    unitOut: jobFlow.materials.get(output.material)?.unit ?? unit,
    yield: output.yield,
    setup,
    setupSpoils: (at.find('setup.all')?.value ?? setup) - setup,
    running: at.of('running').value,
    samples: at.of('samples').value,
    needsOut: at.of('needsOut').value,
    processUnits: settled.units.get(step.id) ?? 0,
    net: toNumber(flow.downstream.net),
    hours,
    lagHours,
    waitHours,
    gainG: jobFlow.gains.get(step.id) ?? 0,
    overruns: flow.byStep.overruns,
  };
}

function edgesOf({ route }: Job, { settled: { units }, jobFlow: { materials, graph, demands } }: Counted): PlanEdge[] {
  const makers = new Map<string, { readonly from: string | null; readonly share: number }[]>();
  for (const { id, outputs } of graph.steps)
    for (const { material, share = 1 } of outputs) {
      group(makers, material, { from: id, share });
    }
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
    ...route.flatMap((step) =>
      takenBy(step).flatMap(({ material, usage }) =>
        edge(material, step.id, (units.get(step.id) ?? 0) * usage, figureId.step(step.id, 'processUnits')),
      ),
    ),
    ...demands.flatMap(({ material, quantity, figure }) => edge(material, null, quantity, figure.id)),
  ];
}

/** Asks an order of a route, and counts until splices and changes of carriers stand. */
function count(job: Job, asked: Works): Outcome<Counted> {
  const wrong = checkOrder(job);
  const structure = structureOf(job, asked);
  if (!structure.ok || wrong.length > 0)
    return { ok: false, issues: [...(structure.ok ? [] : structure.issues), ...wrong] };
  const { lanes, machines, norms, route } = structure.value;
  const ledger = new Ledger(structure.value.ledger);
  const jobFlow = askedOf(job, route, ledger);
  if (!jobFlow.ok) return jobFlow;
  const settled = reckonUntilStable({ job, layouts: lanes, machines, norms, ledger }, jobFlow.value.graph);
  if (!settled.ok) return settled;
  return {
    ok: true,
    value: { structure: structure.value, ledger, jobFlow: jobFlow.value, settled: settled.value },
  };
}

/** The material flow of a job, as its plan reckons it. Issues: every code of the catalogue. */
export function flowOf(job: Job, works: Works): Outcome<StableFlow> {
  const counted = count(job, works);
  return counted.ok ? { ok: true, value: counted.value.settled } : counted;
}

/** Numbers that a run cannot be printed with. Issues: those of `numberIssues`. */
function numbersOf(job: Job, { lanes }: Structure, { flow }: StableFlow): Issue[] {
  const numbered = job.route.find(({ operation }) => operation === 'number');
  if (!numbered) return [];
  const positions = lanes.get(numbered.component ?? '')?.pattern.count ?? 1;
  return numberIssues(job, (flow.byId.get(numbered.id)?.byStep.needsOut[numbered.id] ?? 0) * positions);
}

/** Figures without those of prices. */
const withoutPrices = (works: Works, figures: Figures): Figures =>
  table(Object.entries(figures).filter(([, figure]) => !isPrice(works, figure)));

/**
 * The plan of a job in a works: counts into and out of every step by every school, plates, paper, ink, hours and cost. The
 * working of the figures is written when it is looked at. Pure: the same job and works give the same plan, in the browser
 * and on the server. Issues: every code of the catalogue; a plan never holds NaN or Infinity.
 * Source: handbook chapters 4, 5, 6 and 8.
 */
export function plan(job: Job, works: Works): Outcome<Plan> {
  if (!works.supplied) return planAtNorms(job, works);
  // What a job buys does not hang on prices: those that held last hold mostly, and then it is reckoned once.
  const last = lastDayPrices(works);
  const planned = planAtNorms(job, last);
  if (!planned.ok) return planned;
  const own = worksAtDayPrices(works, boughtBy(planned.value), false);
  return own === last ? planned : planAtNorms(job, own);
}

/**
 * The works with what suppliers ask today for as much as the job buys in place of its price norms; the same works where it
 * knows of none. A works that has been through it is left as it is.
 */
export function atDayPrices(job: Job, works: Works): Works {
  if (!works.supplied) return works;
  const planned = planAtNorms(job, lastDayPrices(works));
  return planned.ok ? worksAtDayPrices(works, boughtBy(planned.value), true) : withoutSuppliers(works);
}

function boughtBy(made: Plan): Bought {
  const value = (id: string): number => valueAt(made, id) ?? 0;
  const supplies = new Map<SupplyId, number>();
  for (const { supply, figure } of made.uses) supplies.set(supply, (supplies.get(supply) ?? 0) + value(figure));
  const kgOf = (component: string): number => value(figureId.component(component, 'paperKg'));
  return { kgOf, valueOf: value, layouts: Object.values(made.layouts), supplies, inks: made.totals.inkKgByName };
}

function planAtNorms(job: Job, asked: Works): Outcome<Plan> {
  const counted = count(job, asked);
  if (!counted.ok) return counted;
  const { structure, ledger, jobFlow, settled } = counted.value;
  const { norms, layouts, machines } = structure;
  const { flow, units } = settled;
  const impossible = numbersOf(job, structure, settled);
  if (impossible.length > 0) return { ok: false, issues: impossible };
  const run: Run = { job, ledger };
  countFigures({ ledger, job, flow, jobFlow, machines, norms, units });
  partFigures(ledger, job);
  const packings = structure.packing(run);
  const times = structure.times(run);
  const press = structure.press(run);
  const uses = [...structure.uses(run), ...packingUses(run, norms, packings)];
  loadingFigure(run, packings);
  wasteFigure({ job, jobFlow, ledger });
  // Where no prices are seen, no figure says what anything costs.
  const costLedger = asked.pricesHidden ? new Ledger(ledger) : ledger;
  const cost = structure.cost({ ...run, ledger: costLedger }, uses);
  const made: Plan = {
    school: job.school,
    steps: job.route.map((step) => planStep(counted.value, times.steps, step)),
    edges: edgesOf(job, counted.value),
    layouts: table(layouts),
    packings: table(packings),
    uses: uses.map(({ step, supply, figure }) => ({ step, supply, figure: figure.id })),
    totals: { ...press, hours: times.hours, leadHours: times.leadHours, ...cost },
    schools: pressSheetsBySchool(job, layouts, settled),
    get figures() {
      return asked.pricesHidden ? withoutPrices(asked, ledger.figures) : ledger.figures;
    },
    advice: [...structure.advice, ...adviseOrder(job)],
  };
  keepLedger(made, ledger);
  return { ok: true, value: made };
}

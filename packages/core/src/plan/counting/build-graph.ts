import { type Demand, type FlowGraph, type FlowOutput, type FlowStep, netUnits } from '../../flow/index.js';
import {
  type Entry,
  type Group,
  type Issue,
  type Outcome,
  type Source,
  GIVEN,
  IDENTITY,
  Ledger,
  error,
  severalOf,
  rule,
} from '../../kernel/index.js';
import { OPERATION_RULES } from '../../route/index.js';
import type { Machine, Works } from '../../works/index.js';
import type { NormLookup, NormScope } from '../../norms/index.js';
import {
  type ComponentLayout,
  partsSheet,
  isInLine,
  isPass,
  layoutAt,
  passColours,
  scopeOf,
} from '../../press-sheet/index.js';
import { madeBy, type Followed, type Material, followMaterials, takenBy } from '../../material/index.js';
import { isAssorted, itemsBehind, type Job, type Step, paperOf, partMaterial } from '../../job/index.js';
import { withSpoils } from './setup-spoils.js';
import { incidentsOf, spoilageFigures } from './step-spoilage.js';

/** A job as a flow, with the state of every material. */
export interface JobFlow extends Followed {
  readonly graph: FlowGraph;
  readonly demands: readonly JobDemand[];
}

/** What must be there at the end, with the figure that says so. */
export interface JobDemand extends Demand {
  readonly figure: Entry;
}

/** Layouts by component. */
export type Layouts = ReadonlyMap<string, ComponentLayout>;

interface GraphContext {
  readonly job: Job;
  readonly works: Works;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
}

/** Field of the yield of one of a step's outputs. */
export const yieldField = ({ outputs }: { readonly outputs: readonly unknown[] }, material: string): string =>
  outputs.length > 1 ? `yield.${material}` : 'yield';

const GRID = rule($localize`Yield`, 'pieces', 'columns * rows');
const GRID_OVER = rule($localize`Yield`, 'pieces', 'columns * rows / cutOffs');
const COUNTED = rule($localize`Yield`, 'pieces', 'count');
const COUNTED_OVER = rule($localize`Yield`, 'pieces', 'count / cutOffs');
const ONE_OF_ONE: Source = { label: 'identity', note: $localize`one out of one` };
const TWO_COPIES: Source = { label: 'identity', note: $localize`two copies bound as one` };

/** Pieces out of the sheet that a step parts: columns by rows, or counted; of a web, over its cut-offs. */
function partedFigure(
  ledger: Ledger,
  at: Group,
  field: string,
  { component, pattern, cutOffs }: ComponentLayout,
): Entry {
  const own = ledger.component(component.id);
  const over = (): { cutOffs: Entry } => ({
    cutOffs: own.give('cutOffs', $localize`Cut-offs that the folder collects`, cutOffs, 'cut-offs', IDENTITY),
  });
  const { grid } = pattern;
  if (grid) {
    const given = (name: 'columns' | 'rows'): Entry =>
      own.give(name, $localize`${name} on the sheet`, grid[name], 'pieces', IDENTITY);
    const inputs = { columns: given('columns'), rows: given('rows') };
    return cutOffs === 1 ? at.reckon(field, GRID, inputs) : at.reckon(field, GRID_OVER, { ...inputs, ...over() });
  }
  const count = own.give(
    'count',
    $localize`Pieces on the sheet, counted on the layout`,
    pattern.count,
    'pieces',
    IDENTITY,
  );
  return cutOffs === 1 ? at.reckon(field, COUNTED, { count }) : at.reckon(field, COUNTED_OVER, { count, ...over() });
}

function yieldFigure(
  ledger: Ledger,
  job: Job,
  step: Step,
  layout: ComponentLayout | undefined,
  own: number | undefined,
  field: string,
): number {
  const at = ledger.step(step.id);
  if (own !== undefined) {
    at.give(field, $localize`Yield`, own, 'pieces', (step.makes ?? step.yield) ? GIVEN : IDENTITY);
    return own;
  }
  if (layout && partsSheet(step, layout)) return partedFigure(ledger, at, field, layout).value;
  const parts = job.route.some(({ operation }) => operation === 'split') ? 'split' : 'trim';
  const twoUp = step.operation === parts && job.binding?.twoUp === true;
  return twoUp
    ? at.give(field, $localize`Yield`, 2, 'pieces', TWO_COPIES).value
    : at.give(field, $localize`Yield`, 1, 'pieces', ONE_OF_ONE).value;
}

/** Stations that count what they put together. */
const SETS: readonly Step['operation'][] = ['gather', 'stitch', 'bind'];

/** Unit of what goes through the machine at a step. */
export function processUnit(step: Step, materials: ReadonlyMap<string, Material>): string {
  if (SETS.includes(step.operation)) return 'set';
  return materials.get(takenBy(step)[0]?.material ?? '')?.unit ?? 'unit';
}

interface FlowStepContext {
  readonly job: Job;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
}

function flowStep(
  { job, norms, ledger }: FlowStepContext,
  step: Step,
  path: string,
  layout: ComponentLayout | undefined,
  unit: string,
  scope: NormScope,
): FlowStep {
  const { setup, told, ofNet } = spoilageFigures({ ledger, norms, scope }, step, layout, unit);
  const samples = step.samples ?? 0;
  ledger.step(step.id).give('samples', $localize`Samples taken`, samples, unit, GIVEN);
  const all = madeBy(step, layout);
  const outputs = all.map((made): FlowOutput => ({
    material: made.material,
    yield: yieldFigure(
      ledger,
      job,
      step,
      layout,
      made.yield ?? step.yield,
      yieldField({ outputs: all }, made.material),
    ),
    samples,
    ...(made.share === undefined ? {} : { share: made.share }),
  }));
  return {
    id: step.id,
    path,
    inputs: takenBy(step),
    outputs,
    setup: setup.value,
    running: told.value,
    ...(ofNet ? { ofNet } : {}),
    incidents: incidentsOf(norms, step, layout),
    finishing: OPERATION_RULES[step.operation].finishing,
    ...(isPass(step) && layout ? { passColours: passColours(step, layout) } : {}),
  };
}

/** What leaves a press or a folder has no name of its own yet. */
const UNNAMED: readonly string[] = ['section', 'sheet', 'set', 'cut-off', 'repeat', 'unit'];
/** What an order counts, many of them: as it says, packs of several designs, else what leaves the last station. */
export function orderUnit(job: Job, last: string | undefined): string {
  if (job.order.unit !== undefined) return job.order.unit;
  if (isAssorted(job)) return 'packs';
  if ((job.items?.length ?? 0) > 0 || last === undefined) return 'pieces';
  if (UNNAMED.includes(last)) return 'copies';
  return severalOf(last);
}

const TARGET = rule($localize`To be delivered`, '', 'quantity + overs');

/** What must be there at the end: the order, or each item's own quantity. Issues: `flow.no-end`, `gang.ends`. */
function demandsOf(
  job: Job,
  steps: readonly FlowStep[],
  ledger: Ledger,
  unitOf: (material: string) => string | undefined,
): { demands: JobDemand[]; issues: Issue[] } {
  const taken = new Set(steps.flatMap(({ inputs }) => inputs.map(({ material }) => material)));
  const made = [...new Set(steps.flatMap(({ outputs }) => outputs.map(({ material }) => material)))];
  const ends = made.filter((material) => !taken.has(material));
  // A circular route has no end to ask at; any material will do, the circle is what gets reported.
  const [end = steps[0]?.outputs[0]?.material ?? ''] = ends;
  const unit = orderUnit(job, unitOf(end));
  const order = ledger.group('order');
  const quantity = order.give('quantity', $localize`Order`, job.order.quantity, unit, GIVEN);
  const overs = order.give('plannedOvers', $localize`Planned overs`, job.order.plannedOvers, unit, GIVEN);
  const target = order.reckon('target', TARGET, { quantity, overs }, { unit });
  const items = job.items ?? [];
  if (items.length === 0 || (ends.length === 1 && isAssorted(job))) {
    const demands = [{ material: end, quantity: target.value, figure: target }];
    return { demands, issues: ends.length > 1 ? [error('flow.no-end', 'route', { ends: ends.join(', ') })] : [] };
  }
  const behind = itemsBehind(job);
  const issues: Issue[] = [];
  const demands = items.flatMap((item, i): JobDemand[] => {
    const own = ends.filter((material) => behind(material).has(item.id));
    const [material] = own;
    if (own.length !== 1 || material === undefined || behind(material).size > 1) {
      issues.push(error('gang.ends', `items[${i}]`, { item: item.name, ends: own.join(', ') || '0' }));
      return [];
    }
    const figure = ledger
      .group(`item.${item.id}`)
      .give('quantity', $localize`Ordered, ${item.name}`, item.quantity, 'pieces', GIVEN);
    return [{ material, quantity: item.quantity, figure }];
  });
  const strangers = ends.filter((material) => behind(material).size === 0);
  if (strangers.length > 0) issues.push(error('flow.no-end', 'route', { ends: strangers.join(', ') }));
  return { demands, issues };
}

/** A route as steps of the flow, with the state of every material, before anything is asked of it. */
export interface RouteFlow extends Followed {
  readonly steps: readonly FlowStep[];
  readonly bought: readonly string[];
}

/**
 * The steps of a job's route as the flow engine takes them, with the figures of their norms in the ledger. Of the order
 * only what is told by run length is read. Issues: `flow.spoils-not-before`.
 */
export function routeFlow(
  { job, works, layouts, machines, norms }: GraphContext,
  ledger: Ledger,
  runNorms: boolean,
): { readonly flow: RouteFlow; readonly issues: readonly Issue[] } {
  const layoutOf = (step: Step): ComponentLayout | undefined =>
    layoutAt(step, step.component === undefined ? undefined : layouts.get(step.component), machines.get(step.id));
  const followed = followMaterials({
    job,
    works,
    norms,
    layouts,
    layoutAt: layoutOf,
    inLine: (step) => isInLine(step, layoutOf(step)),
    made: (step) => madeBy(step, layoutOf(step)).map(({ material }) => material),
  });
  const { materials } = followed;
  const stepsWith = (into: Ledger, runs: ReadonlyMap<string, number>): FlowStep[] =>
    job.route.map((step, i) => {
      const layout = layoutOf(step);
      const scope = scopeOf(machines.get(step.id), layout, runs.get(step.id));
      const context = { job, norms, ledger: into };
      return flowStep(context, step, `route[${i}]`, layout, processUnit(step, materials), scope);
    });
  const bought = [...[...layouts.keys()].map(paperOf), ...(job.parts ?? []).map(({ id }) => partMaterial(id))];
  // Norms told by run length want the net runs first; these do not depend on any norm.
  const runs = runNorms ? netRuns(job, stepsWith(new Ledger(), new Map()), bought) : new Map<string, number>();
  const { steps, issues } = withSpoils(job, stepsWith(ledger, runs), ledger);
  return { flow: { steps, bought, ...followed }, issues };
}

/**
 * What an order asks of a route. Issues: `flow.no-end` unless exactly one step makes what nobody else takes; `gang.ends`
 * unless each item ends once.
 */
export function askedOf(job: Job, route: RouteFlow, ledger: Ledger): Outcome<JobFlow> {
  const { steps, bought, ...followed } = route;
  const { demands, issues } = demandsOf(job, steps, ledger, (material) => followed.materials.get(material)?.unit);
  return issues.length > 0
    ? { ok: false, issues }
    : { ok: true, value: { graph: { steps, bought, demands }, demands, ...followed } };
}

/** Net process units of every step, where the graph can be reckoned. */
function netRuns(job: Job, steps: readonly FlowStep[], bought: readonly string[]): ReadonlyMap<string, number> {
  const { demands, issues } = demandsOf(job, steps, new Ledger(), () => undefined);
  return issues.length > 0 ? new Map() : netUnits({ steps, bought, demands });
}

import { type Demand, type FlowGraph, type FlowOutput, type FlowStep, netUnits } from '../flow/index.js';
import { type Issue, FigureBook, GIVEN, IDENTITY, error, own } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import type { Machine, NormLookup, NormScope, Works } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import { madeBy } from './made-by.js';
import { isAssorted, itemsBehind } from './items-behind.js';
import { type Job, type Step, paperOf, partMaterial } from './job.js';
import { type Followed, type Material, followMaterials, partsSheet, takenBy } from './material/index.js';
import { withSpoils } from './setup-spoils.js';
import { incidentsOf, isInLine, isPass, layoutAt, passColours, scopeOf, spoilageFigures } from './step-norms.js';

/** A job as a flow, with the state of every material. */
export interface JobFlow extends Followed {
  readonly graph: FlowGraph;
  readonly demands: readonly JobDemand[];
}

/** What must be there at the end, with the figure that says so. */
export interface JobDemand extends Demand {
  readonly figure: string;
}

export type Layouts = ReadonlyMap<string, ComponentLayout>;

interface GraphContext {
  readonly job: Job;
  readonly works: Works;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
}

/** Id of the yield of one of a step's outputs. */
export const yieldId = (
  { id, outputs }: Pick<FlowStep, 'id'> & { outputs: readonly unknown[] },
  material: string,
): string => (outputs.length > 1 ? `step.${id}.yield.${material}` : `step.${id}.yield`);

/** Pieces out of the sheet that a step parts: columns by rows, or counted; of a web, over its cut-offs. */
function partedFigure(book: FigureBook, id: string, { component, pattern, cutOffs }: ComponentLayout): void {
  const { grid, count } = pattern;
  const counted = (name: string, value: number) =>
    book.give(`component.${component.id}.${name}`, `${name} on the sheet`, value, 'pieces', IDENTITY);
  const inputs: Record<string, string> = grid
    ? { columns: counted('columns', grid.columns), rows: counted('rows', grid.rows) }
    : {
        count: book.give(
          `component.${component.id}.count`,
          'Pieces on the sheet, counted on the layout',
          count,
          'pieces',
          IDENTITY,
        ),
      };
  const pieces = grid ? 'columns * rows' : 'count';
  if (cutOffs === 1) book.reckon(id, 'Yield', count, 'pieces', pieces, inputs);
  else {
    const over = book.give(
      `component.${component.id}.cutOffs`,
      'Cut-offs that the folder collects',
      cutOffs,
      'cut-offs',
      IDENTITY,
    );
    book.reckon(id, 'Yield', count / cutOffs, 'pieces', `${pieces} / cutOffs`, { ...inputs, cutOffs: over });
  }
}

function yieldFigure(
  book: FigureBook,
  job: Job,
  step: Step,
  layout: ComponentLayout | undefined,
  own: number | undefined,
  id: string,
): number {
  const parts = job.route.some(({ operation }) => operation === 'split') ? 'split' : 'trim';
  const twoUp = step.operation === parts && job.binding?.twoUp === true;
  if (own !== undefined) book.give(id, 'Yield', own, 'pieces', (step.makes ?? step.yield) ? GIVEN : IDENTITY);
  else if (layout && partsSheet(step, layout)) partedFigure(book, id, layout);
  else if (twoUp) book.give(id, 'Yield', 2, 'pieces', { label: 'identity', note: 'two copies bound as one' });
  else book.give(id, 'Yield', 1, 'pieces', { label: 'identity', note: 'one out of one' });
  return book.value(id);
}

/** Stations that count what they put together. */
const SETS: readonly Step['operation'][] = ['gather', 'stitch', 'bind'];

/** Unit of what goes through the machine at a step. */
export function processUnit(step: Step, materials: ReadonlyMap<string, Material>): string {
  if (SETS.includes(step.operation)) return 'set';
  return materials.get(takenBy(step)[0]?.material ?? '')?.unit ?? 'unit';
}

function flowStep(
  job: Job,
  step: Step,
  path: string,
  layout: ComponentLayout | undefined,
  unit: string,
  norms: NormLookup,
  book: FigureBook,
  scope: NormScope,
): FlowStep {
  const { setup, told, ofNet } = spoilageFigures(book, norms, step, layout, unit, scope);
  const samples = step.samples ?? 0;
  book.give(`step.${step.id}.samples`, 'Samples taken', samples, unit, GIVEN);
  const all = madeBy(step, layout);
  const outputs = all.map((made): FlowOutput => {
    const id = yieldId({ id: step.id, outputs: all }, made.material);
    return {
      material: made.material,
      yield: yieldFigure(book, job, step, layout, made.yield ?? step.yield, id),
      samples,
      ...(made.share === undefined ? {} : { share: made.share }),
    };
  });
  return {
    id: step.id,
    path,
    inputs: takenBy(step),
    outputs,
    setup: book.value(setup),
    running: book.value(told),
    ...(ofNet ? { ofNet } : {}),
    incidents: incidentsOf(norms, step, layout),
    finishing: OPERATION_RULES[step.operation].finishing,
    ...(isPass(step) && layout ? { passColours: passColours(step, layout) } : {}),
  };
}

/** Singular and plural where an s does not do. */
const PLURALS: Readonly<Record<string, string>> = { copy: 'copies', box: 'boxes' };
/** What leaves a press or a folder has no name of its own yet. */
const UNNAMED: readonly string[] = ['section', 'sheet', 'set', 'cut-off', 'repeat', 'unit'];
/** What an order counts, many of them: as it says, packs of several designs, else what leaves the last station. */
export function orderUnit(job: Job, last: string | undefined): string {
  if (job.order.unit !== undefined) return job.order.unit;
  if (isAssorted(job)) return 'packs';
  if ((job.items?.length ?? 0) > 0 || last === undefined) return 'pieces';
  if (UNNAMED.includes(last)) return 'copies';
  return own(PLURALS, last) ?? (last.endsWith('s') ? last : `${last}s`);
}

/** What must be there at the end: the order, or each item's own quantity. Issues: `flow.no-end`, `gang.ends`. */
function demandsOf(
  job: Job,
  steps: readonly FlowStep[],
  book: FigureBook,
  unitOf: (material: string) => string | undefined,
): { demands: JobDemand[]; issues: Issue[] } {
  const taken = new Set(steps.flatMap(({ inputs }) => inputs.map(({ material }) => material)));
  const made = [...new Set(steps.flatMap(({ outputs }) => outputs.map(({ material }) => material)))];
  const ends = made.filter((material) => !taken.has(material));
  // A circular route has no end to ask at; any material will do, the circle is what gets reported.
  const [end = steps[0]?.outputs[0]?.material ?? ''] = ends;
  const unit = orderUnit(job, unitOf(end));
  const quantity = book.give('order.quantity', 'Order', job.order.quantity, unit, GIVEN);
  const overs = book.give('order.plannedOvers', 'Planned overs', job.order.plannedOvers, unit, GIVEN);
  const target = job.order.quantity + job.order.plannedOvers;
  book.reckon('order.target', 'To be delivered', target, unit, 'quantity + overs', { quantity, overs });
  const items = job.items ?? [];
  if (items.length === 0 || (ends.length === 1 && isAssorted(job))) {
    const demands = [{ material: end, quantity: target, figure: 'order.target' }];
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
    const figure = book.give(`item.${item.id}.quantity`, `Ordered, ${item.name}`, item.quantity, 'pieces', GIVEN);
    return [{ material, quantity: item.quantity, figure }];
  });
  const strangers = ends.filter((material) => behind(material).size === 0);
  if (strangers.length > 0) issues.push(error('flow.no-end', 'route', { ends: strangers.join(', ') }));
  return { demands, issues };
}

/**
 * The flow graph of a job, with the figures of its norms in the book.
 * Issues: `flow.no-end` unless exactly one step makes what nobody else takes; `gang.ends` unless each item ends once.
 */
export function buildGraph(
  { job, works, layouts, machines, norms }: GraphContext,
  book: FigureBook,
  runNorms: boolean,
): { flow?: JobFlow; issues: Issue[] } {
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
  const stepsWith = (into: FigureBook, runs: ReadonlyMap<string, number>): FlowStep[] =>
    job.route.map((step, i) => {
      const layout = layoutOf(step);
      const scope = scopeOf(machines.get(step.id), layout, runs.get(step.id));
      return flowStep(job, step, `route[${i}]`, layout, processUnit(step, materials), norms, into, scope);
    });
  const bought = [...[...layouts.keys()].map(paperOf), ...(job.parts ?? []).map(({ id }) => partMaterial(id))];
  // Norms told by run length want the net runs first; these do not depend on any norm.
  const runs = runNorms ? netRuns(job, stepsWith(new FigureBook(), new Map()), bought) : new Map<string, number>();
  const steps = stepsWith(book, runs);
  const spoils = withSpoils(job, steps, book);
  const { demands, issues: ends } = demandsOf(job, steps, book, (material) => materials.get(material)?.unit);
  const issues = [...spoils.issues, ...ends];
  if (issues.length > 0) return { issues };
  return { flow: { graph: { steps: spoils.steps, bought, demands }, demands, ...followed }, issues };
}

/** Net process units of every step, where the graph can be reckoned. */
function netRuns(job: Job, steps: readonly FlowStep[], bought: readonly string[]): ReadonlyMap<string, number> {
  const { demands, issues } = demandsOf(job, steps, new FigureBook(), () => undefined);
  return issues.length > 0 ? new Map() : netUnits({ steps, bought, demands });
}

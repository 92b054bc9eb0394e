import type { FlowGraph, FlowOutput, FlowStep } from '../flow/index.js';
import { type FigureBook, type Issue, GIVEN, IDENTITY, error } from '../kernel/index.js';
import { OPERATION_RULES } from '../route/index.js';
import type { NormLookup } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import { type Job, type Step, paperOf } from './job.js';
import { type Material, materialAfter, paperMaterial } from './material.js';
import { passColours, spoilageFigures } from './step-norms.js';

/** A job as a flow, with the state of every material. */
export interface JobFlow {
  readonly graph: FlowGraph;
  readonly materials: ReadonlyMap<string, Material>;
  readonly target: number;
}

export type Layouts = ReadonlyMap<string, ComponentLayout>;

const madeBy = (step: Step): readonly { material: string; yield?: number | undefined; share?: number | undefined }[] =>
  step.makes ?? [{ material: step.id }];

export const takenBy = (step: Step): readonly { material: string; usage: number }[] => {
  if (step.from && step.from.length > 0) return step.from.map(({ material, usage = 1 }) => ({ material, usage }));
  return step.component === undefined ? [] : [{ material: paperOf(step.component), usage: 1 }];
};

function yieldFigure(
  book: FigureBook,
  step: Step,
  layout: ComponentLayout | undefined,
  own: number | undefined,
): number {
  const id = `step.${step.id}.yield`;
  if (own !== undefined) book.give(id, 'Yield', own, 'pieces', GIVEN);
  else if (step.operation === 'cut' && layout) {
    const { grid, count } = layout.pattern;
    const counted = (name: string, value: number) =>
      book.give(`component.${layout.component.id}.${name}`, `${name} on the sheet`, value, 'pieces', IDENTITY);
    if (grid)
      book.reckon(id, 'Yield', count, 'pieces', 'columns * rows', {
        columns: counted('columns', grid.columns),
        rows: counted('rows', grid.rows),
      });
    else book.give(id, 'Yield', count, 'pieces', { label: 'identity', note: 'counted on the layout, both ways mixed' });
  } else book.give(id, 'Yield', 1, 'pieces', { label: 'identity', note: 'one out of one' });
  return book.value(id);
}

/** Walks the route from paper to product, whatever the order in the file, and works out the state of every material. */
function followMaterials(job: Job, layouts: Layouts): ReadonlyMap<string, Material> {
  const materials = new Map<string, Material>();
  for (const [id, layout] of layouts) materials.set(paperOf(id), paperMaterial(layout));
  const page = job.components.find(({ kind }) => kind === 'section');
  const trimmed = page && { widthMm: page.widthMm, heightMm: page.heightMm };
  let open = [...job.route];
  for (let before = -1; open.length > 0 && open.length !== before;) {
    before = open.length;
    open = open.filter((step) => {
      const inputs = takenBy(step).map(({ material, usage }) => ({ material: materials.get(material), usage }));
      if (inputs.some(({ material }) => !material)) return true;
      const known = inputs as { material: Material; usage: number }[];
      const after = materialAfter(
        step,
        known,
        step.component === undefined ? undefined : layouts.get(step.component),
        trimmed,
      );
      if (after) for (const { material } of madeBy(step)) materials.set(material, after);
      return false;
    });
  }
  return materials;
}

/** Unit of what goes through the machine at a step. */
export function processUnit(step: Step, materials: ReadonlyMap<string, Material>): string {
  if (step.operation === 'stitch') return 'set';
  return materials.get(takenBy(step)[0]?.material ?? '')?.unit ?? 'unit';
}

function flowStep(
  step: Step,
  path: string,
  layout: ComponentLayout | undefined,
  unit: string,
  norms: NormLookup,
  book: FigureBook,
): FlowStep {
  const { setup, running } = spoilageFigures(book, norms, step, layout, unit);
  const samples = step.samples ?? 0;
  book.give(`step.${step.id}.samples`, 'Samples taken', samples, unit, GIVEN);
  const outputs = madeBy(step).map((made, i): FlowOutput => ({
    material: made.material,
    yield: yieldFigure(book, step, layout, made.yield ?? step.yield),
    samples: i === 0 ? samples : 0,
    ...(made.share === undefined ? {} : { share: made.share }),
  }));
  return {
    id: step.id,
    path,
    inputs: takenBy(step),
    outputs,
    setup: book.value(setup),
    running: book.value(running),
    incidents: step.incidents ?? [],
    finishing: OPERATION_RULES[step.operation].finishing,
    ...(step.operation === 'print' && layout ? { passColours: passColours(step, layout) } : {}),
  };
}

/**
 * The flow graph of a job, with the figures of its norms in the book.
 * Issues: `flow.no-end` unless exactly one step makes what nobody else takes.
 */
export function buildGraph(
  job: Job,
  layouts: Layouts,
  norms: NormLookup,
  book: FigureBook,
): { flow?: JobFlow; issues: Issue[] } {
  const materials = followMaterials(job, layouts);
  const steps = job.route.map((step, i) =>
    flowStep(
      step,
      `route[${i}]`,
      step.component === undefined ? undefined : layouts.get(step.component),
      processUnit(step, materials),
      norms,
      book,
    ),
  );
  const taken = new Set(steps.flatMap(({ inputs }) => inputs.map(({ material }) => material)));
  const ends = [...new Set(steps.flatMap(({ outputs }) => outputs.map(({ material }) => material)))].filter(
    (material) => !taken.has(material),
  );
  const [end] = ends;
  if (steps.length > 0 && (end === undefined || ends.length > 1)) {
    const cyclic = end === undefined;
    if (!cyclic) return { issues: [error('flow.no-end', 'route', { ends: ends.join(', ') })] };
  }
  const quantity = book.give('order.quantity', 'Order', job.order.quantity, 'copies', GIVEN);
  const overs = book.give('order.plannedOvers', 'Planned overs', job.order.plannedOvers, 'copies', GIVEN);
  const target = job.order.quantity + job.order.plannedOvers;
  book.reckon('order.target', 'To be delivered', target, 'copies', 'quantity + overs', { quantity, overs });
  return {
    flow: {
      graph: {
        steps,
        bought: [...layouts.keys()].map(paperOf),
        // A circular route has no end to ask at; any material will do, the circle is what gets reported.
        demands: [{ material: end ?? steps[0]?.outputs[0]?.material ?? '', quantity: target }],
      },
      materials,
      target,
    },
    issues: [],
  };
}

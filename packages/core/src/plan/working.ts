import type { Flow, FlowOutput, StepFlow } from '../flow/index.js';
import { type FigureBook, IDENTITY, type Source, ceil, fraction, multiply, toNumber, table } from '../kernel/index.js';
import type { Machine, NormLookup, NormScope } from '../works/index.js';
import { type JobDemand, type JobFlow, yieldId } from './build-graph.js';
import type { Job } from './job.js';
import { giveNorm } from './step-norms.js';

const SCHOOL_SOURCE: Source = { label: 'practice', note: 'handbook chapter 6' };

interface Taker {
  readonly next: string;
  readonly usage: number;
}

/** What the working of one step is written from. */
interface Working {
  readonly book: FigureBook;
  readonly flow: StepFlow;
  /** Steps that take a material, and how much of it in one. */
  readonly takers: ReadonlyMap<string, readonly Taker[]>;
  /** Figure of what must be delivered, by material. */
  readonly demands: ReadonlyMap<string, string>;
  readonly unit: string;
  /** Unit of what an output is counted in. */
  readonly unitOf: (output: FlowOutput) => string;
  readonly incidents: string | undefined;
}

/** Sum of what the steps after this one take of an output, as formula and inputs: `a1 * u1 + a2 * u2`. */
function sumOfConsumers(
  { book, flow: { step }, takers, demands }: Working,
  output: FlowOutput,
  suffix: string,
): { formula: string; inputs: Record<string, string> } {
  const order = demands.get(output.material);
  const inputs: Record<string, string> = order === undefined ? {} : { order };
  const terms = (takers.get(output.material) ?? []).map(({ next, usage }, i) => {
    const n = i + 1;
    inputs[`next${n}`] = `step.${next}.${suffix}`;
    if (usage === 1) return `next${n}`;
    inputs[`usage${n}`] = book.give(`step.${next}.usage.${step.id}`, `Pieces of ${step.id} in one`, usage, 'pieces', {
      label: 'set by user',
      note: 'given in the job',
    });
    return `next${n} * usage${n}`;
  });
  const sum = [...(order === undefined ? [] : ['order']), ...terms].join(' + ');
  if (output.share === undefined) return { formula: sum, inputs };
  inputs['share'] = book.give(shareId(step.id, output), 'Share of the split', output.share, 'share', {
    label: 'set by user',
    note: 'given in the job',
  });
  return { formula: `share * (${sum})`, inputs };
}

const shareId = (step: string, { material }: FlowOutput): string => `step.${step}.share.${material}`;

/** A share of a split is rounded up to whole pieces where they are counted. */
const wholePieces = ({ share }: FlowOutput, formula: string): string =>
  share === undefined ? formula : `ceil(${formula})`;

/** Added up and by table there is nothing to take over from steps that do not follow. */
const isLast = ({ flow: { downstream } }: Working): boolean => downstream.consumers.length === 0;

function incidentsFigure(book: FigureBook, { step }: StepFlow): string | undefined {
  if (step.incidents.length === 0) return undefined;
  const inputs = table<string>();
  const terms = step.incidents.map(({ name, rate, loss }, i) => {
    const id = `step.${step.id}.incident.${i}`;
    inputs[`rate${i}`] = book.give(`${id}.rate`, `${name}: rate`, rate, 'per unit', { label: 'set by user' });
    inputs[`loss${i}`] = book.give(`${id}.loss`, `${name}: loss`, loss, 'units', { label: 'set by user' });
    return `rate${i} * loss${i}`;
  });
  const value = step.incidents.reduce((sum, { rate, loss }) => sum + rate * loss, 0);
  return book.reckon(`step.${step.id}.incidents`, 'Lost to incidents', value, 'share', terms.join(' + '), inputs);
}

/** Good pieces of each output, and the process units of the one that wants most. */
function stepByStep(working: Working): void {
  const { book, flow, unit, incidents } = working;
  const id = `step.${flow.step.id}`;
  const { outputs } = flow.step;
  const inputs: Record<string, string> = {
    samples: `${id}.samples`,
    running: `${id}.running`,
    setup: `${id}.setup`,
    ...(incidents ? { incidents } : {}),
  };
  const runs = outputs.map((output, i) => {
    const n = outputs.length === 1 ? '' : String(i + 1);
    const { formula, inputs: takers } = sumOfConsumers(working, output, 'units.step');
    const need = flow.byStep.needsOut[output.material] ?? 0;
    const needs = outputs.length === 1 ? `${id}.needs.step` : `${id}.needs.step.${output.material}`;
    inputs[`needs${n}`] = book.reckon(
      needs,
      'Good pieces wanted',
      need,
      working.unitOf(output),
      wholePieces(output, formula),
      takers,
    );
    inputs[`yield${n}`] = yieldId(flow.step, output.material);
    return `ceil((needs${n} + samples) / (yield${n} * (1 - running${incidents ? ' - incidents' : ''})))`;
  });
  const most = runs.length === 1 ? runs.join() : `max(${runs.join(', ')})`;
  book.reckon(
    `${id}.units.step`,
    'Into the machine, step by step',
    flow.units.step,
    unit,
    `${most} + setup`,
    inputs,
    SCHOOL_SOURCE,
  );
}

function addedUp(working: Working): void {
  const { book, flow, unit, incidents } = working;
  const id = `step.${flow.step.id}`;
  const { downstream } = flow;
  const own = yieldId(flow.step, downstream.output.material);
  const last = isLast(working);
  const sum = (suffix: string) => sumOfConsumers(working, downstream.output, suffix);
  const net = sum('netWithSamples');
  book.reckon(
    `${id}.netWithSamples`,
    'Net, samples counted',
    toNumber(downstream.netWithSamples),
    unit,
    `(${net.formula} + samples) / yield`,
    {
      ...net.inputs,
      samples: `${id}.samples`,
      yield: own,
    },
  );
  const later = sum('spoiled');
  const running = incidents ? '(running + incidents)' : 'running';
  book.reckon(
    `${id}.spoiled`,
    'Spoiled while running, from here on',
    toNumber(downstream.spoiled),
    unit,
    last ? `net * ${running}` : `net * ${running} + (${later.formula}) / yield`,
    {
      net: `${id}.netWithSamples`,
      running: `${id}.running`,
      ...(incidents ? { incidents } : {}),
      ...(last ? {} : { ...later.inputs, yield: own }),
    },
  );
  const setups = sum('setups');
  book.reckon(
    `${id}.setups`,
    'Set-ups from here on, converted',
    toNumber(downstream.setups),
    unit,
    last ? 'setup' : `setup + (${setups.formula}) / yield`,
    { setup: `${id}.setup`, ...(last ? {} : { ...setups.inputs, yield: own }) },
  );
  book.reckon(
    `${id}.units.added`,
    'Into the machine, added up',
    flow.units.added,
    unit,
    'ceil(net + spoiled + setups)',
    {
      net: `${id}.netWithSamples`,
      spoiled: `${id}.spoiled`,
      setups: `${id}.setups`,
    },
    SCHOOL_SOURCE,
  );
}

function byTable(working: Working, norms: NormLookup, scope: NormScope): void {
  const { book, flow, unit } = working;
  const id = `step.${flow.step.id}`;
  const { table, downstream } = flow;
  const net = sumOfConsumers(working, downstream.output, 'net');
  book.reckon(`${id}.net`, 'Net', toNumber(downstream.net), unit, `(${net.formula}) / yield`, {
    ...net.inputs,
    yield: yieldId(flow.step, downstream.output.material),
  });
  book.reckon(`${id}.netWhole`, 'Net, whole', table.net, unit, 'ceil(net)', { net: `${id}.net` });
  const lowerBand = table.netRead !== table.net;
  const read = lowerBand
    ? book.give(
        `${id}.netRead`,
        'Net at the upper end of the band below, whose spoils are higher',
        table.netRead,
        unit,
        IDENTITY,
      )
    : `${id}.netWhole`;
  const count = (name: string, title: string, value: number) =>
    book.give(`${id}.${name}`, title, value, name, { label: 'identity', note: 'counted along the route' });
  const finishing = {
    finishing: giveNorm(book, norms, `${table.band.id}.finishing`, scope),
    steps: count('finishingSteps', 'Finishing steps from here on', table.finishingSteps),
  };
  if (downstream.passes.length === 0) {
    book.reckon(
      `${id}.units.table`,
      'Into the machine, by table',
      flow.units.table,
      unit,
      'ceil(net + read * finishing * steps)',
      { net: `${id}.netWhole`, read, ...finishing },
      SCHOOL_SOURCE,
    );
    return;
  }
  book.reckon(
    `${id}.units.table`,
    'Into the machine, by table',
    flow.units.table,
    unit,
    'ceil(net + max(read * (pass + pass / 2 * further + finishing * steps), floorBase + floorPerColour * colours))',
    {
      net: `${id}.netWhole`,
      read,
      ...finishing,
      pass: giveNorm(book, norms, `${table.band.id}.${table.column}`, scope),
      further: count('furtherPasses', 'Further passes from here on', table.furtherPasses),
      floorBase: giveNorm(book, norms, 'table.floorBase', scope),
      floorPerColour: giveNorm(book, norms, 'table.floorPerColour', scope),
      colours: count('passColours', 'Colours of the pass with most', table.colours),
    },
    SCHOOL_SOURCE,
  );
}

/**
 * By sureness: what step by step counts, and as much more or less as makes all components come out together with the
 * probability of the norms.
 */
function bySureness({ book, flow, unit }: Working, units: number, norms: NormLookup): void {
  const id = `step.${flow.step.id}`;
  const [p, draws, seed] = ['sure.p', 'sure.draws', 'sure.seed'].map((norm) => norms(norm).value);
  const margin = book.give(
    `${id}.sureMargin`,
    'More than step by step, so that all comes out',
    units - flow.units.step,
    unit,
    {
      label: 'practice',
      note: `enough in ${Math.round((p ?? 0) * 1000) / 10} % of ${draws ?? 0} runs drawn from seed ${seed ?? 0}, handbook chapter 6`,
    },
  );
  book.reckon(`${id}.units.sure`, 'Into the machine, by sureness', units, unit, 'steps + margin', {
    steps: `${id}.units.step`,
    margin,
  });
}

/** Pieces that the steps after this one want, by the job's own school. */
function ownNeeds(working: Working, units: ReadonlyMap<string, number>, demands: readonly JobDemand[]): void {
  const { book, flow: own } = working;
  const { output } = own.downstream;
  const unit = working.unitOf(output);
  const id = `step.${own.step.id}`;
  const { formula, inputs } = sumOfConsumers(working, output, 'processUnits');
  const ordered = demands.find(({ material }) => material === output.material)?.quantity ?? 0;
  const taken = own.downstream.consumers.map(({ step, usage }) =>
    multiply(fraction(units.get(step.id) ?? 0), fraction(usage)),
  );
  const total = taken.reduce((sum, part) => sum + toNumber(part), ordered);
  const needsOut = output.share === undefined ? total : ceil(multiply(fraction(total), fraction(output.share)));
  book.reckon(`${id}.needsOut`, 'Good pieces wanted', needsOut, unit, wholePieces(output, formula), inputs);
}

/** What the counts of a job are written from. */
interface CountContext {
  readonly book: FigureBook;
  readonly job: Job;
  readonly flow: Flow;
  readonly jobFlow: JobFlow;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  /** Process units of every step by the job's own school. */
  readonly units: ReadonlyMap<string, number>;
}

/**
 * Records how every count came about, by all schools that count by rule and by the job's own, so that each can be opened
 * down to the norms. The figures `step.<id>.processUnits` and `.needsOut` are those of the job's own school; of a step that
 * makes several things, the one that decides.
 */
export function countFigures(context: CountContext): void {
  const { book, job, flow, machines, norms, units } = context;
  const { demands, materials } = context.jobFlow;
  const takers = new Map<string, Taker[]>();
  for (const { step } of flow.steps) {
    for (const { material, usage } of step.inputs)
      takers.set(material, [...(takers.get(material) ?? []), { next: step.id, usage }]);
  }
  const figures = new Map(demands.map(({ material, figure }) => [material, figure]));
  for (const stepFlow of flow.steps) {
    const id = `step.${stepFlow.step.id}`;
    const working: Working = {
      book,
      flow: stepFlow,
      takers,
      demands: figures,
      unit: book.figures[`${id}.setup`]?.unit ?? 'units',
      unitOf: ({ material }) => materials.get(material)?.unit ?? 'units',
      incidents: incidentsFigure(book, stepFlow),
    };
    stepByStep(working);
    addedUp(working);
    byTable(working, norms, { machine: machines.get(stepFlow.step.id)?.id });
    if (job.school === 'sure') bySureness(working, units.get(stepFlow.step.id) ?? 0, norms);
    for (const count of [...Object.values(stepFlow.units), units.get(stepFlow.step.id) ?? 0])
      if (!Number.isSafeInteger(count)) throw new Error(`count of ${stepFlow.step.id} is no whole number`);
    ownNeeds(working, units, demands);
    // The job's own school under one name: the same working, not a step further away.
    const own = book.figures[`${id}.units.${job.school}`];
    if (own?.formula !== undefined)
      book.reckon(`${id}.processUnits`, own.name, own.value, working.unit, own.formula, own.inputs, own.source);
  }
}

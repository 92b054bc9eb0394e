import type { Flow, FlowOutput, StepFlow } from '../flow/index.js';
import {
  type Entry,
  type Group,
  type Ledger,
  type Source,
  IDENTITY,
  ceil,
  fraction,
  multiply,
  rule,
  table,
  toNumber,
  group,
} from '../kernel/index.js';
import type { Machine } from '../works/index.js';
import { type NormLookup, type NormScope, giveNorm } from '../norms/index.js';
import type { Job } from '../job/index.js';
import { type JobDemand, type JobFlow, yieldField } from './counting/build-graph.js';

const SCHOOL_SOURCE: Source = { label: 'practice', note: $localize`handbook chapter 6` };
const IN_JOB: Source = { label: 'set by user', note: $localize`given in the job` };
const TOLD: Source = { label: 'set by user' };

interface Taker {
  readonly next: string;
  readonly usage: number;
}

/** What the working of one step is written from. */
interface Working {
  readonly ledger: Ledger;
  readonly at: Group;
  readonly flow: StepFlow;
  /** Steps that take a material, and how much of it in one. */
  readonly takers: ReadonlyMap<string, readonly Taker[]>;
  /** Figure of what must be delivered, by material. */
  readonly demands: ReadonlyMap<string, Entry>;
  readonly unit: string;
  /** Unit of what an output is counted in. */
  readonly unitOf: (output: FlowOutput) => string;
  readonly incidents: Entry | undefined;
}

/** Sum of what the steps after this one take of an output, as formula and inputs: `a1 * u1 + a2 * u2`. */
function sumOfConsumers(
  { ledger, at, flow: { step }, takers, demands }: Working,
  output: FlowOutput,
  field: string,
): { formula: string; inputs: Record<string, Entry> } {
  const order = demands.get(output.material);
  const inputs: Record<string, Entry> = order === undefined ? {} : { order };
  const terms = (takers.get(output.material) ?? []).map(({ next, usage }, i) => {
    const n = i + 1;
    const after = ledger.step(next);
    inputs[`next${n}`] = after.of(field);
    if (usage === 1) return `next${n}`;
    inputs[`usage${n}`] = after.give(
      `usage.${step.id}`,
      $localize`Pieces of ${step.id} in one`,
      usage,
      'pieces',
      IN_JOB,
    );
    return `next${n} * usage${n}`;
  });
  const sum = [...(order === undefined ? [] : ['order']), ...terms].join(' + ');
  if (output.share === undefined) return { formula: sum, inputs };
  inputs['share'] = at.give(`share.${output.material}`, $localize`Share of the split`, output.share, 'share', IN_JOB);
  return { formula: `share * (${sum})`, inputs };
}

/** A share of a split is rounded up to whole pieces where they are counted. */
const wholePieces = ({ share }: FlowOutput, formula: string): string =>
  share === undefined ? formula : `ceil(${formula})`;

/** Added up and by table there is nothing to take over from steps that do not follow. */
const isLast = ({ flow: { downstream } }: Working): boolean => downstream.consumers.length === 0;

function incidentsFigure(at: Group, { step }: StepFlow): Entry | undefined {
  if (step.incidents.length === 0) return undefined;
  const inputs = table<Entry>();
  const terms = step.incidents.map(({ name, rate, loss }, i) => {
    inputs[`rate${i}`] = at.give(`incident.${i}.rate`, $localize`${name}\: rate`, rate, 'per unit', TOLD);
    inputs[`loss${i}`] = at.give(`incident.${i}.loss`, $localize`${name}\: loss`, loss, 'units', TOLD);
    return `rate${i} * loss${i}`;
  });
  return at.reckon('incidents', rule($localize`Lost to incidents`, 'share', terms.join(' + ')), inputs);
}

/** Good pieces of each output, and the process units of the one that wants most. */
function stepByStep(working: Working): void {
  const { at, flow, unit, incidents } = working;
  const { outputs } = flow.step;
  const inputs: Record<string, Entry> = {
    samples: at.of('samples'),
    running: at.of('running'),
    setup: at.of('setup'),
    ...(incidents ? { incidents } : {}),
  };
  const runs = outputs.map((output, i) => {
    const n = outputs.length === 1 ? '' : String(i + 1);
    const { formula, inputs: takers } = sumOfConsumers(working, output, 'units.step');
    const need = flow.byStep.needsOut[output.material] ?? 0;
    inputs[`needs${n}`] = at.count(
      outputs.length === 1 ? 'needs.step' : `needs.step.${output.material}`,
      rule($localize`Good pieces wanted`, working.unitOf(output), wholePieces(output, formula)),
      takers,
      need,
    );
    inputs[`yield${n}`] = at.of(yieldField(flow.step, output.material));
    return `ceil((needs${n} + samples) / (yield${n} * (1 - running${incidents ? ' - incidents' : ''})))`;
  });
  const most = runs.length === 1 ? runs.join() : `max(${runs.join(', ')})`;
  const units = rule($localize`Into the machine, step by step`, unit, `${most} + setup`, SCHOOL_SOURCE);
  at.count('units.step', units, inputs, flow.units.step);
}

const ADDED = rule($localize`Into the machine, added up`, '', 'ceil(net + spoiled + setups)', SCHOOL_SOURCE);

function addedUp(working: Working): void {
  const { at, flow, unit, incidents } = working;
  const { downstream } = flow;
  const own = at.of(yieldField(flow.step, downstream.output.material));
  const last = isLast(working);
  const sum = (field: string) => sumOfConsumers(working, downstream.output, field);
  const ofNet = sum('netWithSamples');
  const net = at.count(
    'netWithSamples',
    rule($localize`Net, samples counted`, unit, `(${ofNet.formula} + samples) / yield`),
    { ...ofNet.inputs, samples: at.of('samples'), yield: own },
    toNumber(downstream.netWithSamples),
  );
  const running = incidents ? '(running + incidents)' : 'running';
  const later = last ? undefined : sum('spoiled');
  const spoiled = at.count(
    'spoiled',
    rule(
      $localize`Spoiled while running, from here on`,
      unit,
      later ? `net * ${running} + (${later.formula}) / yield` : `net * ${running}`,
    ),
    {
      net,
      running: at.of('running'),
      ...(incidents ? { incidents } : {}),
      ...(later ? { ...later.inputs, yield: own } : {}),
    },
    toNumber(downstream.spoiled),
  );
  const after = last ? undefined : sum('setups');
  const setups = at.count(
    'setups',
    rule($localize`Set-ups from here on, converted`, unit, after ? `setup + (${after.formula}) / yield` : 'setup'),
    { setup: at.of('setup'), ...(after ? { ...after.inputs, yield: own } : {}) },
    toNumber(downstream.setups),
  );
  at.count('units.added', ADDED, { net, spoiled, setups }, flow.units.added, { unit });
}

const COUNTED: Source = { label: 'identity', note: $localize`counted along the route` };
const WHOLE = rule($localize`Net, whole`, '', 'ceil(net)');
const FINISHED = rule($localize`Into the machine, by table`, '', 'ceil(net + read * finishing * steps)', SCHOOL_SOURCE);
const PRINTED = rule(
  $localize`Into the machine, by table`,
  '',
  'ceil(net + max(read * (pass + pass / 2 * further + finishing * steps), floorBase + floorPerColour * colours))',
  SCHOOL_SOURCE,
);

function byTable(working: Working, norms: NormLookup, scope: NormScope): void {
  const { ledger, at, flow, unit } = working;
  const { table, downstream } = flow;
  const ofNet = sumOfConsumers(working, downstream.output, 'net');
  const exact = at.count(
    'net',
    rule($localize`Net`, unit, `(${ofNet.formula}) / yield`),
    { ...ofNet.inputs, yield: at.of(yieldField(flow.step, downstream.output.material)) },
    toNumber(downstream.net),
  );
  const net = at.count('netWhole', WHOLE, { net: exact }, table.net, { unit });
  const read =
    table.netRead === table.net
      ? net
      : at.give(
          'netRead',
          $localize`Net at the upper end of the band below, whose spoils are higher`,
          table.netRead,
          unit,
          IDENTITY,
        );
  const norm = (id: string): Entry => giveNorm(ledger, norms, id, scope);
  const count = (name: string, title: string, value: number): Entry => at.give(name, title, value, name, COUNTED);
  const inputs = {
    net,
    read,
    finishing: norm(`${table.band.id}.finishing`),
    steps: count('finishingSteps', $localize`Finishing steps from here on`, table.finishingSteps),
  };
  if (downstream.passes.length === 0) at.count('units.table', FINISHED, inputs, flow.units.table, { unit });
  else {
    const pass = {
      ...inputs,
      pass: norm(`${table.band.id}.${table.column}`),
      further: count('furtherPasses', $localize`Further passes from here on`, table.furtherPasses),
      floorBase: norm('table.floorBase'),
      floorPerColour: norm('table.floorPerColour'),
      colours: count('passColours', $localize`Colours of the pass with most`, table.colours),
    };
    at.count('units.table', PRINTED, pass, flow.units.table, { unit });
  }
}

const SURE = rule($localize`Into the machine, by sureness`, '', 'steps + margin');

/**
 * By sureness: what step by step counts, and as much more or less as makes all components come out together with the
 * probability of the norms.
 */
function bySureness({ at, flow, unit }: Working, units: number, norms: NormLookup): void {
  const [p, draws, seed] = ['sure.p', 'sure.draws', 'sure.seed'].map((norm) => norms(norm).value);
  const more = units - flow.units.step;
  const margin = at.give('sureMargin', $localize`More than step by step, so that all comes out`, more, unit, {
    label: 'practice',
    note: $localize`enough in ${Math.round((p ?? 0) * 1000) / 10} % of ${draws ?? 0} runs drawn from seed ${seed ?? 0}, handbook chapter 6`,
  });
  at.count('units.sure', SURE, { steps: at.of('units.step'), margin }, units, { unit });
}

/** Pieces that the steps after a step want, by the job's own school. */
function ownNeeds({ step, downstream }: StepFlow, units: ReadonlyMap<string, number>, ordered: number): number {
  const { output } = downstream;
  const taken = downstream.consumers.map(({ step, usage }) =>
    multiply(fraction(units.get(step.id) ?? 0), fraction(usage)),
  );
  const total = taken.reduce((sum, part) => sum + toNumber(part), ordered);
  if (!Number.isFinite(total)) throw new Error(`what is wanted of ${step.id} is no number`);
  return output.share === undefined ? total : ceil(multiply(fraction(total), fraction(output.share)));
}

/** What the counts of a job are written from. */
interface CountContext {
  readonly ledger: Ledger;
  readonly job: Job;
  readonly flow: Flow;
  readonly jobFlow: JobFlow;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  /** Process units of every step by the job's own school. */
  readonly units: ReadonlyMap<string, number>;
}

const WANTED = $localize`Good pieces wanted`;

/**
 * Records what goes through every station and what is wanted out of it by the job's own school, and how every count came
 * about by all schools that count by rule, so that each can be opened down to the norms. The figures
 * `step.<id>.processUnits` and `.needsOut` are those of the job's own school; of a step that makes several things, the one
 * that decides.
 */
export function countFigures(context: CountContext): void {
  const { ledger, job, flow, jobFlow, units } = context;
  const ordered = new Map(jobFlow.demands.map(({ material, quantity }) => [material, quantity]));
  const takers = new Map<string, Taker[]>();
  for (const { step } of flow.steps)
    for (const { material, usage } of step.inputs) {
      group(takers, material, { next: step.id, usage });
    }
  for (const stepFlow of flow.steps) {
    const { step, downstream } = stepFlow;
    const own = units.get(step.id) ?? 0;
    for (const count of [...Object.values(stepFlow.units), own])
      if (!Number.isSafeInteger(count)) throw new Error(`count of ${step.id} is no whole number`);
    const at = ledger.step(step.id);
    // Told again, with their working, when somebody opens a figure.
    at.give('processUnits', $localize`Into the machine, ${job.school}`, own, at.of('setup').unit, SCHOOL_SOURCE);
    const needs = ownNeeds(stepFlow, units, ordered.get(downstream.output.material) ?? 0);
    at.give('needsOut', WANTED, needs, jobFlow.materials.get(downstream.output.material)?.unit ?? 'units', IN_JOB);
  }
  ledger.later(() => countWorking(context, takers));
}

function countWorking(context: CountContext, takers: ReadonlyMap<string, readonly Taker[]>): void {
  const { ledger, job, flow, machines, norms, units } = context;
  const { demands, materials } = context.jobFlow;
  const figures = new Map(demands.map(({ material, figure }: JobDemand) => [material, figure]));
  for (const stepFlow of flow.steps) {
    const { id } = stepFlow.step;
    const at = ledger.step(id);
    const working: Working = {
      ledger,
      at,
      flow: stepFlow,
      takers,
      demands: figures,
      unit: at.of('setup').unit,
      unitOf: ({ material }) => materials.get(material)?.unit ?? 'units',
      incidents: incidentsFigure(at, stepFlow),
    };
    stepByStep(working);
    addedUp(working);
    byTable(working, norms, { machine: machines.get(id)?.id });
    if (job.school === 'sure') bySureness(working, units.get(id) ?? 0, norms);
    const { output } = stepFlow.downstream;
    const { formula, inputs } = sumOfConsumers(working, output, 'processUnits');
    const needs = rule(WANTED, working.unitOf(output), wholePieces(output, formula));
    at.count('needsOut', needs, inputs, at.of('needsOut').value);
    // The job's own school under one name: the same working, not a step further away.
    at.put('processUnits', at.of(`units.${job.school}`).as('processUnits'));
  }
}

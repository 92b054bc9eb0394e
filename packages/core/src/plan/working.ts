import { type Flow, type StepFlow, SCHOOLS } from '../flow/index.js';
import { type FigureBook, IDENTITY, type Source, ceil, fraction, multiply, toNumber } from '../kernel/index.js';
import type { NormLookup } from '../works/index.js';
import type { Job } from './job.js';
import { giveNorm } from './step-norms.js';

const SCHOOL_SOURCE: Source = { label: 'practice', note: 'handbook chapter 6' };

/** Sum of what the steps after this one take, as formula and inputs: `a1 * u1 + a2 * u2`. */
function sumOfConsumers(
  book: FigureBook,
  { step, downstream }: StepFlow,
  suffix: string,
): { formula: string; inputs: Record<string, string> } {
  if (downstream.consumers.length === 0) return { formula: 'order', inputs: { order: 'order.target' } };
  const inputs: Record<string, string> = {};
  const terms = downstream.consumers.map(({ step: next, usage }, i) => {
    const n = i + 1;
    inputs[`next${n}`] = `step.${next.id}.${suffix}`;
    if (usage === 1) return `next${n}`;
    inputs[`usage${n}`] = book.give(
      `step.${next.id}.usage.${step.id}`,
      `Pieces of ${step.id} in one`,
      usage,
      'pieces',
      { label: 'set by user', note: 'given in the job' },
    );
    return `next${n} * usage${n}`;
  });
  if (downstream.output.share === undefined) return { formula: terms.join(' + '), inputs };
  inputs['share'] = book.give(`step.${step.id}.share`, 'Share of the split', downstream.output.share, 'share', {
    label: 'set by user',
    note: 'given in the job',
  });
  return { formula: `share * (${terms.join(' + ')})`, inputs };
}

/** A share of a split is rounded up to whole pieces where they are counted. */
const wholePieces = ({ downstream }: StepFlow, formula: string): string =>
  downstream.output.share === undefined ? formula : `ceil(${formula})`;

function incidentsFigure(book: FigureBook, { step }: StepFlow): string | undefined {
  if (step.incidents.length === 0) return undefined;
  const inputs: Record<string, string> = {};
  const terms = step.incidents.map(({ name, rate, loss }, i) => {
    const id = `step.${step.id}.incident.${i}`;
    inputs[`rate${i}`] = book.give(`${id}.rate`, `${name}: rate`, rate, 'per unit', { label: 'set by user' });
    inputs[`loss${i}`] = book.give(`${id}.loss`, `${name}: loss`, loss, 'units', { label: 'set by user' });
    return `rate${i} * loss${i}`;
  });
  const value = step.incidents.reduce((sum, { rate, loss }) => sum + rate * loss, 0);
  return book.reckon(`step.${step.id}.incidents`, 'Lost to incidents', value, 'share', terms.join(' + '), inputs);
}

function stepByStep(book: FigureBook, flow: StepFlow, unit: string, incidents: string | undefined): void {
  const id = `step.${flow.step.id}`;
  const need = flow.byStep.needsOut[flow.downstream.output.material] ?? 0;
  const { formula, inputs } = sumOfConsumers(book, flow, 'units.step');
  book.reckon(`${id}.needs.step`, 'Good pieces wanted', need, unit, wholePieces(flow, formula), inputs);
  book.reckon(
    `${id}.units.step`,
    'Into the machine, step by step',
    flow.units.step,
    unit,
    `ceil((needs + samples) / (yield * (1 - running${incidents ? ' - incidents' : ''}))) + setup`,
    {
      needs: `${id}.needs.step`,
      samples: `${id}.samples`,
      yield: `${id}.yield`,
      running: `${id}.running`,
      setup: `${id}.setup`,
      ...(incidents ? { incidents } : {}),
    },
    SCHOOL_SOURCE,
  );
}

function addedUp(book: FigureBook, flow: StepFlow, unit: string, incidents: string | undefined): void {
  const id = `step.${flow.step.id}`;
  const { downstream } = flow;
  const sum = (suffix: string) => sumOfConsumers(book, flow, suffix);
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
      yield: `${id}.yield`,
    },
  );
  const isLast = downstream.consumers.length === 0;
  const later = sum('spoiled');
  const running = incidents ? '(running + incidents)' : 'running';
  book.reckon(
    `${id}.spoiled`,
    'Spoiled while running, from here on',
    toNumber(downstream.spoiled),
    unit,
    isLast ? `net * ${running}` : `net * ${running} + (${later.formula}) / yield`,
    {
      net: `${id}.netWithSamples`,
      running: `${id}.running`,
      ...(incidents ? { incidents } : {}),
      ...(isLast ? {} : { ...later.inputs, yield: `${id}.yield` }),
    },
  );
  const setups = sum('setups');
  book.reckon(
    `${id}.setups`,
    'Set-ups from here on, converted',
    toNumber(downstream.setups),
    unit,
    isLast ? 'setup' : `setup + (${setups.formula}) / yield`,
    { setup: `${id}.setup`, ...(isLast ? {} : { ...setups.inputs, yield: `${id}.yield` }) },
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

function byTable(book: FigureBook, flow: StepFlow, unit: string, norms: NormLookup): void {
  const id = `step.${flow.step.id}`;
  const { table, downstream } = flow;
  const net = sumOfConsumers(book, flow, 'net');
  book.reckon(`${id}.net`, 'Net', toNumber(downstream.net), unit, `(${net.formula}) / yield`, {
    ...net.inputs,
    yield: `${id}.yield`,
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
    finishing: giveNorm(book, norms, `${table.band.id}.finishing`),
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
      pass: giveNorm(book, norms, `${table.band.id}.${table.column}`),
      further: count('furtherPasses', 'Further passes from here on', table.furtherPasses),
      floorBase: giveNorm(book, norms, 'table.floorBase'),
      floorPerColour: giveNorm(book, norms, 'table.floorPerColour'),
      colours: count('passColours', 'Colours of the pass with most', table.colours),
    },
    SCHOOL_SOURCE,
  );
}

/**
 * Records how every count came about, by all three schools, so that each can be opened down to the norms. The figures
 * `step.<id>.processUnits` and `.needsOut` are those of the job's own school.
 */
export function countFigures(book: FigureBook, job: Job, flow: Flow, norms: NormLookup): void {
  for (const stepFlow of flow.steps) {
    const id = `step.${stepFlow.step.id}`;
    const unit = book.figures[`${id}.setup`]?.unit ?? 'units';
    const incidents = incidentsFigure(book, stepFlow);
    stepByStep(book, stepFlow, unit, incidents);
    addedUp(book, stepFlow, unit, incidents);
    byTable(book, stepFlow, unit, norms);
    for (const school of SCHOOLS)
      if (!Number.isSafeInteger(stepFlow.units[school]))
        throw new Error(`count of ${stepFlow.step.id} is no whole number`);
    const { formula, inputs } = sumOfConsumers(book, stepFlow, 'processUnits');
    const units = stepFlow.downstream.consumers.map(({ step, usage }) =>
      multiply(fraction(flow.byId.get(step.id)?.units[job.school] ?? 0), fraction(usage)),
    );
    const share = stepFlow.downstream.output.share;
    const total = units.reduce((sum, part) => sum + toNumber(part), 0);
    const needsOut =
      stepFlow.downstream.consumers.length === 0
        ? book.value('order.target')
        : share === undefined
          ? total
          : ceil(multiply(fraction(total), fraction(share)));
    book.reckon(`${id}.needsOut`, 'Good pieces wanted', needsOut, unit, wholePieces(stepFlow, formula), inputs);
    // The job's own school under one name: the same working, not a step further away.
    const own = book.figures[`${id}.units.${job.school}`];
    if (own?.formula !== undefined)
      book.reckon(`${id}.processUnits`, own.name, own.value, unit, own.formula, own.inputs, own.source);
  }
}

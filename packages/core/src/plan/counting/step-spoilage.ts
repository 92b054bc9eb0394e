import type { FlowStep, Incident } from '../../flow/index.js';
import {
  type Entry,
  type Group,
  type Ledger,
  type Rule,
  type Source,
  type Told,
  IDENTITY,
  ceilRatio,
  rule,
} from '../../kernel/index.js';
import { type NormLookup, type NormScope, WEB_INCIDENTS, setUpInMetres, giveNorm } from '../../norms/index.js';
import {
  type ComponentLayout,
  isInLine,
  isPass,
  passColours,
  spoilageKey,
  onTheCorrugator,
} from '../../press-sheet/index.js';
import type { Step } from '../../job/index.js';
import { foldsOf } from '../../material/index.js';
import { IN_LINE } from '../step-norms.js';

/** Rounds a sum of decimal norms to the nine places that fractions keep, so that 0.8 % + 4 x 0.2 % is 1.6 % to the letter. */
const asDecimal = (value: number): number => Math.round(value * 1e9) / 1e9;

/**
 * What happens now and then at a station: as the job says, even that nothing does, else by the norms of a heatset web.
 * Source: handbook chapter 6 (web break once in 100,000 that loses 800).
 */
export function incidentsOf(norms: NormLookup, step: Step, layout: ComponentLayout | undefined): readonly Incident[] {
  if (step.incidents || !layout || spoilageKey(step, layout) !== 'print-web') return step.incidents ?? [];
  return WEB_INCIDENTS.flatMap(([key, name]): Incident[] => {
    const loss = norms(`spoil.print-web.${key}Loss`).value;
    return loss > 0 ? [{ name, rate: asDecimal(1 / norms(`spoil.print-web.${key}Every`).value), loss }] : [];
  });
}

/** A step's set-up and running spoilage, with what was overridden in the job. */
export interface SpoilageFigures {
  readonly setup: Entry;
  /** Running spoilage as the works tells it; of the net where `ofNet`. */
  readonly told: Entry;
  readonly ofNet: boolean;
}

/** Whether the works tells running spoilage of the net. Source: handbook chapter 6, a setting of the works. */
const tellsNet = (norms: NormLookup): boolean => norms('flow.percentOf').value === 1;

/** What a norm has beside its base: so much for each colour, fold or change of version. */
interface Part {
  /** Norm of one, and how many there are. */
  readonly norm: string;
  readonly count: number;
  /** Names in the formula: of the norm, and of the count. */
  readonly each: string;
  readonly unit: string;
}

/** A norm made of a base and its parts; a sum of decimals keeps as many places as its norms. */
function compoundRule(parts: readonly Part[]): Rule {
  const text = ['base', ...parts.map(({ each, unit }) => `${each} * ${unit}`)].join(' + ');
  const plain: Rule = rule('', '', text);
  return { ...plain, run: (of) => asDecimal(plain.run(of)) };
}

const COUNTED_OF_JOB: Source = { label: 'identity', note: $localize`counted from the job` };

function compound(
  { ledger, norms, scope }: SpoilageContext,
  at: Group,
  field: string,
  told: Told,
  baseNorm: string,
  parts: readonly Part[],
): Entry {
  const inputs: Record<string, Entry> = { base: giveNorm(ledger, norms, baseNorm, scope) };
  for (const { norm, count, each, unit } of parts) {
    inputs[each] = giveNorm(ledger, norms, norm, scope);
    inputs[unit] = at.give(`${field}.${unit}`, $localize`${unit} of this step`, count, unit, COUNTED_OF_JOB);
  }
  return at.reckon(field, compoundRule(parts), inputs, told);
}

/** What a step's set-up and running spoilage are told for: each colour of a pass, each fold, or nothing. */
function eachOf(step: Step, layout: ComponentLayout | undefined): number {
  if (step.operation === 'fold') return foldsOf(step, layout);
  return layout && isPass(step) ? passColours(step, layout) : 0;
}

/** Parts of a step's norm beside its base: colours of a pass, folds, and at a press the changes from version to version. */
function partsOf(step: Step, layout: ComponentLayout | undefined, field: 'setup' | 'running'): Part[] {
  const norm = `spoil.${spoilageKey(step, layout)}.${field}`;
  const count = eachOf(step, layout);
  if (step.operation === 'fold')
    return field === 'setup' ? [{ norm: `${norm}Per`, count, each: 'each', unit: 'folds' }] : [];
  if (!isPass(step)) return [];
  const changes = (layout?.component.versions?.names.length ?? 1) - 1;
  return [
    { norm: `${norm}Per`, count, each: 'each', unit: 'colours' },
    ...(field === 'setup' && changes > 0
      ? [{ norm: `${norm}Version`, count: changes, each: 'change', unit: 'changes' }]
      : []),
  ];
}

/**
 * Set-up and running spoilage of a step as plain numbers, without working: what the ways to run compare by. A test holds
 * it to {@link spoilageFigures}. Source: handbook chapter 6, "House norms to ship" (practice).
 */
export function spoilageOf(
  norms: NormLookup,
  step: Step,
  layout: ComponentLayout | undefined,
  scope: NormScope,
): Pick<FlowStep, 'setup' | 'running' | 'ofNet'> {
  const ofNet = tellsNet(norms) ? { ofNet: true } : {};
  if (isInLine(step, layout)) return { setup: step.setup ?? 0, running: step.running ?? 0, ...ofNet };
  const key = spoilageKey(step, layout);
  const of = (field: 'setup' | 'running'): number =>
    asDecimal(
      partsOf(step, layout, field).reduce(
        (sum, { norm, count }) => sum + norms(norm, scope).value * count,
        norms(`spoil.${key}.${field}`, scope).value,
      ),
    );
  const narrow = byMetres(step, layout);
  const setup = narrow ? repeatsIn(of('setup'), narrow, step) : of('setup');
  return {
    setup: step.setup ?? setup,
    running: step.running ?? of('running'),
    ...ofNet,
  };
}

/** Length of web that one cut-off or repeat takes, and how many sheets lie beside each other on it. Source: identity. */
export function runLength(
  { operation }: Step,
  { component, supply }: ComponentLayout,
): { lengthMm: number; lanes: number } {
  if (operation !== 'corrugate') return { lengthMm: component.sheet.heightMm, lanes: 1 };
  return { lengthMm: onTheCorrugator(component.sheet).lengthMm, lanes: supply.kind === 'deckle' ? supply.lanes : 1 };
}

/** The layout of a step whose set-up is told in metres. */
const byMetres = (step: Step, layout: ComponentLayout | undefined): ComponentLayout | undefined =>
  layout && setUpInMetres(spoilageKey(step, layout)) ? layout : undefined;

/** Sheets in so many metres of web, the last cut-off whole; several lie beside each other at the corrugator. Source: identity. */
const repeatsIn = (metres: number, layout: ComponentLayout, step: Step): number => {
  const { lengthMm, lanes } = runLength(step, layout);
  return ceilRatio(metres * 1000, lengthMm) * lanes;
};

const REPEATS = rule($localize`Set-up`, '', 'ceil(metres * 1000 / repeat)');
const REPEATS_BESIDE = rule($localize`Set-up`, '', 'ceil(metres * 1000 / repeat) * beside');

/** What the spoilage of a step is written with. */
interface SpoilageContext {
  readonly ledger: Ledger;
  readonly norms: NormLookup;
  readonly scope: NormScope;
}

/** Set-up told in metres of web, then turns of the cylinder or sheets cut off. */
function repeatsFigure(
  context: SpoilageContext,
  step: Step,
  layout: ComponentLayout,
  at: Group,
  field: string,
  unit: string,
): Entry {
  const metres = compound(
    context,
    at,
    `${field}.metres`,
    { name: $localize`Set-up, length of web`, unit: 'm' },
    `spoil.${spoilageKey(step, layout)}.setup`,
    partsOf(step, layout, 'setup'),
  );
  const { lengthMm, lanes } = runLength(step, layout);
  const component = context.ledger.component(layout.component.id);
  const title =
    step.operation === 'corrugate' ? $localize`Cut-off at the corrugator` : $localize`Repeat of the cylinder`;
  const repeat = component.give('repeat', title, lengthMm, 'mm', IDENTITY);
  const repeats = repeatsIn(metres.value, layout, step);
  if (lanes === 1) return at.count(field, REPEATS, { metres, repeat }, repeats, { unit });
  const beside = component.give('beside', $localize`Sheets across the web`, lanes, 'sheets', IDENTITY);
  return at.count(field, REPEATS_BESIDE, { metres, repeat, beside }, repeats, { unit });
}

const AS_NORM = rule('', '', 'norm');
const OF_NET = rule($localize`Running spoilage`, 'share', 'told / (1 + told)');
const SET_IN_JOB: Source = { label: 'set by user', note: $localize`set in this job` };

/** Set-up or running spoilage of a step by the norms, under a field. */
function normFigure(
  context: SpoilageContext,
  step: Step,
  layout: ComponentLayout | undefined,
  kind: 'setup' | 'running',
  field: string,
  told: { readonly name: string; readonly unit: string },
): Entry {
  const at = context.ledger.step(step.id);
  if (isInLine(step, layout)) return at.give(field, told.name, 0, told.unit, IN_LINE);
  const narrow = byMetres(step, layout);
  if (narrow && kind === 'setup') return repeatsFigure(context, step, narrow, at, field, told.unit);
  const parts = partsOf(step, layout, kind);
  const base = `spoil.${spoilageKey(step, layout)}.${kind}`;
  if (parts.length > 0) return compound(context, at, field, told, base, parts);
  return at.reckon(field, AS_NORM, { norm: giveNorm(context.ledger, context.norms, base, context.scope) }, told);
}

/**
 * Set-up and running spoilage of a step from the norms, unless the job sets its own.
 * Source: handbook chapter 6, "House norms to ship" (practice).
 */
export function spoilageFigures(
  context: SpoilageContext,
  step: Step,
  layout: ComponentLayout | undefined,
  unit: string,
): SpoilageFigures {
  const at = context.ledger.step(step.id);
  const figure = (kind: 'setup' | 'running', field: string, name: string, unit: string, own?: number): Entry => {
    if (own === undefined) return normFigure(context, step, layout, kind, field, { name, unit });
    const house = normFigure(context, step, layout, kind, `${field}.norm`, { name, unit });
    return at.give(field, name, own, unit, SET_IN_JOB, house.value);
  };
  const ofNet = tellsNet(context.norms);
  const setup = figure('setup', 'setup', $localize`Set-up`, unit, step.setup);
  if (!ofNet)
    return { setup, ofNet, told: figure('running', 'running', $localize`Running spoilage`, 'share', step.running) };
  const told = figure('running', 'told', $localize`Running spoilage, of the net`, 'share', step.running);
  at.reckon('running', OF_NET, { told });
  return { setup, told, ofNet };
}

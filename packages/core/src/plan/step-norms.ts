import { type FigureBook, IDENTITY, ceilRatio } from '../kernel/index.js';
import { STYLE_RULES } from '../press/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { type Machine, type NormLookup, type SpoilageKey, type Works, printingOf } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import type { Step } from './job.js';
import { foldsOf } from './material.js';
import { webOf } from './web-layout.js';

/** Colours that a print pass lays down; both sides counted where it perfects. */
export function passColours(step: Step, { component }: ComponentLayout): number {
  const [front, back] = [component.front.length, component.back.length];
  if (step.side === 'both') return front + back;
  return step.side === 'back' ? back : front;
}

/** Whether a print pass uses the plates of the pass before it. */
export const usesSamePlates = (step: Step, { component }: ComponentLayout): boolean =>
  step.side === 'back' && STYLE_RULES[component.workStyle].samePlates;

/** Whether a component is printed without plates. */
export const isPlateless = ({ machine }: ComponentLayout): boolean => machine.press?.plateless === true;

/** Whether a press of the works prints without plates. */
export const isPlatelessPress = (works: Works, pressId: string): boolean =>
  works.machines.find(({ id }) => id === pressId)?.press?.plateless === true;

/** Sides that a print pass prints, for presses that are charged and timed by the side. */
export const sidesOf = (step: Step): number => (step.side === 'both' ? 2 : 1);

/** Most small plates locked up in one form. Source: handbook chapter 4 "page-wise forms". */
const MOST_POSITIONS = 64;

/**
 * Carriers that one colour of one side takes: none on digital presses, several where they stand on a web's cylinder, one
 * for each position of a page-wise form. Source: identity, handbook chapter 4 "Image carriers".
 */
export function carriersPerColour(layout: ComponentLayout): number {
  const { machine, pattern, section } = layout;
  const web = webOf(machine);
  const printing = printingOf(machine);
  if (printing === 'digital') return 0;
  if (printing === 'letterpress') return Math.min(MOST_POSITIONS, pattern.count * (section?.outer.length ?? 1));
  return web ? web.platesAcross * web.platesAround : 1;
}

/** Plates hung for a print pass. */
export const platesHung = (step: Step, layout: ComponentLayout): number =>
  usesSamePlates(step, layout) ? 0 : passColours(step, layout) * carriersPerColour(layout);

/** Whether a machine's set-up is told in metres of web, and its speed in metres a minute. */
export const runsByMetres = ({ machine }: ComponentLayout): boolean => machine.process === 'narrow-web';

function spoilageKey(step: Step, layout: ComponentLayout | undefined): SpoilageKey {
  if (step.operation !== 'print') return step.operation;
  if (layout && isPlateless(layout)) return 'print-digital';
  const printing = layout && printingOf(layout.machine);
  if (printing === 'gravure' || printing === 'screen' || printing === 'recessed') return `print-${printing}`;
  if (layout && webOf(layout.machine)) return runsByMetres(layout) ? 'print-narrow' : 'print-web';
  if (step.side === 'both') return 'print-perfect';
  return layout && usesSamePlates(step, layout) ? 'print-second' : 'print-side';
}

/** The machine of a step: its own, the component's press, or the first of the works that can do it. */
export function machineOf(step: Step, layout: ComponentLayout | undefined, works: Works): Machine | undefined {
  if (step.machine) return works.machines.find(({ id }) => id === step.machine);
  if (step.operation === 'print') return layout?.machine;
  const { process } = OPERATION_RULES[step.operation];
  return process && works.machines.find((machine) => machine.process === process);
}

/** Gives a norm to the book under `norm.<id>` and returns the figure's id. */
export function giveNorm(book: FigureBook, norms: NormLookup, id: string): string {
  const figure = `norm.${id}`;
  if (book.figures[figure]) return figure;
  const { norm, value, source, otherwise } = norms(id);
  return book.give(figure, `${norm.subject}: ${norm.name.toLowerCase()}`, value, norm.unit, source, otherwise);
}

/** Figure ids of a step's set-up and running spoilage, with what was overridden in the job. */
export interface SpoilageFigures {
  readonly setup: string;
  readonly running: string;
}

/** Rounds a sum of decimal norms to the nine places that fractions keep, so that 0.8 % + 4 x 0.2 % is 1.6 % to the letter. */
const asDecimal = (value: number): number => Math.round(value * 1e9) / 1e9;

/** A norm made of a base and so much for each colour or fold. */
function compound(
  book: FigureBook,
  norms: NormLookup,
  id: string,
  name: string,
  unit: string,
  ids: readonly [string, string],
  each: number,
  eachName: string,
): string {
  const [base, per] = ids.map((norm) => giveNorm(book, norms, norm)) as [string, string];
  const count = book.give(`${id}.${eachName}`, `${eachName} of this step`, each, eachName, {
    label: 'identity',
    note: 'counted from the job',
  });
  return book.reckon(
    id,
    name,
    asDecimal(book.value(base) + book.value(per) * each),
    unit,
    `base + each * ${eachName}`,
    { base, each: per, [eachName]: count },
  );
}

/** What a step's set-up and running spoilage are told for: each colour of a pass, each fold, or nothing. */
function eachOf(step: Step, layout: ComponentLayout | undefined): number {
  if (step.operation === 'fold') return foldsOf(step, layout);
  return layout && step.operation === 'print' ? passColours(step, layout) : 0;
}

/** Whether a norm of a step has a part for each colour or fold beside its base. */
const hasPart = ({ operation }: Step, field: 'setup' | 'running'): boolean =>
  operation === 'print' || (operation === 'fold' && field === 'setup');

/**
 * Set-up and running spoilage of a step as plain numbers, without working: what the ways to run compare by. A test holds
 * it to {@link spoilageFigures}. Source: handbook chapter 6, "House norms to ship" (practice).
 */
export function spoilageOf(
  norms: NormLookup,
  step: Step,
  layout: ComponentLayout | undefined,
): { readonly setup: number; readonly running: number } {
  const key = spoilageKey(step, layout);
  const each = eachOf(step, layout);
  const of = (field: 'setup' | 'running'): number => {
    const base = norms(`spoil.${key}.${field}`).value;
    return hasPart(step, field) ? asDecimal(base + norms(`spoil.${key}.${field}Per`).value * each) : base;
  };
  const narrow = byMetres(step, layout);
  const setup = narrow ? repeatsIn(of('setup'), narrow) : of('setup');
  return { setup: step.setup ?? setup, running: step.running ?? of('running') };
}

/** The layout of a print step whose set-up is told in metres. */
const byMetres = (step: Step, layout: ComponentLayout | undefined): ComponentLayout | undefined =>
  step.operation === 'print' && layout && runsByMetres(layout) ? layout : undefined;

/** Turns of the cylinder in so many metres of web, the last one whole. Source: identity. */
const repeatsIn = (metres: number, layout: ComponentLayout): number =>
  ceilRatio(metres * 1000, layout.component.sheet.heightMm);

/** Set-up of a narrow web: metres by colours, then turns of the cylinder. */
function repeatsFigure(
  book: FigureBook,
  norms: NormLookup,
  step: Step,
  layout: ComponentLayout,
  target: string,
  unit: string,
): string {
  const key = spoilageKey(step, layout);
  const ids = [`spoil.${key}.setup`, `spoil.${key}.setupPer`] as const;
  const metres = compound(
    book,
    norms,
    `${target}.metres`,
    'Set-up, length of web',
    'm',
    ids,
    passColours(step, layout),
    'colours',
  );
  const { heightMm } = layout.component.sheet;
  const repeat = book.give(
    `component.${layout.component.id}.repeat`,
    'Repeat of the cylinder',
    heightMm,
    'mm',
    IDENTITY,
  );
  const repeats = repeatsIn(book.value(metres), layout);
  return book.reckon(target, 'Set-up', repeats, unit, 'ceil(metres * 1000 / repeat)', { metres, repeat });
}

/**
 * Set-up and running spoilage of a step from the norms, unless the job sets its own.
 * Source: handbook chapter 6, "House norms to ship" (practice).
 */
export function spoilageFigures(
  book: FigureBook,
  norms: NormLookup,
  step: Step,
  layout: ComponentLayout | undefined,
  unit: string,
): SpoilageFigures {
  const key = spoilageKey(step, layout);
  const id = `step.${step.id}`;
  const each = eachOf(step, layout);
  const eachName = step.operation === 'fold' ? 'folds' : 'colours';
  const narrow = byMetres(step, layout);
  const figure = (field: 'setup' | 'running', name: string, figureUnit: string, own: number | undefined): string => {
    const of = (target: string): string => {
      if (narrow && field === 'setup') return repeatsFigure(book, norms, step, narrow, target, figureUnit);
      if (hasPart(step, field))
        return compound(
          book,
          norms,
          target,
          name,
          figureUnit,
          [`spoil.${key}.${field}`, `spoil.${key}.${field}Per`],
          each,
          eachName,
        );
      const norm = giveNorm(book, norms, `spoil.${key}.${field}`);
      return book.reckon(target, name, book.value(norm), figureUnit, 'norm', { norm });
    };
    if (own === undefined) return of(`${id}.${field}`);
    const house = of(`${id}.${field}.norm`);
    return book.give(
      `${id}.${field}`,
      name,
      own,
      figureUnit,
      { label: 'set by user', note: 'set in this job' },
      book.value(house),
    );
  };
  return {
    setup: figure('setup', 'Set-up', unit, step.setup),
    running: figure('running', 'Running spoilage', 'share', step.running),
  };
}

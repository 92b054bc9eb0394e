import type { Flow } from '../flow/index.js';
import { type FigureBook, GIVEN, IDENTITY } from '../kernel/index.js';
import { countPlates, inkKg } from '../press/index.js';
import { buyPaper } from './buy-paper.js';
import type { NormLookup } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import type { ComponentLayout } from './component-layout.js';
import type { InkUse, Job, Step } from './job.js';
import { type PressUnit, pressUnit } from './material.js';
import { giveNorm, isPlateless, platesPerColour } from './step-norms.js';

export interface PressTotals {
  /** Sheets into the first press pass, by component, under the job's school. */
  readonly pressSheets: Readonly<Record<string, number>>;
  readonly plates: number;
  readonly platesByComponent: Readonly<Record<string, number>>;
  readonly paperKg: number;
  readonly paperKgByComponent: Readonly<Record<string, number>>;
  readonly inkKg: number;
  /** Kilograms by name of ink, over all components. */
  readonly inkKgByName: Readonly<Record<string, number>>;
}

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly flow: Flow;
  readonly norms: NormLookup;
  readonly book: FigureBook;
}

/** What goes through the press, by its unit. */
const PRESS_NAMES: Readonly<Record<PressUnit, string>> = {
  sheet: 'Press sheets',
  'cut-off': 'Cut-offs',
  repeat: 'Repeats',
};

/** Adds figures up under a new id. */
export const sumFigure = (
  book: FigureBook,
  id: string,
  name: string,
  unit: string,
  parts: readonly string[],
): number => {
  const inputs = Object.fromEntries(parts.map((part, i) => [`n${i + 1}`, part]));
  const value = parts.reduce((sum, part) => sum + book.value(part), 0);
  book.reckon(id, name, value, unit, Object.keys(inputs).join(' + ') || '0', inputs);
  return value;
};

function plates({ book, norms }: Context, layout: ComponentLayout, sheets: string): number {
  const { component } = layout;
  const id = `component.${component.id}`;
  const life = giveNorm(book, norms, 'plate.life');
  const [front, back] = [component.front.length, component.back.length];
  const perSide = platesPerColour(layout);
  const count = countPlates(component.workStyle, front * perSide, back * perSide, book.value(sheets), book.value(life));
  const source = { label: 'identity', note: `work style: ${component.workStyle}` } as const;
  const perSet = book.give(`${id}.platesPerSet`, 'Plates in one set', count.perSet, 'plates', source);
  const turns = book.give(
    `${id}.impressionsPerSheet`,
    'Impressions of a plate on one sheet',
    count.impressions / Math.max(1, book.value(sheets)),
    'impressions',
    source,
  );
  const formula = 'perSet * ceil(sheets * turns / life)';
  book.reckon(`${id}.plates`, `Plates, ${component.name}`, count.plates, 'plates', formula, {
    perSet,
    turns,
    sheets,
    life,
  });
  return count.plates;
}

/** Ink of one colour on one side. Every sheet through the pass gets it, those spoiled too. */
function inkFigure(
  { book, norms }: Context,
  layout: ComponentLayout,
  pass: Step,
  side: 'front' | 'back',
  ink: InkUse,
  i: number,
): { id: string; kg: number } {
  const { component, stock } = layout;
  const id = `component.${component.id}.ink.${side}.${i}`;
  const coverage =
    ink.coverage === undefined
      ? giveNorm(book, norms, 'ink.coverage')
      : book.give(`${id}.coverage`, `Coverage, ${ink.name} ${side}`, ink.coverage, 'share', GIVEN);
  const film = giveNorm(book, norms, stock.coated ? 'ink.film.coated' : 'ink.film.uncoated');
  const area = book.give(
    `component.${component.id}.printedArea`,
    'Printed area of a side',
    layout.printedAreaM2,
    'm2',
    IDENTITY,
  );
  const sheets = `step.${pass.id}.processUnits`;
  const kg = inkKg(book.value(sheets), book.value(area), book.value(coverage), book.value(film));
  book.reckon(id, `Ink ${ink.name}, ${component.name}, ${side}`, kg, 'kg', 'sheets * area * coverage * film / 1000', {
    sheets,
    area,
    coverage,
    film,
  });
  return { id, kg };
}

function inks(context: Context, layout: ComponentLayout, byName: Record<string, string[]>): void {
  const passes = context.job.route.filter(
    ({ component, operation }) => component === layout.component.id && operation === 'print',
  );
  for (const pass of passes) {
    const sides = pass.side === 'both' ? (['front', 'back'] as const) : ([pass.side ?? 'front'] as const);
    for (const side of sides) {
      layout.component[side].forEach((ink, i) => {
        (byName[ink.name] ??= []).push(inkFigure(context, layout, pass, side, ink, i).id);
      });
    }
  }
}

/** Press sheets, plates, paper and ink of all components, with their working. Source: handbook chapters 3, 4 and 5. */
export function pressFigures(context: Context): PressTotals {
  const { job, layouts, book, norms } = context;
  const pressSheets: Record<string, number> = {};
  const platesBy: Record<string, number> = {};
  const paperBy: Record<string, number> = {};
  const byName: Record<string, string[]> = {};
  for (const [id, layout] of layouts) {
    const first = job.route.find((step) => step.component === id && step.operation === 'print');
    if (!first) continue;
    const figure = `component.${id}.pressSheets`;
    pressSheets[id] = book.value(`step.${first.id}.processUnits`);
    const unit = pressUnit(layout);
    book.reckon(figure, `${PRESS_NAMES[unit]}, ${layout.component.name}`, pressSheets[id], `${unit}s`, 'firstPass', {
      firstPass: `step.${first.id}.processUnits`,
    });
    platesBy[id] = plates(context, layout, figure);
    paperBy[id] = buyPaper(book, layout, figure);
    if (!isPlateless(layout)) inks(context, layout, byName);
  }
  for (const norm of ['sample.interval', 'pile.height']) giveNorm(book, norms, norm);
  const ids = Object.keys(pressSheets);
  const kinds = new Set([...layouts.values()].map(pressUnit));
  const [unit = 'sheet'] = kinds;
  sumFigure(
    book,
    'total.pressSheets',
    kinds.size > 1 ? 'Press sheets and turns' : PRESS_NAMES[unit],
    kinds.size > 1 ? 'units' : `${unit}s`,
    ids.map((id) => `component.${id}.pressSheets`),
  );
  const inkKgByName = Object.fromEntries(
    Object.entries(byName).map(([name, parts]) => [
      name,
      sumFigure(book, `ink.${name}.kg`, `Ink ${name}`, 'kg', parts),
    ]),
  );
  return {
    pressSheets,
    platesByComponent: platesBy,
    paperKgByComponent: paperBy,
    inkKgByName,
    plates: sumFigure(
      book,
      'total.plates',
      'Plates',
      'plates',
      ids.map((id) => `component.${id}.plates`),
    ),
    paperKg: sumFigure(
      book,
      'total.paperKg',
      'Paper',
      'kg',
      ids.map((id) => `component.${id}.paperKg`),
    ),
    inkKg: sumFigure(
      book,
      'total.inkKg',
      'Ink',
      'kg',
      Object.keys(byName).map((name) => `ink.${name}.kg`),
    ),
  };
}

import type { RuleSchool, School } from '../flow/index.js';
import { type FigureBook, GIVEN, IDENTITY, table } from '../kernel/index.js';
import { CARRIER_OF, STYLE_RULES, carrierWords, countPlates } from '../press/index.js';
import { buyPaper } from './buy-paper.js';
import { type NormLookup, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import type { ComponentLayout } from './component-layout.js';
import { lifeNorm } from './carrier-norms.js';
import { overprintFigures, overprintsOf } from './overprint.js';
import { fillsOf } from './fills.js';
import { drawFigure, inkFigures } from './ink-figures.js';
import { type Job, type Step, paperOf } from './job.js';
import { type PressUnit, pressUnit, takenBy } from './material/index.js';
import { usesHeldCarriers } from './split-run.js';
import { sumFigure } from './sum-figure.js';
import { carriersPerColour, giveNorm, isPlateless } from './step-norms.js';

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
  readonly works: Works;
  readonly norms: NormLookup;
  readonly book: FigureBook;
  readonly fills: ReadonlySet<string>;
}

/** What goes through the press, by its unit. */
const PRESS_NAMES: Readonly<Record<PressUnit, string>> = {
  sheet: 'Press sheets',
  'cut-off': 'Cut-offs',
  repeat: 'Repeats',
};

type Sheets = Readonly<Record<string, number>>;
/** Press sheets by component under the schools that count by rule; by sureness where the job is planned by it. */
export type SheetsBySchool = Readonly<Record<RuleSchool, Sheets>> & { readonly sure?: Sheets };

/** The step that takes a component's paper: its first press pass, for most. */
const firstPass = (job: Job, component: string): Step | undefined =>
  job.route.find((step) => takenBy(step).some(({ material }) => material === paperOf(component)));

/** Press sheets of every component, by the schools that count by rule and by the job's own. */
export function pressSheetsBySchool(job: Job, layouts: Layouts, book: FigureBook): SheetsBySchool {
  const sheets = (school: School): Sheets =>
    table(
      [...layouts.keys()].map((id) => [
        id,
        book.figures[`step.${firstPass(job, id)?.id ?? ''}.units.${school}`]?.value ?? 0,
      ]),
    );
  const byRule = { step: sheets('step'), added: sheets('added'), table: sheets('table') };
  return job.school === 'sure' ? { ...byRule, sure: sheets('sure') } : byRule;
}

/** Colours of a set that change from version to version. */
function changingColours({ front, back, versions, workStyle }: ComponentLayout['component']): number {
  const changes = (inks: typeof front): number => inks.filter(({ name }) => versions?.inks.includes(name)).length;
  const [one, other] = [changes(front), changes(back)];
  if (STYLE_RULES[workStyle].samePlates) return front.length >= back.length ? one : other;
  return workStyle === 'single' ? one : one + other;
}

function plates({ job, book, norms }: Context, layout: ComponentLayout, sheets: string): number {
  const { component } = layout;
  const id = `component.${component.id}`;
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, carriers] = carrierWords(kind ? [kind] : ['plate']);
  const life = giveNorm(book, norms, lifeNorm(kind));
  const [front, back] = [component.front.length, component.back.length];
  const perSide = carriersPerColour(layout);
  const count = countPlates(component.workStyle, front * perSide, back * perSide, book.value(sheets), book.value(life));
  const source = { label: 'identity', note: `work style: ${component.workStyle}` } as const;
  const perSet = book.give(`${id}.platesPerSet`, `${heading} in one set`, count.perSet, carriers, source);
  const turns = book.give(
    `${id}.impressionsPerSheet`,
    'Impressions of one on a sheet or turn',
    count.impressions / Math.max(1, book.value(sheets)),
    'impressions',
    source,
  );
  if (usesHeldCarriers(job, component)) {
    const held = { label: 'identity', note: 'held from the first run' } as const;
    book.give(`${id}.plates`, `${heading}, ${component.name}`, 0, carriers, held);
    return 0;
  }
  const versions = component.versions?.names.length ?? 0;
  if (versions < 2) {
    const formula = 'perSet * ceil(sheets * turns / life)';
    book.reckon(`${id}.plates`, `${heading}, ${component.name}`, count.plates, carriers, formula, {
      perSet,
      turns,
      sheets,
      life,
    });
    return count.plates;
  }
  const changing = book.give(
    `${id}.platesChanging`,
    `${heading} of a set that change with the version`,
    changingColours(component) * perSide,
    carriers,
    IDENTITY,
  );
  const named = book.give(`${id}.versions`, 'Versions', versions, 'versions', GIVEN);
  const [perVersion, all] = [count.impressions / versions / book.value(life), count.impressions / book.value(life)];
  const value =
    (count.perSet - book.value(changing)) * Math.ceil(all) + book.value(changing) * versions * Math.ceil(perVersion);
  const formula =
    '(perSet - changing) * ceil(sheets * turns / life) + changing * versions * ceil(sheets * turns / versions / life)';
  book.reckon(`${id}.plates`, `${heading}, ${component.name}`, value, carriers, formula, {
    perSet,
    changing,
    versions: named,
    turns,
    sheets,
    life,
  });
  return value;
}

/** What all carriers of a job are called together: by their kind where they are of one, those of other presses too. */
function totalWords({ job, works, layouts }: Context): readonly [string, string] {
  const own = [...layouts.values()].flatMap(({ component, machine }) =>
    component.front.length + component.back.length > 0 ? (CARRIER_OF[printingOf(machine)] ?? []) : [],
  );
  const again = overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ kind }) => kind ?? []);
  const kinds = [...own, ...again];
  return carrierWords(kinds.length > 0 ? kinds : ['plate']);
}

/** Press sheets, plates, paper and ink of all components, with their working. Source: handbook chapters 3, 4 and 5. */
export function pressFigures(asked: Omit<Context, 'fills'>): PressTotals {
  const { job, layouts, book, norms, works } = asked;
  const context = { ...asked, fills: fillsOf(job, works, (id) => layouts.get(id)) };
  const pressSheets = table<number>();
  const platesBy = table<number>();
  const paperBy = table<number>();
  const byName = table<string[]>();
  for (const [id, layout] of layouts) {
    const first = firstPass(job, id);
    if (!first) continue;
    const figure = `component.${id}.pressSheets`;
    pressSheets[id] = book.value(`step.${first.id}.processUnits`);
    const unit = pressUnit(layout);
    book.reckon(figure, `${PRESS_NAMES[unit]}, ${layout.component.name}`, pressSheets[id], `${unit}s`, 'firstPass', {
      firstPass: `step.${first.id}.processUnits`,
    });
    platesBy[id] = plates(context, layout, figure);
    paperBy[id] = buyPaper(book, norms, layout, figure);
    if (!isPlateless(layout)) inkFigures(context, layout, byName);
  }
  const again = overprintFigures(context, byName);
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
  const inkKgByName = table(Object.entries(byName).map(([name, parts]) => [name, drawFigure(context, name, parts)]));
  return {
    pressSheets,
    platesByComponent: platesBy,
    paperKgByComponent: paperBy,
    inkKgByName,
    plates: sumFigure(book, 'total.plates', ...totalWords(context), [
      ...ids.map((id) => `component.${id}.plates`),
      ...again,
    ]),
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

import type { RuleSchool } from '../flow/index.js';
import { type Entry, type Ledger, GIVEN, IDENTITY, rule, table } from '../kernel/index.js';
import { CARRIER_OF, STYLE_RULES, carrierWords, countPlates } from '../press/index.js';
import { buyPaper } from './buy-paper.js';
import { type NormLookup, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import type { ComponentLayout } from './component-layout.js';
import { lifeNorm } from './carrier-norms.js';
import { overprintFigures, overprintsOf } from './overprint.js';
import { fillsOf } from './fills.js';
import { type InkParts, drawFigure, inkFigures } from './ink-figures.js';
import { type Job, type Step, paperOf } from './job.js';
import { type PressUnit, pressUnit, takenBy } from './material/index.js';
import type { Settled } from './settle.js';
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
  readonly ledger: Ledger;
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
export function pressSheetsBySchool(job: Job, layouts: Layouts, { flow, units }: Settled): SheetsBySchool {
  const first = new Map([...layouts.keys()].map((id) => [id, firstPass(job, id)?.id ?? '']));
  const sheets = (count: (step: string) => number | undefined): Sheets =>
    table([...first].map(([component, step]) => [component, count(step) ?? 0]));
  const byRule = (school: RuleSchool): Sheets => sheets((step) => flow.byId.get(step)?.units[school]);
  const counted = { step: byRule('step'), added: byRule('added'), table: byRule('table') };
  return job.school === 'sure' ? { ...counted, sure: sheets((step) => units.get(step)) } : counted;
}

/** Colours of a set that change from version to version. */
function changingColours({ front, back, versions, workStyle }: ComponentLayout['component']): number {
  const changes = (inks: typeof front): number => inks.filter(({ name }) => versions?.inks.includes(name)).length;
  const [one, other] = [changes(front), changes(back)];
  if (STYLE_RULES[workStyle].samePlates) return front.length >= back.length ? one : other;
  return workStyle === 'single' ? one : one + other;
}

const PLATES = rule('', '', 'perSet * ceil(sheets * turns / life)');
const PLATES_OF_VERSIONS = rule(
  '',
  '',
  '(perSet - changing) * ceil(sheets * turns / life) + changing * versions * ceil(sheets * turns / versions / life)',
);
const HELD = { label: 'identity', note: 'held from the first run' } as const;

function plates({ job, ledger, norms }: Context, layout: ComponentLayout, sheets: Entry): Entry {
  const { component } = layout;
  const at = ledger.component(component.id);
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, unit] = carrierWords(kind ? [kind] : ['plate']);
  const life = giveNorm(ledger, norms, lifeNorm(kind));
  const [front, back] = [component.front.length, component.back.length];
  const each = carriersPerColour(layout);
  const count = countPlates(component.workStyle, front * each, back * each, sheets.value, life.value);
  const source = { label: 'identity', note: `work style: ${component.workStyle}` } as const;
  const impressions = count.impressions / Math.max(1, sheets.value);
  const perSet = at.give('platesPerSet', `${heading} in one set`, count.perSet, unit, source);
  const turns = at.give(
    'impressionsPerSheet',
    'Impressions of one on a sheet or turn',
    impressions,
    'impressions',
    source,
  );
  const told = { name: `${heading}, ${component.name}`, unit };
  if (usesHeldCarriers(job, component)) return at.give('plates', told.name, 0, unit, HELD);
  const versions = component.versions?.names.length ?? 0;
  if (versions < 2) return at.count('plates', PLATES, { perSet, turns, sheets, life }, count.plates, told);
  const changes = changingColours(component) * each;
  const inputs = {
    perSet,
    changing: at.give(
      'platesChanging',
      `${heading} of a set that change with the version`,
      changes,
      unit,
      IDENTITY,
    ),
    versions: at.give('versions', 'Versions', versions, 'versions', GIVEN),
    turns,
    sheets,
    life,
  };
  return at.reckon('plates', PLATES_OF_VERSIONS, inputs, told);
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

const AS_FIRST_PASS = rule('', '', 'firstPass');

/** Press sheets, plates, paper and ink of all components, with their working. Source: handbook chapters 3, 4 and 5. */
export function pressFigures(asked: Omit<Context, 'fills'>): PressTotals {
  const { job, layouts, ledger, norms, works } = asked;
  const context = { ...asked, fills: fillsOf(job, works, (id) => layouts.get(id)) };
  const sheets = new Map<string, Entry>();
  const carriers = new Map<string, Entry>();
  const paper = new Map<string, Entry>();
  const inks: InkParts = new Map();
  const printed = printPasses(job);
  for (const [id, layout] of layouts) {
    const first = firstPass(job, id);
    if (!first) continue;
    const unit = pressUnit(layout);
    const told = { name: `${PRESS_NAMES[unit]}, ${layout.component.name}`, unit: `${unit}s` };
    const firstUnits = ledger.step(first.id).of('processUnits');
    const count = ledger.component(id).reckon('pressSheets', AS_FIRST_PASS, { firstPass: firstUnits }, told);
    sheets.set(id, count);
    carriers.set(id, plates(context, layout, count));
    paper.set(id, buyPaper(ledger, norms, layout, count));
    if (!isPlateless(layout)) inkFigures(context, layout, printed.get(id) ?? [], inks);
  }
  const again = overprintFigures(context, inks);
  for (const norm of ['sample.interval', 'pile.height']) giveNorm(ledger, norms, norm);
  const kinds = new Set([...layouts.values()].map(pressUnit));
  const [unit = 'sheet'] = kinds;
  const total = ledger.group('total');
  const mixed = kinds.size > 1;
  const name = mixed ? 'Press sheets and turns' : PRESS_NAMES[unit];
  sumFigure(total, 'pressSheets', name, mixed ? 'units' : `${unit}s`, [...sheets.values()]);
  const drawn = new Map([...inks].map(([name, parts]) => [name, drawFigure(context, name, parts)]));
  return {
    pressSheets: valuesOf(sheets),
    platesByComponent: valuesOf(carriers),
    paperKgByComponent: valuesOf(paper),
    inkKgByName: valuesOf(drawn),
    plates: sumFigure(total, 'plates', ...totalWords(context), [...carriers.values(), ...again]).value,
    paperKg: sumFigure(total, 'paperKg', 'Paper', 'kg', [...paper.values()]).value,
    inkKg: sumFigure(total, 'inkKg', 'Ink', 'kg', [...drawn.values()]).value,
  };
}

/** Print passes by component. */
function printPasses({ route }: Job): ReadonlyMap<string, readonly Step[]> {
  const passes = new Map<string, Step[]>();
  for (const step of route) {
    if (step.operation !== 'print' || step.component === undefined) continue;
    const before = passes.get(step.component);
    if (before) before.push(step);
    else passes.set(step.component, [step]);
  }
  return passes;
}

const valuesOf = (entries: ReadonlyMap<string, Entry>): Record<string, number> =>
  table([...entries].map(([id, { value }]) => [id, value]));

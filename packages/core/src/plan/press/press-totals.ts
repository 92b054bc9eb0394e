import type { RuleSchool } from '../../flow/index.js';
import { type Entry, GIVEN, IDENTITY, rule, table, group, wordOf } from '../../kernel/index.js';
import { CARRIER_OF, STYLE_RULES, carrierWords, countPlates } from '../../press/index.js';
import { printingOf } from '../../works/index.js';
import {
  type ComponentLayout,
  type PressUnit,
  pressUnit,
  carriersPerColour,
  isPlateless,
} from '../../press-sheet/index.js';
import { lifeNorm, overprintsOf, fillsOf, usesHeldCarriers } from '../../prepress/index.js';
import { type Job, type Step, paperOf, type Unordered } from '../../job/index.js';
import { takenBy } from '../../material/index.js';
import { giveNorm } from '../../norms/index.js';
import type { Layouts } from '../counting/build-graph.js';
import type { Prepared, Run } from '../prepared.js';
import type { StableFlow } from '../counting/reckon-until-stable.js';
import { paperOfRun } from './buy-paper.js';
import { overprintParts } from './overprint.js';
import { inkParts, prepareInks } from './ink-figures.js';

/** Sums of the press room: sheets, paper, plates, passes, ink. */
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

/** What goes through the press, by its unit. */
const PRESS_NAMES: Readonly<Record<PressUnit, string>> = {
  sheet: $localize`Press sheets`,
  'cut-off': $localize`Cut-offs`,
  repeat: $localize`Repeats`,
};

type Sheets = Readonly<Record<string, number>>;
/** Press sheets by component under the schools that count by rule; by sureness where the job is planned by it. */
export type SheetsBySchool = Readonly<Record<RuleSchool, Sheets>> & { readonly sure?: Sheets };

/** The step that takes a component's paper: its first press pass, for most. */
const firstPass = (job: Unordered, component: string): Step | undefined =>
  job.route.find((step) => takenBy(step).some(({ material }) => material === paperOf(component)));

/** Press sheets of every component, by the schools that count by rule and by the job's own. */
export function pressSheetsBySchool(job: Job, layouts: Layouts, { flow, units }: StableFlow): SheetsBySchool {
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
const HELD = { label: 'identity', note: $localize`held from the first run` } as const;

/** Carriers of a component for so many sheets. Source: identity, handbook chapter 4. */
function carriersOfRun({ job, ledger, norms }: Prepared, layout: ComponentLayout): (run: Run, sheets: Entry) => Entry {
  const { component } = layout;
  const at = ledger.component(component.id);
  const kind = CARRIER_OF[printingOf(layout.machine)];
  const [heading, unit] = carrierWords(kind ? [kind] : ['plate']);
  const life = giveNorm(ledger, norms, lifeNorm(kind));
  const each = carriersPerColour(layout);
  const [front, back] = [component.front.length * each, component.back.length * each];
  const one = countPlates(component.workStyle, front, back, 1, life.value);
  const source = { label: 'identity', note: $localize`work style: ${wordOf(component.workStyle)}` } as const;
  const perSet = at.give('platesPerSet', $localize`${heading} in one set`, one.perSet, unit, source);
  const name = $localize`Impressions of one on a sheet or turn`;
  const turns = at.give('impressionsPerSheet', name, one.impressions, 'impressions', source);
  const told = { name: `${heading}, ${component.name}`, unit };
  const into = (run: Run) => run.ledger.component(component.id);
  if (usesHeldCarriers(job, component)) return (run) => into(run).give('plates', told.name, 0, unit, HELD);
  const versions = component.versions?.names.length ?? 0;
  if (versions < 2)
    return (run, sheets) => {
      const { plates } = countPlates(component.workStyle, front, back, sheets.value, life.value);
      return into(run).count('plates', PLATES, { perSet, turns, sheets, life }, plates, told);
    };
  const changing = $localize`${heading} of a set that change with the version`;
  const fixed = {
    perSet,
    changing: at.give('platesChanging', changing, changingColours(component) * each, unit, IDENTITY),
    versions: at.give('versions', $localize`Versions`, versions, 'versions', GIVEN),
    turns,
    life,
  };
  return (run, sheets) => into(run).reckon('plates', PLATES_OF_VERSIONS, { ...fixed, sheets }, told);
}

/** What all carriers of a job are called together: by their kind where they are of one, those of other presses too. */
function totalWords({ job, works, layouts }: Prepared): readonly [string, string] {
  const own = [...layouts.values()].flatMap(({ component, machine }) =>
    component.front.length + component.back.length > 0 ? (CARRIER_OF[printingOf(machine)] ?? []) : [],
  );
  const again = overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ kind }) => kind ?? []);
  const kinds = [...own, ...again];
  return carrierWords(kinds.length > 0 ? kinds : ['plate']);
}

const AS_FIRST_PASS = rule('', '', 'firstPass');

/** Press sheets, carriers and paper of one component. */
interface OnPress {
  readonly id: string;
  readonly sheets: (run: Run) => Entry;
  readonly carriers: (run: Run, sheets: Entry) => Entry;
  readonly paper: (run: Run, sheets: Entry) => Entry;
}

function onPress(context: Prepared, id: string, layout: ComponentLayout): OnPress[] {
  const first = firstPass(context.job, id);
  if (!first) return [];
  const unit = pressUnit(layout);
  const told = { name: `${PRESS_NAMES[unit]}, ${layout.component.name}`, unit: `${unit}s` };
  return [
    {
      id,
      sheets: ({ ledger }) => {
        const units = ledger.step(first.id).of('processUnits');
        return ledger.component(id).reckon('pressSheets', AS_FIRST_PASS, { firstPass: units }, told);
      },
      carriers: carriersOfRun(context, layout),
      paper: paperOfRun(context, layout),
    },
  ];
}

/** Press sheets, plates, paper and ink of all components for a run, with their working. */
export type PressFigures = (run: Run) => PressTotals;

/** Makes ready what does not change with the run. Source: handbook chapters 3, 4 and 5. */
export function preparePress(context: Prepared): PressFigures {
  const { job, layouts, ledger, norms, works } = context;
  const fills = fillsOf(job, works, (id) => layouts.get(id));
  const printed = printPasses(job);
  const components = [...layouts].flatMap(([id, layout]) => onPress(context, id, layout));
  const own = components.flatMap(({ id }) => {
    const layout = layouts.get(id);
    return layout && !isPlateless(layout) ? inkParts(context, fills, layout, printed.get(id) ?? []) : [];
  });
  const again = overprintParts(context, fills);
  const inks = prepareInks(context, [...own, ...again.inks]);
  for (const norm of ['sample.interval', 'pile.height']) giveNorm(ledger, norms, norm);
  const kinds = new Set([...layouts.values()].map(pressUnit));
  const [unit = 'sheet'] = kinds;
  const words = totalWords(context);
  return (run) => {
    const sheets = new Map(components.map((one) => [one.id, one.sheets(run)]));
    const each = (of: (one: OnPress, sheets: Entry) => Entry): Map<string, Entry> =>
      new Map(components.flatMap((one) => [[one.id, of(one, sheets.get(one.id) ?? one.sheets(run))] as const]));
    const carriers = each((one, count) => one.carriers(run, count));
    const paper = each((one, count) => one.paper(run, count));
    const drawn = inks(run);
    const others = again.carriers.map((carrier) => carrier(run));
    const total = run.ledger.group('total');
    const mixed = kinds.size > 1;
    const name = mixed ? $localize`Press sheets and turns` : PRESS_NAMES[unit];
    total.sum('pressSheets', name, mixed ? 'units' : `${unit}s`, [...sheets.values()]);
    return {
      pressSheets: valuesOf(sheets),
      platesByComponent: valuesOf(carriers),
      paperKgByComponent: valuesOf(paper),
      inkKgByName: valuesOf(drawn),
      plates: total.sum('plates', ...words, [...carriers.values(), ...others]).value,
      paperKg: total.sum('paperKg', $localize`Paper`, 'kg', [...paper.values()]).value,
      inkKg: total.sum('inkKg', $localize`Ink`, 'kg', [...drawn.values()]).value,
    };
  };
}

/** Print passes by component. */
function printPasses({ route }: Unordered): ReadonlyMap<string, readonly Step[]> {
  const passes = new Map<string, Step[]>();
  for (const step of route) {
    if (step.operation !== 'print' || step.component === undefined) continue;
    group(passes, step.component, step);
  }
  return passes;
}

const valuesOf = (entries: ReadonlyMap<string, Entry>): Record<string, number> =>
  table([...entries].map(([id, { value }]) => [id, value]));

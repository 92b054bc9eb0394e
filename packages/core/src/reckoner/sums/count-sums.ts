import { type FlowGraph, type FlowStep, RULE_SCHOOLS, reckonFlow } from '../../flow/index.js';
import { type Issue, error } from '../../kernel/index.js';
import { spoilageTable } from '../../norms/index.js';
import { ownUnits } from '../../plan/index.js';
import { type Sum, type SumBook, numberField, textField } from '../sum.js';

/** A station as it is typed: print 200 1.5 %, with x8 where it makes eight out of one. */
export interface TypedStation {
  readonly name: string;
  readonly setup: number;
  /** Share that is spoiled while it runs, 0 to below 1. */
  readonly running: number;
  readonly yield: number;
}

const STATION =
  /^(?<name>\p{L}[\p{L} -]*?)(?:\s+(?<setup>\d+(?:[.,]\d+)?))?(?:\s+(?<percent>\d+(?:[.,]\d+)?)\s*%)?(?:\s*[x×]\s*(?<out>\d+))?$/iu;
const decimal = (text: string | undefined): number => Number((text ?? '0').replace(',', '.'));

/**
 * A route as it is typed: stations parted by commas behind which a blank stands, by semicolons or arrows; of each its name, what setting
 * up spoils, what running spoils in per cent, and how many come out of one. Issues: `sum.route`.
 */
export function readRoute(text: string): {
  readonly stations: readonly TypedStation[];
  readonly issues: readonly Issue[];
} {
  const parts = text
    .split(/;|->|→|,(?=\s)|\n/)
    .map((part) => part.trim().replace(/\s+/g, ' '))
    .filter((part) => part !== '');
  const stations = parts.map((part): TypedStation | string => {
    const found = STATION.exec(part)?.groups;
    const running = decimal(found?.['percent']) / 100;
    const out = Number(found?.['out'] ?? 1);
    return found?.['name'] === undefined || running >= 1 || out < 1
      ? part
      : { name: found['name'], setup: decimal(found['setup']), running, yield: out };
  });
  const wrong = stations.find((one) => typeof one === 'string');
  if (parts.length === 0 || wrong !== undefined)
    return { stations: [], issues: [error('sum.route', 'route', { station: wrong ?? '' })] };
  return { stations: stations.filter((one) => typeof one !== 'string'), issues: [] };
}

/** What a press is called in a typed route, in either language. */
const PRESS = /^(print|druck)/i;
/** The route as the flow engine takes it. */
function graphOf(stations: readonly TypedStation[], quantity: number): FlowGraph {
  const steps = stations.map(({ name, setup, running, yield: each }, i): FlowStep => ({
    ...{ id: `s${i}`, path: 'route', setup, running, incidents: [] },
    inputs: [{ material: i === 0 ? 'paper' : `s${i - 1}`, usage: 1 }],
    outputs: [{ material: `s${i}`, yield: each, samples: 0 }],
    ...(PRESS.test(name) ? { passColours: 4 } : {}),
    finishing: !PRESS.test(name),
  }));
  return { steps, bought: ['paper'], demands: [{ material: `s${stations.length - 1}`, quantity }] };
}

/** Backwards through the stations, rounded up at each. @returns what goes into the first. */
function stepByStep(book: SumBook, stations: readonly TypedStation[]): string {
  let wanted = 'quantity';
  for (const [i, { name, setup, running, yield: each }] of [...stations.entries()].reverse()) {
    const inputs = {
      wanted,
      setup: book.known(`setup${i}`, $localize`Set-up, ${name}`, setup, ''),
      running: book.known(`running${i}`, $localize`Spoiled while running, ${name}`, running, 'share'),
      each: book.known(`each${i}`, $localize`Out of one, ${name}`, each, ''),
    };
    const formula = 'ceil(wanted / (each * (1 - running))) + ceil(setup)';
    wanted = `into${i}`;
    const title = $localize`Into ${name}`;
    book.say(wanted, title, '', formula, inputs);
  }
  return wanted;
}

/** Press sheets by every school. */
export const COUNT_SUMS: readonly Sum[] = [
  {
    ...{ id: 'press-sheets', group: 'counts', name: $localize`Sheets for a quantity, by all schools` },
    words: ['route', 'print', 'spoilage', 'sheets for', 'press sheets'],
    fields: [
      numberField('quantity', $localize`Good ones wanted`, '', undefined, { min: 1, max: 100_000_000, whole: true }),
      textField('route', $localize`Route`, 'print 200 1.5 %, cut 5 0.2 % x8, fold 60 1 %'),
    ],
    reckon(book) {
      const { stations, issues } = readRoute(book.text('route'));
      book.refuse(...issues);
      if (issues.length > 0) return;
      const graph = graphOf(stations, book.number('quantity'));
      const flow = reckonFlow(graph, () => spoilageTable(book.norms, {}));
      if (!flow.ok) {
        book.refuse(...flow.issues.map(({ code, params }) => error(code, 'route', params)));
        return;
      }
      const into = stepByStep(book, stations);
      book.show(
        'step',
        $localize`Step by step`,
        'sheets',
        'into',
        { into },
        { label: 'identity', note: $localize`rounded up at each station` },
      );
      const first = flow.value.byId.get('s0');
      for (const school of RULE_SCHOOLS.filter((one) => one !== 'step'))
        book.showKnown(school, NAMES[school], first?.units[school] ?? 0, 'sheets', {
          ...{ label: 'practice', note: NOTES[school] },
        });
      const sure = ownUnits('sure', graph, flow.value, book.norms).get('s0') ?? 0;
      book.showKnown('sure', $localize`Sureness`, sure, 'sheets', {
        label: 'identity',
        note: $localize`enough in as many runs as the norm says`,
      });
      book.also(...stations.slice(1).map((_, i) => `into${i + 1}`));
    },
  },
];
/** What an order may be over and under, what came in and went out, and how often a web is spliced. */
export const BALANCE_SUMS: readonly Sum[] = [
  {
    ...{ id: 'overs', group: 'counts', name: $localize`Overs and unders`, words: ['overs', 'unders', 'tolerance'] },
    fields: [
      numberField('quantity', $localize`Ordered`, '', undefined, { min: 1, max: 100_000_000, whole: true }),
      numberField('under', $localize`Under by at most`, '%', 0, { max: 100 }),
      numberField('over', $localize`Over by at most`, '%', 5, { max: 1_000 }),
    ],
    reckon(book) {
      book.show('least', $localize`At least`, 'pieces', 'ceil(quantity * (1 - under / 100))', {
        quantity: 'quantity',
        under: 'under',
      });
      book.show('most', $localize`At most`, 'pieces', 'floor(quantity * (1 + over / 100))', {
        quantity: 'quantity',
        over: 'over',
      });
    },
  },
  {
    ...{ id: 'balance', group: 'counts', name: $localize`In and out of a station`, words: ['balance', 'in and out'] },
    fields: [
      numberField('came', $localize`Taken in`, '', undefined, { min: 1, max: 100_000_000, whole: true }),
      numberField('each', $localize`Out of one`, '', 1, { min: 1, max: 10_000, whole: true }),
      numberField('spoiled', $localize`Spoiled, as they came`, '', 0, { max: 100_000_000, whole: true }),
      numberField('samples', $localize`Samples`, '', 0, { max: 100_000_000, whole: true }),
      numberField('left', $localize`Left over, as they came`, '', 0, { max: 100_000_000, whole: true }),
    ],
    reckon(book) {
      book.say('could', $localize`Could be made of it`, 'pieces', 'came * each', { came: 'came', each: 'each' });
      book.show('good', $localize`Good ones that balance it`, 'pieces', 'could - (spoiled + left) * each - samples', {
        ...{ could: 'could', spoiled: 'spoiled', left: 'left', each: 'each', samples: 'samples' },
      });
    },
  },
  {
    ...{ id: 'splices', group: 'rolls', name: $localize`Splices of a run`, words: ['splice', 'splices'] },
    fields: [
      numberField('metres', $localize`Run`, 'm', undefined, { min: 1, max: 100_000_000 }),
      numberField('roll', $localize`On a roll`, 'm', undefined, { min: 1, max: 1_000_000 }),
      numberField('lost', $localize`Lost at a splice`, 'm', 20, { max: 10_000 }),
    ],
    reckon(book) {
      book.show('rolls', $localize`Rolls, before what splices lose`, 'rolls', 'ceil(metres / roll)', {
        metres: 'metres',
        roll: 'roll',
      });
      book.show('splices', $localize`Splices`, '', 'rolls - 1', { rolls: 'rolls' });
      book.show('waste', $localize`Lost by them`, 'm', 'splices * lost', { splices: 'splices', lost: 'lost' });
    },
  },
];
const NAMES = { added: $localize`Added up`, table: $localize`By table` } as const;
const NOTES = {
  added: $localize`all running spoilage and all set-ups added to the net, rounded up once`,
  table: $localize`by run length and colours, four of them, and a per cent for each station behind the press`,
} as const;

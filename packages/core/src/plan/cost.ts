import {
  type Entry,
  type Group,
  type Inputs,
  type Rule,
  type Told,
  GIVEN,
  IDENTITY,
  rule,
  table,
} from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords } from '../press/index.js';
import { type Machine, PACKING, SUPPLIES, printingOf } from '../works/index.js';
import { carrierPrice } from './carrier-norms.js';
import { overprintsOf } from './overprint.js';
import type { Packing } from './packing.js';
import type { Prepared, Run } from './prepared.js';
import { giveNorm, isPlateless } from './step-norms.js';
import { type ToolSet, toolSets } from './tools.js';
import type { UsedUp } from './uses/use-figures.js';

/** Kinds of cost, in the order of the table. */
export const COST_KINDS = [
  'paper',
  'plates',
  'ink',
  'clicks',
  'supplies',
  'packing',
  'parts',
  'outside',
  'waste',
  'carriage',
  'machines',
  'people',
] as const;
export type CostKind = (typeof COST_KINDS)[number];

export interface CostTotals {
  readonly cost: Readonly<Record<CostKind | 'total', number>>;
  readonly currency: string;
}

const CUSTOMERS = { label: 'set by user', note: 'the customer’s' } as const;

const ALL_KINDS: Rule = rule('Cost', '', COST_KINDS.join(' + '));
const OF_ONE = rule('Cost of one', '', 'cost / quantity');
const OF_COUNT = rule('', '', 'count * price');
const OF_PLATES = rule('', '', 'plates * price');
const OF_CARRIERS = rule('', '', 'carriers * price');
const OF_PAPER = rule('', '', 'kg * price');
const OF_SIDES = rule('', '', 'sheets * sides * price');
const OF_MACHINE = rule('', '', 'hours * rate');
const OF_PEOPLE = rule('', '', 'hours * people * price');
const OF_SUPPLY = rule('', '', 'quantity * price');
const OF_METRES = rule('Carriage', '', 'metres * price');
const OF_SENT = rule('', '', 'sent * price');

type Norm = (id: string) => Entry;

/** A price that the customer's own things do not have. */
const charged = (
  at: Group,
  field: string,
  owner: 'house' | 'customer' | undefined,
  unit: string,
  priced: () => Entry,
): Entry => (owner === 'customer' ? at.give(field, 'The customer’s own, not charged', 0, unit, CUSTOMERS) : priced());

/** A line of the cost: what it prices is found when the run is known; none where the run has no such thing. */
type Line = (run: Run) => readonly Entry[];

/** A line that multiplies one figure of the run with prices. */
function line<Name extends string>(
  group: string,
  id: string,
  of: Rule<Name>,
  told: Told,
  inputs: (run: Run) => Inputs<Name> | undefined,
): Line {
  return (run) => {
    const found = inputs(run);
    return found ? [run.ledger.group(group).reckon(id, of, found, told)] : [];
  };
}

/** Dies and boxes by position, each with its counter. */
function toolLines({ ledger, works }: Prepared, norm: Norm, set: ToolSet): Line[] {
  const { component, tool, count, counters } = set;
  const own = `${component.id}.${tool.id}`;
  const unit = works.currency;
  const priced = (what: string, name: string, number: number, kind: CarrierKind): Line => {
    const source = tool.count === undefined ? IDENTITY : GIVEN;
    const inputs = {
      count: ledger.group(`${what}s`).give(own, name, number, 'pieces', source),
      price: charged(ledger.group(what), `${own}.price`, tool.owner, unit, () => norm(carrierPrice(kind))),
    };
    const entry = ledger
      .group(`cost.${what}`)
      .reckon(own, OF_COUNT, inputs, { name: `${name}, ${component.name}`, unit });
    return () => [entry];
  };
  return [
    priced('tool', tool.name, count, tool.kind),
    ...(counters > 0 ? [priced('counter', `Counters, ${tool.name.toLowerCase()}`, counters, 'embossing-counter')] : []),
  ];
}

/** Carriers of a component's own press, and of passes on other presses. */
function carrierLines({ job, works, layouts, ledger }: Prepared, norm: Norm): Line[] {
  const unit = works.currency;
  const own = [...layouts].map(([id, layout]): Line => {
    const kind = CARRIER_OF[printingOf(layout.machine)];
    const name = `${carrierWords(kind ? [kind] : ['plate'])[0]}, ${layout.component.name}`;
    const at = ledger.component(id);
    const price = charged(at, 'carrierPrice', layout.component.carriers?.owner, unit, () => norm(carrierPrice(kind)));
    return line('cost.plates', id, OF_PLATES, { name, unit }, (run) => {
      const plates = run.ledger.component(id).find('plates');
      return plates && { plates, price };
    });
  });
  const again = overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step: { id }, kind }): Line[] => {
    if (kind === undefined) return [];
    const price = norm(carrierPrice(kind));
    return [
      line('cost.plates', id, OF_CARRIERS, { name: `Carriers, ${id}`, unit }, ({ ledger }) => ({
        carriers: ledger.step(id).of('carriers'),
        price,
      })),
    ];
  });
  return [...own, ...again];
}

/** Counters of recessed plates: one a plate, of a component's own press or of another that prints it again. */
function counterLines({ job, works, layouts }: Prepared, norm: Norm): Line[] {
  const counters = (id: string, plates: (run: Run) => Entry | undefined): Line => {
    const price = norm(carrierPrice('counter'));
    return line('cost.counters', id, OF_PLATES, { name: `Counters, ${id}`, unit: works.currency }, (run) => {
      const found = plates(run);
      return found && { plates: found, price };
    });
  };
  const own = [...layouts].flatMap(([id, { machine }]) =>
    CARRIER_OF[printingOf(machine)] === 'recessed-plate'
      ? [counters(id, ({ ledger }) => ledger.component(id).find('plates'))]
      : [],
  );
  const again = overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step: { id }, kind }) =>
    kind === 'recessed-plate' ? [counters(id, ({ ledger }) => ledger.step(id).find('carriers'))] : [],
  );
  return [...own, ...again];
}

/** Paper of every component that a station takes up. */
const paperLines = ({ layouts, ledger, works }: Prepared, norm: Norm): Line[] =>
  [...layouts].map(([id, { stock, component }]) => {
    const told = { name: `Paper, ${stock.name}`, unit: works.currency };
    const price = charged(ledger.component(id), 'paperPrice', component.paperOwner, told.unit, () =>
      norm(`price.stock.${stock.id}`),
    );
    return line('cost.paper', id, OF_PAPER, told, (run) => {
      const kg = run.ledger.component(id).find('paperKg');
      return kg && { kg, price };
    });
  });

/** Sides that digital presses charge. */
const clickLines = ({ job, layouts, works }: Prepared, norm: Norm): Line[] =>
  job.route.flatMap(({ id, operation, component }) => {
    const layout = component === undefined ? undefined : layouts.get(component);
    if (operation !== 'print' || !layout || !isPlateless(layout)) return [];
    const price = norm('price.click');
    return [
      line('cost.clicks', id, OF_SIDES, { name: `Digital sides, ${id}`, unit: works.currency }, ({ ledger }) => {
        const at = ledger.step(id);
        return { sheets: at.of('processUnits'), sides: at.of('sides'), price };
      }),
    ];
  });

/** Stations with machine hours. */
const stationLines = (
  { job, machines }: Prepared,
  made: (id: string, machine: Machine, hours: (run: Run) => Entry | undefined) => Line,
): Line[] =>
  job.route.flatMap(({ id }) => {
    const machine = machines.get(id);
    return machine ? [made(id, machine, ({ ledger }) => ledger.step(id).find('hours'))] : [];
  });

const machineLines = (context: Prepared, norm: Norm): Line[] =>
  stationLines(context, (id, machine, hoursOf) => {
    const rate = norm(`machine.${machine.id}.rate`);
    const told = { name: `${machine.name}, ${id}`, unit: context.works.currency };
    return line('cost.machine', id, OF_MACHINE, told, (run) => {
      const hours = hoursOf(run);
      return hours && { hours, rate };
    });
  });

const peopleLines = (context: Prepared, norm: Norm): Line[] =>
  stationLines(context, (id, machine, hoursOf) => {
    const people = norm(`machine.${machine.id}.crew`);
    const price = norm('price.people');
    const told = { name: `People at ${machine.name}, ${id}`, unit: context.works.currency };
    return line('cost.people', id, OF_PEOPLE, told, (run) => {
      const hours = hoursOf(run);
      return hours && { hours, people, price };
    });
  });

/** Parts bought ready made. */
const partLines = ({ job, ledger, works }: Prepared): Line[] =>
  (job.parts ?? []).map(({ id, name, price: each = 0, owner }) => {
    const unit = works.currency;
    const customers = owner === 'customer';
    const price = ledger
      .group(`part.${id}`)
      .give('price', `Price, ${name}`, customers ? 0 : each, unit, customers ? CUSTOMERS : GIVEN);
    return line('cost.part', id, OF_COUNT, { name, unit }, (run) => ({
      count: run.ledger.group(`part.${id}`).of('count'),
      price,
    }));
  });

/** Work done outside, by what is sent out. */
const outsideLines = ({ job, ledger, works }: Prepared): Line[] =>
  job.route.flatMap(({ id, operation, price: each }) => {
    if (operation !== 'outside' || each === undefined) return [];
    const unit = works.currency;
    const price = ledger.step(id).give('price', 'Price of one sent out', each, unit, GIVEN);
    return [
      line('cost.outside', id, OF_SENT, { name: `Outside work, ${id}`, unit }, (run) => ({
        sent: run.ledger.step(id).of('processUnits'),
        price,
      })),
    ];
  });

/** What stations use up: of packing, or of all else. */
function supplyLines({ works, norms }: Prepared, { ledger }: Run, used: readonly UsedUp[]): Entry[] {
  const at = ledger.group('cost.use');
  return used.map(({ step, supply, figure }) => {
    const told = { name: `${SUPPLIES[supply].name}, ${step}`, unit: works.currency };
    const inputs = { quantity: figure, price: giveNorm(ledger, norms, `price.supply.${supply}`) };
    return at.reckon(`${step}.${supply}`, OF_SUPPLY, inputs, told);
  });
}

/** What a run is priced by, beside the figures of the ledger. */
interface Priced {
  readonly uses: readonly UsedUp[];
  readonly packings: ReadonlyMap<string, Packing>;
}

/**
 * Makes ready what does not change with the run. Cost = paper + carriers + ink + digital sides + supplies + packing + parts +
 * outside work + waste + carriage + machine hours x rate + people hours x rate, every price a norm.
 * Source: handbook chapter 8.
 */
export function prepareCost(context: Prepared): (run: Run, priced: Priced) => CostTotals {
  const { job, layouts, norms, ledger, works } = context;
  const { currency } = works;
  const norm: Norm = (id) => giveNorm(ledger, norms, id);
  const tools = toolSets(job, (id) => layouts.get(id)).flatMap((set) => toolLines(context, norm, set));
  const lines = {
    paper: paperLines(context, norm),
    plates: [...carrierLines(context, norm), ...counterLines(context, norm), ...tools],
    clicks: clickLines(context, norm),
    parts: partLines(context),
    outside: outsideLines(context),
    machines: machineLines(context, norm),
    people: peopleLines(context, norm),
  };
  const prices = { ink: norm('price.ink'), waste: norm('price.waste'), carriage: norm('price.carriage') };
  return (run, { uses, packings }) => {
    const at = run.ledger.group('cost');
    const total = run.ledger.group('total');
    const told = { unit: currency };
    const sum = (field: keyof typeof lines, name: string): Entry =>
      at.sum(
        field,
        name,
        currency,
        lines[field].flatMap((one) => one(run)),
      );
    const used = (packs: boolean): Entry[] =>
      supplyLines(
        context,
        run,
        uses.filter(({ supply }) => PACKING.includes(supply) === packs),
      );
    const loaded = [...packings.keys()].flatMap((step) => run.ledger.step(step).find('loadingM') ?? []);
    const metres = total.sum('loadingM', 'Loading', 'm', loaded);
    const byKg = (field: 'ink' | 'waste', name: string, kg: Entry): Entry =>
      at.reckon(field, OF_PAPER, { kg, price: prices[field] }, { name, ...told });
    const kinds: Readonly<Record<CostKind, Entry>> = {
      paper: sum('paper', 'Paper'),
      plates: sum('plates', 'Plates and other carriers'),
      ink: byKg('ink', 'Ink', total.of('inkKg')),
      clicks: sum('clicks', 'Digital sides'),
      supplies: at.sum('supplies', 'Coating, film, foil, glue, thread', currency, used(false)),
      packing: at.sum('packing', 'Bands, boxes, pallets', currency, used(true)),
      parts: sum('parts', 'Parts bought ready made'),
      outside: sum('outside', 'Outside work'),
      waste: byKg('waste', 'Waste taken away', total.of('wasteKg')),
      carriage: at.reckon('carriage', OF_METRES, { metres, price: prices.carriage }, told),
      machines: sum('machines', 'Machine hours'),
      people: sum('people', 'People'),
    };
    const cost = total.reckon<string>('cost', ALL_KINDS, kinds, told);
    const quantity = run.ledger.group('order').of('quantity');
    total.reckon('unitCost', OF_ONE, { cost, quantity }, told);
    const byKind = table(COST_KINDS.map((kind) => [kind, kinds[kind].value])) as Record<CostKind, number>;
    return { cost: { ...byKind, total: cost.value }, currency };
  };
}

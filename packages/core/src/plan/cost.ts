import { type Entry, type Group, type Ledger, type Rule, GIVEN, IDENTITY, rule, table } from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords } from '../press/index.js';
import { type Machine, type NormLookup, PACKING, SUPPLIES, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import { carrierPrice } from './carrier-norms.js';
import { overprintsOf } from './overprint.js';
import type { Job } from './job.js';
import type { Packing } from './packing.js';
import { sumFigure } from './sum-figure.js';
import type { UsedUp } from './uses/use-figures.js';
import { giveNorm, isPlateless } from './step-norms.js';
import { type ToolSet, toolSets } from './tools.js';

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

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
  readonly works: Works;
  readonly uses: readonly UsedUp[];
  readonly packings: ReadonlyMap<string, Packing>;
}

const CUSTOMERS = { label: 'set by user', note: 'the customer’s' } as const;

const OF_TOOLS = rule('', '', 'count * price');
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

/** Dies and boxes by position, each with its counter. */
function toolLines({ ledger, works }: Context, norm: Norm, set: ToolSet): Entry[] {
  const { component, tool, count, counters } = set;
  const own = `${component.id}.${tool.id}`;
  const unit = works.currency;
  const line = (what: string, name: string, number: number, kind: CarrierKind): Entry => {
    const source = tool.count === undefined ? IDENTITY : GIVEN;
    const inputs = {
      count: ledger.group(`${what}s`).give(own, name, number, 'pieces', source),
      price: charged(ledger.group(what), `${own}.price`, tool.owner, unit, () => norm(carrierPrice(kind))),
    };
    return ledger.group(`cost.${what}`).reckon(own, OF_TOOLS, inputs, { name: `${name}, ${component.name}`, unit });
  };
  return [
    line('tool', tool.name, count, tool.kind),
    ...(counters > 0 ? [line('counter', `Counters, ${tool.name.toLowerCase()}`, counters, 'embossing-counter')] : []),
  ];
}

/** Carriers of components and of passes on other presses, counters of recessed plates, and tools. */
function carrierLines(context: Context, norm: Norm): Entry[] {
  const { job, layouts, ledger, works } = context;
  const unit = works.currency;
  const at = ledger.group('cost.plates');
  const again = overprintsOf(job, works, (id) => layouts.get(id));
  const own = [...layouts].flatMap(([id, layout]) => {
    const plates = ledger.component(id).find('plates');
    if (!plates) return [];
    const kind = CARRIER_OF[printingOf(layout.machine)];
    const name = `${carrierWords(kind ? [kind] : ['plate'])[0]}, ${layout.component.name}`;
    const price = charged(ledger.component(id), 'carrierPrice', layout.component.carriers?.owner, unit, () =>
      norm(carrierPrice(kind)),
    );
    return at.reckon(id, OF_PLATES, { plates, price }, { name, unit });
  });
  const others = again.flatMap(({ step, kind }) => {
    const carriers = ledger.step(step.id).find('carriers');
    if (kind === undefined || !carriers) return [];
    const inputs = { carriers, price: norm(carrierPrice(kind)) };
    return at.reckon(step.id, OF_CARRIERS, inputs, { name: `Carriers, ${step.id}`, unit });
  });
  /** Counters of recessed plates: one a plate, of a component's own press or of another that prints it again. */
  const recessed = [
    ...[...layouts].flatMap(([id, layout]) =>
      CARRIER_OF[printingOf(layout.machine)] === 'recessed-plate'
        ? [[id, ledger.component(id).find('plates')] as const]
        : [],
    ),
    ...again.flatMap(({ step, kind }) =>
      kind === 'recessed-plate' ? [[step.id, ledger.step(step.id).find('carriers')] as const] : [],
    ),
  ];
  const counters = recessed.flatMap(([id, plates]) =>
    plates
      ? ledger
          .group('cost.counters')
          .reckon(id, OF_PLATES, { plates, price: norm(carrierPrice('counter')) }, { name: `Counters, ${id}`, unit })
      : [],
  );
  const tools = toolSets(job, (id) => layouts.get(id)).flatMap((set) => toolLines(context, norm, set));
  return [...own, ...others, ...counters, ...tools];
}

/** Paper of every component that a station takes up. */
function paperLines({ layouts, ledger, works }: Context, norm: Norm): Entry[] {
  const unit = works.currency;
  return [...layouts].flatMap(([id, { stock, component }]) => {
    const at = ledger.component(id);
    const kg = at.find('paperKg');
    if (!kg) return [];
    const price = charged(at, 'paperPrice', component.paperOwner, unit, () => norm(`price.stock.${stock.id}`));
    return ledger.group('cost.paper').reckon(id, OF_PAPER, { kg, price }, { name: `Paper, ${stock.name}`, unit });
  });
}

/** Sides that digital presses charge. */
function clickLines({ job, layouts, ledger, works }: Context, norm: Norm): Entry[] {
  const told = (id: string) => ({ name: `Digital sides, ${id}`, unit: works.currency });
  return job.route.flatMap((step) => {
    const layout = step.component === undefined ? undefined : layouts.get(step.component);
    if (step.operation !== 'print' || !layout || !isPlateless(layout)) return [];
    const at = ledger.step(step.id);
    const inputs = { sheets: at.of('processUnits'), sides: at.of('sides'), price: norm('price.click') };
    return ledger.group('cost.clicks').reckon(step.id, OF_SIDES, inputs, told(step.id));
  });
}

/** Machine hours and people's, station by station. */
function hourLines({ job, machines, ledger, works }: Context, norm: Norm): { machines: Entry[]; people: Entry[] } {
  const unit = works.currency;
  const [ofMachines, ofPeople] = [ledger.group('cost.machine'), ledger.group('cost.people')];
  const lines = job.route.flatMap(({ id }) => {
    const machine = machines.get(id);
    const hours = ledger.step(id).find('hours');
    if (!machine || !hours) return [];
    const rate = norm(`machine.${machine.id}.rate`);
    const people = norm(`machine.${machine.id}.crew`);
    const price = norm('price.people');
    return {
      machine: ofMachines.reckon(id, OF_MACHINE, { hours, rate }, { name: `${machine.name}, ${id}`, unit }),
      people: ofPeople.reckon(
        id,
        OF_PEOPLE,
        { hours, people, price },
        { name: `People at ${machine.name}, ${id}`, unit },
      ),
    };
  });
  return { machines: lines.map(({ machine }) => machine), people: lines.map(({ people }) => people) };
}

/** What stations use up: of packing, or of all else. */
function supplyLines({ uses, ledger, works }: Context, norm: Norm, packs: boolean): Entry[] {
  const at = ledger.group('cost.use');
  const used = uses.filter(({ supply }) => PACKING.includes(supply) === packs);
  return used.map(({ step, supply, figure }) => {
    const told = { name: `${SUPPLIES[supply].name}, ${step}`, unit: works.currency };
    const inputs = { quantity: figure, price: norm(`price.supply.${supply}`) };
    return at.reckon(`${step}.${supply}`, OF_SUPPLY, inputs, told);
  });
}

/** Parts bought ready made. */
function partLines({ job, ledger, works }: Context): Entry[] {
  const unit = works.currency;
  return (job.parts ?? []).map(({ id, name, price = 0, owner }) => {
    const at = ledger.group(`part.${id}`);
    const title = `Price, ${name}`;
    const each =
      owner === 'customer'
        ? at.give('price', title, 0, unit, CUSTOMERS)
        : at.give('price', title, price, unit, GIVEN);
    return ledger.group('cost.part').reckon(id, OF_TOOLS, { count: at.of('count'), price: each }, { name, unit });
  });
}

/** Work done outside, by what is sent out. */
function outsideLines({ job, ledger, works }: Context): Entry[] {
  const unit = works.currency;
  return job.route.flatMap(({ id, operation, price }) => {
    if (operation !== 'outside' || price === undefined) return [];
    const at = ledger.step(id);
    const each = at.give('price', 'Price of one sent out', price, unit, GIVEN);
    const inputs = { sent: at.of('processUnits'), price: each };
    return ledger.group('cost.outside').reckon(id, OF_SENT, inputs, { name: `Outside work, ${id}`, unit });
  });
}

/**
 * Cost = paper + carriers + ink + digital sides + supplies + packing + parts + outside work + waste + carriage + machine hours x
 * rate + people hours x rate, every price a norm. Source: handbook chapter 8.
 */
export function costFigures(context: Context): CostTotals {
  const { job, norms, ledger, works, packings } = context;
  const { currency } = works;
  const at = ledger.group('cost');
  const total = ledger.group('total');
  const norm: Norm = (id) => giveNorm(ledger, norms, id);
  const sum = (field: string, name: string, parts: readonly Entry[]): Entry =>
    sumFigure(at, field, name, currency, parts);
  const hours = hourLines(context, norm);
  const loaded = [...packings.values()].flatMap(({ step }) => ledger.step(step).find('loadingM') ?? []);
  const metres = sumFigure(total, 'loadingM', 'Loading', 'm', loaded);
  const byKg = (kg: string, price: string, name: string, field: string): Entry =>
    at.reckon(field, OF_PAPER, { kg: total.of(kg), price: norm(price) }, { name, unit: currency });
  const kinds: Readonly<Record<CostKind, Entry>> = {
    paper: sum('paper', 'Paper', paperLines(context, norm)),
    plates: sum('plates', 'Plates and other carriers', carrierLines(context, norm)),
    ink: byKg('inkKg', 'price.ink', 'Ink', 'ink'),
    clicks: sum('clicks', 'Digital sides', clickLines(context, norm)),
    supplies: sum('supplies', 'Coating, film, foil, glue, thread', supplyLines(context, norm, false)),
    packing: sum('packing', 'Bands, boxes, pallets', supplyLines(context, norm, true)),
    parts: sum('parts', 'Parts bought ready made', partLines(context)),
    outside: sum('outside', 'Outside work', outsideLines(context)),
    waste: byKg('wasteKg', 'price.waste', 'Waste taken away', 'waste'),
    carriage: at.reckon('carriage', OF_METRES, { metres, price: norm('price.carriage') }, { unit: currency }),
    machines: sum('machines', 'Machine hours', hours.machines),
    people: sum('people', 'People', hours.people),
  };
  const all = total.reckon<string>('cost', ALL_KINDS, kinds, { unit: currency });
  const quantity = ledger.group('order').of('quantity');
  total.count('unitCost', OF_ONE, { cost: all, quantity }, all.value / job.order.quantity, { unit: currency });
  const byKind = table(COST_KINDS.map((kind) => [kind, kinds[kind].value])) as Record<CostKind, number>;
  return { cost: { ...byKind, total: all.value }, currency };
}

const ALL_KINDS: Rule = rule('Cost', '', COST_KINDS.join(' + ') as string);
const OF_ONE = rule('Cost of one', '', 'cost / quantity');

import { type FigureBook, GIVEN, IDENTITY, table } from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords } from '../press/index.js';
import { type Machine, type NormLookup, PACKING, SUPPLIES, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import { carrierPrice } from './carrier-norms.js';
import { overprintsOf } from './overprint.js';
import type { StepTime } from './step-time.js';
import type { Job } from './job.js';
import type { Packing } from './packing.js';
import { sumFigure } from './sum-figure.js';
import type { PlannedUse } from './uses/use-figures.js';
import { giveNorm, isPlateless } from './step-norms.js';
import { type ToolSet, toolSets } from './tools.js';

export interface CostTotals {
  readonly cost: {
    readonly paper: number;
    readonly plates: number;
    readonly ink: number;
    readonly clicks: number;
    readonly supplies: number;
    readonly packing: number;
    readonly parts: number;
    readonly outside: number;
    readonly waste: number;
    readonly carriage: number;
    readonly machines: number;
    readonly people: number;
    readonly total: number;
  };
  readonly currency: string;
}

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly times: { readonly steps: ReadonlyMap<string, StepTime> };
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  readonly book: FigureBook;
  readonly works: Works;
  readonly uses: readonly PlannedUse[];
  readonly packings: ReadonlyMap<string, Packing>;
}

const CUSTOMERS = { label: 'set by user', note: 'the customer’s' } as const;

/**
 * Cost = paper + carriers + ink + digital sides + supplies + packing + parts + outside work + waste + carriage + machine hours x
 * rate + people hours x rate, every price a norm. Source: handbook chapter 8.
 */
export function costFigures({ job, layouts, machines, norms, book, works, uses, packings }: Context): CostTotals {
  const { currency } = works;
  const norm = (id: string) => giveNorm(book, norms, id);
  const product = (id: string, name: string, formula: string, inputs: Record<string, string>): string => {
    const value = Object.values(inputs).reduce((total, input) => total * book.value(input), 1);
    return book.reckon(id, name, value, currency, formula, inputs);
  };
  /** A price that the customer's own things do not have. */
  const charged = (id: string, owner: 'house' | 'customer' | undefined, priced: string): string =>
    owner === 'customer' ? book.give(id, 'The customer’s own, not charged', 0, currency, CUSTOMERS) : norm(priced);
  /** Dies and boxes by position, each with its counter. */
  const toolLines = ({ component, tool, count, counters }: ToolSet): string[] => {
    const id = `${component.id}.${tool.id}`;
    const line = (what: string, name: string, number: number, kind: CarrierKind): string =>
      product(`cost.${what}.${id}`, `${name}, ${component.name}`, 'count * price', {
        count: book.give(`${what}s.${id}`, name, number, 'pieces', tool.count === undefined ? IDENTITY : GIVEN),
        price: charged(`${what}.${id}.price`, tool.owner, carrierPrice(kind)),
      });
    return [
      line('tool', tool.name, count, tool.kind),
      ...(counters > 0 ? [line('counter', `Counters, ${tool.name.toLowerCase()}`, counters, 'embossing-counter')] : []),
    ];
  };
  /** Counters of recessed plates: one a plate, of a component's own press or of another that prints it again. */
  const counterLines = (): string[] => {
    const plates = [...layouts].flatMap(([id, layout]) =>
      CARRIER_OF[printingOf(layout.machine)] === 'recessed-plate' ? [[id, `component.${id}.plates`] as const] : [],
    );
    const again = overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step, kind }) =>
      kind === 'recessed-plate' ? [[step.id, `step.${step.id}.carriers`] as const] : [],
    );
    return [...plates, ...again].flatMap(([id, count]) =>
      book.figures[count]
        ? [
            product(`cost.counters.${id}`, `Counters, ${id}`, 'plates * price', {
              plates: count,
              price: norm(carrierPrice('counter')),
            }),
          ]
        : [],
    );
  };
  const paper = sumFigure(
    book,
    'cost.paper',
    'Paper',
    currency,
    // A component that no station takes up buys no paper.
    [...layouts].flatMap(([id, { stock, component }]) => {
      const kg = `component.${id}.paperKg`;
      if (!book.figures[kg]) return [];
      const price = charged(`component.${id}.paperPrice`, component.paperOwner, `price.stock.${stock.id}`);
      return [product(`cost.paper.${id}`, `Paper, ${stock.name}`, 'kg * price', { kg, price })];
    }),
  );
  const plates = sumFigure(book, 'cost.plates', 'Plates and other carriers', currency, [
    ...[...layouts].flatMap(([id, layout]) => {
      const kind = CARRIER_OF[printingOf(layout.machine)];
      const price = charged(`component.${id}.carrierPrice`, layout.component.carriers?.owner, carrierPrice(kind));
      const count = `component.${id}.plates`;
      return book.figures[count]
        ? [
            product(
              `cost.plates.${id}`,
              `${carrierWords(kind ? [kind] : ['plate'])[0]}, ${layout.component.name}`,
              'plates * price',
              { plates: count, price },
            ),
          ]
        : [];
    }),
    ...overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step, kind }) =>
      kind === undefined
        ? []
        : [
            product(`cost.plates.${step.id}`, `Carriers, ${step.id}`, 'carriers * price', {
              carriers: `step.${step.id}.carriers`,
              price: norm(carrierPrice(kind)),
            }),
          ],
    ),
    ...counterLines(),
    ...toolSets(job, (id) => layouts.get(id)).flatMap((set) => toolLines(set)),
  ]);
  const ink = book.value(product('cost.ink', 'Ink', 'kg * price', { kg: 'total.inkKg', price: norm('price.ink') }));
  const clicks = sumFigure(
    book,
    'cost.clicks',
    'Digital sides',
    currency,
    job.route.flatMap((step) => {
      const layout = step.component === undefined ? undefined : layouts.get(step.component);
      if (step.operation !== 'print' || !layout || !isPlateless(layout)) return [];
      return product(`cost.clicks.${step.id}`, `Digital sides, ${step.id}`, 'sheets * sides * price', {
        sheets: `step.${step.id}.processUnits`,
        sides: `step.${step.id}.sides`,
        price: norm('price.click'),
      });
    }),
  );
  const timed = job.route.flatMap(({ id }) => {
    const machine = machines.get(id);
    return machine && book.figures[`step.${id}.hours`] ? [{ id, machine }] : [];
  });
  const machineCost = sumFigure(
    book,
    'cost.machines',
    'Machine hours',
    currency,
    timed.map(({ id, machine }) =>
      product(`cost.machine.${id}`, `${machine.name}, ${id}`, 'hours * rate', {
        hours: `step.${id}.hours`,
        rate: norm(`machine.${machine.id}.rate`),
      }),
    ),
  );
  const people = sumFigure(
    book,
    'cost.people',
    'People',
    currency,
    timed.map(({ id, machine }) =>
      product(`cost.people.${id}`, `People at ${machine.name}, ${id}`, 'hours * people * price', {
        hours: `step.${id}.hours`,
        people: norm(`machine.${machine.id}.crew`),
        price: norm('price.people'),
      }),
    ),
  );
  const parts = sumFigure(
    book,
    'cost.parts',
    'Parts bought ready made',
    currency,
    (job.parts ?? []).map(({ id, name, price = 0, owner }) =>
      product(`cost.part.${id}`, name, 'count * price', {
        count: `part.${id}.count`,
        price:
          owner === 'customer'
            ? book.give(`part.${id}.price`, `Price, ${name}`, 0, currency, CUSTOMERS)
            : book.give(`part.${id}.price`, `Price, ${name}`, price, currency, GIVEN),
      }),
    ),
  );
  const usedUp = (which: (use: PlannedUse) => boolean): string[] =>
    uses.filter(which).map(({ step, supply, figure }) =>
      product(`cost.use.${step}.${supply}`, `${SUPPLIES[supply].name}, ${step}`, 'quantity * price', {
        quantity: figure,
        price: norm(`price.supply.${supply}`),
      }),
    );
  const packs = ({ supply }: PlannedUse): boolean => PACKING.includes(supply);
  const supplies = sumFigure(
    book,
    'cost.supplies',
    'Coating, film, foil, glue, thread',
    currency,
    usedUp((use) => !packs(use)),
  );
  const packing = sumFigure(book, 'cost.packing', 'Bands, boxes, pallets', currency, usedUp(packs));
  const waste = book.value(
    product('cost.waste', 'Waste taken away', 'kg * price', { kg: 'total.wasteKg', price: norm('price.waste') }),
  );
  const loaded = [...packings.values()].filter(({ pallet }) => pallet).map(({ step }) => `step.${step}.loadingM`);
  sumFigure(book, 'total.loadingM', 'Loading', 'm', loaded);
  const carriage = book.value(
    product('cost.carriage', 'Carriage', 'metres * price', {
      metres: 'total.loadingM',
      price: norm('price.carriage'),
    }),
  );
  const outside = sumFigure(
    book,
    'cost.outside',
    'Outside work',
    currency,
    job.route.flatMap(({ id, operation, price }) =>
      operation === 'outside' && price !== undefined
        ? [
            product(`cost.outside.${id}`, `Outside work, ${id}`, 'sent * price', {
              sent: `step.${id}.processUnits`,
              price: book.give(`step.${id}.price`, 'Price of one sent out', price, currency, GIVEN),
            }),
          ]
        : [],
    ),
  );
  const cost = {
    paper,
    plates,
    ink,
    clicks,
    supplies,
    packing,
    parts,
    outside,
    waste,
    carriage,
    machines: machineCost,
    people,
  };
  const kinds = Object.keys(cost) as (keyof typeof cost)[];
  const total = kinds.reduce((sum, kind) => sum + cost[kind], 0);
  const inputs = table(kinds.map((kind) => [kind, `cost.${kind}`]));
  book.reckon('total.cost', 'Cost', total, currency, kinds.join(' + '), inputs);
  book.reckon('total.unitCost', 'Cost of one', total / job.order.quantity, currency, 'cost / quantity', {
    cost: 'total.cost',
    quantity: 'order.quantity',
  });
  return { cost: { ...cost, total }, currency };
}

import { type FigureBook, GIVEN, IDENTITY } from '../kernel/index.js';
import { CARRIER_OF } from '../press/index.js';
import { type Machine, type NormLookup, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import { carrierPrice } from './carrier-norms.js';
import { overprintsOf } from './overprint.js';
import type { StepTime } from './step-time.js';
import type { Job } from './job.js';
import { sumFigure } from './sum-figure.js';
import { giveNorm, isPlateless } from './step-norms.js';
import { TOOL_NAMES, toolKinds } from './tools.js';

export interface CostTotals {
  readonly cost: {
    readonly paper: number;
    readonly plates: number;
    readonly ink: number;
    readonly clicks: number;
    readonly parts: number;
    readonly outside: number;
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
}

/** Cost = paper + plates + ink + digital sides + machine hours x rate + people hours x rate, every price a norm. Source: handbook chapter 8. */
export function costFigures({ job, layouts, machines, norms, book, works }: Context): CostTotals {
  const { currency } = works;
  const norm = (id: string) => giveNorm(book, norms, id);
  const product = (id: string, name: string, formula: string, inputs: Record<string, string>): string => {
    const value = Object.values(inputs).reduce((total, input) => total * book.value(input), 1);
    return book.reckon(id, name, value, currency, formula, inputs);
  };
  const paper = sumFigure(
    book,
    'cost.paper',
    'Paper',
    currency,
    [...layouts].map(([id, { stock }]) =>
      product(`cost.paper.${id}`, `Paper, ${stock.name}`, 'kg * price', {
        kg: `component.${id}.paperKg`,
        price: norm(`price.stock.${stock.id}`),
      }),
    ),
  );
  const plates = sumFigure(book, 'cost.plates', 'Plates and other carriers', currency, [
    ...[...layouts].flatMap(([id, layout]) => {
      const price = norm(carrierPrice(CARRIER_OF[printingOf(layout.machine)]));
      const count = `component.${id}.plates`;
      return book.figures[count]
        ? [product(`cost.plates.${id}`, `Plates, ${layout.component.name}`, 'plates * price', { plates: count, price })]
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
    ...toolKinds(job).map(([kind, count]) =>
      product(`cost.tools.${kind}`, TOOL_NAMES[kind], 'count * price', {
        count: book.give(`tools.${kind}`, TOOL_NAMES[kind], count, 'pieces', IDENTITY),
        price: norm(carrierPrice(kind)),
      }),
    ),
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
    (job.parts ?? []).map(({ id, name, price = 0 }) =>
      product(`cost.part.${id}`, name, 'count * price', {
        count: `part.${id}.count`,
        price: book.give(`part.${id}.price`, `Price, ${name}`, price, currency, GIVEN),
      }),
    ),
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
  const total = paper + plates + ink + clicks + parts + outside + machineCost + people;
  book.reckon(
    'total.cost',
    'Cost',
    total,
    currency,
    'paper + plates + ink + clicks + parts + outside + machines + people',
    {
      paper: 'cost.paper',
      plates: 'cost.plates',
      ink: 'cost.ink',
      clicks: 'cost.clicks',
      parts: 'cost.parts',
      outside: 'cost.outside',
      machines: 'cost.machines',
      people: 'cost.people',
    },
  );
  return { cost: { paper, plates, ink, clicks, parts, outside, machines: machineCost, people, total }, currency };
}

import {
  type Entry,
  type Group,
  type Inputs,
  type Rule,
  type Told,
  GIVEN,
  IDENTITY,
  rule,
  withinSentence,
} from '../../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords } from '../../press/index.js';
import { type Machine, printingOf } from '../../works/index.js';
import { carrierPrice, overprintsOf, type ToolSet } from '../../prepress/index.js';
import { isPlateless } from '../../press-sheet/index.js';
import type { Prepared, Run } from '../prepared.js';

const CUSTOMERS = { label: 'set by user', note: $localize`the customer’s` } as const;

const OF_COUNT = rule('', '', 'count * price');
const OF_PLATES = rule('', '', 'plates * price');
const OF_CARRIERS = rule('', '', 'carriers * price');
/** A price by weight. */
export const OF_PAPER = rule('', '', 'kg * price');
const OF_SIDES = rule('', '', 'sheets * sides * price');
const OF_MACHINE = rule('', '', 'hours * rate');
const OF_PEOPLE = rule('', '', 'hours * people * price');
const OF_SENT = rule('', '', 'sent * price');

/** Looks a norm up for the ledger. */
export type Norm = (id: string) => Entry;

/** A price that the customer's own things do not have. */
const charged = (
  at: Group,
  field: string,
  owner: 'house' | 'customer' | undefined,
  unit: string,
  priced: () => Entry,
): Entry =>
  owner === 'customer' ? at.give(field, $localize`The customer’s own, not charged`, 0, unit, CUSTOMERS) : priced();

/** A line of the cost: what it prices is found when the run is known; none where the run has no such thing. */
export type Line = (run: Run) => readonly Entry[];

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
export function toolLines({ ledger, works }: Prepared, norm: Norm, set: ToolSet): Line[] {
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
    ...(counters > 0
      ? [priced('counter', $localize`Counters, ${withinSentence(tool.name)}`, counters, 'embossing-counter')]
      : []),
  ];
}

/** Carriers of a component's own press, and of passes on other presses. */
export function carrierLines({ job, works, layouts, ledger }: Prepared, norm: Norm): Line[] {
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
      line('cost.plates', id, OF_CARRIERS, { name: $localize`Carriers, ${id}`, unit }, ({ ledger }) => ({
        carriers: ledger.step(id).of('carriers'),
        price,
      })),
    ];
  });
  return [...own, ...again];
}

/** Counters of recessed plates: one a plate, of a component's own press or of another that prints it again. */
export function counterLines({ job, works, layouts }: Prepared, norm: Norm): Line[] {
  const counters = (id: string, plates: (run: Run) => Entry | undefined): Line => {
    const price = norm(carrierPrice('counter'));
    return line('cost.counters', id, OF_PLATES, { name: $localize`Counters, ${id}`, unit: works.currency }, (run) => {
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
export const paperLines = ({ layouts, ledger, works }: Prepared, norm: Norm): Line[] =>
  [...layouts].map(([id, { stock, component }]) => {
    const told = { name: $localize`Paper, ${stock.name}`, unit: works.currency };
    const price = charged(ledger.component(id), 'paperPrice', component.paperOwner, told.unit, () =>
      norm(`price.stock.${stock.id}`),
    );
    return line('cost.paper', id, OF_PAPER, told, (run) => {
      const kg = run.ledger.component(id).find('paperKg');
      return kg && { kg, price };
    });
  });

/** Sides that digital presses charge. */
export const clickLines = ({ job, layouts, works }: Prepared, norm: Norm): Line[] =>
  job.route.flatMap(({ id, operation, component }) => {
    const layout = component === undefined ? undefined : layouts.get(component);
    if (operation !== 'print' || !layout || !isPlateless(layout)) return [];
    const price = norm('price.click');
    return [
      line(
        'cost.clicks',
        id,
        OF_SIDES,
        { name: $localize`Digital sides, ${id}`, unit: works.currency },
        ({ ledger }) => {
          const at = ledger.step(id);
          return { sheets: at.of('processUnits'), sides: at.of('sides'), price };
        },
      ),
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

/** Lines of machine hours: each machine's hours at its rate. */
export const machineLines = (context: Prepared, norm: Norm): Line[] =>
  stationLines(context, (id, machine, hoursOf) => {
    const rate = norm(`machine.${machine.id}.rate`);
    const told = { name: `${machine.name}, ${id}`, unit: context.works.currency };
    return line('cost.machine', id, OF_MACHINE, told, (run) => {
      const hours = hoursOf(run);
      return hours && { hours, rate };
    });
  });

/** Lines of people: hours of a machine by its crew, at the rate of the works. */
export const peopleLines = (context: Prepared, norm: Norm): Line[] =>
  stationLines(context, (id, machine, hoursOf) => {
    const people = norm(`machine.${machine.id}.crew`);
    const price = norm('price.people');
    const told = { name: $localize`People at ${machine.name}, ${id}`, unit: context.works.currency };
    return line('cost.people', id, OF_PEOPLE, told, (run) => {
      const hours = hoursOf(run);
      return hours && { hours, people, price };
    });
  });

/** Parts bought ready made. */
export const partLines = ({ job, ledger, works }: Prepared): Line[] =>
  (job.parts ?? []).map(({ id, name, price: each = 0, owner }) => {
    const unit = works.currency;
    const customers = owner === 'customer';
    const price = ledger
      .group(`part.${id}`)
      .give('price', $localize`Price, ${name}`, customers ? 0 : each, unit, customers ? CUSTOMERS : GIVEN);
    return line('cost.part', id, OF_COUNT, { name, unit }, (run) => ({
      count: run.ledger.group(`part.${id}`).of('count'),
      price,
    }));
  });

/** Work done outside, by what is sent out. */
export const outsideLines = ({ job, ledger, works }: Prepared): Line[] =>
  job.route.flatMap(({ id, operation, price: each }) => {
    if (operation !== 'outside' || each === undefined) return [];
    const unit = works.currency;
    const price = ledger.step(id).give('price', $localize`Price of one sent out`, each, unit, GIVEN);
    return [
      line('cost.outside', id, OF_SENT, { name: $localize`Outside work, ${id}`, unit }, (run) => ({
        sent: run.ledger.step(id).of('processUnits'),
        price,
      })),
    ];
  });

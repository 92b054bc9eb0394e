import { type Entry, type Rule, rule, table } from '../../kernel/index.js';
import { PACKING, SUPPLIES } from '../../works/index.js';
import { giveNorm } from '../../norms/index.js';
import { toolSets } from '../../prepress/index.js';
import type { Prepared, Run } from '../prepared.js';
import type { UsedUp } from '../uses/use-figures.js';
import {
  type Norm,
  OF_PAPER,
  carrierLines,
  clickLines,
  counterLines,
  machineLines,
  outsideLines,
  paperLines,
  partLines,
  peopleLines,
  toolLines,
} from './priced-lines.js';

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
/** What money is spent on. */
export type CostKind = (typeof COST_KINDS)[number];

/** Cost by kind and in all, in the currency of the works. */
export interface CostTotals {
  readonly cost: Readonly<Record<CostKind | 'total', number>>;
  readonly currency: string;
}

const ALL_KINDS: Rule = rule($localize`Cost`, '', COST_KINDS.join(' + '));
const OF_ONE = rule($localize`Cost of one`, '', 'cost / quantity');
const OF_METRES = rule($localize`Carriage`, '', 'metres * price');
const OF_SUPPLY = rule('', '', 'quantity * price');

/** What stations use up: of packing, or of all else. */
function supplyLines({ works, norms }: Prepared, { ledger }: Run, used: readonly UsedUp[]): Entry[] {
  const at = ledger.group('cost.use');
  return used.map(({ step, supply, figure }) => {
    const told = { name: `${SUPPLIES[supply].name}, ${step}`, unit: works.currency };
    const inputs = { quantity: figure, price: giveNorm(ledger, norms, `price.supply.${supply}`) };
    return at.reckon(`${step}.${supply}`, OF_SUPPLY, inputs, told);
  });
}

/**
 * Makes ready what does not change with the run. Cost = paper + carriers + ink + digital sides + supplies + packing + parts +
 * outside work + waste + carriage + machine hours x rate + people hours x rate, every price a norm.
 * Source: handbook chapter 8.
 */
export function prepareCost(context: Prepared): (run: Run, uses: readonly UsedUp[]) => CostTotals {
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
  return (run, uses) => {
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
    const byKg = (field: 'ink' | 'waste', name: string, kg: Entry): Entry =>
      at.reckon(field, OF_PAPER, { kg, price: prices[field] }, { name, ...told });
    const kinds: Readonly<Record<CostKind, Entry>> = {
      paper: sum('paper', $localize`Paper`),
      plates: sum('plates', $localize`Plates and other carriers`),
      ink: byKg('ink', $localize`Ink`, total.of('inkKg')),
      clicks: sum('clicks', $localize`Digital sides`),
      supplies: at.sum('supplies', $localize`Coating, film, foil, glue, thread`, currency, used(false)),
      packing: at.sum('packing', $localize`Bands, boxes, pallets`, currency, used(true)),
      parts: sum('parts', $localize`Parts bought ready made`),
      outside: sum('outside', $localize`Outside work`),
      waste: byKg('waste', $localize`Waste taken away`, total.of('wasteKg')),
      carriage: at.reckon('carriage', OF_METRES, { metres: total.of('loadingM'), price: prices.carriage }, told),
      machines: sum('machines', $localize`Machine hours`),
      people: sum('people', $localize`People`),
    };
    const cost = total.reckon<string>('cost', ALL_KINDS, kinds, told);
    const quantity = run.ledger.group('order').of('quantity');
    total.reckon('unitCost', OF_ONE, { cost, quantity }, told);
    const byKind = table(COST_KINDS.map((kind) => [kind, kinds[kind].value])) as Record<CostKind, number>;
    return { cost: { ...byKind, total: cost.value }, currency };
  };
}

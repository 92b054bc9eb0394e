import type { Source } from '../kernel/index.js';
import { type Machine, type Stock, type Works, printingOf, SUPPLIES, type SupplyId } from '../works/index.js';
import type { CarrierKind } from '../press/index.js';
import type { Norm, NormGroup } from './norm.js';
import { type MachineNorm, MACHINE_NORMS, MACHINE_RATES, PRINTING_NORMS, SHEET_FLEXO_NORMS } from './machine-norms.js';
import { DRYING_NORMS, HANDBOOK, SPOILAGE_NORMS, TABLE_NORMS } from './shipped-norms.js';
import {
  LEARNING_NORMS,
  PRESS_ROOM_NORMS,
  ROLL_NORMS,
  SURENESS_NORMS,
  packNorm,
  stockNorms,
} from './press-room-norms.js';
import { houseRuleNorm } from './house-rules.js';
import { FINISHING_NORMS } from './finishing-norms.js';
import { SCHEDULE_NORMS } from './schedule-norms.js';
import { QUALITY_NORMS } from './quality-norms.js';
import { HOUSE_WAYS } from './house-ways.js';
import { RULE_NORMS } from './rule-norms.js';

/** Prices come from nobody's list: the works enters its own. */
const PRICE: Source = { label: 'practice', note: $localize`example price, enter your own` };
const MOST_PRICE = 1_000_000;

const price = (id: string, subject: string, name: string, unit: string, value: number): Norm => ({
  id,
  group: 'prices',
  subject,
  name,
  unit,
  value,
  min: 0,
  max: MOST_PRICE,
  source: PRICE,
});

/** Norms that a press has of its own: by how it prints, and whether sheets are laid by hand. */
function ownNorms(machine: Machine): readonly MachineNorm[] {
  const { press, process } = machine;
  if (!press) return [];
  const printing = printingOf(machine);
  if (printing === 'flexo' && process === 'sheet-fed') return SHEET_FLEXO_NORMS;
  return PRINTING_NORMS[press.handLaid ? 'hand-laid' : printing] ?? [];
}

/** Norms of a machine. */
export function machineNorms(machine: Machine, currency: string): Norm[] {
  const own = ownNorms(machine);
  return MACHINE_NORMS[machine.process]
    .map((norm): MachineNorm => own.find(({ id }) => id === norm.id) ?? norm)
    .map((norm) => ({
      ...norm,
      ...(norm.id === 'rate' ? { value: MACHINE_RATES[machine.id] ?? norm.value } : {}),
      id: `machine.${machine.id}.${norm.id}`,
      group: 'machines',
      subject: machine.name,
      unit: norm.unit.replace('currency', currency),
      source: norm.source ?? HANDBOOK,
    }));
}

/** What a kilogram of a stock costs. */
export const stockPrice = (stock: Stock, currency: string): Norm =>
  price(`price.stock.${stock.id}`, $localize`Paper`, stock.name, `${currency}/kg`, stock.coated ? 1.15 : 1.05);

/** Factors for CO2 equivalent: none is shipped, the works enters its own with its source. */
const CO2_NORMS: readonly Norm[] = (
  ['paper', 'board', 'part', 'ink', 'coating', 'film', 'foil', 'glue', 'metal'] as const
).map((kind) => ({
  id: `co2.${kind}`,
  group: 'paper',
  subject: $localize`CO2 equivalent`,
  name: $localize`Of a kilogram of ${kind}`,
  unit: 'kg/kg',
  value: 0,
  min: 0,
  max: 1_000,
  source: { label: 'practice', note: $localize`none shipped; enter your own with its source` },
}));

/** Example prices of carriers other than offset plates. */
const CARRIER_PRICES: readonly (readonly [CarrierKind, string, number])[] = [
  ['flexo-plate', $localize`Flexo plate`, 95],
  ['cylinder', $localize`Gravure cylinder, engraved`, 650],
  ['recessed-plate', $localize`Recessed plate`, 380],
  ['counter', $localize`Counter of a recessed plate`, 60],
  ['form-plate', $localize`Page plate`, 9],
  ['stencil', $localize`Stencil`, 45],
  ['letterpress-die', $localize`Letterpress die`, 110],
  ['foil-die', $localize`Foil die`, 140],
  ['embossing-die', $localize`Embossing die`, 180],
  ['embossing-counter', $localize`Embossing counter`, 60],
  ['embossing-roller', $localize`Embossing roller`, 900],
  ['cutting-die', $localize`Cutting die`, 260],
  ['numbering-box', $localize`Numbering box, prepared`, 12],
];

/** Norms of a stock: what it weighs, how it is packed, what it costs. */
export const paperNorms = (stock: Stock): Norm[] => [
  ...stockNorms(stock),
  ...(stock.sheets.length > 0 ? [packNorm(stock)] : []),
];

/** Where norms of all machines or stocks stand in the list. */
export type ItemNorms = 'machines' | 'stocks' | 'prices';
/** Groups that they belong to. */
export const ITEM_GROUPS: Readonly<Record<ItemNorms, NormGroup>> = {
  machines: 'machines',
  stocks: 'paper',
  prices: 'prices',
};

/** Norms that are of no single machine or stock, in the order that they are listed in, and where those of items stand. */
export function commonNorms({ norms, currency }: Works): readonly (Norm | ItemNorms)[] {
  return [
    ...SPOILAGE_NORMS,
    ...TABLE_NORMS,
    'machines',
    ...PRESS_ROOM_NORMS,
    ...FINISHING_NORMS,
    ...SCHEDULE_NORMS,
    ...RULE_NORMS,
    ...HOUSE_WAYS,
    ...QUALITY_NORMS,
    ...Object.keys(norms).flatMap((id) => houseRuleNorm(id) ?? []),
    ...SURENESS_NORMS,
    ...LEARNING_NORMS,
    ...ROLL_NORMS,
    'stocks',
    ...DRYING_NORMS,
    'prices',
    price('price.plate', $localize`Press room`, $localize`Plate, imaged`, `${currency}/plate`, 14),
    ...CARRIER_PRICES.map(([kind, name, value]) =>
      price(`price.carrier.${kind}`, $localize`Press room`, name, `${currency}/piece`, value),
    ),
    price('price.click', $localize`Press room`, $localize`Digital side, printed`, `${currency}/side`, 0.05),
    price('price.ink', $localize`Press room`, $localize`Ink`, `${currency}/kg`, 9.5),
    ...(Object.keys(SUPPLIES) as SupplyId[]).map((supply) => {
      const { name, unit, price: value } = SUPPLIES[supply];
      const each = unit === 'pieces' ? 'piece' : unit;
      return price(`price.supply.${supply}`, $localize`Supplies and packing`, name, `${currency}/${each}`, value);
    }),
    {
      ...price(
        'price.waste',
        $localize`Waste and carriage`,
        $localize`Waste taken away; below 0 what the mill pays`,
        `${currency}/kg`,
        0,
      ),
      min: -MOST_PRICE,
    },
    ...CO2_NORMS,
    price(
      'price.carriage',
      $localize`Waste and carriage`,
      $localize`Carriage of a metre of loading`,
      `${currency}/m`,
      28,
    ),
    price(
      'price.over',
      $localize`Sureness`,
      $localize`Press sheet of overs that nobody takes, put away`,
      `${currency}/sheet`,
      0,
    ),
    price('price.people', $localize`People`, $localize`Hour of one person`, `${currency}/h`, 32),
  ];
}

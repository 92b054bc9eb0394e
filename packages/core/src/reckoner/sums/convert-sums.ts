import { type Sum, choiceField, numberField } from '../sum.js';

const EXACT = { label: 'standard', note: $localize`international yard and pound, 1959` } as const;

/** A conversion: how many of the one unit are one of the other. */
interface Conversion {
  readonly from: string;
  readonly to: string;
  readonly factor: number;
}
const CONVERSIONS: readonly Conversion[] = [
  { from: 'mm', to: 'in', factor: 1 / 25.4 },
  { from: 'in', to: 'mm', factor: 25.4 },
  { from: 'm', to: 'ft', factor: 1 / 0.3048 },
  { from: 'ft', to: 'm', factor: 0.3048 },
  { from: 'kg', to: 'lb', factor: 1 / 0.45359237 },
  { from: 'lb', to: 'kg', factor: 0.45359237 },
  { from: 'um', to: 'thou', factor: 1 / 25.4 },
  { from: 'thou', to: 'um', factor: 25.4 },
  { from: 'pt', to: 'mm', factor: 25.4 / 72 },
  { from: 'mm', to: 'pt', factor: 72 / 25.4 },
];
/** What a conversion is called among the choices. */
export const conversionName = ({ from, to }: Pick<Conversion, 'from' | 'to'>): string => `${from} to ${to}`;
export const CONVERSION_NAMES = CONVERSIONS.map(conversionName);

/** From one unit to another. */
export const CONVERT_SUMS: readonly Sum[] = [
  {
    ...{ id: 'convert', group: 'paper', name: $localize`From unit to unit`, words: ['convert', 'conversion'] },
    fields: [
      numberField('value', $localize`Value`, '', undefined, { min: -1e9 }),
      choiceField('way', $localize`From and to`, CONVERSION_NAMES),
    ],
    reckon(book) {
      const way = CONVERSIONS.find((one) => conversionName(one) === book.text('way'));
      if (!way) return;
      const factor = book.known('factor', $localize`One ${way.from} in ${way.to}`, way.factor, '', EXACT);
      // The unit is part of the name: what is read in inches is not turned back into millimetres.
      book.show('is', $localize`In ${way.to}`, '', 'value * factor', { value: 'value', factor }, EXACT);
    },
  },
];

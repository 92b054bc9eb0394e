import { numberText } from './number-text.js';
import { type FigureKind, sayQuantity, unitText } from './precision.js';
import { own } from './table.js';
import { footToM, inchToMm, kgToPound, mToFoot, mmToInch, pointToUm, poundToKg, umToPoint } from './units.js';

/** The systems of measures that people read; jobs and norms are metric throughout. */
export type MeasureSystem = 'metric' | 'inch-pound';
/** A system as it is told; metric where none is. */
export const measureSystem = (told: string | null | undefined): MeasureSystem =>
  told === 'inch-pound' ? told : 'metric';

/** A unit as people read and type it: what stands beside the number, and how the stored number becomes it and back. */
export interface Measure {
  readonly unit: string;
  readonly show: (stored: number) => number;
  readonly store: (shown: number) => number;
}

/** Takes off the noise that a division leaves. */
const clean = (value: number, digits = 12): number => Number(value.toPrecision(digits));
const rounded =
  (convert: (value: number) => number, places: number) =>
  (value: number): number =>
    Number(convert(value).toFixed(places));

const SHARE: Measure = {
  unit: '%',
  show: (share) => clean(share * 100),
  store: (percent) => clean(percent / 100),
};

/** Shown to a thousandth of an inch, stored to a hundredth of a millimetre, and so on for the rest. */
const INCH_POUND: Readonly<Record<string, Measure>> = {
  mm: { unit: 'in', show: rounded(mmToInch, 3), store: rounded(inchToMm, 2) },
  um: { unit: 'thou', show: rounded(umToPoint, 2), store: rounded(pointToUm, 1) },
  m: { unit: 'ft', show: rounded(mToFoot, 2), store: rounded(footToM, 4) },
  'm/min': { unit: 'ft/min', show: rounded(mToFoot, 0), store: rounded(footToM, 3) },
  kg: { unit: 'lb', show: rounded(kgToPound, 2), store: rounded(poundToKg, 3) },
};

/** A price by weight: the more a pound weighs in kilograms, the less of the price it takes. */
const pricePerPound = (currency: string): Measure => ({
  unit: `${currency}/lb`,
  show: rounded(poundToKg, 4),
  store: rounded(kgToPound, 4),
});

/** How a stored unit is read in a system of measures; units that both share stay as they are. */
export function measureOf(unit: string, system: MeasureSystem): Measure {
  if (unit === 'share') return SHARE;
  if (system === 'inch-pound') {
    const price = /^([A-Z]{3})\/kg$/.exec(unit)?.[1];
    const known = price === undefined ? own(INCH_POUND, unit) : pricePerPound(price);
    if (known) return known;
  }
  return { unit, show: (value) => value, store: (value) => value };
}

/** Decimals of what is read in inches and pounds; in metric it is said how exactly a kind of figure is told. */
const DIGITS: Readonly<Record<string, number>> = { in: 3, thou: 2, ft: 2, lb: 2, 'ft/min': 0 };

/** A stored value with its unit, as exactly as the kind of figure is said. */
export function sayMeasured(value: number, unit: string, system: MeasureSystem, kind: FigureKind = 'reckoned'): string {
  const measure = measureOf(unit, system);
  if (measure.unit === unit || unit === 'share') return sayQuantity(value, unit, kind);
  const shown = measure.show(value);
  return `${numberText(shown, own(DIGITS, measure.unit) ?? 2)} ${unitText(measure.unit, shown)}`;
}

/** A stored value in full, as its working shows it. */
export function sayInFull(value: number, unit: string, system: MeasureSystem): string {
  const measure = measureOf(unit, system);
  const shown = measure.show(value);
  return `${numberText(shown, 4)} ${unitText(measure.unit, shown)}`;
}

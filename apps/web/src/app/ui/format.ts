import { own, numberText } from '@druckerei/core/kernel';
import { type MeasureSystem, measureOf } from './measure';

/** Numbers as the trade writes them: thousands apart, as many decimals as the unit deserves. */
const DIGITS: Readonly<Record<string, number>> = {
  'sheets/h': 0,
  um: 1,
  h: 2,
  kg: 2,
  m2: 4,
  m: 3,
  in: 3,
  '%': 4,
  'cm3/g': 2,
};
/** From here on a length of web is told in whole metres. */
const LONG_M = 1000;
const CURRENCY = /^[A-Z]{3}$/;

export const count = (value: number, digits = 0): string => numberText(value, digits);

export const percent = (share: number): string => `${count(share * 100, 4)} %`;

const SYMBOLS: Readonly<Record<string, string>> = {
  um: 'µm',
  m2: 'm²',
  'g/m2': 'g/m²',
  'cm3/g': 'cm³/g',
};
const UNCHANGED = new Set(['people', 'h', 'g', 'kg', 'mm', 'm', 'min', 's', 'in', 'ft', 'lb', 'thou']);

/** A unit beside a number: sheet, sheets, copies; symbols stay as they are. */
export const unitText = (unit: string, value: number): string => {
  const symbol = own(SYMBOLS, unit);
  if (symbol !== undefined) return symbol;
  if (UNCHANGED.has(unit) || !/^[a-z -]+$/.test(unit)) return unit;
  if (unit === 'copy') return value === 1 ? unit : 'copies';
  const singular = unit.replace(/s$/, '');
  return value === 1 ? singular : `${singular}s`;
};

/** A figure's value with its unit. */
export function quantity(value: number, unit: string, system: MeasureSystem): string {
  const measure = measureOf(unit, system);
  const shown = measure.show(value);
  const fine = measure.unit === 'm' && shown >= LONG_M ? 0 : (own(DIGITS, measure.unit) ?? 2);
  const digits = CURRENCY.test(unit) || Number.isInteger(shown) ? 0 : fine;
  return `${count(shown, digits)} ${unitText(measure.unit, shown)}`;
}

/** Reads a number as people type it: thousands may be apart. Undefined where it is none. */
export function readNumber(text: string): number | undefined {
  const plain = text.replace(/[\s,]/g, '').replace(/%$/, '');
  if (plain === '') return undefined;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
}

export const dateText = (iso: string | null | undefined): string =>
  iso ? new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }) : '';
export const timeText = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Bytes of a file as people say them. */
export const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${count(Math.max(1, bytes / 1e3))} kB` : `${count(bytes / 1e6, 1)} MB`;

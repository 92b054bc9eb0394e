/** Numbers as the trade writes them: thousands apart, as many decimals as the unit deserves. */
const DIGITS: Readonly<Record<string, number>> = {
  'sheets/h': 0,
  um: 1,
  h: 2,
  kg: 2,
  share: 4,
  m2: 4,
  m: 3,
  'cm3/g': 2,
};
const CURRENCY = /^[A-Z]{3}$/;

export const count = (value: number, digits = 0): string =>
  value.toLocaleString('en-GB', { minimumFractionDigits: 0, maximumFractionDigits: digits });

export const percent = (share: number): string => `${count(share * 100, 4)} %`;

const PLURALS: Readonly<Record<string, string>> = {
  copy: 'copies',
  people: 'people',
  share: 'share',
  h: 'h',
  kg: 'kg',
  um: 'µm',
  mm: 'mm',
  m: 'm',
  m2: 'm²',
  min: 'min',
  s: 's',
  'g/m2': 'g/m²',
  'cm3/g': 'cm³/g',
};
const isPlain = (unit: string): boolean => /^[a-z]+$/.test(unit) && !unit.endsWith('s');

/** A unit beside a number: sheet, sheets, copies; symbols stay as they are. */
export const unitText = (unit: string, value: number): string => {
  const known = PLURALS[unit];
  if (known !== undefined) return unit === 'copy' && value === 1 ? unit : known;
  if (!isPlain(unit)) return value === 1 && /^[a-z]+s$/.test(unit) ? unit.slice(0, -1) : unit;
  return value === 1 ? unit : `${unit}s`;
};

/** A figure's value with its unit. */
export function quantity(value: number, unit: string): string {
  if (unit === 'share') return percent(value);
  if (CURRENCY.test(unit)) return `${count(value)} ${unit}`;
  const whole = Number.isInteger(value);
  return `${count(value, whole ? 0 : (DIGITS[unit] ?? 2))} ${unitText(unit, value)}`;
}

export const dateText = (iso: string | null | undefined): string =>
  iso ? new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }) : '';
export const timeText = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

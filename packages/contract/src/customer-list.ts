import { type InSteps, type Issue, columnsOf, error, readAmount, throughRows, toEnd } from '@druckerei/core';
import { type Customer, type DeliveryPlace, MOST_PLACES, customerSchema } from './customers.js';
import { fieldErrors } from './field-errors.js';
import { issueText } from './messages.js';

/** What a list of customers may tell, and what its columns are called. */
export const CUSTOMER_COLUMNS = {
  name: $localize`Customer`,
  reference: $localize`Number in the books`,
  place: $localize`Place of delivery`,
  address: $localize`Its address`,
  transit: $localize`Days on the way`,
  under: $localize`Under, %`,
  over: $localize`Over, %`,
  weight: $localize`Weight of a day late`,
  artwork: $localize`What artwork keeps to`,
  note: $localize`Note`,
} as const;
/** One of them. */
export type CustomerColumn = keyof typeof CUSTOMER_COLUMNS;

/** How such a list is to be read. */
export interface CustomerListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<CustomerColumn, number>>>;
  readonly decimal: '.' | ',';
}

/** Headings as such lists write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<CustomerColumn, RegExp>> = {
  reference: /number|\bno\b\.?|\bid\b|reference|nummer|\bnr\b\.?/i,
  address: /address|street|anschrift|adresse|straße/i,
  place: /place|delivery|branch|lieferort|ort\b|filiale/i,
  transit: /transit|days|way|tage|laufzeit/i,
  under: /under|minder/i,
  over: /over|mehr/i,
  weight: /weight|priority|gewicht/i,
  artwork: /artwork|file|druckdaten/i,
  note: /note|remark|bemerkung|notiz/i,
  name: /customer|client|name|firm|kunde/i,
};

/** Which columns a heading tells. */
export const guessCustomerColumns = (headings: readonly string[]): Partial<Record<CustomerColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** A customer out of one or several lines, or what is wrong with a line. */
export type CustomerLine = { readonly line: number } & ({ readonly customer: Customer } | { readonly why: string });

/** What a line tells. */
interface Told {
  readonly line: number;
  readonly customer: Customer;
  readonly place: DeliveryPlace | undefined;
}

/** One line, or why it cannot be taken. */
function readLine(row: readonly string[], { columns, decimal }: CustomerListKey, line: number): Told | CustomerLine {
  const issues: Issue[] = [];
  const cellOf = (column: CustomerColumn): string => row[columns[column] ?? -1]?.trim() ?? '';
  const text = (column: CustomerColumn): string | undefined => cellOf(column) || undefined;
  const figure = (column: CustomerColumn): number | undefined => {
    const cell = cellOf(column).replace(/\s*%$/, '');
    const value = cell === '' ? undefined : readAmount(cell, decimal);
    if (cell !== '' && (value === undefined || value < 0))
      issues.push(error('list.not-a-number', column, { column: CUSTOMER_COLUMNS[column], cell }));
    return value;
  };
  const [under, over, weight, transitDays] = [figure('under'), figure('over'), figure('weight'), figure('transit')];
  const [place, address] = [text('place'), text('address')];
  // Days without a place would be lost.
  if (transitDays !== undefined && place === undefined && address === undefined)
    issues.push(error('list.cell-missing', 'place', { column: CUSTOMER_COLUMNS.place }));
  const customer = {
    name: cellOf('name'),
    ...(text('reference') ? { reference: text('reference') } : {}),
    ...(under === undefined && over === undefined
      ? {}
      : { policy: { kind: 'percent', under: under ?? 0, over: over ?? 0 } }),
    ...(weight === undefined ? {} : { weight }),
    ...(text('artwork') ? { artwork: text('artwork') } : {}),
    ...(text('note') ? { note: text('note') } : {}),
    ...((place ?? address)
      ? {
          places: [
            {
              name: place ?? address?.slice(0, 80),
              ...(address ? { address } : {}),
              ...(transitDays === undefined ? {} : { transitDays }),
            },
          ],
        }
      : {}),
  };
  if (customer.name === '') issues.push(error('list.cell-missing', 'name', { column: CUSTOMER_COLUMNS.name }));
  if (issues.length > 0) return { line, why: issues.map(issueText).join(' ') };
  const checked = customerSchema.safeParse(customer, { reportInput: true });
  if (!checked.success)
    return {
      line,
      why: fieldErrors(checked.error)
        .map(({ path, message }) => `${path}: ${message}.`)
        .join(' '),
    };
  const { places, ...alone } = checked.data;
  return { line, customer: alone, place: places?.[0] };
}

const letters = (name: string): string => name.trim().toLowerCase();

/**
 * Reads a list of customers; lines of one name are one customer with all their places, told by the first of them. Empty
 * lines are left out. @param first number of the first of the rows.
 */
export function* customerLines(
  rows: readonly (readonly string[])[],
  key: CustomerListKey,
  first = 2,
): InSteps<CustomerLine[]> {
  const wrong: CustomerLine[] = [];
  const found = new Map<
    string,
    { readonly line: number; readonly customer: Customer; readonly places: DeliveryPlace[] }
  >();
  yield* throughRows(rows, (row, i) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const read = readLine(row, key, first + i);
    if ('why' in read) {
      wrong.push(read);
      return;
    }
    const { line, customer, place } = read as Told;
    const name = letters(customer.name);
    const before = found.get(name);
    const places = before?.places ?? [];
    if (before && (!place || places.some((one) => letters(one.name) === letters(place.name))))
      wrong.push({ line, why: $localize`“${customer.name}” stands in line ${before.line} already, with this place.` });
    else if (places.length >= MOST_PLACES)
      wrong.push({ line, why: $localize`A customer has ${MOST_PLACES} places at most.` });
    else if (before && place) places.push(place);
    else found.set(name, { line, customer, places: place ? [place] : [] });
  });
  const made = [...found.values()].map(({ line, customer, places }): CustomerLine => ({
    line,
    customer: places.length > 0 ? { ...customer, places } : customer,
  }));
  return [...made, ...wrong].sort((a, b) => a.line - b.line);
}
/** The same in one go. */
export const readCustomerList = (...list: Parameters<typeof customerLines>): CustomerLine[] =>
  toEnd(customerLines(...list));

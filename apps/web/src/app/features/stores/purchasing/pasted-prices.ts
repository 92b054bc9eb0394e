import { guessDecimal, perOf, readAmount } from '@druckerei/core';
import { readTable } from '@druckerei/formats/tables';
import { DateTime } from 'luxon';
import { NO_PRICE, type PriceRow } from './price-rows';

/** Days as sheets write them, beside ISO 8601. */
const DAYS = ['d.M.yyyy', 'd/M/yyyy', 'd.M.yy'];

/** A day as it is kept; what is none stays as it was written, to be told. */
function dayOf(cell: string): string {
  const read = [DateTime.fromISO(cell), ...DAYS.map((format) => DateTime.fromFormat(cell, format))];
  return read.find((one) => one.isValid)?.toISODate() ?? cell;
}

/**
 * Prices out of a sheet, a line each, in the order of the table: what, price, for how many, from, first day, last day. A heading is
 * left out; what cannot be read stays as it was written.
 */
export function pastedPrices(text: string): PriceRow[] {
  const { rows } = readTable(text, '\t');
  const decimal = guessDecimal(rows);
  const figure = (cell: string): string => {
    const read = readAmount(cell, decimal);
    return read === undefined ? cell : String(read);
  };
  return rows
    .filter(([item = '', price = '']) => item !== '' && /\d/.test(price))
    .map(([item = '', price = '', per = '', from = '', first = '', last = '']) => ({
      ...NO_PRICE,
      item,
      price: figure(price.replaceAll(/[€$£]|[A-Z]{3}/g, '')),
      ...(perOf(per) ?? { per: NO_PRICE.per, measure: NO_PRICE.measure }),
      from: figure(from.replaceAll(/[a-z]/gi, '')),
      validFrom: dayOf(first),
      validUntil: dayOf(last),
    }));
}

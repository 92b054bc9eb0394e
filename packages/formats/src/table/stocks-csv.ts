import Papa from 'papaparse';
import type { SheetSize, Stock } from '@druckerei/core';

const HEADINGS = [
  'name',
  'g/m2',
  'bulk cm3/g',
  'coated',
  'sheet size mm',
  'grain',
  'roll mm',
  'price per kg',
  'currency',
];

const grainOf = ({ widthMm, heightMm, grain }: SheetSize): string =>
  widthMm >= heightMm === (grain === 'width') ? 'long' : 'short';

/**
 * Papers as a price list that can be read again: a line for each sheet and roll. Cells that a sheet would run are escaped.
 * @param priceOf price of a kilogram by the paper's id.
 */
export const stocksCsv = (stocks: readonly Stock[], priceOf: (id: string) => number, currency: string): string =>
  Papa.unparse(
    {
      fields: HEADINGS,
      data: stocks.flatMap(({ id, name, gsm, bulk, coated, sheets, rollWidthsMm = [] }) => {
        const line = (size: string, grain: string, roll: string): string[] => [
          name,
          String(gsm),
          String(bulk),
          coated ? 'yes' : 'no',
          size,
          grain,
          roll,
          String(priceOf(id)),
          currency,
        ];
        return [
          ...sheets.map((sheet) => line(`${sheet.widthMm} x ${sheet.heightMm} mm`, grainOf(sheet), '')),
          ...rollWidthsMm.map((mm) => line('', '', String(mm))),
        ];
      }),
    },
    { escapeFormulae: true },
  );

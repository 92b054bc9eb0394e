import { spokenLocale } from '@druckerei/core/kernel';
import Papa from 'papaparse';
import writeExcelFile from 'write-excel-file/universal';

/** A figure as it was told: its value, what is written behind it, and how many places it was written with. */
export interface ToldFigure {
  readonly value: number;
  readonly unit: string;
  readonly places: number;
}
/** A cell: words, or a figure. */
export type ToldCell = string | ToldFigure;

/** A table as somebody sees it. */
export interface ToldTable {
  readonly name: string;
  readonly headings: readonly (readonly string[])[];
  readonly rows: readonly (readonly ToldCell[])[];
}

/** Letters of the name of a sheet, and of a cell, that the format takes. Source: ECMA-376 and its best known reader, from memory. */
const NAME_LETTERS = 31;
const CELL_LETTERS = 32_767;
/** Letters of a unit behind a figure; what is longer is a sentence. */
const UNIT_LETTERS = 12;
/** Letters that a column is wide, at least and at most. */
const [NARROW, WIDE] = [6, 60];

/** A figure with its thousands apart, as it is written here, with or without a unit. */
const FIGURE = new RegExp(
  String.raw`^([-−]?)((?:0|[1-9]\d{0,2})(?:,\d{3})*)(\.\d+)?(?:\s?([^\d\s.,][^\d]{0,${UNIT_LETTERS - 1}}))?$`,
);

/** Signs of thousands and of decimals change places where numbers are written as in German. */
const inEnglish = (text: string): string =>
  spokenLocale() === 'en-GB' ? text : text.replaceAll(/[.,]/g, (sign) => (sign === '.' ? ',' : '.'));

/** A cell of what stands in it: a figure where it is one and nothing else, e.g. "1,250.5 kg"; a year, a date, "4 of 7" stay words. */
export function toldCell(text: string): ToldCell {
  const [, sign, whole, part = '', unit = ''] = FIGURE.exec(inEnglish(text)) ?? [];
  if (whole === undefined) return text;
  const value = Number(whole.replaceAll(',', '') + part);
  return { value: sign ? -value : value, unit: unit.trim(), places: Math.max(0, part.length - 1) };
}

const isFigure = (cell: ToldCell): cell is ToldFigure => typeof cell !== 'string';
const plain = ({ value, places }: ToldFigure): string => value.toFixed(places);

/** The unit that all figures of a column have, where it holds nothing else; empty where they have none or several. */
function unitOf(rows: ToldTable['rows'], at: number): string {
  const cells = rows.map((row) => row[at] ?? '').filter((cell) => cell !== '');
  const units = new Set(cells.map((cell) => (isFigure(cell) ? cell.unit : '')));
  const [unit = ''] = units;
  return units.size === 1 ? unit : '';
}

/** A table as CSV: figures plain, with a unit that a whole column has in its heading. Cells that a sheet would run are escaped. */
export function toldCsv({ headings, rows }: ToldTable): string {
  const width = Math.max(0, ...headings.map(({ length }) => length), ...rows.map(({ length }) => length));
  const units = Array.from({ length: width }, (_, at) => (headings.length > 0 ? unitOf(rows, at) : ''));
  const head = headings.map((cells, i) =>
    units.map((unit, at) => {
      const said = cells[at] ?? '';
      return unit !== '' && i === headings.length - 1 ? `${said} (${unit})`.trim() : said;
    }),
  );
  const body = rows.map((cells) =>
    units.map((unit, at) => {
      const cell = cells[at] ?? '';
      if (!isFigure(cell)) return cell;
      // A number stays a number: what begins with a minus is no formula.
      if (cell.unit === unit) return Number(plain(cell));
      return `${plain(cell)} ${cell.unit}`;
    }),
  );
  return Papa.unparse([...head, ...body], { escapeFormulae: true, newline: '\r\n' });
}

/** A name that a sheet may have, and no other one has: signs that it may not hold are left out. */
function sheetName(name: string, taken: ReadonlySet<string>): string {
  const cut = (text: string, most: number): string =>
    // Half of a sign is none.
    text
      .slice(0, most)
      .replace(/[\ud800-\udbff]$/, '')
      .replace(/^['\s]+|['\s]+$/g, '');
  const said = cut(name.replace(/[[\]:*?/\\\p{Cc}]/gu, ' ').replace(/\s+/g, ' '), NAME_LETTERS) || $localize`Table`;
  for (let i = 1; ; i++) {
    const more = i === 1 ? '' : ` ${i}`;
    const made = cut(said, NAME_LETTERS - more.length) + more;
    if (!taken.has(made.toLowerCase())) return made;
  }
}

/** What a format would read as its own sign is written as a letter. */
const formatOf = ({ unit, places }: ToldFigure): string =>
  `#,##0${places > 0 ? `.${'0'.repeat(places)}` : ''}${unit === '' ? '' : `" ${unit.replaceAll('"', "''")}"`}`;

/** Signs that XML cannot hold. */
const words = (text: string): string =>
  text.replace(/(?![\t\n\r])\p{Cc}|[\p{Cs}\uFFFE\uFFFF]/gu, '').slice(0, CELL_LETTERS);

/** Tables as a workbook (XLSX), a sheet for each: figures stay figures and show their units, headings stay in sight. */
export async function toldWorkbook(tables: readonly ToldTable[]): Promise<Blob> {
  const taken = new Set<string>();
  const sheets = tables.map((told) => {
    const sheet = sheetName(told.name, taken);
    taken.add(sheet.toLowerCase());
    const head = told.headings.map((cells) =>
      cells.map((cell) => ({ value: words(cell), type: String, fontWeight: 'bold' as const })),
    );
    const body = told.rows.map((cells) =>
      cells.map((cell) =>
        isFigure(cell)
          ? { value: cell.value, type: Number, format: formatOf(cell) }
          : { value: words(cell), type: String },
      ),
    );
    const all = [...told.headings, ...told.rows.map((row) => row.map((cell) => (isFigure(cell) ? plain(cell) : cell)))];
    const most = all.reduce((length, row) => Math.max(length, row.length), 0);
    const columns = Array.from({ length: most }, (_, at) => ({
      width: Math.min(
        WIDE,
        all.reduce((wide, row) => Math.max(wide, (row[at] ?? '').length + 2), NARROW),
      ),
    }));
    return { data: [...head, ...body], sheet, columns, stickyRowsCount: told.headings.length };
  });
  return writeExcelFile(sheets).toBlob();
}

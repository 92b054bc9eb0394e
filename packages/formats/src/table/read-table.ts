import Papa from 'papaparse';

/** Signs that part the cells of a line. */
export const PARTED = ['\t', ';', ','] as const;
export type Parted = (typeof PARTED)[number];

export interface Table {
  /** Lines of cells, the first among them. */
  readonly rows: readonly (readonly string[])[];
  readonly parted: Parted;
  /** There were more lines than are read: those behind were left out. */
  readonly cut: boolean;
}

/** Lines that are read at once, their heading not counted; what is longer is told. */
export const MOST_LINES = 100_000;
const MOST_ROWS = MOST_LINES + 1;

/** Which sign parts most lines into most cells: tabs out of a sheet, semicolons where figures have commas. */
function partedBy(text: string): Parted {
  const lines = text.split(/\r?\n/, 20).filter((line) => line.trim() !== '');
  const cells = (sign: string): number =>
    Math.min(...lines.map((line) => Papa.parse<string[]>(line, { delimiter: sign }).data[0]?.length ?? 0));
  const [best = ','] = [...PARTED].sort((a, b) => cells(b) - cells(a));
  return best;
}

/** A table out of text. @param parted sign that parts cells; found where absent. */
export function readTable(text: string, parted: Parted = partedBy(text)): Table {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimiter: parted,
    skipEmptyLines: false,
    preview: MOST_ROWS + 1,
  });
  const rows = data.map((row) => row.map((cell) => cell.replace(/^'(?=[=+\-@])/, '').trim()));
  while (rows.length > 0 && (rows.at(-1) ?? []).every((cell) => cell === '')) rows.pop();
  return { rows: rows.slice(0, MOST_ROWS), parted, cut: rows.length > MOST_ROWS };
}

/** Text of a file: UTF-8, or what older programs of offices write. */
export function decodeText(bytes: Uint8Array): string {
  const wide = bytes[0] === 0xff && bytes[1] === 0xfe;
  if (wide) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

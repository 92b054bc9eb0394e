/** A table of a file of measurements: its keywords, its columns, and its sets with the line that each begins in. */
export interface CgatsTable {
  readonly keywords: ReadonlyMap<string, string>;
  readonly fields: readonly string[];
  readonly sets: readonly { readonly line: number; readonly cells: readonly string[] }[];
}
/** What is wrong with a file, and in which line. */
export interface CgatsFault {
  readonly line: number;
  readonly message: string;
}
export interface ReadCgats {
  readonly tables: readonly CgatsTable[];
  readonly faults: readonly CgatsFault[];
}

/** More sets than anybody measures are a slip. */
const MOST_SETS = 20_000;

interface Token {
  readonly text: string;
  readonly line: number;
  readonly quoted: boolean;
}

/** Words and quoted texts (a quote in one is doubled) of a file, without comments. */
function tokensOf(text: string, faults: CgatsFault[]): Token[] {
  return text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .flatMap((row, i) => {
      const line = i + 1;
      const tokens: Token[] = [];
      for (const [found, quoted, word] of row.matchAll(/"((?:[^"]|"")*)"|#.*$|([^\s"#]+)|"[^"]*$/g)) {
        if (quoted !== undefined) tokens.push({ text: quoted.replaceAll('""', '"'), line, quoted: true });
        else if (word !== undefined) tokens.push({ text: word, line, quoted: false });
        else if (!found.startsWith('#'))
          faults.push({ line, message: $localize`A text begins with " and does not end.` });
      }
      return tokens;
    });
}

/** The section between two words, and the place behind it; told where its end is missing. */
function sectionAt(
  tokens: readonly Token[],
  begin: number,
  name: string,
  faults: CgatsFault[],
): { readonly section: readonly Token[]; readonly next: number } {
  const end = tokens.findIndex(({ text, quoted }, i) => i > begin && !quoted && text === `END_${name}`);
  if (end >= 0) return { section: tokens.slice(begin + 1, end), next: end + 1 };
  faults.push({
    line: tokens[begin]?.line ?? 1,
    message: $localize`BEGIN_${name} has no END_${name}\: the file is cut off.`,
  });
  return { section: tokens.slice(begin + 1), next: tokens.length };
}

/** Cells in rows of as many as there are columns. */
function setsOf(section: readonly Token[], fields: readonly string[], faults: CgatsFault[]): CgatsTable['sets'] {
  const sets: { line: number; cells: string[] }[] = [];
  for (let i = 0; i < section.length && sets.length < MOST_SETS; i += fields.length) {
    const cells = section.slice(i, i + fields.length);
    const line = cells[0]?.line ?? 1;
    if (cells.length < fields.length)
      faults.push({ line, message: $localize`The last set has ${cells.length} values, ${fields.length} are wanted.` });
    else sets.push({ line, cells: cells.map(({ text }) => text) });
    for (const cell of cells)
      if (!cell.quoted && /^[+-]?\d+,\d+$/.test(cell.text))
        faults.push({
          line: cell.line,
          message: $localize`${cell.text} has a decimal comma: write ${cell.text.replace(',', '.')}.`,
        });
  }
  return sets;
}

function counted(keywords: ReadonlyMap<string, string>, name: string, found: number, line: number): CgatsFault[] {
  const told = keywords.get(name);
  return told === undefined || Number(told) === found
    ? []
    : [{ line, message: $localize`${name} says ${told}, ${found} are there.` }];
}

/** Reads measurements as text: keywords, quoted texts, comments, several tables. Source: ISO 28178 (CGATS), from memory. */
export function readCgats(text: string): ReadCgats {
  const faults: CgatsFault[] = [];
  const tokens = tokensOf(text, faults);
  const tables: CgatsTable[] = [];
  let keywords = new Map<string, string>();
  let fields: readonly string[] = [];
  let i = 0;
  while (i < tokens.length) {
    const { text: word, line } = tokens[i] ?? { text: '', line: 1 };
    if (word === 'BEGIN_DATA_FORMAT') {
      const { section, next } = sectionAt(tokens, i, 'DATA_FORMAT', faults);
      fields = section.map((one) => one.text);
      faults.push(...counted(keywords, 'NUMBER_OF_FIELDS', fields.length, line));
      i = next;
    } else if (word === 'BEGIN_DATA') {
      const { section, next } = sectionAt(tokens, i, 'DATA', faults);
      if (fields.length === 0)
        faults.push({ line, message: $localize`Data come before BEGIN_DATA_FORMAT says what they are.` });
      else {
        const sets = setsOf(section, fields, faults);
        faults.push(...counted(keywords, 'NUMBER_OF_SETS', sets.length, line));
        tables.push({ keywords, fields, sets });
      }
      // The columns stand for the next table too, unless it says its own.
      keywords = new Map();
      i = next;
    } else {
      const value = tokens[i + 1];
      const has = value?.line === line;
      if (has) keywords.set(word, value.text);
      i += has ? 2 : 1;
    }
  }
  if (tables.length === 0 && faults.length === 0)
    faults.push({ line: 1, message: $localize`No BEGIN_DATA: this is no file of measurements.` });
  return { tables, faults };
}

/** A reading that goes into a file or comes out of one. */
export interface CgatsReading {
  readonly of: string;
  readonly name: string;
  readonly sheet: number | undefined;
  readonly value: number;
}

const quoted = (text: string): string => `"${text.replaceAll('"', '""').replace(/[\r\n]+/g, ' ')}"`;

/** Readings of a station as a file of measurements. @param created ISO 8601 date. */
export function writeCgats(readings: readonly CgatsReading[], descriptor: string, created: string): string {
  return [
    'CGATS.17',
    `ORIGINATOR ${quoted('Druckerei')}`,
    `DESCRIPTOR ${quoted(descriptor)}`,
    `CREATED ${quoted(created)}`,
    ...['SHEET', 'READING_OF', 'READING_VALUE'].map((word) => `KEYWORD ${quoted(word)}`),
    'NUMBER_OF_FIELDS 5',
    'BEGIN_DATA_FORMAT',
    'SAMPLE_ID SAMPLE_NAME SHEET READING_OF READING_VALUE',
    'END_DATA_FORMAT',
    `NUMBER_OF_SETS ${readings.length}`,
    'BEGIN_DATA',
    ...readings.map(
      ({ of, name, sheet, value }, i) => `${i + 1} ${quoted(name)} ${sheet ?? -1} ${quoted(of)} ${value}`,
    ),
    'END_DATA',
    '',
  ].join('\r\n');
}

/** Columns of other programs, and what they are readings of. Source: ISO 28178 (CGATS), from memory. */
const COLUMNS: Readonly<Record<string, string>> = {
  D_MAJOR_FILTER: 'density',
  D_VIS: 'density',
  DE00: 'colour',
  LAB_DE_2000: 'colour',
};

/** Readings out of a file: those that this program wrote, and densities and colour differences of others. */
export function readingsOf({ tables, faults }: ReadCgats): {
  readonly readings: readonly CgatsReading[];
  readonly faults: readonly CgatsFault[];
} {
  const wrong = [...faults];
  const readings = tables.flatMap(({ fields, sets }) => {
    const cell = (cells: readonly string[], field: string): string => cells[fields.indexOf(field)] ?? '';
    const columns = fields.filter((field) => field === 'READING_VALUE' || Object.hasOwn(COLUMNS, field));
    if (columns.length === 0)
      wrong.push({
        line: sets[0]?.line ?? 1,
        message: $localize`None of ${fields.join(', ')} is a density or a colour difference.`,
      });
    return sets.flatMap(({ cells, line }) =>
      columns.flatMap((field): CgatsReading[] => {
        const text = cell(cells, field);
        const value = Number(text);
        if (text === '' || !Number.isFinite(value)) {
          wrong.push({
            line,
            message: $localize`${field} is ${text === '' ? $localize`empty` : text}\: a number is wanted.`,
          });
          return [];
        }
        const sheet = Number(cell(cells, 'SHEET') || NaN);
        return [
          {
            of: field === 'READING_VALUE' ? cell(cells, 'READING_OF') : (COLUMNS[field] ?? ''),
            name: cell(cells, 'SAMPLE_NAME') || cell(cells, 'SAMPLE_ID'),
            sheet: Number.isInteger(sheet) && sheet >= 0 ? sheet : undefined,
            value,
          },
        ];
      }),
    );
  });
  return { readings, faults: wrong };
}

import {
  type DayFirst,
  type InSteps,
  type Issue,
  bareName,
  columnsOf,
  error,
  readDay,
  throughRows,
  toEnd,
} from '../kernel/index.js';

/** What a list of counts may tell, and what its columns are called. */
export const COUNT_COLUMNS = {
  job: $localize`Job`,
  station: $localize`Station`,
  when: $localize`When`,
  time: $localize`Time of day`,
  good: $localize`Good`,
  spoiled: $localize`Spoiled`,
  reason: $localize`Reason`,
} as const;
/** One of them. */
export type CountColumn = keyof typeof COUNT_COLUMNS;

/** How such a list is to be read. */
export interface CountListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<CountColumn, number>>>;
  readonly dates: DayFirst;
}

/** What a line counted at a station. */
export interface CountedLine {
  readonly line: number;
  /** Number of the job, and the station as the list calls it. */
  readonly job: string;
  readonly station: string;
  /** By the clock of the works, `2026-11-30T14:05`, or with its offset where the list tells one. */
  readonly at: string;
  readonly good: number;
  /** Process units. */
  readonly spoiled: number;
  readonly reason?: string;
}
/** A line of a list, or what is wrong with it. */
export type CountLine = CountedLine | { readonly line: number; readonly issues: readonly Issue[] };

/** Headings as counters of machines and lists of the floor write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<CountColumn, RegExp>> = {
  spoiled: /spoil|waste|reject|bad|makulatur|ausschuss|abfall/i,
  good: /good|output|produced|net\b|gut|menge|stück/i,
  reason: /reason|why|cause|grund|ursache/i,
  job: /job|order|auftrag/i,
  station: /station|machine|operation|press|maschine|arbeitsgang/i,
  when: /when|date|day|stamp|datum|tag\b|wann|zeitpunkt/i,
  time: /time|hour|uhr|zeit/i,
};

/** Which columns a heading tells. */
export const guessCountColumns = (headings: readonly string[]): Partial<Record<CountColumn, number>> =>
  columnsOf(headings, HEADINGS);

const CLOCK = /^(\d{1,2}):(\d{2})(?::\d{2}(?:[.,]\d+)?)?$/;
const WHOLE = /^(?:\d+|\d{1,3}(?:[.,'’\s]\d{3})+)$/;
const FIGURE = /^\d[\d.,]*$/;
const OFFSET = /(?:Z|[+-]\d{2}:?\d{2})$/;

/** The clock of a cell: “14:05”, “9:30:12”; undefined where it is none. */
function readClock(text: string): string | undefined {
  const [, hour = '', minute = ''] = CLOCK.exec(text) ?? [];
  return hour !== '' && Number(hour) < 24 && Number(minute) < 60 ? `${hour.padStart(2, '0')}:${minute}` : undefined;
}

/** A day with its time of day: “2026-11-30 14:05”, “30.11.2026, 9:30”, ISO 8601; undefined where there is no such. */
function readMoment(when: string, time: string, dates: DayFirst): string | undefined {
  if (OFFSET.test(when) && when.includes('T')) {
    const ms = Date.parse(when);
    return Number.isNaN(ms) ? undefined : new Date(ms).toISOString();
  }
  const [day = '', ...rest] = when.split(/[\sT,]+/);
  const [date, clock] = [readDay(day, dates), readClock(time === '' ? rest.join('') : time)];
  return date !== undefined && clock !== undefined ? `${date}T${clock}` : undefined;
}

function readLine(row: readonly string[], { columns, dates }: CountListKey, line: number): CountLine {
  const issues: Issue[] = [];
  const cellOf = (column: CountColumn): string => row[columns[column] ?? -1]?.trim() ?? '';
  const told = (column: CountColumn) => ({ column: COUNT_COLUMNS[column], cell: cellOf(column) });
  const figure = (column: CountColumn): number => {
    const text = cellOf(column);
    const amount = text.replace(/[\s\p{L}]+$/u, '');
    // Counts are whole: what parts three digits parts thousands, whatever the sign.
    const value = text === '' ? 0 : WHOLE.test(amount) ? Number(amount.replaceAll(/\D/g, '')) : undefined;
    if (value === undefined)
      issues.push(error(FIGURE.test(amount) ? 'list.not-whole' : 'list.not-a-number', column, told(column)));
    return value ?? 0;
  };
  const [job, station, reason] = [cellOf('job'), cellOf('station'), cellOf('reason')];
  for (const column of ['job', 'station', 'when'] as const)
    if (cellOf(column) === '') issues.push(error('list.cell-missing', column, told(column)));
  const at = readMoment(cellOf('when'), cellOf('time'), dates);
  if (cellOf('when') !== '' && at === undefined)
    issues.push(error('list.moment', 'when', { text: `${cellOf('when')} ${cellOf('time')}`.trim() }));
  const [good, spoiled] = [figure('good'), figure('spoiled')];
  if (issues.length === 0 && good + spoiled === 0) issues.push(error('list.nothing-counted', 'good'));
  return issues.length > 0 || at === undefined
    ? { line, issues }
    : { line, job, station, at, good, spoiled, ...(reason === '' ? {} : { reason }) };
}

/**
 * Reads a list of counts, line by line; empty lines are left out. @param rows lines without their heading. @param first
 * number of the first line. Issues: `list.cell-missing`, `list.not-a-number`, `list.not-whole`, `list.moment`,
 * `list.nothing-counted`. Source: common practice, no source.
 */
export function* countLines(rows: readonly (readonly string[])[], key: CountListKey, first = 2): InSteps<CountLine[]> {
  const lines: CountLine[] = [];
  yield* throughRows(rows, (row, i) => {
    if (row.some((cell) => cell.trim() !== '')) lines.push(readLine(row, key, first + i));
  });
  return lines;
}
/** The same in one go. */
export const readCountList = (...list: Parameters<typeof countLines>): CountLine[] => toEnd(countLines(...list));

/** A station as a list may call it. */
interface NamedStep {
  readonly id: string;
  readonly title: string;
  /** Id and name of the machine that it runs on. */
  readonly machine: string | null;
  readonly machineName: string | null;
}

/**
 * The station that a name is of: by its id, its title, or the machine (its id, its name) where that has one station of the job alone.
 * 'none' and 'several' where it is not one.
 */
export function stationNamed<S extends NamedStep>(steps: readonly S[], name: string): S | 'none' | 'several' {
  const bare = bareName(name);
  const ways: ((step: S) => boolean)[] = [
    ({ id }) => id === name.toLowerCase(),
    ({ title }) => bareName(title) === bare,
    ({ machine }) => machine === name.toLowerCase(),
    ({ machineName }) => machineName !== null && bareName(machineName) === bare,
  ];
  for (const way of ways) {
    const [found, other] = steps.filter(way);
    if (found) return other ? 'several' : found;
  }
  return 'none';
}

import Papa from 'papaparse';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { type FloorPlan, type FloorSlot, MINUTE_MS, group, numberText, wallClock } from '@druckerei/core';
import { FloorNames, type NamedJob, type Saying, changesText, waitsText } from '@druckerei/contract';
import { type BookHead, footText } from '../pdf/book-head.js';
import { renderPdf } from '../pdf/render.js';
import { heads, right, table } from '../ticket/table.js';

/** A schedule with the names of what it tells by ids. */
export interface ShiftBook {
  readonly works: string;
  readonly timeZone: string | undefined;
  readonly schedule: {
    readonly id: number;
    readonly state: string;
    readonly by: string;
    /** When it was made, ISO 8601. */
    readonly at: string;
    readonly plan: FloorPlan;
  };
  readonly jobs: readonly NamedJob[];
  /** Machines in the order of the works. */
  readonly machines: readonly { readonly id: string; readonly name: string }[];
  /** How the book ended when it is printed. */
  readonly book?: BookHead | undefined;
}

/** A line of the shift book. Times by the clock on the wall of the works, `2026-11-30T07:00`. */
export interface ShiftBookLine {
  readonly slot: FloorSlot;
  readonly machine: string;
  readonly begins: string;
  readonly through: string;
  readonly job: string;
  readonly title: string;
  readonly station: string;
  /** What is changed on the machine before. */
  readonly changes: string;
  readonly waitsFor: string;
}

const SAY: Saying = { date: (day) => day.slice(0, 10), count: (value) => numberText(value) };

/** What runs on every machine, one after another. */
export function shiftBookLines({ schedule: { plan }, jobs, machines, timeZone }: ShiftBook): ShiftBookLine[] {
  const names = new FloorNames(jobs, machines);
  const wall = (minute: number): string => wallClock(plan.origin + minute * MINUTE_MS, timeZone);
  const known = new Set(machines.map(({ id }) => id));
  const gone = plan.slots.flatMap(({ machine }) => (machine === null || known.has(machine) ? [] : [machine]));
  return [...known, ...new Set(gone)].flatMap((machine) =>
    plan.slots
      .filter((slot) => slot.machine === machine)
      .sort((a, b) => a.start - b.start || a.end - b.end)
      .map((slot) => ({
        slot,
        machine: names.machine(machine),
        begins: wall(slot.start),
        through: wall(slot.end),
        job: names.number(slot.job),
        title: names.title(slot.job),
        station: names.step(slot.job, slot.step),
        changes: changesText(slot),
        waitsFor: waitsText(slot, names, SAY),
      })),
  );
}

/** The shift book as a table. Cells that a sheet would run are escaped. */
export const shiftBookCsv = (book: ShiftBook): string =>
  Papa.unparse(
    {
      fields: [
        $localize`Machine`,
        $localize`Begins`,
        $localize`Through`,
        $localize`Job`,
        $localize`Title`,
        $localize`Station`,
        $localize`Set-up, min`,
        $localize`Changed before`,
        $localize`Waits for`,
        $localize`Who`,
      ],
      data: shiftBookLines(book).map(({ slot, machine, begins, through, job, title, station, changes, waitsFor }) => [
        machine,
        begins.replace('T', ' '),
        through.replace('T', ' '),
        job,
        title,
        station,
        slot.setUp,
        changes,
        waitsFor,
        slot.place ?? '',
      ]),
    },
    { escapeFormulae: true },
  );

const WIDTHS = [34, 52, 72, '*', 36, 150, 150, 64];
const headsOf = (): TableCell[] =>
  heads(
    $localize`Begins`,
    $localize`Through`,
    $localize`Job`,
    $localize`Station`,
    `>${$localize`Set-up`}`,
    $localize`Changed before`,
    $localize`Waits for`,
    $localize`Who`,
  );

const WEEKDAYS = [
  $localize`Sunday`,
  $localize`Monday`,
  $localize`Tuesday`,
  $localize`Wednesday`,
  $localize`Thursday`,
  $localize`Friday`,
  $localize`Saturday`,
];
const dayText = (day: string): string => `${WEEKDAYS[new Date(`${day}T00:00:00Z`).getUTCDay()] ?? ''}, ${day}`;

/** The end of a station as its line tells it: the day only where it is another. */
const endText = ({ begins, through }: ShiftBookLine): string =>
  through.slice(0, 10) === begins.slice(0, 10) ? through.slice(11) : through.slice(5).replace('T', ' ');

const rowOf = (line: ShiftBookLine): TableCell[] => [
  line.begins.slice(11),
  endText(line),
  { text: line.job, bold: true },
  { text: [line.station, { text: line.title === '' ? '' : `\n${line.title}`, style: 'quiet' }] },
  right(`${line.slot.setUp} min`),
  line.changes,
  line.waitsFor,
  line.slot.place ?? '',
];

function groupedBy(
  lines: readonly ShiftBookLine[],
  keyOf: (line: ShiftBookLine) => string,
): Map<string, ShiftBookLine[]> {
  const groups = new Map<string, ShiftBookLine[]>();
  for (const line of lines) group(groups, keyOf(line), line);
  return groups;
}

/** The shift book for print: a page or more for every machine, to hang beside it, parted by days. */
export function shiftBookPdf(book: ShiftBook): Promise<Buffer> {
  const { works, schedule } = book;
  const lines = shiftBookLines(book);
  const state = $localize`${schedule.state === 'in force' ? $localize`In force` : $localize`A trial, not in force`}, ${schedule.by}, ${schedule.at.slice(0, 16).replace('T', ' ')} UTC`;
  const content: Content[] = [...groupedBy(lines, ({ machine }) => machine)].flatMap(([machine, own], i): Content[] => [
    { text: machine, style: 'title', ...(i > 0 ? { pageBreak: 'before' as const } : {}) },
    { text: state, style: 'quiet' },
    ...[...groupedBy(own, ({ begins }) => begins.slice(0, 10))].map(([day, of]): Content => ({
      stack: [{ text: dayText(day), style: 'heading' }, table(WIDTHS, headsOf(), of.map(rowOf))],
    })),
  ]);
  const title = $localize`Shift book, ${works}`;
  return renderPdf(
    {
      pageOrientation: 'landscape',
      info: { title },
      footer: (page, count) => ({
        text: footText($localize`${title}. Schedule ${schedule.id}, ${state}. Page ${page} of ${count}`, book.book),
        margin: [42, 12],
        style: 'quiet',
      }),
      content:
        content.length > 0 ? content : [{ text: title, style: 'title' }, $localize`No station runs on a machine.`],
    },
    new Date(schedule.at),
  );
}

import Papa from 'papaparse';

/** A line of the shift book. Times by the clock on the wall of the works. */
export interface ShiftBookLine {
  readonly machine: string;
  /** `2026-11-30T07:00`. */
  readonly begins: string;
  readonly through: string;
  readonly job: string;
  readonly title: string;
  readonly station: string;
  readonly setUpMin: number;
  /** What is changed on the machine before. */
  readonly changes: string;
  readonly waitsFor: string;
}

/** What runs on every machine, one after another, as a table. Cells that a sheet would run are escaped. */
export const shiftBookCsv = (lines: readonly ShiftBookLine[]): string =>
  Papa.unparse(
    {
      fields: ['Machine', 'Begins', 'Through', 'Job', 'Title', 'Station', 'Set-up, min', 'Changed before', 'Waits for'],
      data: lines.map(({ machine, begins, through, job, title, station, setUpMin, changes, waitsFor }) => [
        machine,
        begins.replace('T', ' '),
        through.replace('T', ' '),
        job,
        title,
        station,
        setUpMin,
        changes,
        waitsFor,
      ]),
    },
    { escapeFormulae: true },
  );

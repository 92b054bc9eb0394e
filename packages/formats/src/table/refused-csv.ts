import Papa from 'papaparse';

/** A line of a table that was not taken, and why. */
export interface RefusedLine {
  readonly line: number;
  readonly cells: readonly string[];
  readonly why: string;
}

/** Lines that were not taken, as they stood with the reason beside them, to be mended and read again. Cells that a sheet would run are escaped. */
export const refusedCsv = (headings: readonly string[], lines: readonly RefusedLine[]): string =>
  Papa.unparse(
    {
      fields: [...headings, $localize`Line`, $localize`Why`],
      data: lines.map(({ line, cells, why }) => [...headings.map((_, at) => cells[at] ?? ''), line, why]),
    },
    { escapeFormulae: true },
  );

import type { NumberLine } from '@druckerei/core';
import Papa from 'papaparse';

/** The number list: a line a number with its sheet and position. Cells that a spreadsheet would run are escaped. */
export const numbersCsv = (lines: readonly NumberLine[]): string =>
  Papa.unparse(
    {
      fields: ['Sheet', 'Position', 'Number'],
      data: lines.map(({ sheet, position, printed }) => [sheet, position, printed]),
    },
    { escapeFormulae: true },
  );

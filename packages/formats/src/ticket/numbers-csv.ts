import type { NumberLine } from '@druckerei/core';
import Papa from 'papaparse';

/** The number list: a line a number with its sheet and position, and what replaces it where it was voided. Cells that a spreadsheet would run are escaped. */
export const numbersCsv = (lines: readonly NumberLine[]): string =>
  Papa.unparse(
    {
      fields: [$localize`Sheet`, $localize`Position`, $localize`Number`, $localize`Void, replaced by`],
      data: lines.map(({ sheet, position, printed, replacedBy = '' }) => [sheet, position, printed, replacedBy]),
    },
    { escapeFormulae: true },
  );

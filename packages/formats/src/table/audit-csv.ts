import Papa from 'papaparse';
import { wordOf } from '@druckerei/core';
import type { AuditRecord } from '@druckerei/contract';

/** What was done, as a table. Cells that a sheet would run are escaped. */
export const auditCsv = (lines: readonly AuditRecord[]): string =>
  Papa.unparse(
    {
      fields: [$localize`When`, $localize`Who`, $localize`What`, $localize`Of which`],
      data: lines.map(({ at, by, what, subject }) => [at, by, wordOf(what), subject]),
    },
    { escapeFormulae: true },
  );

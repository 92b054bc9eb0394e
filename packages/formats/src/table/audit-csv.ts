import Papa from 'papaparse';
import type { AuditRecord } from '@druckerei/contract';

/** What was done, as a table. Cells that a sheet would run are escaped. */
export const auditCsv = (lines: readonly AuditRecord[]): string =>
  Papa.unparse(
    {
      fields: ['When', $localize`Who`, 'What', $localize`Of which`],
      data: lines.map(({ at, by, what, subject }) => [at, by, what, subject]),
    },
    { escapeFormulae: true },
  );

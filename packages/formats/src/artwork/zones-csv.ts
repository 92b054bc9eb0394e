import Papa from 'papaparse';

export interface ZoneRowOut {
  readonly unit: string;
  readonly side: string;
  readonly ink: string;
  /** Shares 0..1, the left of the sheet first. */
  readonly zones: readonly number[];
}

/** Ink zones as CSV: a line an ink, a column a zone, per cent with two places. Cells that a spreadsheet would run are escaped. */
export function zonesCsv(rows: readonly ZoneRowOut[]): string {
  const count = Math.max(0, ...rows.map(({ zones }) => zones.length));
  const fields = [
    $localize`Unit`,
    $localize`Side`,
    $localize`Ink`,
    ...Array.from({ length: count }, (_, i) => $localize`Zone ${i + 1} %`),
  ];
  const data = rows.map(({ unit, side, ink, zones }) => [
    unit,
    side,
    ink,
    ...zones.map((zone) => (zone * 100).toFixed(2)),
  ]);
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`;
}

import type { ContentTable, CustomTableLayout, TableCell } from 'pdfmake/interfaces.js';

export const right = (text: string): TableCell => ({ text, alignment: 'right' });

/** Heads of columns; one that begins with `>` stands at the right. */
export const heads = (...names: string[]): TableCell[] =>
  names.map((name) => ({
    text: name.replace(/^>/, ''),
    style: 'th',
    ...(name.startsWith('>') ? { alignment: 'right' as const } : {}),
  }));

/** Thin lines between rows, and little room around what stands in them. */
const COMPACT: CustomTableLayout = {
  hLineWidth: (i, node) => (i === 0 || i === node.table.body.length ? 0 : i === 1 ? 0.9 : 0.4),
  vLineWidth: () => 0,
  hLineColor: () => '#777777',
  paddingLeft: (i) => (i === 0 ? 0 : 3),
  paddingRight: () => 3,
  paddingTop: () => 1.5,
  paddingBottom: () => 1.5,
};

export const table = (widths: (string | number)[], head: TableCell[], rows: TableCell[][]): ContentTable => ({
  table: { headerRows: 1, widths, body: [head, ...rows], dontBreakRows: true },
  layout: COMPACT,
});

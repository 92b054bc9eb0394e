import type { ContentTable, TableCell } from 'pdfmake/interfaces.js';

export const right = (text: string): TableCell => ({ text, alignment: 'right' });

/** Heads of columns; one that begins with `>` stands at the right. */
export const heads = (...names: string[]): TableCell[] =>
  names.map((name) => ({
    text: name.replace(/^>/, ''),
    style: 'th',
    ...(name.startsWith('>') ? { alignment: 'right' as const } : {}),
  }));

export const table = (widths: (string | number)[], head: TableCell[], rows: TableCell[][]): ContentTable => ({
  table: { headerRows: 1, widths, body: [head, ...rows], dontBreakRows: true },
  layout: 'lightHorizontalLines',
});

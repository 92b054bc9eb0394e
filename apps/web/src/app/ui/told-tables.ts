import { type ToldTable, toldCell } from '@druckerei/formats/tables';

const HEADINGS = 'h1, h2, h3, h4, legend, summary';
/** Signs that are drawn as letters, and what nobody sees. */
const UNSAID = 'mat-icon, svg, script, style, template, [hidden]';

const isBlock = (element: Element): boolean => !/^(inline|contents)/.test(getComputedStyle(element).display);

/** What a field holds, as it is read; undefined where it is no field. */
function fieldText(element: Element): string | undefined {
  if (element instanceof HTMLSelectElement) return element.selectedOptions[0]?.textContent;
  if (element instanceof HTMLTextAreaElement) return element.value;
  if (!(element instanceof HTMLInputElement)) return undefined;
  if (element.type === 'checkbox' || element.type === 'radio') return element.checked ? 'yes' : 'no';
  return element.type === 'file' || element.type === 'button' ? '' : element.value;
}

/** What somebody reads in an element: fields by what they hold, blocks apart. */
function textOf(node: Node): string {
  if (node instanceof Text) return node.data;
  if (!(node instanceof Element) || node.matches(UNSAID)) return '';
  const field = fieldText(node);
  const said = field ?? [...node.childNodes].map(textOf).join('');
  return field !== undefined || node.tagName === 'BR' || isBlock(node) ? ` ${said} ` : said;
}
const said = (element: Element): string => textOf(element).replace(/\s+/g, ' ').trim();

/** Cells of a row, each at its column: a heading that spans several stands over each, another cell leaves the others empty. */
const cellsOf = (row: HTMLTableRowElement, isHead: boolean): string[] =>
  [...row.cells].flatMap((cell) => {
    // A heading may hold a box that chooses all lines.
    const text = isHead && cell.querySelector('input') ? '' : said(cell);
    return [text, ...Array.from({ length: cell.colSpan - 1 }, () => (isHead ? text : ''))];
  });
/** What a column of boxes says that choose lines. */
const CHOICES = new Set(['', 'yes', 'no']);

const isShown = (element: Element): boolean =>
  typeof element.checkVisibility !== 'function' || element.checkVisibility();

/** What a table is called: by itself, or by the heading or the tab that it stands under. */
function nameOf(table: HTMLTableElement, headings: readonly Element[]): string {
  const own = table.caption ? said(table.caption) : (table.getAttribute('aria-label') ?? '');
  if (own !== '') return own;
  const above = headings.filter(
    (heading) => (heading.compareDocumentPosition(table) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0,
  );
  const nearest = above.at(-1);
  // The label of a tab stands over what is in it.
  const panel = table.closest('[role=tabpanel]');
  const tab = document.getElementById(panel?.getAttribute('aria-labelledby') ?? '');
  const over = panel && tab && (!nearest || !panel.contains(nearest)) ? tab : nearest;
  return over ? said(over) : $localize`Table`;
}

/** A table as it is seen: columns that hold nothing are left out, and the row that says that there is none. */
function toldTable(table: HTMLTableElement, name: string): ToldTable {
  const rows = [...table.rows].filter(
    (row) => isShown(row) && ![...row.cells].some(({ classList }) => classList.contains('empty')),
  );
  const isHead = (row: HTMLTableRowElement): boolean =>
    [...row.cells].every((cell) => cell.tagName === 'TH' && cell.scope !== 'row');
  const begins = rows.findIndex((row) => !isHead(row));
  const cells = rows.map((row, i) => cellsOf(row, begins < 0 || i < begins));
  const [head, body] = begins < 0 ? [cells, []] : [cells.slice(0, begins), cells.slice(begins)];
  const width = Math.max(0, ...cells.map(({ length }) => length));
  const used = Array.from({ length: width }, (_, at) => at).filter((at) => {
    const column = body.map((row) => row[at] ?? '');
    const isTold = head.length === 0 || head.some((row) => (row[at] ?? '') !== '');
    return column.some((cell) => cell !== '') && (isTold || column.some((cell) => !CHOICES.has(cell)));
  });
  const at = (row: readonly string[]): string[] => used.map((column) => row[column] ?? '');
  return { name, headings: head.map(at), rows: body.map((row) => at(row).map(toldCell)) };
}

/** Tables that somebody sees in a part of the page, in their order; those without a row are left out. */
export function toldTables(within: ParentNode): ToldTable[] {
  const headings = [...within.querySelectorAll(HEADINGS)].filter(isShown);
  return [...within.querySelectorAll('table')]
    .filter((table) => isShown(table) && table.parentElement?.closest('table') === null)
    .map((table) => toldTable(table, nameOf(table, headings)))
    .filter(({ rows }) => rows.length > 0);
}

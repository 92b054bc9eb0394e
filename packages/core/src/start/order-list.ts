import { type DayFirst, type Issue, type Outcome, columnsOf, error, readDay } from '../kernel/index.js';
import {
  type AskedFamily,
  type FamilyAnswers,
  type Question,
  type ReadOrder,
  FAMILY_RULES,
  numberAfter,
  quantityIn,
  readOrder,
  usualIn,
  withColours,
} from '../families/index.js';
import { type Job, FOLDS_OF } from '../job/index.js';
import type { Works } from '../works/index.js';
import { startJob } from './start-job.js';

/** What a list of orders may tell, and what its columns are called. */
export const ORDER_COLUMNS = {
  product: $localize`Product, in words`,
  quantity: $localize`Quantity`,
  number: $localize`Job number`,
  title: $localize`Title`,
  customer: $localize`Customer`,
  due: $localize`Due`,
} as const;
/** One of them. */
export type OrderColumn = keyof typeof ORDER_COLUMNS;

/** How a list of orders is to be read. */
export interface OrderListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<OrderColumn, number>>>;
  readonly first: DayFirst;
}

/** A line of a list of orders, begun as a job. */
export interface OrderedJob {
  readonly job: Job;
  /** Words of the product that nothing was made of. */
  readonly left: readonly string[];
  /** What the line does not tell, and is taken as it is usual in the works. */
  readonly usual: readonly Question[];
}

/** Headings as such lists write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<OrderColumn, RegExp>> = {
  due: /due|deliver|wanted|termin|liefer|datum|date/i,
  quantity: /quantity|qty|copies|run|menge|auflage|anzahl|stück/i,
  number: /number|\bno\b\.?|job|order|nummer|\bnr\b\.?|auftrag/i,
  customer: /customer|client|buyer|kunde|firma/i,
  title: /title|name|titel|objekt/i,
  product: /product|description|specification|what|produkt|beschreibung|artikel/i,
};

/** Which columns a heading tells. */
export const guessOrderColumns = (headings: readonly string[]): Partial<Record<OrderColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** Letters that a job keeps of its number, its title and its customer. */
const MOST_LETTERS = { number: 40, title: 120, customer: 120 } as const;

/** Answers where neither a line nor the family's usual ones say anything. */
const ELSE = {
  customer: '',
  quantity: 0,
  widthMm: 210,
  heightMm: 297,
  pages: 16,
  stock: '',
  coverStock: '',
  press: '',
  folds: 0,
  die: { kind: 'structure', structure: 'straight-tuck', depthMm: 130 },
} as const satisfies Partial<FamilyAnswers>;

/** Answers to the questions of a family: what was read, else what is usual in the works. */
function answersOf(family: AskedFamily, read: ReadOrder, works: Works): Omit<FamilyAnswers, 'number' | 'title'> {
  const {
    family: _family,
    colours: _colours,
    understood: _understood,
    left: _left,
    due: _due,
    title: _title,
    ...told
  } = read;
  const folds = told.fold ? { folds: FOLDS_OF[told.fold] } : {};
  return { ...ELSE, ...usualIn(family, works), ...told, ...folds };
}

/** What a family asks that a line did not tell. */
function untold(family: AskedFamily, read: ReadOrder): Question[] {
  const told: Partial<Readonly<Record<Question, unknown>>> = {
    size: read.widthMm,
    measures: read.widthMm,
    pages: read.pages,
    stock: read.stock,
    coverStock: read.coverStock,
  };
  const asked: readonly Question[] = ['size', 'stock', ...FAMILY_RULES[family].asks];
  return [...new Set(asked)].filter((question) => question in told && told[question] === undefined);
}

/**
 * A job out of what an order tells, cell by cell, and what its product was read as; what is told goes before what was read, the rest is as is usual in
 * the works. Issues: `list.no-product`, `list.quantity`, `list.date`, `list.no-number`, `list.long`, and those of {@link startJob}. Source: common
 * practice, no source.
 */
export function beginOrder(
  told: Readonly<Record<OrderColumn, string>>,
  { read, first }: { readonly read: ReadOrder; readonly first: DayFirst },
  works: Works,
): Outcome<OrderedJob> {
  const issues: Issue[] = [];
  for (const field of Object.keys(MOST_LETTERS) as (keyof typeof MOST_LETTERS)[])
    if (told[field].length > MOST_LETTERS[field])
      issues.push(error('list.long', field, { column: ORDER_COLUMNS[field], most: MOST_LETTERS[field] }));
  const { family } = read;
  if (!family) issues.push(error('list.no-product', 'product', { text: told.product }));
  const quantity = told.quantity === '' ? read.quantity : quantityIn(told.quantity);
  if (quantity === undefined) issues.push(error('list.quantity', 'quantity', { text: told.quantity }));
  const due = told.due === '' ? read.due : readDay(told.due, first);
  if (due === undefined && told.due !== '') issues.push(error('list.date', 'due', { text: told.due }));
  if (told.number === '') issues.push(error('list.no-number', 'number'));
  if (!family || quantity === undefined || issues.length > 0) return { ok: false, issues };
  const title = told.title === '' ? (read.title ?? told.product.slice(0, MOST_LETTERS.title)) : told.title;
  const customer = told.customer === '' ? read.customer : told.customer;
  const answers: FamilyAnswers = {
    ...answersOf(family, read, works),
    number: told.number,
    title,
    quantity,
    ...(customer ? { customer } : {}),
  };
  const start = startJob(family, answers, works);
  if (start.issues.length > 0) return { ok: false, issues: start.issues };
  const coloured = read.colours ? withColours(start.job, read.colours) : start.job;
  const job = due === undefined ? coloured : { ...coloured, due };
  return { ok: true, value: { job, left: read.left, usual: untold(family, read) } };
}

/**
 * A job out of a line of a list of orders: what its cells say, what the words of the product say, the rest as is usual in the works. A cell goes before
 * the words. @param number for the job where the list has none. Issues: those of {@link beginOrder}. Source: common practice, no source.
 */
export function startOrdered(
  cells: readonly string[],
  { columns, first }: OrderListKey,
  works: Works,
  number?: string,
): Outcome<OrderedJob> {
  const cell = (column: OrderColumn): string => {
    const at = columns[column];
    return at === undefined ? '' : (cells[at] ?? '').trim();
  };
  const read = readOrder(cell('product'), works);
  return beginOrder(
    {
      product: cell('product'),
      number: cell('number') === '' ? (number ?? '') : cell('number'),
      title: cell('title'),
      customer: cell('customer'),
      quantity: cell('quantity'),
      due: cell('due'),
    },
    { read, first },
    works,
  );
}

/**
 * The lines of a list one after another, each begun as a job or not. Lines without a number have the next of the works in turn. @param number the next
 * of the works, empty where none can be told. Issues: of each line, those of {@link startOrdered}.
 */
export function* startOrders(
  rows: Iterable<readonly string[]>,
  key: OrderListKey,
  works: Works,
  number: string,
): Generator<Outcome<OrderedJob>> {
  let next = number;
  for (const cells of rows) {
    const made = startOrdered(cells, key, works, next);
    if (made.ok && made.value.job.number === next) next = numberAfter([next]) ?? '';
    yield made;
  }
}

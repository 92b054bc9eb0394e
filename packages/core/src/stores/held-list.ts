import { type InSteps, type Issue, bareName, columnsOf, error, throughRows, toEnd } from '../kernel/index.js';
import {
  type PaperItem,
  type Stock,
  type Works,
  SUPPLIES,
  type SupplyId,
  inUse,
  isPaperKey,
  paperKey,
  readAmount,
  readSheetSize,
  supplyKey,
} from '../works/index.js';
import { type Need, paperName } from './needs.js';

/** What a list of what lies in the stores may tell, and what its columns are called. */
export const HELD_COLUMNS = {
  item: $localize`What lies there`,
  size: $localize`Sheet or roll, mm`,
  grain: $localize`Grain along, mm`,
  quantity: $localize`How many`,
  place: $localize`Where`,
} as const;
/** One of them. */
export type HeldColumn = keyof typeof HELD_COLUMNS;

/** How such a list is to be read. */
export interface HeldListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<HeldColumn, number>>>;
  readonly decimal: '.' | ',';
}

/** Headings as stock-taking lists write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<HeldColumn, RegExp>> = {
  grain: /grain|faser|laufrichtung/i,
  size: /size|format|width|breite|\bmm\b/i,
  quantity: /on hand|how many|quantity|count|amount|sheets|stock\b|bestand|menge|anzahl/i,
  place: /where|place|shelf|row|bay|location|lager|ort\b|platz|regal/i,
  item: /what|item|article|artikel|name|paper|papier|grade|sorte|bezeichnung|material/i,
};

/** Which columns a heading tells. */
export const guessHeldColumns = (headings: readonly string[]): Partial<Record<HeldColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** Something that is no paper, as the needs of jobs call it. */
export interface OtherThing {
  readonly kind: Exclude<Need['kind'], 'sheets' | 'rolls'>;
  readonly name: string;
  readonly unit: string;
}
/** Something that may lie in the stores: a paper in a size, or something else; `key` is what needs know it by. */
export interface HeldThing {
  readonly key: string;
  readonly paper?: PaperItem;
  readonly other?: OtherThing;
}

/** What was counted of a thing, in the unit that jobs need it in; wherever it lies where no place is told. */
export interface Held extends HeldThing {
  readonly quantity: number;
  readonly place?: string;
}
/** Lines of a list about one thing at one place, or what is wrong with one. */
export type HeldLine = { readonly line: number } & ({ readonly held: Held } | { readonly issues: readonly Issue[] });

/** What is known of what may lie in the stores. */
export interface KnownThings {
  readonly works: Works;
  /** Papers that lie there already. */
  readonly papers: readonly PaperItem[];
  /** What is no paper: what jobs need, and what lies there already. */
  readonly others: readonly (OtherThing & { readonly key: string })[];
}

/** Sizes and rolls that a stock is bought in. */
const papersOf = ({ id, sheets, rollWidthsMm = [] }: Stock): PaperItem[] => [
  ...sheets.map((sheet) => ({ stock: id, ...sheet })),
  ...rollWidthsMm.map((widthMm) => ({ stock: id, widthMm })),
];
const ofPaper = (paper: PaperItem): HeldThing => ({ key: paperKey(paper), paper });

/** All that may lie in the stores by what a list may call it: keys, names with and without their size. */
class Things {
  private readonly byName = new Map<string, HeldThing>();
  private readonly stocks = new Map<string, Stock>();

  constructor({ works, papers, others }: KnownThings) {
    const add = (thing: HeldThing, ...names: readonly string[]): void => {
      for (const name of [thing.key, ...names.map(bareName)]) if (!this.byName.has(name)) this.byName.set(name, thing);
    };
    for (const stock of inUse(works.stocks)) {
      for (const name of [stock.id, bareName(stock.name)]) this.stocks.set(name, stock);
      for (const paper of papersOf(stock)) add(ofPaper(paper), paperName(paper, works));
    }
    // In a size of its own, or of a paper that is bought no more.
    for (const paper of papers) add(ofPaper(paper), paperName(paper, works));
    for (const { key, kind, name, unit } of others)
      if (!isPaperKey(key)) add({ key, other: { kind, name, unit } }, name);
    for (const [id, { name, unit }] of Object.entries(SUPPLIES)) {
      const key = supplyKey(id as SupplyId);
      add({ key, other: { kind: key.startsWith('packing/') ? 'packing' : 'supplies', name, unit } }, name);
    }
  }
  thing(name: string): HeldThing | undefined {
    return this.byName.get(name) ?? this.byName.get(bareName(name));
  }
  stock(name: string): Stock | undefined {
    return this.stocks.get(name) ?? this.stocks.get(bareName(name));
  }
}

/** Millimetres out of “700 x 1000 mm”, “70 x 100” or “870”, a sheet's longer side first; undefined where it says neither. */
function readSize(cell: string, decimal: '.' | ','): readonly number[] | undefined {
  const roll = readAmount(cell.replace(/mm$/i, ''), decimal);
  return readSheetSize(cell, decimal) ?? (roll !== undefined && roll > 0 ? [roll] : undefined);
}

/** The paper of a stock in a size; what is missing to know it, by its column. */
function sized(
  stock: Stock,
  { size, grain, decimal }: { readonly size: string; readonly grain: string; readonly decimal: '.' | ',' },
): { readonly paper: PaperItem } | { readonly wrong: HeldColumn } {
  const papers = papersOf(stock);
  const [only] = papers;
  if (size === '') return only && papers.length === 1 ? { paper: only } : { wrong: 'size' };
  const [a, b] = readSize(size, decimal) ?? [];
  if (a === undefined) return { wrong: 'size' };
  if (b === undefined) return { paper: { stock: stock.id, widthMm: a } };
  const side = readSize(grain, decimal)?.[0];
  const along = [a, b].find((one) => one === side || one === 10 * (side ?? 0));
  if (grain !== '' && along === undefined) return { wrong: 'grain' };
  const known = papers.filter(
    ({ widthMm, heightMm, grain: runs }) =>
      ((widthMm === a && heightMm === b) || (widthMm === b && heightMm === a)) &&
      (along === undefined || along === (runs === 'width' ? widthMm : heightMm)),
  );
  const [found] = known;
  if (found && known.length === 1) return { paper: found };
  // A size that it is not bought in: its grain cannot be known.
  return along === undefined
    ? { wrong: 'grain' }
    : { paper: { stock: stock.id, widthMm: a, heightMm: b, grain: along === a ? 'width' : 'height' } };
}

/** What a line counts, or what is wrong with it. */
function readLine(
  row: readonly string[],
  { columns, decimal }: HeldListKey,
  things: Things,
): { readonly held: Held } | { readonly issues: readonly Issue[] } {
  const issues: Issue[] = [];
  const cellOf = (column: HeldColumn): string => row[columns[column] ?? -1]?.trim() ?? '';
  const refuse = (code: Issue['code'], column: HeldColumn): void => {
    issues.push(error(code, column, { column: HELD_COLUMNS[column], cell: cellOf(column) }));
  };
  const [name, size, grain, many, place] = [
    cellOf('item'),
    cellOf('size'),
    cellOf('grain'),
    cellOf('quantity'),
    cellOf('place'),
  ];
  const stock = things.stock(name);
  let thing = things.thing(name);
  if (name === '') refuse('list.cell-missing', 'item');
  else if (stock) {
    const told = sized(stock, { size, grain, decimal });
    if ('paper' in told) thing = ofPaper(told.paper);
    else refuse(cellOf(told.wrong) === '' ? 'list.cell-missing' : 'list.size-unknown', told.wrong);
  } else if (!thing) refuse('list.unknown-item', 'item');

  // A unit behind it is read over: “1,200 sheets”.
  const figure = readAmount(many.replace(/[\s\p{L}²³/]+$/u, ''), decimal);
  const isWhole = thing === undefined || !isPaperKey(thing.key) || Number.isInteger(figure);
  if (many === '') refuse('list.cell-missing', 'quantity');
  else if (figure === undefined || figure < 0) refuse('list.not-a-number', 'quantity');
  else if (!isWhole) refuse('list.not-whole', 'quantity');
  return issues.length > 0 || !thing || figure === undefined
    ? { issues }
    : { held: { ...thing, quantity: figure, ...(place === '' ? {} : { place }) } };
}

/**
 * Reads a list of what lies in the stores, line by line; empty lines are left out. Lines of one thing at one place are
 * added up and told by the first of them. Where some lines of a thing name a place, the others are of no place; where none
 * does, what they count is all that there is. @param rows lines without their heading. @param first number of
 * the first line. Issues: `list.cell-missing`, `list.unknown-item`,
 * `list.size-unknown`, `list.not-a-number`, `list.not-whole`. Source: common practice, no source.
 */
export function* heldLines(
  rows: readonly (readonly string[])[],
  key: HeldListKey,
  known: KnownThings,
  first = 2,
): InSteps<HeldLine[]> {
  const things = new Things(known);
  const wrong: HeldLine[] = [];
  const counted: { readonly line: number; readonly held: Held }[] = [];
  yield* throughRows(rows, (row, i) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const read = { ...readLine(row, key, things), line: first + i };
    if ('held' in read) counted.push(read);
    else wrong.push(read);
  });
  const placed = new Set(counted.filter(({ held }) => held.place !== undefined).map(({ held }) => held.key));
  const sums = new Map<string, { readonly line: number; readonly held: Held }>();
  for (const { line, held } of counted) {
    const place = held.place ?? (placed.has(held.key) ? '' : undefined);
    const at = JSON.stringify([held.key, place]);
    const before = sums.get(at);
    sums.set(at, {
      line: before?.line ?? line,
      held: {
        ...held,
        quantity: (before?.held.quantity ?? 0) + held.quantity,
        ...(place === undefined ? {} : { place }),
      },
    });
  }
  return [...sums.values(), ...wrong].sort((a, b) => a.line - b.line);
}
/** The same in one go. */
export const readHeldList = (...list: Parameters<typeof heldLines>): HeldLine[] => toEnd(heldLines(...list));

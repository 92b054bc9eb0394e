import {
  type Contact,
  type HouseSupply,
  type Issue,
  type KeptInk,
  type Lab,
  type RecipePart,
  type SupplyId,
  CONTACTS,
  DRYINGS,
  INK_KINDS,
  SUPPLIES,
  bareName,
  checkInk,
  checkSupply,
  columnsOf,
  error,
  idOf,
  readAmount,
  readFlag,
  table,
} from '@druckerei/core';
import { issueText } from './messages.js';
import { CONTACT_WORDS, DRYING_WORDS, INK_KIND_WORDS } from './press-words.js';

/** What a list of inks and supplies may tell, and what its columns are called. */
export const INK_COLUMNS = {
  name: $localize`Name`,
  what: $localize`What it is`,
  drying: $localize`How it dries`,
  film: $localize`Film, g/m²`,
  solids: $localize`Solids, share`,
  tolerance: $localize`Trial accepted up to, ΔE00`,
  l: 'L*',
  a: 'a*',
  b: 'b*',
  recipe: $localize`Recipe, parts`,
  cleared: $localize`Cleared for`,
  accountable: $localize`Accountable`,
} as const;
/** One of them. */
export type InkColumn = keyof typeof INK_COLUMNS;

/** How such a list is to be read. */
export interface InkListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<InkColumn, number>>>;
  readonly decimal: '.' | ',';
}

/** Headings as such lists write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<InkColumn, RegExp>> = {
  drying: /dries|drying|trockn/i,
  film: /film\b.*g|g\/m|schicht|auftrag/i,
  solids: /solid|festk/i,
  tolerance: /toleran|accepted|Δ|delta/i,
  l: /^\s*(?:cie ?)?L\*?\s*$/i,
  a: /^\s*(?:cie ?)?a\*?\s*$/i,
  b: /^\s*(?:cie ?)?b\*?\s*$/i,
  recipe: /recipe|formula|rezept/i,
  cleared: /clear|contact|food|freigabe|lebensmittel/i,
  accountable: /accountable|nachweis/i,
  what: /what|kind|type|art\b|sorte/i,
  name: /name|ink|colou?r|supply|farbe|bezeichnung/i,
};

/** Which columns a heading tells. */
export const guessInkColumns = (headings: readonly string[]): Partial<Record<InkColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** An ink or a supply, or why there is none. */
type ReadThing = { readonly ink: KeptInk } | { readonly supply: HouseSupply } | { readonly why: string };
/** What a line of a list came to. */
export type InkLine = { readonly line: number } & ReadThing;

/** Words, each with what it means. */
const meanings = <T extends string>(ids: readonly T[], names: Readonly<Record<T, string>>): ReadonlyMap<string, T> =>
  new Map(ids.flatMap((id) => [[bareName(id), id] as const, [bareName(names[id]), id] as const]));

const KINDS = meanings(INK_KINDS, INK_KIND_WORDS);
const DRIES = meanings(DRYINGS, DRYING_WORDS);
const CLEARED = meanings(CONTACTS, CONTACT_WORDS);
const SUPPLY_IDS = Object.keys(SUPPLIES) as SupplyId[];
const SUPPLY_NAMES = table(SUPPLY_IDS.map((id) => [id, SUPPLIES[id].name])) as Record<SupplyId, string>;
const SUPPLY_OF = meanings(SUPPLY_IDS, SUPPLY_NAMES);
const KIND_WORDS = [...Object.values(INK_KIND_WORDS), ...Object.values(SUPPLY_NAMES)];
const PERCENT = 100;

/** Columns that only an ink has. */
const INK_ALONE: readonly InkColumn[] = [
  'drying',
  'film',
  'solids',
  'tolerance',
  'l',
  'a',
  'b',
  'recipe',
  'accountable',
];

/** A line and what is wrong with it. */
class Reader {
  readonly issues: Issue[] = [];

  constructor(
    private readonly row: readonly string[],
    private readonly key: InkListKey,
  ) {}

  cell(column: InkColumn): string {
    return this.row[this.key.columns[column] ?? -1]?.trim() ?? '';
  }

  /** A word of a list; undefined where the cell is empty, or tells none. */
  word<T>(column: InkColumn, cell: string, meant: ReadonlyMap<string, T>, choices: readonly string[]): T | undefined {
    if (cell === '') return undefined;
    const found = meant.get(bareName(cell));
    if (found === undefined)
      this.issues.push(
        error('list.one-of', column, { column: INK_COLUMNS[column], cell, choices: choices.join(', ') }),
      );
    return found;
  }

  figure(column: InkColumn): number | undefined {
    const cell = this.cell(column);
    if (cell === '') return undefined;
    const value = readAmount(cell.replace(/\s*(?:%|g\/m[2²]|g)$/, ''), this.key.decimal);
    if (value === undefined)
      this.issues.push(error('list.not-a-number', column, { column: INK_COLUMNS[column], cell }));
    return value;
  }

  solids(): number | undefined {
    const value = this.figure('solids');
    return value !== undefined && this.cell('solids').endsWith('%') ? value / PERCENT : value;
  }

  /** Told as a whole, or not. */
  aim(): Lab | undefined {
    const [l, a, b] = [this.figure('l'), this.figure('a'), this.figure('b')];
    if (l !== undefined && a !== undefined && b !== undefined) return { l, a, b };
    const empty = (['l', 'a', 'b'] as const).filter((column) => this.cell(column) === '');
    if (empty.length === 1 || empty.length === 2)
      for (const column of empty) this.issues.push(error('list.cell-missing', column, { column: INK_COLUMNS[column] }));
    return undefined;
  }

  /** "Yellow 60; Warm red 40". */
  recipe(): readonly RecipePart[] | undefined {
    const cell = this.cell('recipe');
    if (cell === '') return undefined;
    return cell.split(/[;+\n]|,\s+/).flatMap((part) => {
      const [, ink = '', amount = ''] = /^\s*(.+?)\s*[:=]?\s+([\d.,]+)\s*%?\s*$/.exec(part) ?? [];
      const parts = readAmount(amount, this.key.decimal);
      if (ink !== '' && parts !== undefined) return [{ ink, parts }];
      if (part.trim() !== '')
        this.issues.push(error('list.recipe', 'recipe', { column: INK_COLUMNS.recipe, cell: part.trim() }));
      return [];
    });
  }

  cleared(): readonly Contact[] | undefined {
    const cell = this.cell('cleared');
    if (cell === '') return undefined;
    const told = cell
      .split(/\s*[,;/+]\s*/)
      .map((one) => this.word('cleared', one, CLEARED, Object.values(CONTACT_WORDS)));
    return [...new Set(told.flatMap((one) => one ?? []))];
  }

  flag(column: InkColumn): boolean | undefined {
    const cell = this.cell(column);
    if (cell === '') return undefined;
    const told = readFlag(cell);
    if (told === undefined) this.issues.push(error('list.word-unknown', column, { column: INK_COLUMNS[column], cell }));
    return told;
  }
}

/** What is told of a thing, over what stood. */
function over<T extends object>(before: T, told: { readonly [K in keyof T]?: T[K] | undefined }): T {
  const kept = { ...before };
  for (const key of Object.keys(told) as (keyof T)[]) {
    const value = told[key];
    if (value !== undefined) kept[key] = value;
  }
  return kept;
}

/** Things that the works has, by their names. */
interface Known {
  readonly inks: readonly KeptInk[];
  readonly supplies: readonly HouseSupply[];
}

const whyOf = (issues: readonly Issue[]): string => issues.map(issueText).join(' ');

/** A line as an ink or a supply. @param id of a new one of this name */
function readLine(
  reader: Reader,
  { inks, supplies }: Known,
  id: (name: string, of: 'ink' | 'supply') => string,
): ReadThing {
  const name = reader.cell('name');
  const what = reader.cell('what');
  const supply = SUPPLY_OF.get(bareName(what));
  const sameName = (one: { readonly name: string }): boolean => bareName(one.name) === bareName(name);
  // What is an ink and a supply by one word is what the works has of this name, else an ink.
  const kind = KINDS.get(bareName(what));
  const isSupply = supply !== undefined && (kind === undefined || (!inks.some(sameName) && supplies.some(sameName)));
  for (const column of ['name', 'what'] as const)
    if (reader.cell(column) === '')
      reader.issues.push(error('list.cell-missing', column, { column: INK_COLUMNS[column] }));
  if (!isSupply) reader.word('what', what, KINDS, KIND_WORDS);
  const cleared = reader.cleared();
  if (isSupply) {
    for (const column of INK_ALONE)
      if (reader.cell(column) !== '')
        reader.issues.push(
          error('list.ink-alone', column, { column: INK_COLUMNS[column], what: SUPPLIES[supply].name }),
        );
    const before = supplies.find(sameName);
    const made = over<HouseSupply>(before ?? { id: id(name, 'supply'), name, supply, cleared: [] }, {
      supply,
      cleared,
    });
    const issues = [...reader.issues, ...checkSupply(made)];
    return issues.length > 0 ? { why: whyOf(issues) } : { supply: made };
  }
  const before = inks.find(sameName);
  const made = over<KeptInk>(before ?? { id: id(name, 'ink'), name, kind: 'mixed', cleared: [] }, {
    kind,
    drying: reader.word('drying', reader.cell('drying'), DRIES, Object.values(DRYING_WORDS)),
    filmGsm: reader.figure('film'),
    solids: reader.solids(),
    tolerance: reader.figure('tolerance'),
    aim: reader.aim(),
    recipe: reader.recipe(),
    cleared,
    accountable: reader.flag('accountable'),
  });
  const issues = reader.issues.length > 0 ? reader.issues : checkInk(made);
  return issues.length > 0 ? { why: whyOf(issues) } : { ink: made };
}

/**
 * Reads a list of inks, varnishes, glues, coatings and other supplies, line by line; empty lines are left out. What the works has of a name keeps its id
 * and what the list does not say. @param first number of the first of the rows. Issues: `list.*`, `works.field-*`, `ink.recipe-*`. Source: common
 * practice, no source.
 */
export function readInkList(rows: readonly (readonly string[])[], key: InkListKey, known: Known, first = 2): InkLine[] {
  const taken = { ink: new Set(known.inks.map(({ id }) => id)), supply: new Set(known.supplies.map(({ id }) => id)) };
  const id = (name: string, of: 'ink' | 'supply'): string => {
    const made = idOf(name, taken[of]);
    taken[of].add(made);
    return made;
  };
  const seen = new Map<string, number>();
  return rows.flatMap((row, i): InkLine[] => {
    if (row.every((cell) => cell.trim() === '')) return [];
    const line = first + i;
    const reader = new Reader(row, key);
    const name = bareName(reader.cell('name'));
    const before = name === '' ? undefined : seen.get(name);
    if (before !== undefined)
      return [{ line, why: $localize`“${reader.cell('name')}” stands in line ${before} already.` }];
    seen.set(name, line);
    return [{ line, ...readLine(reader, known, id) }];
  });
}

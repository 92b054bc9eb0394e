import {
  type Figure,
  type Figures,
  type Issue,
  type Source,
  FigureBook,
  IDENTITY,
  error,
  evaluate,
  own,
} from '../kernel/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import type { StationDrawing } from '../stations/index.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';

/** What sums are sorted under, in the order of the trade. */
export const SUM_GROUPS = ['paper', 'rolls', 'layout', 'book', 'counts', 'press', 'finishing', 'quality'] as const;
export type SumGroup = (typeof SUM_GROUPS)[number];

/** A field of a sum. What is typed for it is metric, as all of core. */
export interface SumField {
  readonly id: string;
  readonly name: string;
  /** Unit of a number; empty where it has none. */
  readonly unit: string;
  readonly kind: 'number' | 'choice' | 'text';
  /** What stands there where nobody says otherwise; undefined where it is asked for. */
  readonly usual: number | string | undefined;
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
  readonly choices: readonly string[];
}

/** What is typed: a number, a choice or a text by the id of its field. */
export type SumValues = Readonly<Record<string, number | string | undefined>>;

/** A sum of the trade on one line of fields. */
export interface Sum {
  readonly id: string;
  readonly group: SumGroup;
  readonly name: string;
  /** Words that call it. */
  readonly words: readonly string[];
  readonly fields: readonly SumField[];
  readonly reckon: (book: SumBook) => void;
}

/** What a sum comes to: its results in order with everything they are reckoned from, or what keeps it from being reckoned. */
export interface SumAnswer {
  readonly figures: Figures;
  readonly shown: readonly string[];
  /** What is no number: check characters, a letter of a plan. */
  readonly texts: readonly { readonly name: string; readonly text: string }[];
  readonly drawing: StationDrawing | undefined;
  /** An order as people write it that a job can begin from; undefined where the sum says nothing of one. */
  readonly order: string | undefined;
  /** Whether norms of the works go into it: another works comes to something else. */
  readonly byNorms: boolean;
  /** What to take care of where it is done; undefined where the sum has nothing to warn of. */
  readonly caution: string | undefined;
  readonly issues: readonly Issue[];
}

const MOST = 1_000_000_000;
/** Longest text of a field, and of a line that is typed. */
export const MOST_CHARACTERS = 300;
/** The source of what is typed. */
const TYPED: Source = { label: 'set by user', note: 'typed' };

/** A field for a number. */
export const numberField = (
  id: string,
  name: string,
  unit: string,
  usual?: number,
  limits: Partial<Pick<SumField, 'min' | 'max' | 'whole'>> = {},
): SumField => ({
  ...{ id, name, unit, kind: 'number', usual, choices: [] },
  ...{ min: limits.min ?? 0, max: limits.max ?? MOST, whole: limits.whole ?? false },
});
/** A field for one of several words. */
export const choiceField = (id: string, name: string, choices: readonly string[], usual = choices[0]): SumField => ({
  ...{ id, name, unit: '', kind: 'choice', usual, min: 0, max: 0, whole: false, choices },
});
/** A field for words of one's own. */
export const textField = (id: string, name: string, usual?: string): SumField => ({
  ...{ id, name, unit: '', kind: 'text', usual, min: 0, max: 0, whole: false, choices: [] },
});

/** A sum under way: what is typed in, figures with their working out. */
export class SumBook {
  private readonly book = new FigureBook();
  private readonly shown: string[] = [];
  private readonly texts: { name: string; text: string }[] = [];
  private readonly issues: Issue[] = [];
  private byNorms = false;
  drawing: StationDrawing | undefined;
  order: string | undefined;
  caution: string | undefined;

  constructor(
    private readonly fields: readonly SumField[],
    private readonly values: SumValues,
    private readonly ofWorks: NormLookup,
  ) {}

  /** A norm of the works. */
  readonly norms: NormLookup = (id, scope) => {
    this.byNorms = true;
    return this.ofWorks(id, scope);
  };

  /** A number as it was typed, and as a figure under the id of its field. */
  number(id: string): number {
    const field = this.fields.find((one) => one.id === id);
    const value = Number(this.values[id] ?? field?.usual ?? 0);
    this.book.give(id, field?.name ?? id, value, field?.unit ?? '', TYPED);
    return value;
  }
  text(id: string): string {
    const field = this.fields.find((one) => one.id === id);
    return String(this.values[id] ?? field?.usual ?? '');
  }
  /** A value that is known without anybody typing it: a constant, or what another part of core has found. */
  known(id: string, name: string, value: number, unit: string, source: Source = IDENTITY): string {
    return this.book.give(id, name, value, unit, source);
  }
  /** A figure by its formula over fields and earlier figures. @param inputs name in the formula to id. */
  say(
    id: string,
    name: string,
    unit: string,
    formula: string,
    inputs: Readonly<Record<string, string>>,
    source: Source = IDENTITY,
  ): number {
    for (const of of Object.values(inputs)) if (this.fields.some((field) => field.id === of)) this.number(of);
    const value = evaluate(formula, (of) => this.book.value(own(inputs, of) ?? of));
    this.book.reckon(id, name, value, unit, formula, inputs, source);
    return value;
  }
  /** The same, as a result. */
  show(...figure: Parameters<SumBook['say']>): number {
    this.shown.push(figure[0]);
    return this.say(...figure);
  }
  /** Earlier figures as results too, behind what is shown so far. */
  also(...ids: readonly string[]): void {
    this.shown.push(...ids);
  }
  /** A known value as a result. */
  showKnown(...known: Parameters<SumBook['known']>): void {
    this.shown.push(this.known(...known));
  }
  tell(name: string, text: string): void {
    this.texts.push({ name, text });
  }
  refuse(...issues: readonly Issue[]): void {
    this.issues.push(...issues);
  }

  get answer(): SumAnswer {
    const { shown, texts, drawing, order, byNorms, caution, issues } = this;
    return { figures: this.book.figures, shown, texts, drawing, order, byNorms, caution, issues };
  }
}

/** What is wrong with what is typed for a field; a value that nobody has typed is asked for where there is no usual one. */
function wrongIn({ id, name, kind, unit, usual, min, max, whole, choices }: SumField, typed: SumValues): Issue[] {
  const value = typed[id] ?? usual;
  if (value === undefined || value === '') return [error('sum.missing', id, { field: name, unit })];
  if (kind === 'choice')
    return choices.includes(String(value))
      ? []
      : [error('sum.choice', id, { field: name, value, known: choices.join(', ') })];
  if (kind === 'text')
    return String(value).length > MOST_CHARACTERS
      ? [error('sum.long', id, { field: name, most: MOST_CHARACTERS })]
      : [];
  const number = Number(value);
  if (!Number.isFinite(number) || number < min || number > max || (whole && !Number.isInteger(number)))
    return [error(whole ? 'sum.whole' : 'sum.range', id, { field: name, value, low: min, high: max, unit })];
  return [];
}

/**
 * A sum with what is typed. Issues: `sum.*`, each at the field that mends it, and those of what is reckoned.
 * @param works whose norms count where a sum asks for some; as shipped where there is none.
 */
export function reckonSum({ fields, reckon }: Sum, values: SumValues, works: Works = SHIPPED_WORKS): SumAnswer {
  const issues = fields.flatMap((field) => wrongIn(field, values));
  const book = new SumBook(fields, values, normsOf(works, {}));
  if (issues.length > 0) book.refuse(...issues);
  else reckon(book);
  return book.answer.issues.length > 0
    ? { ...book.answer, figures: {}, shown: [], texts: [], order: undefined }
    : book.answer;
}

/** The results of a sum. */
export const resultsOf = ({ figures, shown }: SumAnswer): Figure[] => shown.flatMap((id) => own(figures, id) ?? []);

import { table } from './table.js';

/** Where a value comes from (handbook, "Where a value comes from"). */
export const SOURCE_LABELS = ['standard', 'literature', 'identity', 'practice', 'memory', 'set by user'] as const;
/** How well a figure is founded. */
export type SourceLabel = (typeof SOURCE_LABELS)[number];

/** Where a figure comes from: its label, and a word on it. */
export interface Source {
  readonly label: SourceLabel;
  /** The standard's number, the paper, or what was overridden. */
  readonly note?: string;
}

/**
 * One figure with its working. `formula` speaks of the names in `inputs` with + - * / ( ) ceil floor max min; a figure
 * without a formula is a given (an order quantity, a norm). Evaluating the formula over the inputs gives `value`.
 */
export interface Figure {
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly formula?: string;
  /** Name in the formula -> id of the figure it stands for. */
  readonly inputs: Readonly<Record<string, string>>;
  readonly source: Source;
  /** The value that would have stood here had nobody overridden it. */
  readonly otherwise?: number;
}

/** Figures by their ids. */
export type Figures = Readonly<Record<string, Figure>>;

/** The source of what is arithmetic. */
export const IDENTITY: Source = { label: 'identity' };
/** The source of what the job says. */
export const GIVEN: Source = { label: 'set by user', note: $localize`given in the job` };

/** Collects the figures of one plan; each id once. */
export class FigureBook {
  readonly figures = table<Figure>();

  /** Records a reckoned figure and returns its id, to be named as an input of the next. */
  reckon(
    id: string,
    name: string,
    value: number,
    unit: string,
    formula: string,
    inputs: Readonly<Record<string, string>>,
    source: Source = IDENTITY,
  ): string {
    this.figures[id] = { id, name, value, unit, formula, inputs, source };
    return id;
  }

  /** Records a given figure and returns its id. */
  give(id: string, name: string, value: number, unit: string, source: Source, otherwise?: number): string {
    this.figures[id] ??= {
      id,
      name,
      value,
      unit,
      inputs: {},
      source,
      ...(otherwise === undefined ? {} : { otherwise }),
    };
    return id;
  }

  value(id: string): number {
    const figure = this.figures[id];
    if (!figure) throw new Error(`no figure ${id}`);
    return figure.value;
  }
}

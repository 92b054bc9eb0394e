import {
  type Figure,
  type Figures,
  type Source,
  UM,
  FigureBook,
  GIVEN,
  IDENTITY,
  evaluate,
  figureOf,
  kindOf,
  sayQuantity,
} from '../kernel/index.js';
import type { ComponentLayout } from '../press-sheet/index.js';
import { type Job, type Step, figureId } from '../job/index.js';
import { type Material, takenBy } from '../material/index.js';
import type { Plan, PlanStep } from '../plan/index.js';
import type { Machine, SupplyId, Works } from '../works/index.js';
import { type NormLookup, normsOf, titleOf } from '../norms/index.js';
import type { StationDrawing } from './drawing.js';

/** Rows that a station works down: cuts, panels, numbers, layers. */
export interface StationTable {
  readonly title: string;
  readonly heads: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

/** What a station needs beside its counts: figures with their working, drawings to scale, lists, and remarks. */
export interface StationSheet {
  readonly step: string;
  /** Everything the shown figures are reckoned from, the plan's own left out. */
  readonly figures: Figures;
  /** Figures of the card, in order. */
  readonly shown: readonly string[];
  readonly drawings: readonly StationDrawing[];
  readonly tables: readonly StationTable[];
  /** What has to be looked at or chosen, in words of the trade. */
  readonly remarks: readonly string[];
}

/** Figures of a station's card in words: what each is called, and its value with its unit. */
export const shownFigures = (
  { shown, figures }: Pick<StationSheet, 'shown' | 'figures'>,
  plan: { readonly figures: Figures },
  say: typeof sayQuantity = sayQuantity,
): { readonly name: string; readonly text: string }[] =>
  shown.flatMap((id) => {
    const figure = figures[id] ?? figureOf(plan, id);
    return figure ? [{ name: figure.name, text: say(figure.value, figure.unit, kindOf(figure)) }] : [];
  });

/** Builds the sheet of one station. */
export class SheetBook {
  private readonly book = new FigureBook();
  private readonly shown: string[] = [];
  private readonly drawings: StationDrawing[] = [];
  private readonly tables: StationTable[] = [];
  private readonly remarks: string[] = [];
  readonly norms: NormLookup;
  readonly layout: ComponentLayout | undefined;
  readonly machine: Machine | undefined;
  readonly incoming: readonly { readonly material: Material; readonly usage: number; readonly from: string | null }[];

  constructor(
    readonly job: Job,
    readonly plan: Plan,
    readonly works: Works,
    readonly step: Step,
    readonly planned: PlanStep,
  ) {
    this.norms = normsOf(works, job.norms);
    this.layout = step.component === undefined ? undefined : plan.layouts[step.component];
    this.machine = works.machines.find(({ id }) => id === planned.machine);
    const usage = new Map(takenBy(step).map((taken) => [taken.material, taken.usage]));
    this.incoming = plan.edges.flatMap(({ to, material, state, from }) =>
      to === step.id ? [{ material: state, usage: usage.get(material) ?? 1, from }] : [],
    );
  }

  get first(): Material | undefined {
    return this.incoming[0]?.material;
  }

  /** What leaves the station, as the stream has it; of several materials the first. */
  get made(): Material | undefined {
    return this.plan.edges.find(({ from }) => from === this.step.id)?.state;
  }

  /** Thickness of one as it leaves, mm. */
  get thicknessMm(): number {
    return (this.made?.caliperUm ?? 0) / UM;
  }

  value(id: string): number {
    const figure: Figure | undefined = this.book.figures[id] ?? figureOf(this.plan, id);
    if (!figure) throw new Error(`no figure ${id}`);
    return figure.value;
  }

  /** A norm in force, for the working. */
  norm(id: string): string {
    const planned = `norm.${id}`;
    if (figureOf(this.plan, planned)) return planned;
    const { norm, value, source, otherwise } = this.norms(id);
    return this.book.give(planned, titleOf(norm), value, norm.unit, source, otherwise);
  }

  /** A norm of the station's machine. */
  machineNorm(key: string): string {
    return this.norm(`machine.${this.machine?.id ?? ''}.${key}`);
  }

  /** Process units of the station. */
  get units(): string {
    return figureId.step(this.step.id, 'processUnits');
  }

  give(name: string, title: string, value: number, unit: string, source: Source = IDENTITY): string {
    return this.book.give(this.id(name), title, value, unit, source);
  }
  told(name: string, title: string, value: number, unit: string): string {
    return this.give(name, title, value, unit, GIVEN);
  }

  /** A figure worked out of others. */
  work(name: string, title: string, unit: string, formula: string, inputs: Readonly<Record<string, string>>): string {
    const value = evaluate(formula, (input) => this.value(inputs[input] ?? input));
    return this.book.reckon(this.id(name), title, value, unit, formula, inputs);
  }

  /** As `work`, and on the card. */
  show(name: string, title: string, unit: string, formula: string, inputs: Readonly<Record<string, string>>): string {
    return this.card(this.work(name, title, unit, formula, inputs));
  }

  /** Puts a figure on the card. */
  card(id: string): string {
    this.shown.push(id);
    return id;
  }

  /** Shows how much of a supply the station uses up, and how much of it is on one; undefined where it uses none. */
  used(supply: SupplyId): string | undefined {
    const id = figureId.step(this.step.id, `use.${supply}`);
    return figureOf(this.plan, id) ? this.card(id) : undefined;
  }

  draw(drawing: StationDrawing): void {
    this.drawings.push(drawing);
  }
  list(table: StationTable): void {
    this.tables.push(table);
  }
  remark(text: string): void {
    this.remarks.push(text);
  }

  sheet(): StationSheet {
    return {
      step: this.step.id,
      figures: this.book.figures,
      shown: this.shown,
      drawings: this.drawings,
      tables: this.tables,
      remarks: this.remarks,
    };
  }

  private id(name: string): string {
    return `station.${this.step.id}.${name}`;
  }
}

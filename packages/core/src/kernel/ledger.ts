import { type Figure, type Figures, type Source, IDENTITY } from './figure.js';
import { type Compiled, type NamesIn, compile } from './formula.js';
import { table } from './table.js';

/** A rule of the working: what it gives, in what unit, and how it comes of what it is given. */
export interface Rule<Name extends string = string> {
  readonly name: string;
  readonly unit: string;
  readonly formula: string;
  readonly source: Source;
  readonly run: Compiled;
  /** Only tells the compiler what the rule has to be given. */
  readonly names?: Name;
}

/**
 * A rule as a constant: its formula is read once, and the compiler holds whoever uses it to the names in it.
 * Errors: throws where the formula cannot be read.
 */
export const rule = <const Text extends string>(
  name: string,
  unit: string,
  formula: Text,
  source: Source = IDENTITY,
): Rule<NamesIn<Text>> => ({ name, unit, formula, source, run: compile(formula) });

/** What one figure says otherwise than its rule. */
export interface Told {
  readonly name?: string;
  readonly unit?: string;
  readonly source?: Source;
}

/** What a formula is reckoned from, by the names of its inputs. */
export type Inputs<Name extends string = string> = Readonly<Record<Name, Entry>>;
const NOTHING: Inputs = {};

/** One figure of a plan while it is reckoned: its value, and what its working is written from when somebody opens it. */
export class Entry {
  constructor(
    private readonly group: Group,
    private readonly field: string,
    readonly value: number,
    readonly name: string,
    readonly unit: string,
    private readonly source: Source,
    private readonly formula: string | undefined,
    /** What the formula stands on; figures that are added up as a list. */
    private readonly inputs: Inputs | readonly Entry[],
    private readonly otherwise?: number,
  ) {}

  get id(): string {
    return `${this.group.path}.${this.field}`;
  }

  /** A given, or a figure whose working is still to be told. */
  get isPlain(): boolean {
    return this.formula === undefined && !isList(this.inputs);
  }

  /** The same under another name, in its group. */
  as(field: string, name: string = this.name): Entry {
    const { group, value, unit, source, formula, inputs, otherwise } = this;
    return new Entry(group, field, value, name, unit, source, formula, inputs, otherwise);
  }

  /** The figure with its working. */
  write(): Figure {
    const { id, name, value, unit, source, otherwise } = this;
    const { formula, inputs: of } = isList(this.inputs)
      ? addedUp(this.inputs)
      : { formula: this.formula, inputs: this.inputs };
    const inputs = table<string>();
    for (const key of Object.keys(of)) inputs[key] = of[key]?.id ?? '';
    return {
      id,
      name,
      value,
      unit,
      ...(formula === undefined ? {} : { formula }),
      inputs,
      source,
      ...(otherwise === undefined ? {} : { otherwise }),
    };
  }
}

const isList = (inputs: Inputs | readonly Entry[]): inputs is readonly Entry[] => Array.isArray(inputs);

/** So many figures added up, as a formula. */
function addedUp(parts: readonly Entry[]): { formula: string; inputs: Inputs } {
  const inputs = table(parts.map((part, i) => [`n${i + 1}`, part]));
  return { formula: Object.keys(inputs).join(' + ') || '0', inputs };
}

/** Figures of one thing: a step, a component, the norms. Ids are the path of the thing, a full stop and the field. */
export class Group {
  private readonly entries = new Map<string, Entry>();

  constructor(
    readonly path: string,
    private readonly before?: Group,
  ) {}

  /** Records what a rule gives. */
  reckon<Name extends string>(field: string, rule: Rule<Name>, inputs: Inputs<Name>, told?: Told): Entry {
    const of = inputs as Inputs;
    const value = rule.run((name) => {
      const input = of[name];
      if (!input) throw new Error(`${this.path}.${field} wants ${name}`);
      return input.value;
    });
    return this.count(field, rule, inputs, value, told);
  }

  /** Records a value that the engine reckoned exactly; the rule says the same in plain numbers. */
  count<Name extends string>(
    field: string,
    { name, unit, source, formula }: Rule<Name>,
    inputs: Inputs<Name>,
    value: number,
    told?: Told,
  ): Entry {
    return this.put(
      field,
      new Entry(this, field, value, told?.name ?? name, told?.unit ?? unit, told?.source ?? source, formula, inputs),
    );
  }

  /** Records so many figures added up: `n1 + n2 + n3`. */
  sum(field: string, name: string, unit: string, parts: readonly Entry[]): Entry {
    let value = 0;
    for (const part of parts) value += part.value;
    return this.put(field, new Entry(this, field, value, name, unit, IDENTITY, undefined, parts));
  }

  /** Records a given figure, once. */
  give(field: string, name: string, value: number, unit: string, source: Source, otherwise?: number): Entry {
    return (
      this.find(field) ??
      this.put(field, new Entry(this, field, value, name, unit, source, undefined, NOTHING, otherwise))
    );
  }

  /** Records an entry, instead of one that stood there. */
  put(field: string, entry: Entry): Entry {
    this.entries.set(field, entry);
    return entry;
  }

  find(field: string): Entry | undefined {
    return this.entries.get(field) ?? this.before?.find(field);
  }

  /** Errors: throws where nobody recorded it, which is our own bug. */
  of(field: string): Entry {
    const entry = this.find(field);
    if (!entry) throw new Error(`no figure ${this.path}.${field}`);
    return entry;
  }

  all(): Iterable<Entry> {
    return this.entries.values();
  }
}

/**
 * The figures of one plan. While it is reckoned only values are made; the working (ids, formulas, inputs by id) is written
 * when somebody opens it.
 */
export class Ledger {
  private readonly groups = new Map<string, Group>();
  private readonly steps = new Map<string, Group>();
  private readonly components = new Map<string, Group>();
  private readonly waiting: (() => void)[] = [];
  private written: Figures | undefined;

  /** @param before a ledger whose figures stand in this one too, until they are recorded anew. */
  constructor(private readonly before?: Ledger) {}

  /** Figures under a path of their own: `total`, `cost.machine`, `norm`. */
  group(path: string): Group {
    return this.groups.get(path) ?? add(this.groups, path, new Group(path, this.before?.groups.get(path)));
  }

  /** Figures of a step of the route. */
  step(id: string): Group {
    return this.steps.get(id) ?? add(this.steps, id, new Group(`step.${id}`, this.before?.steps.get(id)));
  }

  /** Figures of a component. */
  component(id: string): Group {
    return (
      this.components.get(id) ?? add(this.components, id, new Group(`component.${id}`, this.before?.components.get(id)))
    );
  }

  /** Working that nothing else is reckoned from: written when a figure is opened. */
  later(write: () => void): void {
    this.waiting.push(write);
  }

  /** All figures with their working. */
  get figures(): Figures {
    return (this.written ??= this.write());
  }

  /** One figure with its working. */
  figure(id: string): Figure | undefined {
    if (this.written) return this.written[id];
    const entry = this.find(id);
    if (entry && !entry.isPlain) return entry.write();
    if (!this.complete()) return entry?.write();
    return this.find(id)?.write();
  }

  /** The value of one figure. */
  value(id: string): number | undefined {
    const entry = this.find(id);
    if (entry) return entry.value;
    return this.complete() ? this.find(id)?.value : undefined;
  }

  /** An entry by its id, as far as it is recorded: its group has the path before one of the full stops. */
  private find(id: string): Entry | undefined {
    for (let stop = id.indexOf('.'); stop > 0; stop = id.indexOf('.', stop + 1)) {
      const entry = this.groupAt(id.slice(0, stop))?.find(id.slice(stop + 1));
      if (entry) return entry;
    }
    return undefined;
  }

  /** A group that is there, of this ledger or of the one before. */
  private groupAt(path: string): Group | undefined {
    const [kind, id] = [path.slice(0, path.indexOf('.')), path.slice(path.indexOf('.') + 1)];
    const own =
      kind === 'step' ? this.steps.get(id) : kind === 'component' ? this.components.get(id) : this.groups.get(path);
    return own ?? this.before?.groupAt(path);
  }

  /** Records what was left for later. @returns whether anything was. */
  private complete(): boolean {
    if (this.waiting.length === 0) return false;
    for (const write of this.waiting.splice(0)) write();
    return true;
  }

  private *all(): Iterable<Entry> {
    for (const ledger of this.before ? [this.before, this] : [this])
      for (const groups of [ledger.groups, ledger.components, ledger.steps])
        for (const group of groups.values()) yield* group.all();
  }

  private write(): Figures {
    this.complete();
    const figures = table<Figure>();
    for (const entry of this.all()) figures[entry.id] = entry.write();
    return figures;
  }
}

function add(groups: Map<string, Group>, id: string, group: Group): Group {
  groups.set(id, group);
  return group;
}

import { type Rule, UM, rule } from '../../kernel/index.js';
import { type Counted, MACHINE_COUNTS } from '../../norms/index.js';
import type { Machine } from '../../works/index.js';
import { type ComponentLayout, sidesOf } from '../../press-sheet/index.js';
import type { Step } from '../../job/index.js';
import type { Material } from '../../material/index.js';
import { runLength } from '../counting/step-spoilage.js';

declare const COUNTS: unique symbol;
/** So much of something through a machine. A count and a rate of other things do not fit together: the compiler says so. */
export type Count<C extends Counted> = number & { readonly [COUNTS]: C };
/** So much of something in an hour. */
export type Rate<C extends Counted> = number & { readonly [COUNTS]: { readonly hourly: C } };

/** What a count is taken from. */
export interface Through {
  readonly step: Step;
  readonly layout: ComponentLayout | undefined;
  readonly incoming: Pick<Material, 'unit' | 'heightMm' | 'caliperUm' | 'sections'> | undefined;
  /** Good outputs of one process unit. */
  readonly yielded: number;
  /** Pieces in a pack. */
  readonly perPack: number;
  /** Height of the stack that a high die cuts through; one sheet at a stroke where absent. */
  readonly stackMm: number | undefined;
}

/** How a count comes of the process units, or of the good pieces wanted: a rule over one of them and named values. */
export interface Counting {
  readonly of: 'units' | 'wanted';
  readonly rule: Rule;
  /** What the rule is told beside. */
  readonly values: Readonly<Record<string, { readonly name: string; readonly value: number; readonly unit: string }>>;
}

const MINUTES = 60;

/** A rule whose unit is what the rate counts. */
const counted = (name: string, formula: string): Rule => rule(name, '', formula);
const asTheyCome = (name: string): (() => Counting) => {
  const counting: Counting = { of: 'units', rule: counted(name, 'units'), values: {} };
  return () => counting;
};

const OF_BOARD = counted($localize`Metres through the machine`, 'ceil(units / lanes) * length / 1000');
const OF_LENGTH = counted($localize`Metres through the machine`, 'units * length / 1000');

/** Length that runs through for one process unit: a repeat of the web, or the sheet from gripper to tail. */
function metres({ step, layout, incoming }: Through): Counting {
  if (step.operation === 'corrugate' && layout) {
    const { lengthMm, lanes } = runLength(step, layout);
    return {
      of: 'units',
      rule: OF_BOARD,
      values: {
        length: { name: $localize`Cut-off`, value: lengthMm, unit: 'mm' },
        lanes: { name: $localize`Sheets across the web`, value: lanes, unit: 'sheets' },
      },
    };
  }
  const value = incoming?.heightMm ?? layout?.component.sheet.heightMm ?? 0;
  return {
    of: 'units',
    rule: OF_LENGTH,
    values: { length: { name: $localize`Length of one, as it runs`, value, unit: 'mm' } },
  };
}

const REPEATS = counted($localize`Repeats through the machine`, 'ceil(units / pieces)');

/** Several pieces out of one repeat run through together. */
function repeats({ layout, incoming }: Through): Counting {
  const parted = incoming?.unit !== 'repeat' && incoming?.unit !== 'cut-off';
  const value = parted ? Math.max(1, layout?.pattern.count ?? 1) : 1;
  return {
    of: 'units',
    rule: REPEATS,
    values: { pieces: { name: $localize`Pieces of one repeat`, value, unit: 'pieces' } },
  };
}

const STROKES = counted($localize`Strokes`, 'ceil(units / sheets)');
const ONE_A_STROKE = asTheyCome($localize`Strokes`);

/** Sheets at a stroke: one, or as many as a high die cuts through. Source: handbook chapter 7. */
function strokes({ incoming, stackMm }: Through): Counting {
  if (stackMm === undefined) return ONE_A_STROKE();
  const value = Math.max(1, Math.floor((stackMm * UM) / Math.max(1, incoming?.caliperUm ?? 1) + 1e-9));
  return { of: 'units', rule: STROKES, values: { sheets: { name: $localize`Sheets a stack`, value, unit: 'sheets' } } };
}

const SECTIONS = counted($localize`Sections through the machine`, 'units * sections');
const sections = ({ incoming }: Through): Counting => ({
  of: 'units',
  rule: SECTIONS,
  values: {
    sections: { name: $localize`Sections of one block`, value: Math.max(1, incoming?.sections ?? 1), unit: 'sections' },
  },
});

const ROLLS = counted($localize`Rolls wound`, 'ceil(units * each)');
const rolls = ({ yielded }: Through): Counting => ({
  of: 'units',
  rule: ROLLS,
  values: { each: { name: $localize`Rolls out of one`, value: yielded, unit: 'rolls' } },
});

const PACKS = counted($localize`Packs`, 'ceil(wanted / perPack)');
const packs = ({ perPack }: Through): Counting => ({
  of: 'wanted',
  rule: PACKS,
  values: { perPack: { name: $localize`Pieces in a pack`, value: perPack, unit: 'pieces' } },
});

const SIDES = counted($localize`Sides`, 'units * sides');
const sides = ({ step }: Through): Counting => ({
  of: 'units',
  rule: SIDES,
  values: { sides: { name: $localize`Sides of this pass`, value: sidesOf(step), unit: 'sides' } },
});

/** How each thing that a rate counts comes of what runs through a station. Total: a new one has to say it. */
const COUNTINGS: Readonly<Record<Counted, (through: Through) => Counting>> = {
  sheets: asTheyCome($localize`Sheets`),
  sides,
  'cut-offs': asTheyCome($localize`Cut-offs`),
  repeats,
  metres,
  strokes,
  blanks: asTheyCome($localize`Blanks`),
  sections,
  sets: asTheyCome($localize`Sets`),
  books: asTheyCome($localize`Books`),
  cases: asTheyCome($localize`Cases`),
  rolls,
  packs,
  pieces: asTheyCome($localize`Pieces`),
};

/** How much of what a rate counts comes of the process units and the good pieces wanted of a station. */
export interface Counter<C extends Counted> extends Counting {
  readonly count: (units: number, wanted: number) => Count<C>;
}

/** What the machine of a step counts. */
export function counterOf<C extends Counted>(counts: C, through: Through): Counter<C> {
  const counting = COUNTINGS[counts](through);
  const { of, rule, values } = counting;
  return {
    ...counting,
    count: (units, wanted) => rule.run((name) => values[name]?.value ?? (of === 'wanted' ? wanted : units)) as Count<C>,
  };
}

/** A rate out of a speed norm: metres are told by the minute, everything else by the hour. */
export const hourly = <C extends Counted>(counts: C, speed: number): Rate<C> =>
  (counts === 'metres' ? speed * MINUTES : speed) as Rate<C>;

/** Running hours: a count divided by a rate of the same thing. */
export const runHours = <C extends Counted>(count: Count<C>, rate: Rate<NoInfer<C>>, efficiency: number): number =>
  count / ((rate as number) * efficiency);

/** What a machine's rate counts at a step; hand work counts pieces, and packs where it packs. */
export function countsOf(machine: Machine, step: Step): Counted {
  if (machine.process === 'hand') return step.operation === 'box' || step.operation === 'pallet' ? 'packs' : 'pieces';
  return MACHINE_COUNTS[machine.process];
}

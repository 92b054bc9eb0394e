import { UM, ceilRatio } from '../kernel/index.js';
import { type Counted, type Machine, MACHINE_COUNTS } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import type { Step } from './job.js';
import type { Material } from './material/index.js';
import { runLength, sidesOf } from './step-norms.js';

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
  /** Process units through the station, and good pieces wanted out of it. */
  readonly units: number;
  readonly wanted: number;
  /** Good outputs of one process unit. */
  readonly yielded: number;
  /** Pieces in a pack. */
  readonly perPack: number;
  /** Height of the stack that a high die cuts through; one sheet at a stroke where absent. */
  readonly stackMm: number | undefined;
}

/** How a count comes of the process units: its formula over named values, for the working. */
export interface Counting {
  readonly name: string;
  readonly formula: string;
  readonly values: Readonly<Record<string, { readonly name: string; readonly value: number; readonly unit: string }>>;
  readonly count: number;
}

const MINUTES = 60;

const asTheyCome =
  (name: string) =>
  ({ units }: Through): Counting => ({
    name,
    formula: 'units',
    values: {},
    count: units,
  });

/** Length that runs through for one process unit: a repeat of the web, or the sheet from gripper to tail. */
function metres({ step, layout, incoming, units }: Through): Counting {
  if (step.operation === 'corrugate' && layout) {
    const { lengthMm, lanes } = runLength(step, layout);
    return {
      name: 'Metres through the machine',
      formula: 'ceil(units / lanes) * length / 1000',
      values: {
        length: { name: 'Cut-off', value: lengthMm, unit: 'mm' },
        lanes: { name: 'Sheets across the web', value: lanes, unit: 'sheets' },
      },
      count: (ceilRatio(units, lanes) * lengthMm) / UM,
    };
  }
  const mm = incoming?.heightMm ?? layout?.component.sheet.heightMm ?? 0;
  return {
    name: 'Metres through the machine',
    formula: 'units * length / 1000',
    values: { length: { name: 'Length of one, as it runs', value: mm, unit: 'mm' } },
    count: (units * mm) / UM,
  };
}

/** Several pieces out of one repeat run through together. */
function repeats({ layout, incoming, units }: Through): Counting {
  const parted = incoming?.unit !== 'repeat' && incoming?.unit !== 'cut-off';
  const pieces = parted ? Math.max(1, layout?.pattern.count ?? 1) : 1;
  return {
    name: 'Repeats through the machine',
    formula: 'ceil(units / pieces)',
    values: { pieces: { name: 'Pieces of one repeat', value: pieces, unit: 'pieces' } },
    count: ceilRatio(units, pieces),
  };
}

/** Sheets at a stroke: one, or as many as a high die cuts through. Source: handbook chapter 7. */
function strokes({ incoming, units, stackMm }: Through): Counting {
  if (stackMm === undefined) return { ...asTheyCome('Strokes')({ units } as Through) };
  const each = Math.max(1, Math.floor((stackMm * UM) / Math.max(1, incoming?.caliperUm ?? 1) + 1e-9));
  return {
    name: 'Strokes',
    formula: 'ceil(units / sheets)',
    values: { sheets: { name: 'Sheets a stack', value: each, unit: 'sheets' } },
    count: ceilRatio(units, each),
  };
}

const sections = ({ incoming, units }: Through): Counting => {
  const each = Math.max(1, incoming?.sections ?? 1);
  return {
    name: 'Sections through the machine',
    formula: 'units * sections',
    values: { sections: { name: 'Sections of one block', value: each, unit: 'sections' } },
    count: units * each,
  };
};

const rolls = ({ units, yielded }: Through): Counting => ({
  name: 'Rolls wound',
  formula: 'ceil(units * each)',
  values: { each: { name: 'Rolls out of one', value: yielded, unit: 'rolls' } },
  count: Math.ceil(units * yielded - 1e-9),
});

const packs = ({ perPack, wanted }: Through): Counting => {
  return {
    name: 'Packs',
    formula: 'ceil(pieces / perPack)',
    values: { perPack: { name: 'Pieces in a pack', value: perPack, unit: 'pieces' } },
    count: ceilRatio(wanted, perPack),
  };
};

/** How each thing that a rate counts comes of what runs through a station. Total: a new one has to say it. */
const COUNTINGS: Readonly<Record<Counted, (through: Through) => Counting>> = {
  sheets: asTheyCome('Sheets'),
  sides: ({ step, units }) => ({
    name: 'Sides',
    formula: 'units * sides',
    values: { sides: { name: 'Sides of this pass', value: sidesOf(step), unit: 'sides' } },
    count: units * sidesOf(step),
  }),
  'cut-offs': asTheyCome('Cut-offs'),
  repeats,
  metres,
  strokes,
  blanks: asTheyCome('Blanks'),
  sections,
  sets: asTheyCome('Sets'),
  books: asTheyCome('Books'),
  cases: asTheyCome('Cases'),
  rolls,
  packs,
  pieces: asTheyCome('Pieces'),
};

/** How much of what a rate counts runs through a station, with its working. */
export function countThrough<C extends Counted>(
  counts: C,
  through: Through,
): Counting & { readonly through: Count<C> } {
  const counting = COUNTINGS[counts](through);
  return { ...counting, through: counting.count as Count<C> };
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

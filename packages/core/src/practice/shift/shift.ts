import { Draw } from '../draw.js';

/** Colours of the run; the first is what the others are laid to. */
export const SHIFT_COLOURS = ['K', 'C', 'M', 'Y'] as const;
/** One of them. */
export type ShiftColour = (typeof SHIFT_COLOURS)[number];
/** Colours that have a register of their own. */
export const MOVED_COLOURS = ['C', 'M', 'Y'] as const satisfies readonly ShiftColour[];
/** One of them. */
export type MovedColour = (typeof MOVED_COLOURS)[number];

/** What a step of the press moves, mm, and what a step of the ink keys changes, density. Invented, like the run. */
export const STEP_MM = 0.02;
export const STEP_DENSITY = 0.02;
/** Steps that a colour may be off: a tenth of a millimetre (handbook chapter 5: sheets 0.10, heatset 0.10 to 0.15 mm); a tenth of density, invented. */
export const MOST_STEPS_OFF = 5;

/** Copies that are wasted by a move of register, by a change of keys, and at a start behind a break. Invented. */
export const SHIFT_WASTE = { move: 120, keys: 250, start: 300, roll: 400 } as const;
/** Minutes that the press stands: to thread the web, and to hang another roll beside. Invented. */
export const SHIFT_STOPS = { thread: 25, roll: 10 } as const;
/** What counting a pile by hand beside the run counts as, copies. Invented. */
export const COUNTING_COPIES = 100;
/** Copies that the press would have printed in a minute, and what a copy that is missing at the end counts as. Invented. */
export const COPIES_A_MINUTE = 250;
export const SHORT_COPIES = 3;

/** Why the web broke. */
export type BreakCause = 'roll' | 'slack';

/** A press run with its faults, as it really is: the learner sees readings of it alone. */
export interface PracticeShift {
  readonly seed: number;
  /** Good copies that are ordered. */
  readonly ordered: number;
  /** Looks at the run, and copies from one to the next. */
  readonly looks: number;
  readonly perLook: number;
  /** How colours lie across before the first copy, steps. */
  readonly lie: Readonly<Record<MovedColour, number>>;
  /** The colour that wanders, from which look, and how many steps from one look to the next. */
  readonly drift: { readonly colour: MovedColour; readonly from: number; readonly steps: number };
  /** The ink that goes off, likewise. */
  readonly ink: { readonly colour: ShiftColour; readonly from: number; readonly steps: number };
  /** The web breaks before the copies of this look. */
  readonly broken: { readonly at: number; readonly cause: BreakCause };
  /** From this look on a bundle was found short, and so many of a thousand copies are missing: none where it was that one alone. */
  readonly short: { readonly at: number; readonly perThousand: number };
}

/** Looks at every run. */
export const SHIFT_LOOKS = 12;
/** Steps that a press takes at once, and copies that are run beyond at most. */
export const MOST_SHIFT_STEPS = 20;
export const MOST_BEYOND = 100_000;
/** What a shift is kept as among exercises. */
export const SHIFT_KIND = 'shift';

/** The run of a seed: the same for everybody. */
export function makeShift(seed: number): PracticeShift {
  const draw = new Draw(seed);
  const sign = (): number => draw.pick([-1, 1]);
  return {
    seed,
    ordered: draw.from(30_000, 32_000, 500),
    looks: SHIFT_LOOKS,
    perLook: 2_500,
    lie: { C: draw.from(-2, 2), M: draw.from(-2, 2), Y: draw.from(-2, 2) },
    drift: { colour: draw.pick(MOVED_COLOURS), from: draw.from(1, 3), steps: sign() * draw.pick([1, 2]) },
    ink: { colour: draw.pick(SHIFT_COLOURS), from: draw.from(2, 5), steps: sign() * draw.pick([1, 2]) },
    broken: { at: draw.from(4, 8), cause: draw.pick(['roll', 'slack']) },
    short: { at: draw.from(6, 9), perThousand: draw.pick([0, 15, 25, 40]) },
  };
}

/** Steps that a fault adds in the copies behind a look. */
export const driftAt = ({ from, steps }: PracticeShift['drift'] | PracticeShift['ink'], look: number): number =>
  look >= from ? steps : 0;

import {
  type MovedColour,
  type PracticeShift,
  type ShiftColour,
  COPIES_A_MINUTE,
  COUNTING_COPIES,
  MOVED_COLOURS,
  SHIFT_COLOURS,
  SHORT_COPIES,
  SHIFT_STOPS,
  SHIFT_WASTE,
  driftAt,
} from './shift.js';
import { outOf, shareOf } from './out.js';

/** What is done at a look before the next copies run. Steps are whole. */
export interface ShiftDecision {
  readonly moves: Partial<Readonly<Record<MovedColour, number>>>;
  readonly keys: Partial<Readonly<Record<ShiftColour, number>>>;
  /** At the break: thread the same roll, or hang another. */
  readonly roll?: 'same' | 'new' | undefined;
  /** Once the count is in doubt: whether a pile is counted by hand. */
  readonly count?: boolean | undefined;
}

/** Why copies were lost. */
export const SHIFT_LOSSES = ['moves', 'keys', 'out', 'break', 'stops', 'count', 'end'] as const;
/** One of the reasons. */
export type ShiftLoss = (typeof SHIFT_LOSSES)[number];

/** Where a run stands. */
export interface ShiftState {
  /** Looks that have been answered. */
  readonly look: number;
  /** Copies that ran, without those of starts and moves, and those that were put away as spoiled. */
  readonly run: number;
  readonly spoiled: number;
  /** Good copies that are really there, and those that the counter says beside them. */
  readonly good: number;
  readonly missing: number;
  readonly minutes: number;
  /** How each colour lies, and its ink stands, steps. */
  readonly lie: Readonly<Record<MovedColour, number>>;
  readonly ink: Readonly<Record<ShiftColour, number>>;
  /** A pile was counted by hand: how many are missing is known. */
  readonly counted: boolean;
  /** Copies lost so far, a minute that the press stood as the copies that it did not print. */
  readonly lost: Readonly<Record<ShiftLoss, number>>;
}

/** A run before its first look. */
export const shiftBegin = ({ lie }: PracticeShift): ShiftState => ({
  look: 0,
  run: 0,
  spoiled: 0,
  good: 0,
  missing: 0,
  minutes: 0,
  lie,
  ink: { K: 0, C: 0, M: 0, Y: 0 },
  counted: false,
  lost: { moves: 0, keys: 0, out: 0, break: 0, stops: 0, count: 0, end: 0 },
});

const changed = (steps: Readonly<Record<string, number | undefined>>): number =>
  Object.values(steps).filter((one) => (one ?? 0) !== 0).length;

/** What threading costs: again, where the same torn roll is threaded. */
export function breakCost({ broken }: PracticeShift, roll: 'same' | 'new'): { copies: number; minutes: number } {
  if (roll === 'new')
    return { copies: SHIFT_WASTE.start + SHIFT_WASTE.roll, minutes: SHIFT_STOPS.thread + SHIFT_STOPS.roll };
  const times = broken.cause === 'roll' ? 2 : 1;
  return { copies: times * SHIFT_WASTE.start, minutes: times * SHIFT_STOPS.thread };
}

/** A run behind the copies that follow a look. Source: identity; the figures of the run are invented. */
export function shiftAfter(shift: PracticeShift, state: ShiftState, decision: ShiftDecision): ShiftState {
  const { perLook, drift, ink: fault, broken, short } = shift;
  const { look } = state;
  const lie = { ...state.lie };
  const ink = { ...state.ink };
  const out: (readonly [number, number])[] = [];
  for (const colour of MOVED_COLOURS) {
    const from = state.lie[colour] + (decision.moves[colour] ?? 0);
    lie[colour] = from + (colour === drift.colour ? driftAt(drift, look) : 0);
    out.push(...outOf(from, lie[colour]));
  }
  for (const colour of SHIFT_COLOURS) {
    const from = state.ink[colour] + (decision.keys[colour] ?? 0);
    ink[colour] = from + (colour === fault.colour ? driftAt(fault, look) : 0);
    out.push(...outOf(from, ink[colour]));
  }
  const stop = look === broken.at ? breakCost(shift, decision.roll ?? 'same') : { copies: 0, minutes: 0 };
  const counts = look >= short.at && !state.counted && decision.count === true;
  const [moved, keyed] = [SHIFT_WASTE.move * changed(decision.moves), SHIFT_WASTE.keys * changed(decision.keys)];
  const bad = Math.round(perLook * shareOf(out));
  const missing = look >= short.at ? Math.round(((perLook - bad) * short.perThousand) / 1000) : 0;
  const { lost } = state;
  return {
    look: look + 1,
    run: state.run + perLook,
    spoiled: state.spoiled + bad + moved + keyed + stop.copies,
    good: state.good + perLook - bad - missing,
    missing: state.missing + missing,
    minutes: state.minutes + stop.minutes,
    lie,
    ink,
    counted: state.counted || counts,
    lost: {
      moves: lost.moves + moved,
      keys: lost.keys + keyed,
      out: lost.out + bad,
      break: lost.break + stop.copies,
      stops: lost.stops + stop.minutes * COPIES_A_MINUTE,
      count: lost.count + (counts ? COUNTING_COPIES : 0),
      end: 0,
    },
  };
}

/** A run behind all these decisions. */
export const playShift = (shift: PracticeShift, decisions: readonly ShiftDecision[]): ShiftState =>
  decisions.slice(0, shift.looks).reduce((state, decision) => shiftAfter(shift, state, decision), shiftBegin(shift));

/** Good copies that whoever runs the press reckons with: by the counter, unless a pile was counted. */
export const reckonedGood = ({ good, missing, counted }: ShiftState): number => (counted ? good : good + missing);

/** Copies lost where so many are run beyond: each that is too many, and {@link SHORT_COPIES} for each that is missing. */
export const endCost = ({ ordered }: PracticeShift, { good }: ShiftState, extra: number): number => {
  const over = good + extra - ordered;
  return over >= 0 ? over : -over * SHORT_COPIES;
};

/** All that a run has lost. */
export const lostOf = ({ lost }: Pick<ShiftState, 'lost'>): number =>
  SHIFT_LOSSES.reduce((sum, reason) => sum + lost[reason], 0);

/** A run at its end, with the copies that were run beyond. */
export const shiftEnd = (shift: PracticeShift, state: ShiftState, extra: number): ShiftState => ({
  ...state,
  lost: { ...state.lost, end: endCost(shift, state, extra) },
});

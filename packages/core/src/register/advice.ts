import type { RegisterFit } from './fit.js';
import type { MarkPlace, Offset } from './reading.js';

/** What to do at the press: all minus the finding. Source: identity, handbook chapter 5. */
export interface Moves {
  readonly acrossMm: number;
  readonly aroundMm: number;
  /** Cock of the plate, mm a metre. */
  readonly cockMmPerM: number;
  /** The same in the press's own steps, whole. */
  readonly steps: { readonly across: number; readonly around: number; readonly cock: number };
}

/** A press's own steps of register. */
export interface RegisterSteps {
  /** Millimetres of one step across and around, above 0. */
  readonly moveMm: number;
  /** Cock of one step, mm a metre, above 0. */
  readonly cockMmPerM: number;
}

const MM_PER_METRE = 1000;
/** Minus 0 reads as a move. */
const minus = (value: number): number => (value === 0 ? 0 : -value);

/** The moves that bring a colour back, and how many of the press's steps they are. */
export function movesOf({ across, around, rotation }: RegisterFit, { moveMm, cockMmPerM }: RegisterSteps): Moves {
  const [acrossMm, aroundMm, cock] = [minus(across), minus(around), minus(rotation * MM_PER_METRE)];
  const whole = (value: number, step: number): number => Math.round(value / step) || 0;
  return {
    acrossMm,
    aroundMm,
    cockMmPerM: cock,
    steps: { across: whole(acrossMm, moveMm), around: whole(aroundMm, moveMm), cock: whole(cock, cockMmPerM) },
  };
}

const worstOf = (offsets: readonly Offset[]): number => Math.max(0, ...offsets.map(({ dx, dy }) => Math.hypot(dx, dy)));

/** Plain advice, as codes; the words are made at the face. */
export const REGISTER_ADVICE = [
  'in-tolerance',
  'move-plate',
  'cock-plate',
  'look-at-lays',
  'stretch',
  'drift',
] as const;
/** What the press is asked to do. */
export type RegisterAdvice = (typeof REGISTER_ADVICE)[number];

/** Whether a colour stands in register, and what would bring it there. */
export interface ColourVerdict {
  readonly inTolerance: boolean;
  /** Worst misregister now, and once the moves are made. */
  readonly worstMm: number;
  readonly leftMm: number;
  /** Least trap that covers what is left; never less than the process asks for. */
  readonly trapMm: number;
  readonly advice: readonly RegisterAdvice[];
}

/** A share of the tolerance from which a cause is worth a word. Source: practice. */
const WORTH_A_WORD = 0.5;

/** A fit of one colour with the limits that it is held to. Millimetres. */
export interface VerdictInput {
  readonly marks: readonly MarkPlace[];
  readonly offsets: readonly Offset[];
  readonly fit: RegisterFit;
  readonly toleranceMm: number;
  readonly leastTrapMm: number;
  /** Scatter between sheets, one standard deviation, mm; 0 where one sheet was measured. */
  readonly scatterMm: number;
  readonly drifts: boolean;
}

/**
 * Whether a colour is in tolerance and what to do about it: moves where they help, a word on what moves cannot mend.
 * Scatter between sheets that is larger than the mean comes from lays, grippers or feeder, not from the plate.
 * Source: handbook chapter 5 "Register" (practice).
 */
export function judgeColour({
  marks,
  offsets,
  fit,
  toleranceMm,
  leastTrapMm,
  scatterMm,
  drifts,
}: VerdictInput): ColourVerdict {
  const [worstMm, leftMm] = [worstOf(offsets), worstOf(fit.afterMoves)];
  const reach = Math.max(...marks.map(({ xMm, yMm }) => Math.hypot(xMm - fit.middle.xMm, yMm - fit.middle.yMm)));
  const worth = WORTH_A_WORD * toleranceMm;
  const shift = Math.hypot(fit.across, fit.around);
  const advice: RegisterAdvice[] = [];
  const inTolerance = worstMm <= toleranceMm;
  if (scatterMm > Math.max(shift, worth)) advice.push('look-at-lays');
  else if (!inTolerance) {
    if (shift > worth) advice.push('move-plate');
    if (Math.abs(fit.rotation) * reach > worth) advice.push('cock-plate');
  }
  if (leftMm > worth) advice.push('stretch');
  if (drifts) advice.push('drift');
  if (advice.length === 0) advice.push('in-tolerance');
  return { inTolerance, worstMm, leftMm, trapMm: Math.max(leastTrapMm, leftMm), advice };
}

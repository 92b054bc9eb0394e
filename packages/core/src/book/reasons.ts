import type { Operation } from '../route/index.js';

/** What spoils anything anywhere. */
const ANYWHERE = ['scratch', 'crease', 'dirt', 'double'];
const PRINTED = ['hickey', 'set-off', 'mis-register', 'colour'];
const GLUED = ['glue', 'set-off'];
const GATHERED = ['missing section', 'wrong cover'];
const CUT = ['cut', 'set-off'];

/** What else spoils the work of each operation. */
const AT: Readonly<Record<Operation, readonly string[]>> = {
  corrugate: ['glue', 'cracked'],
  print: PRINTED,
  dry: ['set-off'],
  overprint: PRINTED,
  raise: PRINTED,
  coat: PRINTED,
  laminate: GLUED,
  foil: PRINTED,
  emboss: ['mis-register', 'cracked'],
  mount: GLUED,
  cut: CUT,
  'die-cut': ['cut', 'mis-register', 'cracked'],
  convert: [...CUT, 'mis-register'],
  score: ['cracked', 'mis-register'],
  fold: ['fold skew', 'cracked', 'set-off'],
  window: GLUED,
  glue: [...GLUED, 'fold skew', 'cracked'],
  envelope: [...GLUED, 'fold skew'],
  gum: GLUED,
  rivet: ['cracked'],
  tip: [...GLUED, 'wrong cover'],
  gather: GATHERED,
  sew: GATHERED,
  spine: GLUED,
  stitch: [...GATHERED, 'cut'],
  kit: GATHERED,
  bind: [...GATHERED, 'glue', 'cut'],
  cool: ['glue'],
  split: ['cut'],
  trim: CUT,
  line: GLUED,
  case: ['glue', 'wrong cover'],
  'case-in': ['glue', 'wrong cover', 'fold skew'],
  press: ['glue', 'cracked'],
  rewind: CUT,
  number: ['number', 'mis-register', 'colour'],
  inspect: [...PRINTED, 'cut', 'number'],
  count: ['number'],
  hand: GATHERED,
  outside: [],
  band: [],
  wrap: ['cut'],
  box: [],
  pallet: [],
};

/** Last on every list. */
const OTHER = 'other';

/**
 * Reasons that a station spoils for, what is its own first. Source: handbook chapter 9 "Faults"; which of them belong to
 * which station: common practice, no source.
 */
export const faultsAt = (operation: Operation): readonly string[] => [...AT[operation], ...ANYWHERE, OTHER];

/** Reasons that a machine stands for. Source: common practice, no source. */
export const STOPS = [
  'jam',
  'wash-up',
  'material',
  'carrier',
  'waiting for approval',
  'machine',
  'break',
  OTHER,
] as const;

/** Reasons that a balance does not come out for. Source: common practice, no source. */
export const DIFFERENCES = [
  'counter',
  'miscounted before',
  'pile short as delivered',
  'taken for another job',
  OTHER,
] as const;

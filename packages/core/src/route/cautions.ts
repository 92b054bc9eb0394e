import type { Operation } from './operations.js';

const NIPS = 'Guards closed; inch mode for threading, washing and jams; no loose clothing, rings or gloves at rollers.';
const LOCK_OUT =
  'Jams and changes of blanket, knife or die: stop, isolate and lock out all energy, stored pressure too.';
const CUTTING =
  'Two-hand control and light curtain working; nobody else at the table; blade carried in its holder; never reach under the clamp.';
const SOLVENTS = 'Solvents and washes: ventilation, gloves, no ignition, closed rag bins; safety data sheet at hand.';
const DUST = 'Powder and paper dust: extraction and mask; dust is explosive in quantity.';
const NOISE = 'Hearing protection where required.';
const LIFTING = 'Hand-lift limits and stacking height by local rules.';
const STRIPPING = 'Stripping with a hammer: eye protection, rotation and breaks.';
const REPETITION = 'Repetitive hand work: rotation and breaks.';
const HOT_GLUE = 'Hot-melt glue burns: gloves and eye protection at the tank; ventilation.';
const HEAT = 'Hot parts: gloves for heat, and let them cool down before a change.';
const CRUSH = 'Crush zone: guards closed, hands out before the stroke; lift dies with help or a hoist.';
const FUMES = 'PUR gives off isocyanate fumes: extraction and health checks.';
const ROLLS = 'Chock rolls; never stand under a lifted roll: half a ton crushes.';
const STACKS = 'Stacking height as the works allows; never under a lifted pallet.';
const SHARP = 'Trims and bands have sharp edges: gloves for handling, not at rotating parts.';

/** Usual cautions at a station. Source: handbook chapter 10; EN 1010 and ISO 12643 series (safety of graphic technology equipment). */
export const CAUTIONS: Readonly<Record<Operation, readonly string[]>> = {
  print: [NIPS, LOCK_OUT, SOLVENTS, DUST, NOISE],
  dry: [LIFTING],
  coat: [NIPS, LOCK_OUT, SOLVENTS],
  cut: [CUTTING, LOCK_OUT, LIFTING],
  'die-cut': [CRUSH, LOCK_OUT, SHARP, STRIPPING, NOISE],
  score: [NIPS, LOCK_OUT],
  fold: [NIPS, LOCK_OUT, NOISE],
  glue: [NIPS, LOCK_OUT, HOT_GLUE, REPETITION],
  stitch: [NIPS, LOCK_OUT, NOISE],
  trim: [CUTTING, LOCK_OUT, SHARP],
  rewind: [NIPS, LOCK_OUT, LIFTING],
  band: [SHARP, REPETITION],
  inspect: [REPETITION],
  hand: [SHARP, REPETITION],
  outside: [LIFTING],
  box: [LIFTING, REPETITION],
  corrugate: [NIPS, LOCK_OUT, ROLLS, HEAT, NOISE],
  overprint: [NIPS, LOCK_OUT, SOLVENTS, DUST, NOISE],
  raise: [HEAT, DUST],
  laminate: [NIPS, LOCK_OUT, HEAT],
  foil: [CRUSH, HEAT, LOCK_OUT, LIFTING],
  emboss: [CRUSH, HEAT, LOCK_OUT, LIFTING],
  mount: [NIPS, LOCK_OUT, LIFTING],
  convert: [NIPS, LOCK_OUT, SHARP],
  window: [NIPS, LOCK_OUT],
  envelope: [NIPS, LOCK_OUT, NOISE],
  gum: [NIPS, LOCK_OUT],
  rivet: [CRUSH, REPETITION],
  tip: [NIPS, REPETITION],
  gather: [NIPS, LOCK_OUT, NOISE],
  sew: [NIPS, LOCK_OUT, NOISE],
  spine: [CRUSH, LOCK_OUT],
  line: [NIPS, LOCK_OUT],
  kit: [REPETITION],
  bind: [NIPS, LOCK_OUT, HOT_GLUE, FUMES, NOISE],
  cool: [NIPS],
  split: [CUTTING, LOCK_OUT],
  case: [NIPS, LOCK_OUT],
  'case-in': [NIPS, LOCK_OUT, CRUSH],
  press: [CRUSH, LIFTING],
  number: [NIPS, LOCK_OUT],
  count: [REPETITION],
  wrap: [HEAT, REPETITION],
  pallet: [LIFTING, STACKS],
};

/** Always said with the cautions. Source: handbook chapter 10. */
export const CAUTION_RULE = 'Local law, the machine’s manual and trained people come first.';

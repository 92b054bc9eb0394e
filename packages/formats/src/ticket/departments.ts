import type { Operation } from '@druckerei/core';

/** Who works at a station: the ticket has a part for each that has work. */
export type Department = 'press' | 'finishing' | 'bindery' | 'boxes' | 'packing';

/** What the departments are called on the ticket. */
export const DEPARTMENT_NAMES: Readonly<Record<Department, string>> = {
  press: $localize`Press room`,
  finishing: $localize`Cutting, folding and surfaces`,
  bindery: $localize`Bindery`,
  boxes: $localize`Box shop`,
  packing: $localize`Hands, inspection and packing`,
};

/** The department of every operation. Source: common practice, no source. */
export const DEPARTMENT: Readonly<Record<Operation, Department>> = {
  corrugate: 'press',
  print: 'press',
  dry: 'press',
  overprint: 'press',
  raise: 'press',
  coat: 'press',
  laminate: 'finishing',
  foil: 'finishing',
  emboss: 'finishing',
  mount: 'finishing',
  cut: 'finishing',
  'die-cut': 'finishing',
  convert: 'finishing',
  score: 'finishing',
  fold: 'finishing',
  gather: 'bindery',
  sew: 'bindery',
  spine: 'bindery',
  stitch: 'bindery',
  kit: 'bindery',
  bind: 'bindery',
  cool: 'bindery',
  split: 'bindery',
  trim: 'bindery',
  line: 'bindery',
  case: 'bindery',
  'case-in': 'bindery',
  press: 'bindery',
  tip: 'bindery',
  window: 'boxes',
  glue: 'boxes',
  envelope: 'boxes',
  gum: 'boxes',
  rivet: 'boxes',
  rewind: 'packing',
  number: 'packing',
  inspect: 'packing',
  count: 'packing',
  hand: 'packing',
  outside: 'packing',
  band: 'packing',
  wrap: 'packing',
  box: 'packing',
  pallet: 'packing',
};

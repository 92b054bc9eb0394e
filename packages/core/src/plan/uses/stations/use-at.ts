import type { Machine, SupplyId } from '../../../works/index.js';
import type { NormLookup } from '../../../norms/index.js';
import type { ComponentLayout } from '../../../press-sheet/index.js';
import type { Step, Unordered } from '../../../job/index.js';
import type { Material, Taken } from '../../../material/index.js';

/** A value of a formula that is no norm: measured on the material, or told in the job. */
export interface UseValue {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly told?: boolean;
}

/** So much of a supply at a station: a formula over named values, norms, and `units`, what goes through it. */
export interface Use {
  readonly supply: SupplyId;
  readonly formula: string;
  readonly values: Readonly<Record<string, UseValue>>;
  readonly norms: Readonly<Record<string, string>>;
}

/** A station as its uses see it. */
export interface UseAt {
  readonly job: Unordered;
  readonly step: Step;
  readonly layout: ComponentLayout | undefined;
  readonly machine: Machine | undefined;
  readonly incoming: readonly Taken[];
  readonly made: Material | undefined;
  readonly norms: NormLookup;
}

/** A length of a formula, mm. */
export const mm = (name: string, value: number | undefined, told = false): UseValue => ({
  name,
  value: value ?? 0,
  unit: 'mm',
  ...(told ? { told } : {}),
});
/** A value of a formula in a unit of its own. */
export const plain = (name: string, value: number, unit: string): UseValue => ({ name, value, unit });

/** Norms of a bead of glue. */
export const BEAD = { width: 'glue.beadWidth', wet: 'glue.beadWet', density: 'glue.density' };
/** Norms of a film of glue. */
export const AREA = { wet: 'glue.filmWet', density: 'glue.density' };
/** Beads of glue, of so much length on one. Source: handbook chapter 7 "Gluing". */
export const beads = (supply: SupplyId, length: UseValue): Use => ({
  supply,
  formula: 'units * length * width * wet * density / 1000 / 1000',
  values: { length },
  norms: BEAD,
});
/** Glue over an area of one. */
export const overArea = (supply: SupplyId, area: UseValue): Use => ({
  supply,
  formula: 'units * area * wet * density / 1000 / 1000',
  values: { area },
  norms: AREA,
});

/** Area of the sheet that comes to a station, mm2. */
export const sheetArea = ({ incoming: [first] }: UseAt): UseValue =>
  plain($localize`Area of a sheet`, (first?.material.widthMm ?? 0) * (first?.material.heightMm ?? 0), 'mm2');

/** A station that uses up nothing. */
export const NOTHING = (): readonly Use[] => [];

/** What a station uses up. */
export type Uses = (at: UseAt) => readonly Use[];

import type { Source } from '../kernel/index.js';
import { type Lab, cielab1976 } from './ciede2000.js';

/** Aims for solids, as data: editions differ, and so may the works. */
export interface AimSet {
  readonly id: string;
  readonly name: string;
  readonly source: Source;
  readonly solids: Readonly<Record<string, Lab>>;
  /** Deviation tolerance of solids, in CIELAB 1976 as the edition tells it. */
  readonly toleranceE76: number;
}

/** Coated paper on black backing. Source: standard as remembered, handbook chapter 5; the 2013 edition has other aims. */
export const AIM_SETS: readonly AimSet[] = [
  {
    id: 'offset-coated-2007',
    name: 'Offset, coated, black backing (ISO 12647-2:2004/Amd 1:2007)',
    source: { label: 'memory', note: 'ISO 12647-2:2004/Amd 1:2007, from memory' },
    solids: {
      K: { l: 16, a: 0, b: 0 },
      C: { l: 54, a: -36, b: -49 },
      M: { l: 46, a: 72, b: -5 },
      Y: { l: 87, a: -6, b: 90 },
    },
    toleranceE76: 5,
  },
];

/** Whether a measured solid is within its aim set's tolerance; undefined where the set has no such ink. */
export function isOnAim(set: AimSet, ink: string, measured: Lab): boolean | undefined {
  const aim = set.solids[ink];
  return aim && cielab1976(aim, measured) <= set.toleranceE76;
}

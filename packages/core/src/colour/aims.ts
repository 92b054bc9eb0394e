import { own, type Source } from '../kernel/index.js';
import { type Lab, ciede2000, cielab1976 } from './ciede2000.js';

/** Aims for solids, as data: editions differ, and so may the works. */
export interface AimSet {
  readonly id: string;
  readonly name: string;
  readonly source: Source;
  readonly solids: Readonly<Record<string, Lab>>;
  /** Deviation tolerance of solids, in CIELAB 1976 as the edition tells it. */
  readonly toleranceE76: number;
  /** Overprints of two solids, by both names in any order. */
  readonly overprints?: readonly { readonly inks: readonly [string, string]; readonly lab: Lab }[];
  /** Density of solids where the house prints by density, and tone value increase at 50 %. Practice. */
  readonly densities?: Readonly<Record<string, number>>;
  readonly gain50?: Readonly<Record<string, number>>;
}

/** Coated paper on black backing. Source: standard as remembered, handbook chapter 5; the 2013 edition has other aims. */
export const AIM_SETS: readonly AimSet[] = [
  {
    id: 'offset-coated-2007',
    name: $localize`Offset, coated, black backing (ISO 12647-2:2004/Amd 1:2007)`,
    source: { label: 'memory', note: $localize`ISO 12647-2:2004/Amd 1:2007, from memory` },
    solids: {
      K: { l: 16, a: 0, b: 0 },
      C: { l: 54, a: -36, b: -49 },
      M: { l: 46, a: 72, b: -5 },
      Y: { l: 87, a: -6, b: 90 },
    },
    toleranceE76: 5,
    overprints: [
      { inks: ['M', 'Y'], lab: { l: 45, a: 65, b: 46 } },
      { inks: ['C', 'Y'], lab: { l: 49, a: -66, b: 24 } },
      { inks: ['C', 'M'], lab: { l: 24, a: 16, b: -45 } },
    ],
    densities: { K: 1.75, C: 1.45, M: 1.45, Y: 1.35 },
    gain50: { K: 0.16, C: 0.13, M: 0.13, Y: 0.13 },
  },
  {
    id: 'offset-coated-2013',
    name: $localize`Offset, premium coated, black backing (ISO 12647-2:2013)`,
    source: { label: 'memory', note: $localize`ISO 12647-2:2013, print substrate 1, from memory` },
    solids: {
      K: { l: 16, a: 0, b: 0 },
      C: { l: 55, a: -36, b: -51 },
      M: { l: 47, a: 73, b: -4 },
      Y: { l: 87, a: -4, b: 91 },
    },
    toleranceE76: 5,
    overprints: [
      { inks: ['M', 'Y'], lab: { l: 46, a: 67, b: 47 } },
      { inks: ['C', 'Y'], lab: { l: 49, a: -66, b: 25 } },
      { inks: ['C', 'M'], lab: { l: 24, a: 20, b: -45 } },
    ],
    densities: { K: 1.75, C: 1.45, M: 1.45, Y: 1.35 },
    gain50: { K: 0.16, C: 0.16, M: 0.16, Y: 0.16 },
  },
];

/** Whether a measured solid is within its aim set's tolerance; undefined where the set has no such ink. */
export function isOnAim(set: AimSet, ink: string, measured: Lab): boolean | undefined {
  const aim = own(set.solids, ink);
  return aim && cielab1976(aim, measured) <= set.toleranceE76;
}

/** A mixed colour is worth a word as an overprint up to this difference. Source: common practice, no source. */
const NEAR = 5;

/** Two of the inks whose overprint comes near a colour, and how near (CIEDE2000). Source: handbook chapter 5 "Order of colours". */
export function overprintOf(
  aim: Lab,
  inks: readonly string[],
  set: AimSet | undefined = AIM_SETS[0],
): { readonly inks: readonly [string, string]; readonly difference: number } | undefined {
  const near = (set?.overprints ?? [])
    .filter(({ inks: pair }) => pair.every((name) => inks.includes(name)))
    .map(({ inks: pair, lab }) => ({ inks: pair, difference: ciede2000(aim, lab) }))
    .filter(({ difference }) => difference <= NEAR)
    .sort((one, other) => one.difference - other.difference);
  return near[0];
}

import { type FloorSlot, group } from '@druckerei/core';
import { inkColour } from '../../ui/ink-colour';
import { round } from './folded-time';

/** A stretch of work on a machine's cord, and the waist before it. */
export interface CordPart {
  readonly slot: FloorSlot;
  /** Waist while it is set up, cord while it runs: lines from left to right. */
  readonly waist: readonly [number, number];
  readonly run: readonly [number, number];
  readonly y: number;
  /** Thick where an hour is dear: for what is late or soon would be. */
  readonly thick: number;
  readonly late: boolean;
  /** Room for its number. */
  readonly label: boolean;
}

/** What many parts look like together: a path for each look, so that however many they are there is little to draw. */
export interface Cords {
  readonly waists: string;
  readonly cords: string;
  readonly late: string;
  /** Where something is changed, and no inks tell it. */
  readonly marks: string;
}

/** An ink of a unit that is washed: two side by side, before and after. */
export interface InkChip {
  readonly x: number;
  readonly y: number;
  readonly colour: string;
}

/** Side of a chip, most of them one under the other, and the least length of a station that has room for them. */
export const CHIP_PX = 6;
const MOST_CHIPS = 4;
const CHIPS_PX = 3 * CHIP_PX;

/** Inks before and after of the units that are washed for a part, one under the other; none where there is no room. */
export function chipsOf({ slot: { washes }, waist: [x], run, y }: CordPart): InkChip[] {
  if (run[1] - x < CHIPS_PX) return [];
  const shown = washes.slice(0, MOST_CHIPS);
  const top = y - ((shown.length - 1) * (CHIP_PX + 1) + CHIP_PX) / 2;
  return shown.flatMap(({ from, to }, i) =>
    [from, to].map(({ name, aim }, k) => ({
      x: x + k * CHIP_PX,
      y: top + i * (CHIP_PX + 1),
      colour: inkColour(name, aim),
    })),
  );
}

export function chipPaths(chips: readonly InkChip[]): { readonly colour: string; readonly path: string }[] {
  const paths = new Map<string, string[]>();
  for (const { x, y, colour } of chips)
    group(paths, colour, `M ${round(x)} ${round(y)} h ${CHIP_PX} v ${CHIP_PX} h -${CHIP_PX} z`);
  return [...paths].map(([colour, all]) => ({ colour, path: all.join('') }));
}

/** A run of a moment is seen too. */
export const LEAST_PX = 2;

const ROUND_PX = 4;

/** A box as a path, with round corners where it is long enough for them to be seen. */
function roundedBox(x: number, y: number, wide: number, high: number): string {
  if (wide < 3 * ROUND_PX) return `M ${round(x)} ${round(y)} h ${round(wide)} v ${round(high)} h ${-round(wide)} z`;
  const r = Math.min(ROUND_PX, wide / 2, high / 2);
  const corner = (dx: number, dy: number): string => `a ${round(r)} ${round(r)} 0 0 1 ${round(dx)} ${round(dy)}`;
  const [across, down] = [round(wide - 2 * r), round(high - 2 * r)];
  return `M ${round(x + r)} ${round(y)} h ${across} ${corner(r, r)} v ${down} ${corner(-r, r)} h ${-across} ${corner(-r, -r)} v ${-down} ${corner(r, -r)} z`;
}

/** Parts as paths, a look each. */
export function cordsOf(parts: readonly CordPart[]): Cords {
  const [waists, cords, late, marks]: [string[], string[], string[], string[]] = [[], [], [], []];
  for (const part of parts) {
    const { waist, run, y, thick, slot } = part;
    waists.push(`M ${round(waist[0])} ${y} H ${round(waist[1])}`);
    const wide = Math.max(LEAST_PX, run[1] - run[0]);
    (part.late ? late : cords).push(roundedBox(run[0], y - thick / 2, wide, thick));
    if (slot.changes.length > 0 && (slot.washes.length === 0 || run[1] - waist[0] < CHIPS_PX))
      marks.push(`M ${round(waist[0])} ${y} l 5 -5 l 5 5 l -5 5 z`);
  }
  return { waists: waists.join(''), cords: cords.join(''), late: late.join(''), marks: marks.join('') };
}

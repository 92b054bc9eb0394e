import { type CuttingProgramme, cuttingProgramme } from '../../finishing/index.js';
import { type ComponentLayout, partsSheet } from '../../press-sheet/index.js';
import type { Step } from '../../job/index.js';

/** Cuts and quarter turns of a lift, with the programme where one parts the sheet's pieces. */
export interface CutWork {
  readonly cuts: number;
  readonly quarterTurns: number;
  readonly programme: CuttingProgramme | undefined;
}

/** A sheet that is squared and nothing more: four trims, the pile turned between them. */
const SQUARED: CutWork = { cuts: 4, quarterTurns: 3, programme: undefined };

/** Programmes by the pieces of a pattern, and where they lie on what sheet. */
const known = new WeakMap<ComponentLayout['pattern']['pieces'], Map<string, CutWork>>();

/** What the guillotine does with a layout; remembered by the pattern, the sheet and where it lies on it. Source: handbook chapter 7 "Guillotine". */
export function cutWork(layout: ComponentLayout | undefined, step: Pick<Step, 'operation'>, leastMm: number): CutWork {
  if (!layout || !partsSheet({ ...step, id: '' }, layout) || layout.pattern.count === 0) return SQUARED;
  const { pattern, sheet, leftMm, bottomMm } = layout;
  const kept = known.get(pattern.pieces) ?? new Map<string, CutWork>();
  const key = `${sheet.widthMm} ${sheet.heightMm} ${leftMm} ${bottomMm} ${leastMm}`;
  const before = kept.get(key);
  if (before) return before;
  const pieces = pattern.pieces.map(({ xMm, yMm, widthMm, heightMm }) => ({
    xMm: leftMm + xMm,
    yMm: bottomMm + yMm,
    widthMm,
    heightMm,
  }));
  const programme = cuttingProgramme(sheet, pieces, leastMm);
  const made: CutWork = programme
    ? { cuts: programme.cuts.length, quarterTurns: programme.quarterTurns, programme }
    : { cuts: 4 + 2 * (pattern.count - 1), quarterTurns: SQUARED.quarterTurns, programme };
  kept.set(key, made);
  known.set(pattern.pieces, kept);
  return made;
}

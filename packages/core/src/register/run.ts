import { SIGMAS, slopeOf, own } from '../kernel/index.js';
import type { ColourOffsets, Offset, SheetReading } from './reading.js';

/** A colour over the run: means at the marks, scatter between sheets, and where it goes. */
export interface ColourRun {
  readonly mean: ColourOffsets;
  /** Standard deviation between sheets, root of the mean over marks and directions, mm; 0 for one sheet. */
  readonly scatterMm: number;
  /** Change of the mean offset in a thousand sheets, mm, by a straight line through the run. */
  readonly driftPerThousand: Offset;
  /** The drift is more than chance and brings the colour out of half its tolerance within the run. */
  readonly drifts: boolean;
}

const HALF = 0.5;
const PER_THOUSAND = 1000;

/**
 * Means, scatter and drift of a colour over the sheets that were measured.
 * Source: literature (ordinary least squares); handbook chapter 5 "trend".
 */
export function runOf(colour: string, sheets: readonly SheetReading[], toleranceMm: number): ColourRun {
  const measured = sheets.flatMap(({ sheet, colours }) => {
    const offsets = own(colours, colour);
    return offsets ? [{ sheet, offsets }] : [];
  });
  const n = measured.length;
  const marks = measured[0]?.offsets.length ?? 0;
  const sums = Array.from({ length: marks }, () => ({ dx: 0, dy: 0 }));
  const [x, across, around]: [number[], number[], number[]] = [[], [], []];
  for (const { sheet, offsets } of measured) {
    let [dx, dy] = [0, 0];
    for (let mark = 0; mark < marks; mark++) {
      const sum = sums[mark];
      const offset = offsets[mark];
      if (!sum || !offset) continue;
      sum.dx += offset.dx;
      sum.dy += offset.dy;
      dx += offset.dx;
      dy += offset.dy;
    }
    x.push(sheet);
    across.push(dx / Math.max(1, marks));
    around.push(dy / Math.max(1, marks));
  }
  const mean = sums.map(({ dx, dy }): Offset => ({ dx: dx / n, dy: dy / n }));
  let squares = 0;
  for (const { offsets } of measured)
    for (let mark = 0; mark < marks; mark++) {
      const of = mean[mark];
      const offset = offsets[mark];
      if (of && offset) squares += (offset.dx - of.dx) ** 2 + (offset.dy - of.dy) ** 2;
    }
  const [driftAcross, driftAround] = [slopeOf(x, across), slopeOf(x, around)];
  const length = n < 2 ? 0 : (x[n - 1] ?? 0) - (x[0] ?? 0);
  const isDrift = ({ slope, error }: { slope: number; error: number }): boolean =>
    Math.abs(slope) > SIGMAS * error && Math.abs(slope * length) > HALF * toleranceMm;
  return {
    mean,
    scatterMm: n < 2 || marks === 0 ? 0 : Math.sqrt(squares / (2 * marks * (n - 1))),
    driftPerThousand: { dx: driftAcross.slope * PER_THOUSAND, dy: driftAround.slope * PER_THOUSAND },
    drifts: isDrift(driftAcross) || isDrift(driftAround),
  };
}

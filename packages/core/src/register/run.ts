import { SIGMAS, slopeOf } from '../kernel/index.js';
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
    const offsets = colours[colour];
    return offsets ? [{ sheet, offsets }] : [];
  });
  const n = measured.length;
  const marks = measured[0]?.offsets.length ?? 0;
  const mean = Array.from({ length: marks }, (_, mark): Offset => {
    let [dx, dy] = [0, 0];
    for (const { offsets } of measured) {
      dx += offsets[mark]?.dx ?? 0;
      dy += offsets[mark]?.dy ?? 0;
    }
    return { dx: dx / n, dy: dy / n };
  });
  const x = measured.map(({ sheet }) => sheet);
  const middle = (of: (offset: Offset) => number): number[] =>
    measured.map(({ offsets }) => offsets.reduce((sum, one) => sum + of(one), 0) / Math.max(1, marks));
  const [across, around] = [
    slopeOf(
      x,
      middle(({ dx }) => dx),
    ),
    slopeOf(
      x,
      middle(({ dy }) => dy),
    ),
  ];
  const squares = measured.reduce(
    (sum, { offsets }) =>
      sum +
      offsets.reduce((all, { dx, dy }, mark) => {
        const of = mean[mark] ?? { dx: 0, dy: 0 };
        return all + (dx - of.dx) ** 2 + (dy - of.dy) ** 2;
      }, 0),
    0,
  );
  const length = n < 2 ? 0 : (x[n - 1] ?? 0) - (x[0] ?? 0);
  const isDrift = ({ slope, error }: { slope: number; error: number }): boolean =>
    Math.abs(slope) > SIGMAS * error && Math.abs(slope * length) > HALF * toleranceMm;
  return {
    mean,
    scatterMm: n < 2 || marks === 0 ? 0 : Math.sqrt(squares / (2 * marks * (n - 1))),
    driftPerThousand: { dx: across.slope * PER_THOUSAND, dy: around.slope * PER_THOUSAND },
    drifts: isDrift(across) || isDrift(around),
  };
}

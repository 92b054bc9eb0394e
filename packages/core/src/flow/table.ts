import { type Fraction, add, ceil, compare, divide, fraction, multiply, toNumber, ZERO } from '../kernel/index.js';
import type { Downstream } from './downstream.js';

/** Colour columns of the house's table: 1, 2, 3 to 4, 5 and more. */
export type ColourColumn = 'c1' | 'c2' | 'c3' | 'c5';

/** One row of the spoilage table: up to which run, and the shares of its columns. */
export interface TableBand {
  /** Norm id prefix of the band. */
  readonly id: string;
  /** Net sheets up to and including; Infinity for the last band. */
  readonly upTo: number;
  /** Shares of net press sheets for the pass with most colours. */
  readonly shares: Readonly<Record<ColourColumn, number>>;
  /** Share for each finishing step. */
  readonly finishing: number;
}

/** A spoilage table: rows by run, columns by colours, and what further passes and finishing add. Shares of the net. */
export interface SpoilageTable {
  /** Rising by `upTo`. */
  readonly bands: readonly TableBand[];
  /** Spoils of a printed component are never fewer than `floorBase + floorPerColour x colours`. */
  readonly floorBase: number;
  readonly floorPerColour: number;
}

/** How the table came to its answer, for the working. */
export interface TableCount {
  readonly units: number;
  readonly net: number;
  /** Net at which the deciding band was read: the net itself, or the upper end of a lower band. */
  readonly netRead: number;
  readonly band: TableBand;
  readonly column: ColourColumn;
  readonly furtherPasses: number;
  readonly finishingSteps: number;
  readonly colours: number;
}

/** Column of the table for so many colours, from 0. */
export const colourColumn = (colours: number): ColourColumn =>
  colours <= 1 ? 'c1' : colours === 2 ? 'c2' : colours <= 4 ? 'c3' : 'c5';

/** Share of net that a band allows: the pass with most colours, half of it for every further pass, each finishing step. */
function shareOf(band: TableBand, column: ColourColumn, passes: number, finishingSteps: number): Fraction {
  const pass = fraction(band.shares[column]);
  const allPasses = passes === 0 ? ZERO : add(pass, multiply(divide(pass, fraction(2)), fraction(passes - 1)));
  return add(allPasses, multiply(fraction(band.finishing), fraction(finishingSteps)));
}

/**
 * School 3: per cent by run length and colours, plus a per cent for each finishing step, of the net. The figure is the
 * larger of this band's and every lower band's at its upper end, so that a longer run never needs fewer.
 * @param bandNet net press sheets of the component, by which the band is chosen (for steps after the press too).
 * Source: practice, handbook chapter 6 "Table".
 */
export function countByTable(after: Downstream, bandNet: number, table: SpoilageTable): TableCount {
  const net = ceil(after.net);
  const colours = Math.max(0, ...after.passes);
  const column = colourColumn(colours);
  const passes = after.passes.length;
  // The band's upper end in this step's own units: pieces after the cut are more than the sheets that chose the band.
  const perSheet = divide(fraction(net), fraction(Math.max(1, bandNet)));
  let best: { spoils: Fraction; band: TableBand; netRead: Fraction } | undefined;
  for (const [i, band] of table.bands.entries()) {
    const lower = i === 0 ? 0 : (table.bands[i - 1]?.upTo ?? 0);
    if (i > 0 && bandNet <= lower) break;
    const netRead = bandNet > band.upTo ? multiply(fraction(band.upTo), perSheet) : fraction(net);
    const spoils = multiply(netRead, shareOf(band, column, passes, after.finishingSteps));
    if (!best || compare(spoils, best.spoils) >= 0) best = { spoils, band, netRead };
  }
  if (!best) throw new Error('the spoilage table has no band');
  const least = passes > 0 ? fraction(table.floorBase + table.floorPerColour * colours) : ZERO;
  const spoils = compare(best.spoils, least) > 0 ? best.spoils : least;
  return {
    units: ceil(add(fraction(net), spoils)),
    net,
    netRead: toNumber(best.netRead),
    band: best.band,
    column,
    furtherPasses: Math.max(0, passes - 1),
    finishingSteps: after.finishingSteps,
    colours,
  };
}

import type { Issue } from '../kernel/index.js';
import type { WorkStyle } from '../press/index.js';
import type { SheetSize } from '../works/index.js';
import type { Bought } from '../job/index.js';
import type { SheetArrangement } from '../press-sheet/index.js';

/** What the ways differ in: where and on what a part of the job is printed, and how its text is split. */
export interface WayChoice {
  readonly press: string;
  readonly stock: string;
  readonly sheet: SheetSize;
  /** Bought larger or on a roll; absent: the press sheet is bought. */
  readonly bought?: Bought | undefined;
  readonly workStyle: WorkStyle;
  /** Pages of the sections that the text is split into anew; absent: the sections stay as they are. */
  readonly sections?: readonly number[] | undefined;
  /** Unlike sections of the text share forms two by two. */
  readonly shared?: boolean | undefined;
}

/** One way to run a part of a job, reckoned step by step. Sums are over all its sections. */
export interface Way extends WayChoice {
  /** Stable: the choice in words. */
  readonly id: string;
  /** Pieces on the press sheet; of the first section where there are several. */
  readonly up: number;
  readonly arrangement: SheetArrangement;
  readonly pressSheets: number;
  /** Sheets to buy; 0 from a roll. */
  readonly boughtSheets: number;
  readonly paperKg: number;
  /** Share of the paper bought that does not end in trimmed product. */
  readonly wasteShare: number;
  readonly plates: number;
  readonly passes: number;
  /** Units of presses that it fills with ink; what another part fills as well is filled once. */
  readonly fills: readonly string[];
  /** Machine hours of this part up to where it joins the others. */
  readonly hours: number;
  /** Cost of the whole job run this way, in the currency of the works. */
  readonly cost: number;
  /** Part of the cost that does not grow with the quantity, and what one more copy costs. */
  readonly fixedCost: number;
  readonly unitCost: number;
}

/** Why candidates fell out: one reason with an example, and how many it struck. */
export interface Refusal {
  readonly issue: Issue;
  readonly count: number;
}

/** All ways of a part, and why others fell out. */
export interface Ways {
  /** Every way that works, best first by the ranking asked for. */
  readonly ways: readonly Way[];
  readonly considered: number;
  readonly refusals: readonly Refusal[];
  /** The way that the job is planned in now; undefined where it is none of those. */
  readonly current: string | undefined;
  /** What it costs to fill one unit with ink, and the units that the rest of the job fills anyway. */
  readonly fillCost: number;
  readonly filledAnyway: readonly string[];
  /** What the part fills as the job has it now. */
  readonly fillsNow: readonly string[];
}

/** What ways may be ranked by. */
export const RANKINGS = ['cost', 'paper', 'hours', 'plates'] as const;
/** One of the rankings. */
export type Ranking = (typeof RANKINGS)[number];

const KEYS: Readonly<Record<Ranking, (way: Way) => number>> = {
  cost: ({ cost }) => cost,
  paper: ({ paperKg }) => paperKg,
  hours: ({ hours }) => hours,
  plates: ({ plates }) => plates,
};

/** Ways in the order asked for; cost and then the choice itself decide between equals, so the order is always the same. */
export const rankWays = (ways: readonly Way[], ranking: Ranking): Way[] =>
  [...ways].sort((a, b) => KEYS[ranking](a) - KEYS[ranking](b) || a.cost - b.cost || (a.id < b.id ? -1 : 1));

const boughtWords = (bought: Bought | undefined): string =>
  bought === undefined
    ? $localize`as bought`
    : bought.kind !== 'sheet'
      ? `${bought.kind} ${bought.widthMm}`
      : $localize`from ${bought.widthMm}x${bought.heightMm} ${bought.grain}`;

/** Stable name of a choice. */
export const wayId = ({ press, stock, sheet, bought, workStyle, sections, shared }: WayChoice): string =>
  [
    press,
    stock,
    `${sheet.widthMm}x${sheet.heightMm} ${sheet.grain}`,
    boughtWords(bought),
    workStyle,
    ...(sections ? [sections.join('+')] : []),
    ...(shared ? [$localize`shared forms`] : []),
  ].join(' | ');

/**
 * Quantity from which b is the cheaper way, where it costs more to begin and less for each copy:
 * (fixed a - fixed b) / (unit b - unit a). Undefined where one of both is always the cheaper.
 * Source: identity, handbook chapter 8 (offset against digital).
 */
export function breakEven(
  a: Pick<Way, 'fixedCost' | 'unitCost'>,
  b: Pick<Way, 'fixedCost' | 'unitCost'>,
): number | undefined {
  const quantity = (a.fixedCost - b.fixedCost) / (b.unitCost - a.unitCost);
  return Number.isFinite(quantity) && quantity > 0 ? quantity : undefined;
}

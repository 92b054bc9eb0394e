/** How the two sides of a sheet are printed. */
export const WORK_STYLES = ['single', 'sheetwise', 'work-and-turn', 'work-and-tumble', 'perfecting'] as const;
/** How a sheet is printed on its two sides. */
export type WorkStyle = (typeof WORK_STYLES)[number];

/** The side or sides that one press pass prints. */
export type PrintSide = 'front' | 'back' | 'both';

/** What a work style asks of plates, passes and layout. Source: handbook chapter 4, "Work styles". */
export interface StyleRule {
  /** Passes in order, each with the side that it prints. */
  readonly passes: readonly PrintSide[];
  /** The second pass prints with the same plates, the sheet turned over. */
  readonly samePlates: boolean;
  /** The layout has to mirror about the sheet's centre in this direction. */
  readonly mirror: 'none' | 'columns' | 'rows';
  /** Both long edges are gripped. */
  readonly twoGrippers: boolean;
}

/** What each work style means: how the sheet is turned, and whether one set of plates serves both sides. Source: handbook chapter 4. */
export const STYLE_RULES: Readonly<Record<WorkStyle, StyleRule>> = {
  single: { passes: ['front'], samePlates: false, mirror: 'none', twoGrippers: false },
  sheetwise: { passes: ['front', 'back'], samePlates: false, mirror: 'none', twoGrippers: false },
  'work-and-turn': { passes: ['front', 'back'], samePlates: true, mirror: 'columns', twoGrippers: false },
  'work-and-tumble': { passes: ['front', 'back'], samePlates: true, mirror: 'rows', twoGrippers: true },
  // Two grippers only where the press turns the sheet tail to lead: an attribute of the press, see the layout of a component.
  perfecting: { passes: ['both'], samePlates: false, mirror: 'none', twoGrippers: false },
};

/** Plates of a form: one set, and the sets that are worn out. */
export interface PlateCount {
  /** Plates in one set. */
  readonly perSet: number;
  /** Sets, as plates wear: ceil(impressions on a plate / plate life). */
  readonly sets: number;
  readonly plates: number;
  /** Impressions on each plate. */
  readonly impressions: number;
}

/**
 * Plates of one form: colours of the front, and of the back where it has plates of its own; one set for
 * work-and-turn and work-and-tumble, whose plates print every sheet twice.
 * @param front colours of the front, @param back colours of the back, whole and 0 or more
 * @param sheets sheets through the first pass, @param plateLife impressions, above 0
 * Source: identity, handbook chapter 4 "Offset plate count".
 */
export function countPlates(
  style: WorkStyle,
  front: number,
  back: number,
  sheets: number,
  plateLife: number,
): PlateCount {
  const { samePlates, passes } = STYLE_RULES[style];
  const perSet = samePlates ? Math.max(front, back) : front + (passes.length > 1 || style === 'perfecting' ? back : 0);
  const impressions = samePlates ? 2 * sheets : sheets;
  const sets = perSet === 0 ? 0 : Math.ceil(impressions / plateLife);
  return { perSet, sets, plates: perSet * sets, impressions };
}

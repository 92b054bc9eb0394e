import type { Hour, Mm } from '../kernel/index.js';

/** How a cylinder is engraved, by motif and substrate. Source: handbook chapter 4 (practice). */
export const ENGRAVINGS = ['stylus', 'laser', 'etch'] as const;
/** How the cells of a gravure cylinder are made. */
export type Engraving = (typeof ENGRAVINGS)[number];

/** What decides how a cylinder is engraved. */
export interface Motif {
  /** Smallest type, points. */
  readonly smallestPt?: number | undefined;
  /** Thinnest line, millimetres. */
  readonly finestMm?: number | undefined;
  readonly vignettes?: boolean | undefined;
  readonly securityLines?: boolean | undefined;
  /** Printed on foil or film, not on paper. */
  readonly foil?: boolean | undefined;
}

/** Below these a stylus shows its cells at the edge. Source: common practice, no source. */
const SMALL_PT = 6;
const FINE_MM = 0.15;
const FINEST_MM = 0.08;

/**
 * The method that a motif asks for, with the reason: etched through a resist for the finest edges, by laser for soft
 * vignettes, small type and foil, by stylus for all else. Source: handbook chapter 4 (practice).
 */
export function adviseEngraving({ smallestPt, finestMm, vignettes, securityLines, foil }: Motif): {
  readonly engraving: Engraving;
  readonly why: string;
} {
  if (securityLines)
    return { engraving: 'etch', why: $localize`Security lines want the finest edges: etched through a resist.` };
  if (finestMm !== undefined && finestMm < FINEST_MM)
    return {
      engraving: 'etch',
      why: $localize`Lines of ${finestMm} mm want the finest edges: etched through a resist.`,
    };
  if (smallestPt !== undefined && smallestPt < SMALL_PT)
    return { engraving: 'laser', why: $localize`Type of ${smallestPt} pt: a stylus shows its cells at such edges.` };
  if (finestMm !== undefined && finestMm < FINE_MM)
    return { engraving: 'laser', why: $localize`Lines of ${finestMm} mm: a stylus shows its cells at such edges.` };
  if (vignettes) return { engraving: 'laser', why: $localize`Soft vignettes run out more smoothly by laser on zinc.` };
  if (foil) return { engraving: 'laser', why: $localize`Foil takes no ink in: shallow cells by laser lay down less.` };
  return { engraving: 'stylus', why: $localize`Nothing in the motif asks for more: most work is cut by stylus.` };
}

/**
 * Hours that a stylus engraves a cylinder: area x cells a square centimetre / (cells a second x heads) / 3600.
 * @param faceMm and @param circumferenceMm of the cylinder, above 0; @param linesPerCm screen, above 0;
 * @param cellsPerSecond of one head, above 0; @param heads at work together, 1 or more.
 * Source: identity, handbook chapter 4: 130 x 80 cm at 60 lines, 8,000/s, one head: 1.3 h.
 */
export const engravingHours = (
  faceMm: Mm,
  circumferenceMm: Mm,
  linesPerCm: number,
  cellsPerSecond: number,
  heads: number,
): Hour => ((faceMm / 10) * (circumferenceMm / 10) * linesPerCm ** 2) / (cellsPerSecond * heads) / 3600;

/** Stations of a gravure cylinder, in order; on a fault at the proof it is ground and engraved again. Source: handbook chapter 4. */
export const CYLINDER_ROUTE = ['base', 'copper', 'grind', 'engrave', 'inspect', 'chrome', 'polish', 'proof'] as const;
/** A stage in the making of a cylinder. */
export type CylinderStation = (typeof CYLINDER_ROUTE)[number];
/** What a fault at the proof has to pass again. */
export const AGAIN_ON_FAULT: readonly CylinderStation[] = CYLINDER_ROUTE.slice(1);

/**
 * By how much a flexo plate made flat is shortened, per cent of the printed repeat: 2 pi (thickness - base) / repeat.
 * None when it is imaged in the round. @param repeatMm printed repeat, above 0.
 * Source: identity, handbook chapter 4: 1.70 mm on 0.18 mm film, 400 mm: 2.388 %.
 */
export const distortionPercent = (thicknessMm: Mm, baseMm: Mm, repeatMm: Mm): number =>
  ((2 * Math.PI * (thicknessMm - baseMm)) / repeatMm) * 100;

import type { Mm } from '../kernel/index.js';

/** Kinds of fold that flat work is brought into. */
export type PanelFold = 'half' | 'letter' | 'accordion' | 'roll' | 'gate' | 'parallel' | 'right-angle' | 'map';

/** What a folder takes off a panel that goes into another, mm. */
export interface FoldSettings {
  readonly letterShortMm: Mm;
  readonly rollStepMm: Mm;
  readonly gateShortMm: Mm;
  readonly caliperMm: Mm;
}

/** A fold line, as a distance from the first edge, and the way it turns: up towards the reader, or down. */
export interface FoldLine {
  readonly atMm: Mm;
  readonly way: 'up' | 'down';
}

/** Panels of a fold along the folded side, and the piece once it is folded. Millimetres. */
export interface Panels {
  /** Panels along the side that is folded first, in order. */
  readonly panelsMm: readonly Mm[];
  readonly lines: readonly FoldLine[];
  /** Right-angle folds across the first ones, as distances along the other side. */
  readonly crossMm: readonly Mm[];
  readonly foldedWidthMm: Mm;
  readonly foldedHeightMm: Mm;
  /** Layers of paper when it is folded. */
  readonly layers: number;
}

/** Panels, or the reason why the piece cannot be folded so. */
export type PanelsOr =
  | { readonly ok: true; readonly panels: Panels }
  | { readonly ok: false; readonly reason: 'too-short'; readonly needsMm: Mm }
  /** Panels told by hand: too many or few for the fold, not the length of the piece, or one that goes in too long. */
  | { readonly ok: false; readonly reason: 'count'; readonly wanted: number }
  | { readonly ok: false; readonly reason: 'sum'; readonly sumMm: Mm }
  | { readonly ok: false; readonly reason: 'against-panel'; readonly panel: number; readonly mostMm: Mm };

/** Least panel that a folder takes. Source: common practice, no source. */
const LEAST_PANEL_MM = 20;
/** Told panels may miss the piece by this. Source: common practice, no source. */
const SUM_SLACK_MM = 0.25;
/** Folds whose panels go one inside the other. */
const ROLLED: readonly PanelFold[] = ['letter', 'roll'];

/** Panel lengths along the first side. */
function lengths(kind: PanelFold, lengthMm: Mm, folds: number, settings: FoldSettings): readonly Mm[] {
  // What lies inside gives way to the paper that goes around it too.
  const around = 2 * settings.caliperMm;
  switch (kind) {
    case 'half':
    case 'right-angle':
      return [lengthMm / 2, lengthMm / 2];
    case 'letter': {
      const short = Math.max(settings.letterShortMm, around);
      const outer = (lengthMm + short) / 3;
      return [outer, outer, outer - short];
    }
    case 'roll': {
      const step = Math.max(settings.rollStepMm, around);
      const inner = folds - 1;
      const outer = (lengthMm + (step * inner * (inner + 1)) / 2) / (folds + 1);
      return Array.from({ length: folds + 1 }, (_, i) => outer - Math.max(0, i - 1) * step);
    }
    case 'gate': {
      const short = Math.max(settings.gateShortMm, around);
      const middle = (lengthMm + 2 * short) / 2;
      return [middle / 2 - short, middle, middle / 2 - short];
    }
    case 'parallel': {
      // Folded in half, then in half again: the two inner panels lie inside the outer ones.
      const outer = lengthMm / 4 + around / 2;
      return [outer, lengthMm / 2 - outer, lengthMm / 2 - outer, outer];
    }
    case 'accordion':
    case 'map':
      return Array.from({ length: folds + 1 }, () => lengthMm / (folds + 1));
  }
}

/** Ways that the fold lines turn, in the order of the panels. */
function ways(kind: PanelFold, folds: number): readonly FoldLine['way'][] {
  if (kind === 'accordion' || kind === 'map')
    return Array.from({ length: folds }, (_, i) => (i % 2 === 0 ? 'up' : 'down'));
  if (kind === 'parallel') return ['up', 'up', 'up'];
  return Array.from({ length: folds }, () => 'up');
}

/**
 * Panels of a fold with their shortening: letter and gate by the house's measure, each inner panel of a roll fold one
 * step shorter than the one before, never less than the paper that goes around. Not to be had where a panel is shorter
 * than a folder takes.
 * @param folds along the first side: 1 or more; letter and gate have 2, parallel 3 lines in 2 folds.
 * @param told panels by hand, in order, instead of the usual ones.
 * Source: handbook chapter 7 "Folding" (practice); the sums are identity.
 */
export function foldPanels(
  kind: PanelFold,
  flat: { readonly lengthMm: Mm; readonly otherMm: Mm },
  folds: number,
  settings: FoldSettings,
  told?: readonly Mm[],
): PanelsOr {
  const usual = lengths(kind, flat.lengthMm, folds, settings);
  const panelsMm = told ?? usual;
  const wrong = told && toldWrong(kind, flat.lengthMm, told, usual.length, settings.caliperMm);
  if (wrong) return wrong;
  const least = Math.min(...panelsMm);
  if (least < LEAST_PANEL_MM)
    return { ok: false, reason: 'too-short', needsMm: flat.lengthMm + panelsMm.length * (LEAST_PANEL_MM - least) };
  const turns = ways(kind, panelsMm.length - 1);
  let at = 0;
  const lines = panelsMm.slice(0, -1).map((panel, i): FoldLine => {
    at += panel;
    return { atMm: at, way: turns[i] ?? 'up' };
  });
  const across = kind === 'right-angle' || kind === 'map';
  return {
    ok: true,
    panels: {
      panelsMm,
      lines,
      crossMm: across ? [flat.otherMm / 2] : [],
      foldedWidthMm: Math.max(...panelsMm),
      foldedHeightMm: across ? flat.otherMm / 2 : flat.otherMm,
      layers: (kind === 'gate' ? 2 : panelsMm.length) * (across ? 2 : 1),
    },
  };
}

/**
 * Whether panels told by hand can be folded: in a roll or letter fold each panel that goes in is no longer than the one
 * that it lies against. Returns the first that is too long, with the most that it may be.
 */
function foldsAgainst(
  panelsMm: readonly Mm[],
  caliperMm: Mm,
): { readonly panel: number; readonly mostMm: Mm } | undefined {
  for (let i = 2; i < panelsMm.length; i++) {
    const mostMm = (panelsMm[i - 1] ?? 0) - (i === 2 ? 0 : 2 * caliperMm);
    if ((panelsMm[i] ?? 0) > mostMm) return { panel: i, mostMm };
  }
  return undefined;
}

/** What keeps panels that are told by hand from being folded. */
function toldWrong(
  kind: PanelFold,
  lengthMm: Mm,
  told: readonly Mm[],
  wanted: number,
  caliperMm: Mm,
): PanelsOr | undefined {
  if (told.length !== wanted) return { ok: false, reason: 'count', wanted };
  const sumMm = told.reduce((sum, panel) => sum + panel, 0);
  if (Math.abs(sumMm - lengthMm) > SUM_SLACK_MM) return { ok: false, reason: 'sum', sumMm };
  const against = ROLLED.includes(kind) ? foldsAgainst(told, caliperMm) : undefined;
  return against && { ok: false, reason: 'against-panel', ...against };
}

/** Folds along the first side, of all the folds of a kind: a map keeps one for the right angle. */
export const alongFirst = (kind: PanelFold, folds: number): number => (kind === 'map' ? Math.max(1, folds - 1) : folds);

/** Longer and shorter side and layers of a piece once it is folded, before shortening. Source: identity. */
export function foldedPiece(
  kind: PanelFold,
  flat: { readonly lengthMm: Mm; readonly otherMm: Mm },
  folds: number,
): { readonly lengthMm: Mm; readonly otherMm: Mm; readonly layers: number } {
  const across = kind === 'right-angle' || kind === 'map' ? 2 : 1;
  const panels =
    kind === 'half' || kind === 'right-angle'
      ? 2
      : kind === 'gate'
        ? 2
        : kind === 'parallel'
          ? 4
          : alongFirst(kind, folds) + 1;
  const layers = panels * across;
  return { lengthMm: flat.lengthMm / panels, otherMm: flat.otherMm / across, layers };
}

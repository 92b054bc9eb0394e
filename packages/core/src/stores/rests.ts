import type { ComponentLayout } from '../press-sheet/index.js';
import { runRolls } from '../plan/index.js';
import { figureId } from '../job/index.js';
import type { Figures } from '../kernel/index.js';
import type { NormLookup } from '../norms/index.js';

/** A rest that goes back into the store. */
export interface PaperRest {
  readonly kind: 'strip' | 'roll';
  readonly widthMm: number;
  /** Of a strip. */
  readonly heightMm?: number | undefined;
  /** Printable length of a roll. */
  readonly lengthM?: number | undefined;
  readonly count: number;
}

/**
 * Rests worth keeping: strips beside the press sheets on a bought sheet, and the last roll's rest, where they are no smaller
 * than the norms say. Source: practice, handbook chapter 6 "Buying".
 */
export function restsOf(layout: ComponentLayout, figures: Figures, norms: NormLookup): PaperRest[] {
  const { supply, component } = layout;
  if (supply.kind === 'roll') {
    const lengthM = runRolls(layout, figures, norms).at(-1)?.leftM ?? 0;
    return lengthM >= norms('rest.leastM').value ? [{ kind: 'roll', widthMm: supply.webMm, lengthM, count: 1 }] : [];
  }
  if (supply.kind !== 'bought sheet') return [];
  const { sheet, pattern } = supply;
  const least = norms('rest.leastMm').value;
  const count = figures[figureId.component(component.id, 'boughtSheets')]?.value ?? 0;
  const strips = [
    { widthMm: sheet.widthMm - pattern.widthMm, heightMm: sheet.heightMm },
    { widthMm: pattern.widthMm, heightMm: sheet.heightMm - pattern.heightMm },
  ];
  return strips
    .filter(({ widthMm, heightMm }) => Math.min(widthMm, heightMm) >= least)
    .map((strip): PaperRest => ({ kind: 'strip', ...strip, count }));
}

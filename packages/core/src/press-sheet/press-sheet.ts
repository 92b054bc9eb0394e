import { outOfBought } from '../layout/index.js';
import type { PressLimits, SheetSize } from '../works/index.js';
import type { Bought } from '../job/index.js';

/** Cuts a bought sheet into this many at most along either side before it goes to press. Source: practice. */
const MOST_CUTS = 3;

/** The longer side across the press, as sheets are fed; the grain stays with its side. */
function feed(sheet: SheetSize): SheetSize {
  if (sheet.widthMm >= sheet.heightMm) return sheet;
  return {
    widthMm: sheet.heightMm,
    heightMm: sheet.widthMm,
    grain: sheet.grain === 'width' ? 'height' : 'width',
  };
}

const fits = ({ widthMm, heightMm }: SheetSize, { maxSheetMm: [w, h] }: PressLimits): boolean =>
  widthMm <= w && heightMm <= h;

const areaOf = ({ widthMm, heightMm }: Pick<SheetSize, 'widthMm' | 'heightMm'>): number => widthMm * heightMm;
/** Source: common practice, no source. */
const MUCH_LARGER = 1.3;

/** A sheet for the press, and the larger one that it is cut from. */
export interface PressSheet {
  readonly sheet: SheetSize;
  readonly bought?: Bought;
}

/**
 * Press sheets out of a bought sheet for a press: the sheet itself where it fits, else every way to cut it in equal
 * parts that fits and is not cut further than it need be, and the largest that the press takes where those are much smaller. A sheet that no cut makes fit is offered whole, so that the
 * press's own reason is told.
 */
export function sheetCandidates(bought: SheetSize, press: PressLimits): PressSheet[] {
  const whole = feed(bought);
  if (fits(whole, press)) return [{ sheet: whole }];
  const parts: { sheet: SheetSize; across: number; up: number }[] = [];
  for (let across = 1; across <= MOST_CUTS; across++) {
    for (let up = 1; up <= MOST_CUTS; up++) {
      const sheet = feed({
        widthMm: Math.floor(bought.widthMm / across),
        heightMm: Math.floor(bought.heightMm / up),
        grain: bought.grain,
      });
      const coarser = parts.some((part) => part.across <= across && part.up <= up);
      if (fits(sheet, press) && !coarser) parts.push({ sheet, across, up });
    }
  }
  const most = { widthMm: press.maxSheetMm[0], heightMm: press.maxSheetMm[1] };
  const largest = Math.max(0, ...parts.map(({ sheet }) => areaOf(sheet)));
  // Where equal parts leave much of the press unused, its own largest sheet is offered too.
  for (const grain of ['width', 'height'] as const) {
    const sheet = { ...most, grain };
    if (largest > 0 && areaOf(sheet) > MUCH_LARGER * largest && outOfBought(bought, sheet, 0).out > 0)
      parts.push({ sheet, across: 0, up: 0 });
  }
  if (parts.length === 0) return [{ sheet: whole }];
  return parts
    .filter(({ sheet }) => outOfBought(bought, sheet, 0).out > 0)
    .map(({ sheet }) => ({ sheet, bought: { kind: 'sheet' as const, ...bought } }));
}

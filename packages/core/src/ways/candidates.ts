import { STYLE_RULES, type WorkStyle } from '../press/index.js';
import { alongTheWeb, outOfBought } from '../layout/index.js';
import type { Bought, Component } from '../plan/index.js';
import type { Machine, PressLimits, SheetSize, Stock, Works } from '../works/index.js';
import type { WayChoice } from './way.js';

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

/**
 * Press sheets out of a bought sheet for a press: the sheet itself where it fits, else every way to cut it in equal
 * parts that fits and is not cut further than it need be. A sheet that no cut makes fit is offered whole, so that the
 * press's own reason is told.
 */
function sheetCandidates(bought: SheetSize, press: PressLimits): { sheet: SheetSize; bought?: Bought }[] {
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
  if (parts.length === 0) return [{ sheet: whole }];
  return parts
    .filter(({ sheet }) => outOfBought(bought, sheet, 0).out > 0)
    .map(({ sheet }) => ({ sheet, bought: { kind: 'sheet' as const, ...bought } }));
}

/** The largest sheet that a press takes out of a roll, grain along the web, either way round. */
function rollCandidates(
  rollWidthMm: number,
  press: PressLimits,
  edgeTrimMm: number,
): { sheet: SheetSize; bought: Bought }[] {
  const usable = rollWidthMm - 2 * edgeTrimMm;
  const [maxWidth, maxHeight] = press.maxSheetMm;
  return (['width', 'height'] as const).flatMap((grain) => {
    const { acrossMm: mostAcross } = alongTheWeb({ widthMm: maxWidth, heightMm: maxHeight, grain });
    const across = Math.floor(usable / Math.ceil(usable / mostAcross));
    const sheet: SheetSize =
      grain === 'width'
        ? { widthMm: maxWidth, heightMm: across, grain }
        : { widthMm: across, heightMm: maxHeight, grain };
    return across > 0 ? [{ sheet, bought: { kind: 'roll' as const, widthMm: rollWidthMm } }] : [];
  });
}

/** Stocks that may stand for the job's own: same grammage, surface and bulk. */
export const likeStocks = (works: Works, stock: Stock): readonly Stock[] =>
  works.stocks.filter(({ gsm, coated, bulk }) => gsm === stock.gsm && coated === stock.coated && bulk === stock.bulk);

const STYLES = Object.keys(STYLE_RULES) as readonly WorkStyle[];

/** Work styles that print what the component has: one side, or both. Digital presses print without plates, so at once. */
function stylesFor(component: Component, { press }: Machine): readonly WorkStyle[] {
  if (component.back.length === 0) return ['single'];
  if (press?.plateless) return ['perfecting'];
  return STYLES.filter((style) => style !== 'single');
}

/** Every choice of press, stock, sheet and work style for a component; nothing is left out yet for not working. */
export function listChoices(component: Component, works: Works, stock: Stock, edgeTrimMm: number): WayChoice[] {
  const choices: WayChoice[] = [];
  for (const machine of works.machines) {
    const { press } = machine;
    if (!press) continue;
    const styles = stylesFor(component, machine);
    for (const { id, sheets, rollWidthsMm = [] } of likeStocks(works, stock)) {
      const candidates = [
        ...sheets.flatMap((sheet) => sheetCandidates(sheet, press)),
        ...rollWidthsMm.flatMap((width) => rollCandidates(width, press, edgeTrimMm)),
      ];
      for (const candidate of candidates)
        for (const workStyle of styles) choices.push({ press: machine.id, stock: id, ...candidate, workStyle });
    }
  }
  return choices;
}

import { STYLE_RULES, type WorkStyle } from '../press/index.js';
import { alongTheWeb } from '../layout/index.js';
import { type Bought, type Component, isUnprinted } from '../job/index.js';
import { sheetCandidates, webOf } from '../press-sheet/index.js';
import { repeatMm } from '../webs/index.js';
import {
  type Machine,
  type PressLimits,
  type SheetSize,
  type Stock,
  type Works,
  inUse,
  printingOf,
} from '../works/index.js';
import type { WayChoice } from './way.js';

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

/** How the sheet of a case is told anew: half of it, itself, two in one; a half that the blank does not fit falls away. */
const TIMES = [0.5, 1, 2] as const;

/** The sheet of a job, parts of it and several in one, off a web of the corrugator. */
const deckleCandidates = (widthMm: number, sheet: SheetSize): { sheet: SheetSize; bought: Bought }[] =>
  TIMES.flatMap((across) =>
    TIMES.map((up) => ({
      sheet: { ...sheet, widthMm: Math.floor(sheet.widthMm * across), heightMm: Math.floor(sheet.heightMm * up) },
      bought: { kind: 'deckle' as const, widthMm },
    })),
  );

/** Stocks that may stand for the job's own: same grammage, surface and bulk. */
export const likeStocks = (works: Works, stock: Stock): readonly Stock[] =>
  inUse(works.stocks).filter(
    ({ gsm, coated, bulk }) => gsm === stock.gsm && coated === stock.coated && bulk === stock.bulk,
  );

const STYLES = Object.keys(STYLE_RULES) as readonly WorkStyle[];

/** Work styles that print what the component has: one side, or both. Digital presses print without plates, so at once. */
function stylesFor(component: Component, { press }: Machine): readonly WorkStyle[] {
  if (component.back.length === 0) return ['single'];
  if (press?.plateless) return ['perfecting'];
  return STYLES.filter((style) => style !== 'single');
}

/** Processes that print the same job: what is engraved or cut as a stencil is not for another press. */
const PLAIN = ['offset', 'digital'];
const alike = (one: Machine, other: Machine): boolean => {
  const [a, b] = [printingOf(one), printingOf(other)];
  return a === b || (PLAIN.includes(a) && PLAIN.includes(b));
};

/** Every press, stock, sheet and work style for a component that runs in sheets. */
function sheetChoices(component: Component, works: Works, stock: Stock, edgeTrimMm: number): WayChoice[] {
  const choices: WayChoice[] = [];
  const now = works.machines.find(({ id }) => id === component.press);
  for (const machine of inUse(works.machines)) {
    const { press } = machine;
    // Boards and cloth go over the cutter, which prints nothing.
    if (!press || (press.units === 0) !== isUnprinted(component) || (now && !alike(now, machine))) continue;
    const styles = stylesFor(component, machine);
    for (const { id, sheets, flutes, rollWidthsMm = [] } of likeStocks(works, stock)) {
      const candidates = [
        ...sheets.flatMap((sheet) => sheetCandidates(sheet, press)),
        // Corrugated board is slit and cut off to the sheet on any web of the corrugator.
        ...rollWidthsMm.flatMap((width) =>
          flutes ? deckleCandidates(width, component.sheet) : rollCandidates(width, press, edgeTrimMm),
        ),
      ];
      for (const candidate of candidates)
        for (const workStyle of styles) choices.push({ press: machine.id, stock: id, ...candidate, workStyle });
    }
  }
  return choices;
}

/** Repeats closer than this are the same, millimetres. */
const SAME_MM = 0.001;

/** Repeats that a web press prints: its cut-off, its cylinders, or the one that the pattern has where any can be made. */
function repeatsOf({ sheet }: Component, machine: Machine): readonly number[] {
  const { cutOffMm, cylinderTeeth = [], anyRepeat = false } = webOf(machine) ?? {};
  if (cutOffMm !== undefined) return [cutOffMm];
  if (anyRepeat) return [sheet.heightMm];
  const asNow = (repeat: number): number => (Math.abs(repeat - sheet.heightMm) < SAME_MM ? sheet.heightMm : repeat);
  return cylinderTeeth.map((teeth) => asNow(repeatMm(teeth)));
}

/** Every web for a component: presses of the same kind that print alike, widths that the paper comes in, repeats of the press. */
function webChoices(component: Component, works: Works, stock: Stock, now: Machine): WayChoice[] {
  const workStyle = component.back.length > 0 ? 'perfecting' : 'single';
  const presses = inUse(works.machines).filter(
    (machine) => webOf(machine) && machine.process === now.process && alike(now, machine),
  );
  return presses.flatMap((machine) =>
    likeStocks(works, stock).flatMap(({ id, rollWidthsMm = [] }) =>
      [...new Set([...rollWidthsMm, component.sheet.widthMm])].flatMap((widthMm) =>
        repeatsOf(component, machine).map((heightMm): WayChoice => ({
          press: machine.id,
          stock: id,
          sheet: { widthMm, heightMm, grain: 'height' },
          workStyle,
        })),
      ),
    ),
  );
}

/** Whether a component runs on a web. */
export const isOnWeb = ({ press }: Pick<Component, 'press'>, { machines }: Works): boolean =>
  machines.some((machine) => machine.id === press && webOf(machine) !== undefined);

/** Every choice of press, stock, sheet or web, and work style for a component; nothing is left out yet for not working. */
export function listChoices(component: Component, works: Works, edgeTrimMm: number): WayChoice[] {
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const now = works.machines.find(({ id }) => id === component.press);
  if (!stock) return [];
  return now && isOnWeb(component, works)
    ? webChoices(component, works, stock, now)
    : sheetChoices(component, works, stock, edgeTrimMm);
}

import { UM, tenth, figureOf } from '../kernel/index.js';
import { adhesiveAt } from '../plan/index.js';
import { onTheCorrugator } from '../press-sheet/index.js';
import { figureId } from '../job/index.js';
import { FLUTES, chooseDeckle } from '../webs/index.js';
import { compression } from './compression.js';
import { drawBlank } from './die-sheet.js';
import { measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

const FROM_MEMORY = { label: 'memory', note: $localize`usual take-ups, handbook chapter 4` } as const;
const GLUES = { cold: $localize`Cold glue`, 'hot-melt': $localize`Hot melt`, pur: 'PUR' } as const;

/** Glue, compression, drying. Source: handbook chapter 7 "Gluing". */
export function glueSheet(sheet: SheetBook): void {
  const { layout, job, step } = sheet;
  const rate = figureOf(sheet.plan, figureId.step(step.id, 'rate'));
  if (rate) sheet.card(rate.id);
  for (const supply of ['glue', 'hot-melt', 'pur'] as const) sheet.used(supply);
  sheet.show('pressed', $localize`Under compression`, 'h', 'norm', { norm: sheet.norm('glue.dryHours') });
  const { adhesive, why } = adhesiveAt(job, layout);
  sheet.remark(`${GLUES[adhesive]}. ${why}`);
  if (layout?.die) drawBlank(sheet, layout.die);
  drawTray(sheet);
  caseCompression(sheet);
}

/** A slotted case is asked how much it bears once it is put up. */
function caseCompression(sheet: SheetBook): void {
  const { component } = sheet.layout ?? {};
  if (component?.die?.kind !== 'structure' || component.die.structure !== 'slotted-case') return;
  const { widthMm = 0, heightMm = 0 } = component;
  const board = sheet.work('board', $localize`Board`, 'mm', 'caliper / 1000', {
    caliper: figureId.component(component.id, 'caliper'),
  });
  const length = sheet.told('caseLength', $localize`Case, length`, widthMm, 'mm');
  compression(sheet, board, length, sheet.told('caseWidth', $localize`Case, width`, heightMm, 'mm'));
}

/** A tray put up: its base from above with the walls around it, and their height. */
function drawTray(sheet: SheetBook): void {
  const { layout } = sheet;
  const { die, widthMm = 0, heightMm = 0 } = layout?.component ?? {};
  if (!layout || die?.kind !== 'structure' || die.structure !== 'tray') return;
  const wall = layout.caliperUm / UM;
  const [w, h] = [widthMm + 2 * wall, heightMm + 2 * wall];
  const below = h + die.depthMm;
  sheet.draw({
    title: $localize`Tray put up, from above and from the side`,
    widthMm: w,
    heightMm: below + die.depthMm,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: w, height: h },
      { kind: 'box', role: 'piece', x: wall, y: wall, width: widthMm, height: heightMm, label: $localize`inside` },
      { kind: 'box', role: 'sheet', x: 0, y: below, width: w, height: die.depthMm },
      measure({ x: wall, y: h }, { x: wall + widthMm, y: h }, widthMm),
      measure({ x: w, y: wall }, { x: w, y: wall + heightMm }, heightMm),
      measure({ x: w, y: below }, { x: w, y: below + die.depthMm }, die.depthMm),
    ],
  });
}

/** Seal gum along the flap, dried open. Source: handbook chapter 7 "Envelopes". */
export function gumSheet(sheet: SheetBook): void {
  sheet.used('gum');
  sheet.show('open', $localize`Flap stays open`, 'h', 'norm', { norm: sheet.norm('gum.dryHours') });
  sheet.remark($localize`The flap stays open until the gum is dry; damp air lengthens it.`);
}

/** Sheets joined to board: glue over the whole area. */
export function mountSheet(sheet: SheetBook): void {
  sheet.used('glue');
  sheet.card(sheet.give('thickness', $localize`Thickness after`, sheet.thicknessMm, 'mm'));
  sheet.show('pressed', $localize`Under compression`, 'h', 'norm', { norm: sheet.norm('mount.hours') });
  sheet.remark($localize`The print lies to the gripper and lay of the board; register is looked at on every pile.`);
}

/** Envelopes: seams and bottom by beads. Source: handbook chapter 7 "Envelopes". */
export function envelopeSheet(sheet: SheetBook): void {
  const through = figureOf(sheet.plan, figureId.step(sheet.step.id, 'through'));
  if (through) sheet.card(through.id);
  sheet.used('glue');
  sheet.remark($localize`Sides are folded and the seam glued first, then the bottom; counted and stood upright.`);
}

/** Corrugator: metres of board, liners and fluting, and the webs that the sheet could be slit from. Source: handbook chapters 4 and 6; take-ups from memory. */
export function corrugateSheet(sheet: SheetBook): void {
  const { layout } = sheet;
  if (!layout) return;
  const { stock, supply } = layout;
  const { acrossMm, lengthMm } = onTheCorrugator(layout.component.sheet);
  const lanes = sheet.card(
    sheet.give('lanes', $localize`Sheets across the web`, supply.kind === 'deckle' ? supply.lanes : 1, 'sheets'),
  );
  const cutOff = sheet.card(sheet.give('cutOff', $localize`Cut off`, lengthMm, 'mm'));
  const metres = sheet.show('boardM', $localize`Board`, 'm', 'ceil(units / lanes) * cutOff / 1000', {
    units: sheet.units,
    lanes,
    cutOff,
  });
  const flutes = FLUTES.filter(({ id }) => stock.flutes?.some((flute) => flute === id));
  const liners = sheet.give('liners', $localize`Liners`, flutes.length + 1, 'liners');
  sheet.show('linerM', $localize`Liner, all together`, 'm', 'liners * board', { liners, board: metres });
  for (const { id, takeUp } of flutes) {
    const share = sheet.give(`takeUp${id}`, $localize`Take-up of ${id} flute`, takeUp, 'times', FROM_MEMORY);
    sheet.show(`flute${id}M`, $localize`Fluting, ${id} flute`, 'm', 'board * takeUp', { board: metres, takeUp: share });
  }
  const choices = chooseDeckle({
    blankWidthMm: acrossMm,
    blankLengthMm: lengthMm,
    edgeTrimMm: sheet.value(sheet.norm('corrugate.edgeTrim')),
    decklesMm: stock.rollWidthsMm ?? [],
  });
  if (choices.length > 0)
    sheet.list({
      title: $localize`Webs of the corrugator, least edge trim first`,
      heads: [$localize`Width mm`, $localize`Sheets across`, $localize`Cut-off mm`, $localize`Edge trim %`, ''],
      rows: choices.map(({ deckleMm, lanes: beside, cutOffMm, trimShare }) => [
        deckleMm,
        beside,
        tenth(cutOffMm),
        tenth(100 * trimShare),
        supply.kind === 'deckle' && supply.webMm === deckleMm ? $localize`:of a web|:taken` : '',
      ]),
    });
  sheet.remark(
    $localize`Sheets of ${acrossMm} mm are slit across the web, flutes along these ${acrossMm} mm, upright in the case.`,
  );
}

/** Rolls out of a printed web. */
export function rewindSheet(sheet: SheetBook): void {
  const rollM = sheet.job.finish?.rollM;
  if (rollM === undefined) return;
  const length = sheet.told('rollM', $localize`Paper on a roll`, rollM, 'm');
  const rolls = figureId.step(sheet.step.id, 'needsOut');
  sheet.show('totalM', $localize`Paper in all rolls`, 'm', 'rolls * length', { rolls, length });
  const { made } = sheet;
  sheet.card(
    sheet.give('outer', $localize`Outer diameter of a roll`, made?.heightMm ?? 0, 'mm', {
      label: 'identity',
      note: $localize`root of core squared + 4 x length x caliper / pi`,
    }),
  );
  sheet.card(sheet.give('massG', $localize`Mass of a roll`, made?.massG ?? 0, 'g'));
  sheet.used('core');
}

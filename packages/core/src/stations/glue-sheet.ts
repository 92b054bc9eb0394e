import { UM, tenth } from '../kernel/index.js';
import { adhesiveAt } from '../plan/index.js';
import { FLUTES, chooseDeckle } from '../web/index.js';
import { compression } from './compression.js';
import { drawBlank } from './die-sheet.js';
import { measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

const GLUES = { cold: 'Cold glue', 'hot-melt': 'Hot melt', pur: 'PUR' } as const;

/** Glue, compression, drying. Source: handbook chapter 7 "Gluing". */
export function glueSheet(sheet: SheetBook): void {
  const { layout, job, step } = sheet;
  const rate = sheet.plan.figures[`step.${step.id}.rate`];
  if (rate) sheet.card(rate.id);
  for (const supply of ['glue', 'hot-melt', 'pur'] as const) sheet.used(supply);
  sheet.show('pressed', 'Under compression', 'h', 'norm', { norm: sheet.norm('glue.dryHours') });
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
  const board = sheet.work('board', 'Board', 'mm', 'caliper / 1000', { caliper: `component.${component.id}.caliper` });
  const length = sheet.told('caseLength', 'Case, length', widthMm, 'mm');
  compression(sheet, board, length, sheet.told('caseWidth', 'Case, width', heightMm, 'mm'));
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
    title: 'Tray put up, from above and from the side',
    widthMm: w,
    heightMm: below + die.depthMm,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: w, height: h },
      { kind: 'box', role: 'piece', x: wall, y: wall, width: widthMm, height: heightMm, label: 'inside' },
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
  sheet.show('open', 'Flap stays open', 'h', 'norm', { norm: sheet.norm('gum.dryHours') });
  sheet.remark('The flap stays open until the gum is dry; damp air lengthens it.');
}

/** Sheets joined to board: glue over the whole area. */
export function mountSheet(sheet: SheetBook): void {
  sheet.used('glue');
  sheet.card(sheet.give('thickness', 'Thickness after', sheet.thicknessMm, 'mm'));
  sheet.show('pressed', 'Under compression', 'h', 'norm', { norm: sheet.norm('mount.hours') });
  sheet.remark('The print lies to the gripper and lay of the board; register is looked at on every pile.');
}

/** Envelopes: seams and bottom by beads. Source: handbook chapter 7 "Envelopes". */
export function envelopeSheet(sheet: SheetBook): void {
  const through = sheet.plan.figures[`step.${sheet.step.id}.through`];
  if (through) sheet.card(through.id);
  sheet.used('glue');
  sheet.remark('Sides are folded and the seam glued first, then the bottom; counted and stood upright.');
}

/** Widths that liners and fluting are kept in. Source: common practice, no source. */
const DECKLES_MM = [1_250, 1_500, 1_800, 2_100, 2_500];

/** Corrugator: metres of board, liners and fluting. Source: handbook chapter 6 "Webs"; the take-up is practice. */
export function corrugateSheet(sheet: SheetBook): void {
  const { layout } = sheet;
  if (!layout) return;
  const cutOff = sheet.give('cutOff', 'Cut off', layout.component.sheet.heightMm, 'mm');
  const metres = sheet.show('boardM', 'Board', 'm', 'units * cutOff / 1000', { units: sheet.units, cutOff });
  const board = layout.caliperUm / UM;
  const [flute] = [...FLUTES].sort((a, b) => Math.abs(a.boardMm - board) - Math.abs(b.boardMm - board));
  const takeUp = sheet.give('takeUp', `Take-up of ${flute?.id ?? ''} flute`, flute?.takeUp ?? 1, 'times', {
    label: 'practice',
    note: 'the flute nearest to the board’s caliper',
  });
  sheet.show('linerM', 'Liner, both together', 'm', '2 * board', { board: metres });
  sheet.show('fluteM', 'Fluting', 'm', 'board * takeUp', { board: metres, takeUp });
  const choices = chooseDeckle({
    blankWidthMm: layout.component.sheet.widthMm,
    blankLengthMm: layout.component.sheet.heightMm,
    edgeTrimMm: sheet.value(sheet.norm('corrugate.edgeTrim')),
    decklesMm: DECKLES_MM,
  });
  if (choices.length > 0)
    sheet.list({
      title: 'Paper widths, least edge trim first',
      heads: ['Width mm', 'Lanes', 'Cut-off mm', 'Edge trim %'],
      rows: choices.map(({ deckleMm, lanes, cutOffMm, trimShare }) => [
        deckleMm,
        lanes,
        tenth(cutOffMm),
        tenth(100 * trimShare),
      ]),
    });
  sheet.remark(
    `Web ${layout.component.sheet.widthMm} mm wide between the edge trims; flutes run across the web, upright in the case.`,
  );
}

/** Rolls out of a printed web. */
export function rewindSheet(sheet: SheetBook): void {
  const rollM = sheet.job.finish?.rollM;
  if (rollM === undefined) return;
  const length = sheet.told('rollM', 'Paper on a roll', rollM, 'm');
  const rolls = `step.${sheet.step.id}.needsOut`;
  sheet.show('totalM', 'Paper in all rolls', 'm', 'rolls * length', { rolls, length });
  const { made } = sheet;
  sheet.card(
    sheet.give('outer', 'Outer diameter of a roll', made?.heightMm ?? 0, 'mm', {
      label: 'identity',
      note: 'root of core squared + 4 x length x caliper / pi',
    }),
  );
  sheet.card(sheet.give('massG', 'Mass of a roll', made?.massG ?? 0, 'g'));
  sheet.used('core');
}

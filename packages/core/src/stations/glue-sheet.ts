import { measureDie } from '../diecut/index.js';
import { FLUTES } from '../web/index.js';
import { drawBlank } from './die-sheet.js';
import { measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

const MM = 1000;

/** Which glue holds on what comes, in words. Source: handbook chapter 7 "Gluing" (practice). */
export function adhesiveFor(sheet: SheetBook): { readonly name: string; readonly why: string } {
  const { finish, contact } = sheet.job;
  const coated = sheet.layout?.stock.coated === true;
  const told = finish?.adhesive;
  const care = contact === undefined ? '' : ` It has to be cleared for ${contact}.`;
  if (told === 'pur') return { name: 'PUR', why: `Told in the job.${care}` };
  if (told === 'hot-melt') return { name: 'Hot melt', why: `Told in the job.${care}` };
  if (told === 'cold') return { name: 'Cold glue', why: `Told in the job.${care}` };
  if (sheet.layout?.stock.waxed) return { name: 'Hot melt', why: `Wax takes no water.${care}` };
  if (coated && finish?.glueFree !== true)
    return { name: 'Hot melt', why: `The board is coated and the flap is not kept free.${care}` };
  return { name: 'Cold glue', why: `The glued area is open board.${care}` };
}

/** Bead or area, grams, compression, drying. Source: handbook chapter 7 "Gluing". */
export function glueSheet(sheet: SheetBook): void {
  const { layout, job, step } = sheet;
  const rate = sheet.plan.figures[`step.${step.id}.rate`];
  if (rate) sheet.card(rate.id);
  const die = layout?.die;
  const glued = die ? measureDie(die) : undefined;
  const density = sheet.norm('glue.density');
  const beadMm = job.finish?.beadMm;
  if (beadMm === undefined && glued && glued.glueMm2 > 0) {
    const area = sheet.give('glueMm2', 'Glued area of a blank', glued.glueMm2, 'mm2');
    sheet.show('glueG', 'Glue on one', 'g', 'area * wet * density / 1000', {
      area,
      wet: sheet.norm('glue.filmWet'),
      density,
    });
  } else {
    const length = sheet.told('beadMm', 'Length of beads', beadMm ?? sheet.first?.heightMm ?? 0, 'mm');
    sheet.show('glueG', 'Glue on one', 'g', 'length * width * wet * density / 1000', {
      length,
      width: sheet.norm('glue.beadWidth'),
      wet: sheet.norm('glue.beadWet'),
      density,
    });
  }
  sheet.show('glueKg', 'Glue', 'kg', 'each * units / 1000', { each: `station.${step.id}.glueG`, units: sheet.units });
  sheet.show('pressed', 'Under compression', 'h', 'norm', { norm: sheet.norm('glue.dryHours') });
  const { name, why } = adhesiveFor(sheet);
  sheet.remark(`${name}. ${why}`);
  if (die) drawBlank(sheet, die);
  drawTray(sheet);
}

/** A tray put up: its base from above with the walls around it, and their height. */
function drawTray(sheet: SheetBook): void {
  const { layout } = sheet;
  const { die, widthMm = 0, heightMm = 0 } = layout?.component ?? {};
  if (!layout || die?.kind !== 'structure' || die.structure !== 'tray') return;
  const wall = layout.caliperUm / MM;
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
  const length = sheet.give(
    'gumMm',
    'Length of gum',
    sheet.layout?.component.widthMm ?? sheet.first?.widthMm ?? 0,
    'mm',
  );
  sheet.show('gumG', 'Gum on one', 'g', 'length * width * wet * density / 1000', {
    length,
    width: sheet.norm('gum.width'),
    wet: sheet.norm('glue.filmWet'),
    density: sheet.norm('glue.density'),
  });
  sheet.show('gumKg', 'Gum', 'kg', 'each * units / 1000', {
    each: `station.${sheet.step.id}.gumG`,
    units: sheet.units,
  });
  sheet.show('open', 'Flap stays open', 'h', 'norm', { norm: sheet.norm('gum.dryHours') });
  sheet.remark('The flap stays open until the gum is dry; damp air lengthens it.');
}

/** Sheets joined to board: glue over the whole area. */
export function mountSheet(sheet: SheetBook): void {
  const { first } = sheet;
  const area = sheet.give('areaMm2', 'Area of a sheet', (first?.widthMm ?? 0) * (first?.heightMm ?? 0), 'mm2');
  sheet.show('glueKg', 'Glue', 'kg', 'area * wet * density / 1000 / 1000 * units', {
    area,
    wet: sheet.norm('glue.filmWet'),
    density: sheet.norm('glue.density'),
    units: sheet.units,
  });
  sheet.give('thickness', 'Thickness after', sheet.thicknessMm, 'mm');
  sheet.card(`station.${sheet.step.id}.thickness`);
  sheet.show('pressed', 'Under compression', 'h', 'norm', { norm: sheet.norm('glue.dryHours') });
  sheet.remark('The print lies to the gripper and lay of the board; register is looked at on every pile.');
}

/** Envelopes: seams and bottom by beads. Source: handbook chapter 7 "Envelopes". */
export function envelopeSheet(sheet: SheetBook): void {
  const { component } = sheet.layout ?? {};
  const height = component?.die?.kind === 'structure' ? component.die.depthMm : (sheet.first?.heightMm ?? 0);
  const seam = sheet.give('seamMm', 'Side seam', height, 'mm');
  const bottom = sheet.give('bottomMm', 'Bottom', component?.widthMm ?? sheet.first?.widthMm ?? 0, 'mm');
  const length = sheet.show('beadMm', 'Length of beads', 'mm', 'seam + bottom', { seam, bottom });
  sheet.show('glueG', 'Glue on one', 'g', 'length * width * wet * density / 1000', {
    length,
    width: sheet.norm('glue.beadWidth'),
    wet: sheet.norm('glue.beadWet'),
    density: sheet.norm('glue.density'),
  });
  sheet.show('glueKg', 'Glue', 'kg', 'each * units / 1000', {
    each: `station.${sheet.step.id}.glueG`,
    units: sheet.units,
  });
  const rate = sheet.plan.figures[`step.${sheet.step.id}.rate`];
  if (rate) sheet.card(rate.id);
  sheet.remark('Sides are folded and the seam glued first, then the bottom; counted and stood upright.');
}

/** Corrugator: metres of board, liners and fluting. Source: handbook chapter 6 "Webs"; the take-up is practice. */
export function corrugateSheet(sheet: SheetBook): void {
  const { layout } = sheet;
  if (!layout) return;
  const cutOff = sheet.give('cutOff', 'Cut off', layout.component.sheet.heightMm, 'mm');
  const metres = sheet.show('boardM', 'Board', 'm', 'units * cutOff / 1000', { units: sheet.units, cutOff });
  const board = layout.caliperUm / MM;
  const [flute] = [...FLUTES].sort((a, b) => Math.abs(a.boardMm - board) - Math.abs(b.boardMm - board));
  const takeUp = sheet.give('takeUp', `Take-up of ${flute?.id ?? ''} flute`, flute?.takeUp ?? 1, 'times', {
    label: 'practice',
    note: 'the flute nearest to the board’s caliper',
  });
  sheet.show('linerM', 'Liner, both together', 'm', '2 * board', { board: metres });
  sheet.show('fluteM', 'Fluting', 'm', 'board * takeUp', { board: metres, takeUp });
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
  const caliper = sheet.give('caliper', 'Caliper', sheet.first?.caliperUm ?? 0, 'um');
  const core = sheet.norm('rewind.core');
  // Area of the ring is length x caliper; the root is taken outside the working.
  const outer = Math.sqrt(sheet.value(core) ** 2 + (4 * rollM * MM * sheet.value(caliper)) / MM / Math.PI);
  sheet.card(
    sheet.give('outer', 'Outer diameter of a roll', outer, 'mm', {
      label: 'identity',
      note: 'root of core squared + 4 x length x caliper / pi',
    }),
  );
}

import { type Component, partMaterial } from '../job/index.js';
import { takenBy } from '../material/index.js';
import { figureOf } from '../kernel/index.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Hand work: people-minutes a hundred, and a tray glued into its wallet where one comes. Source: handbook chapter 7 "Hand work". */
export function handSheet(sheet: SheetBook): void {
  const { step } = sheet;
  const pace = ['perHour', 'pace'].map((name) => `step.${step.id}.${name}`).find((id) => figureOf(sheet.plan, id));
  sheet.show('minutes', $localize`Minutes of one person for a hundred`, 'min', '100 * 60 / pace', {
    pace: pace ?? sheet.norm(`hand.${step.operation}`),
  });
  const [outer, inner] = sheet.incoming.map(({ from }) => componentOf(sheet, from));
  if (outer && inner) trayIn(sheet, outer, inner);
  insertIn(sheet);
}

const componentOf = (sheet: SheetBook, from: string | null): Component | undefined => {
  const id = sheet.job.route.find((step) => step.id === from)?.component;
  return sheet.job.components.find((component) => component.id === id);
};

/** Inner measures of a blank of a structure: what lies in front of the hand. */
function sizeOf({ die, widthMm = 0, heightMm = 0 }: Component): { w: number; h: number } | undefined {
  if (die?.kind !== 'structure') return undefined;
  // A wallet is told by its panel and what goes in; a tray by its base and its walls.
  return { w: widthMm, h: die.structure === 'wallet' ? die.depthMm : heightMm };
}

/** A tray on the panel of its wallet: room around it, glue under it. */
function trayIn(sheet: SheetBook, outer: Component, inner: Component): void {
  const [panel, base] = [sizeOf(outer), sizeOf(inner)];
  if (!panel || !base) return;
  const told = (name: string, title: string, mm: number): string => sheet.told(name, title, mm, 'mm');
  const width = told('trayWidth', $localize`Tray, width`, base.w);
  sheet.show('room', $localize`Room beside the tray, each side`, 'mm', '(panel - tray) / 2', {
    panel: told('panelWidth', $localize`Panel of the wallet, width`, panel.w),
    tray: width,
  });
  sheet.used('glue');
  sheet.show('pressed', $localize`Under compression`, 'h', 'norm', { norm: sheet.norm('glue.dryHours') });
  const [x, y] = [(panel.w - base.w) / 2, (panel.h - base.h) / 2];
  const bead = sheet.value(sheet.norm('glue.beadWidth'));
  const strip = (top: number): Shape => ({ kind: 'box', role: 'glue', x, y: top, width: base.w, height: bead });
  sheet.draw({
    title: $localize`Tray on the panel of the wallet`,
    widthMm: panel.w,
    heightMm: panel.h,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: panel.w, height: panel.h },
      { kind: 'box', role: 'piece', x, y, width: base.w, height: base.h },
      strip(y + bead),
      strip(y + base.h - 2 * bead),
      measure({ x: 0, y: panel.h }, { x: panel.w, y: panel.h }, panel.w),
      measure({ x: panel.w, y }, { x: panel.w, y: y + base.h }, base.h),
    ],
  });
}

/** A bought part dropped into a tray: the room that it has. */
function insertIn(sheet: SheetBook): void {
  const taken = new Set(takenBy(sheet.step).map(({ material }) => material));
  const part = sheet.job.parts?.find(({ id }) => taken.has(partMaterial(id)));
  const tray = sheet.job.components.find(({ die }) => die?.kind === 'structure' && die.structure === 'tray');
  if (part?.widthMm === undefined || tray?.widthMm === undefined) return;
  const room = sheet.show('insertRoom', $localize`Room beside the insert, each side`, 'mm', '(tray - insert) / 2', {
    tray: sheet.told('trayInside', $localize`Tray inside, width`, tray.widthMm, 'mm'),
    insert: sheet.told('insertWidth', $localize`${part.name}, width`, part.widthMm, 'mm'),
  });
  if (sheet.value(room) < 0)
    sheet.remark($localize`The insert is wider than the tray: make one smaller or the other larger.`);
}

/** Two buttons and their string. Source: handbook chapter 7 "Envelopes" (riveted at two places). */
export function rivetSheet(sheet: SheetBook): void {
  const buttons = sheet.give('buttons', $localize`Buttons on one`, 2, 'buttons', {
    label: 'practice',
    note: $localize`back and flap`,
  });
  sheet.show('buttonCount', $localize`Buttons and rivets`, 'buttons', 'units * buttons', {
    units: sheet.units,
    buttons,
  });
  sheet.used('string');
  const { component } = sheet.layout ?? {};
  if (component?.die?.kind !== 'structure' || component.widthMm === undefined) return;
  const [w, h] = [component.widthMm, component.die.depthMm];
  const edge = sheet.value(sheet.card(sheet.norm('rivet.edge')));
  const apart = sheet.value(sheet.card(sheet.norm('rivet.apart')));
  const flap = Math.min(h / 3, 2 * edge + apart / 2);
  const size = 8;
  const button = (y: number, label: string): Shape => ({
    kind: 'box',
    role: 'block',
    x: (w - size) / 2,
    y: y - size / 2,
    width: size,
    height: size,
    label,
  });
  sheet.draw({
    title: $localize`Back of the envelope, flap closed`,
    widthMm: w,
    heightMm: h,
    shapes: [
      { kind: 'box', role: 'piece', x: 0, y: 0, width: w, height: h },
      { kind: 'box', role: 'edge', x: 0, y: 0, width: w, height: flap },
      button(flap - edge, '1'),
      button(flap - edge + apart, '2'),
      measure({ x: 0, y: h }, { x: w, y: h }, w),
      measure({ x: w, y: flap - edge }, { x: w, y: flap - edge + apart }, apart),
    ],
  });
  sheet.remark($localize`Rivets through one leaf each: the back before the flap is closed, the flap by itself.`);
}

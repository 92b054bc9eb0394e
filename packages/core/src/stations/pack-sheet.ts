import { figureOf } from '../kernel/index.js';
import { figureId } from '../job/index.js';
import { labelCode } from '../finishing/index.js';
import type { Packing } from '../plan/index.js';
import { compression, stackOfBoxes } from './compression.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Most labels of a list. */
const MOST_LABELS = 2_000;

/** Shows figures of the plan where it has them. */
function showPlanned(sheet: SheetBook, ...names: readonly string[]): void {
  for (const name of names) {
    const id = `step.${sheet.step.id}.${name}`;
    if (figureOf(sheet.plan, id)) sheet.card(id);
  }
}

/** Boxes, pallets, loading: what the plan reckoned, drawn. Source: handbook chapter 7 "Packing". */
export function boxSheet(sheet: SheetBook): void {
  const packing = sheet.plan.packings[sheet.step.id];
  if (!packing?.box) return;
  showPlanned(sheet, 'perPack', 'packKg');
  sheet.show('byHand', $localize`Most that a person lifts`, 'pieces', 'floor(limit * 1000 / mass)', {
    limit: sheet.norm('pack.handKg'),
    mass: figureId.step(sheet.step.id, 'massG'),
  });
  showPlanned(sheet, 'packWidth', 'packHeight', 'packDepth');
  const at = `step.${sheet.step.id}`;
  stackOfBoxes(sheet, compression(sheet, sheet.norm('pack.board'), `${at}.packWidth`, `${at}.packHeight`));
  sheet.used('box');
  palletOf(sheet, packing);
}

/** Pallets of boxes or bundles. */
export function palletSheet(sheet: SheetBook): void {
  const packing = sheet.plan.packings[sheet.step.id];
  if (!packing) return;
  showPlanned(sheet, 'packKg', 'onPallet');
  palletOf(sheet, packing);
}

/** Labels of the transport units that a job has before a step: each label of a job has a code of its own. */
function labelsBefore({ job, plan, step }: SheetBook): number {
  const before = job.route.slice(0, job.route.indexOf(step));
  return before.reduce((sum, { id }) => sum + (plan.packings[id]?.pallet?.pallets ?? 0), 0);
}

function palletOf(sheet: SheetBook, { pallet, noPallet }: Packing): void {
  if (noPallet) sheet.remark($localize`Not one fits the pallet: pack fewer together, or take a larger pallet.`);
  if (!pallet) return;
  showPlanned(sheet, 'perLayer', 'layers', 'pallets', 'fullPallet', 'palletKg', 'palletMm', 'loadingM');
  sheet.used('pallet');
  sheet.used('stretch-film');
  const first = labelsBefore(sheet);
  sheet.list({
    title: $localize`Labels`,
    heads: [$localize`Pallet`, $localize`Code`],
    rows: Array.from({ length: Math.min(MOST_LABELS, pallet.pallets) }, (_, i) => [
      i + 1,
      labelCode(sheet.job.number, first + i + 1),
    ]),
  });
  const [lengthMm, widthMm] = ['pallet.length', 'pallet.width'].map((norm) => sheet.value(sheet.norm(norm))) as [
    number,
    number,
  ];
  sheet.draw({
    title: $localize`One layer on the pallet`,
    widthMm: lengthMm,
    heightMm: widthMm,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: lengthMm, height: widthMm },
      ...pallet.layer.map((one): Shape => ({
        kind: 'box',
        role: 'block',
        x: one.xMm,
        y: widthMm - one.yMm - one.heightMm,
        width: one.widthMm,
        height: one.heightMm,
      })),
      measure({ x: 0, y: widthMm }, { x: lengthMm, y: widthMm }, lengthMm),
      measure({ x: lengthMm, y: 0 }, { x: lengthMm, y: widthMm }, widthMm),
    ],
  });
}

/** Bands and wraps: film or band by the pack. */
export function bandSheet(sheet: SheetBook): void {
  showPlanned(sheet, 'perPack', 'packDepth', 'packKg', 'packs');
  sheet.used('band');
  sheet.used('shrink-film');
}

/** Outside work: what goes out and what has to come back. Source: handbook chapter 7; the counts are the flow's. */
export function outsideSheet(sheet: SheetBook): void {
  const { step } = sheet;
  sheet.card(sheet.units);
  const back = sheet.card(figureId.step(step.id, 'needsOut'));
  sheet.show('allowance', $localize`May be lost outside`, 'pieces', 'sent - back', { sent: sheet.units, back });
  const cost = `cost.outside.${step.id}`;
  if (figureOf(sheet.plan, cost)) sheet.card(cost);
  sheet.remark($localize`Count what goes and what comes back, and note both: the difference is theirs to explain.`);
}

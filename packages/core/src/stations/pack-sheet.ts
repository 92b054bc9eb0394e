import { boxFor, palletFor, transportCode } from '../finishing/index.js';
import { type Shape, measure } from './drawing.js';
import type { SheetBook } from './sheet.js';

/** Boxes, pallets, loading. Source: handbook chapter 7 "Packing". */
export function boxSheet(sheet: SheetBook): void {
  const { first, step, planned } = sheet;
  const perPack = step.perPack ?? 1;
  if (!first || first.widthMm === 0) return;
  const piece = {
    widthMm: first.widthMm,
    heightMm: first.heightMm,
    thicknessMm: first.caliperUm / 1000,
    massG: first.massG,
  };
  const box = boxFor(piece, perPack, sheet.value(sheet.norm('pack.board')));
  const [w, h, d] = box.outerMm;
  const mass = sheet.give('massG', 'Mass of one', first.massG, 'g');
  const count = sheet.told('perBox', 'In a box', perPack, 'pieces');
  const kg = sheet.show('kg', 'Mass of a box', 'kg', 'mass * count / 1000', { mass, count });
  const hand = sheet.norm('pack.handKg');
  sheet.show('byHand', 'Most that a person lifts', 'pieces', 'floor(limit * 1000 / mass)', { limit: hand, mass });
  for (const [name, title, mm] of [
    ['boxWidth', 'Box outside, length', w],
    ['boxHeight', 'Box outside, width', h],
    ['boxDepth', 'Box outside, height', d],
  ] as const)
    sheet.card(sheet.give(name, title, mm, 'mm'));
  const boxes = Math.ceil(planned.needsOut / perPack);
  palletOf(sheet, { outerMm: box.outerMm, kg: sheet.value(kg), pieces: count }, boxes);
}

/** Most labels of a list. */
const MOST_LABELS = 2_000;

/** Pallets of boxes or bundles that lie as they come. */
function palletOf(
  sheet: SheetBook,
  box: { readonly outerMm: readonly [number, number, number]; readonly kg: number; readonly pieces: string },
  boxes: number,
): void {
  const limits = {
    lengthMm: sheet.value(sheet.norm('pallet.length')),
    widthMm: sheet.value(sheet.norm('pallet.width')),
    ownHeightMm: sheet.value(sheet.norm('pallet.ownHeight')),
    heightMm: sheet.value(sheet.norm('pallet.height')),
    kg: sheet.value(sheet.norm('pallet.kg')),
  };
  const pallet = palletFor(box, boxes, limits);
  if (!pallet) {
    sheet.remark('Not one fits the pallet: pack fewer together, or take a larger pallet.');
    return;
  }
  const perLayer = sheet.card(sheet.give('perLayer', 'In a layer', pallet.perLayer, 'boxes'));
  const layers = sheet.card(sheet.give('layers', 'Layers', pallet.layers, 'layers'));
  const pallets = sheet.show('pallets', 'Pallets', 'pallets', 'ceil(boxes / (perLayer * layers))', {
    boxes: sheet.give('boxes', 'Boxes', boxes, 'boxes'),
    perLayer,
    layers,
  });
  sheet.show('fullPallet', 'On a full pallet', 'pieces', 'perLayer * layers * each', {
    perLayer,
    layers,
    each: box.pieces,
  });
  sheet.card(sheet.give('palletKg', 'Load of a full pallet', pallet.kg, 'kg'));
  sheet.show('loadingM', 'Loading', 'm', 'pallets * length / 1000 * width / 1000 / 2.4', {
    pallets,
    length: sheet.norm('pallet.length'),
    width: sheet.norm('pallet.width'),
  });
  const serial = Number(/\d+/.exec(sheet.job.number.replace(/\D/g, ''))?.[0] ?? 0);
  sheet.list({
    title: 'Labels',
    heads: ['Pallet', 'Code'],
    rows: Array.from({ length: Math.min(MOST_LABELS, pallet.pallets) }, (_, i) => [
      i + 1,
      transportCode('0', serial * 1000 + i + 1),
    ]),
  });
  sheet.draw({
    title: 'One layer on the pallet',
    widthMm: limits.lengthMm,
    heightMm: limits.widthMm,
    shapes: [
      { kind: 'box', role: 'sheet', x: 0, y: 0, width: limits.lengthMm, height: limits.widthMm },
      ...pallet.layer.map((one): Shape => ({
        kind: 'box',
        role: 'block',
        x: one.xMm,
        y: limits.widthMm - one.yMm - one.heightMm,
        width: one.widthMm,
        height: one.heightMm,
      })),
      measure({ x: 0, y: limits.widthMm }, { x: limits.lengthMm, y: limits.widthMm }, limits.lengthMm),
      measure({ x: limits.lengthMm, y: 0 }, { x: limits.lengthMm, y: limits.widthMm }, limits.widthMm),
    ],
  });
}

/** Pallets straight from bundles of flat pieces. */
export function palletSheet(sheet: SheetBook): void {
  const { first, step, job, planned } = sheet;
  const band = job.route.find(({ operation }) => operation === 'band');
  const perBundle = band?.perPack ?? 1;
  if (!first || first.widthMm === 0) return;
  const thick = (first.caliperUm / 1000) * perBundle;
  const kg = sheet.give('kg', 'Mass of a bundle', (first.massG * perBundle) / 1000, 'kg');
  sheet.card(kg);
  sheet.card(sheet.told('perPallet', 'On a pallet', step.perPack ?? 1, 'pieces'));
  palletOf(
    sheet,
    {
      outerMm: [first.widthMm, first.heightMm, thick],
      kg: sheet.value(kg),
      pieces: sheet.give('perBundle', 'In a bundle', perBundle, 'pieces'),
    },
    Math.ceil(planned.needsOut / perBundle),
  );
}

/** Bands and wraps: film or band by the pack. */
export function bandSheet(sheet: SheetBook): void {
  const { first, step } = sheet;
  const perPack = sheet.told('perPack', 'In a pack', step.perPack ?? 1, 'pieces');
  if (!first) return;
  sheet.show('packMm', 'Height of a pack', 'mm', 'count * caliper / 1000', {
    count: perPack,
    caliper: sheet.give('caliper', 'Caliper', first.caliperUm, 'um'),
  });
  sheet.show('packKg', 'Mass of a pack', 'kg', 'count * mass / 1000', {
    count: perPack,
    mass: sheet.give('mass', 'Mass of one', first.massG, 'g'),
  });
}

/** Outside work: what goes out and what has to come back. Source: handbook chapter 7; the counts are the flow's. */
export function outsideSheet(sheet: SheetBook): void {
  const { step } = sheet;
  sheet.card(sheet.units);
  const back = sheet.card(`step.${step.id}.needsOut`);
  sheet.show('allowance', 'May be lost outside', 'pieces', 'sent - back', { sent: sheet.units, back });
  const cost = `cost.outside.${step.id}`;
  if (sheet.plan.figures[cost]) sheet.card(cost);
  sheet.remark('Count what goes and what comes back, and note both: the difference is theirs to explain.');
}

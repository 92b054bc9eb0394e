import { valueAt } from '../kernel/index.js';
import type { SheetBook } from './sheet.js';

/** Weight of a kilogram. */
const NEWTON = 9.81;

/**
 * What a box bears put up: its compression, and the load that the house trusts it with.
 * @param board figure of the board's caliper, mm; @param length, width figures of the box, mm.
 * Source: literature, McKee, Gander and Wachuta 1963: 5.87 x ECT x sqrt(caliper x perimeter); the share is practice.
 */
export function compression(sheet: SheetBook, board: string, length: string, width: string): string {
  const force = sheet.show(
    'compression',
    $localize`Compression of a box put up, dry and new`,
    'N',
    '5.87 * ect * sqrt(board * 2 * (length + width))',
    { ect: sheet.norm('pack.ect'), board, length, width },
  );
  return sheet.show('bearsKg', $localize`A box bears in a stack`, 'kg', `force * share / ${NEWTON}`, {
    force,
    share: sheet.norm('pack.bears'),
  });
}

/** How many boxes may stand on each other, and how high that is. Source: identity of what the lowest bears. */
export function stackOfBoxes(sheet: SheetBook, bears: string): void {
  const own = (name: string): string => `step.${sheet.step.id}.${name}`;
  const high = sheet.show('stack', $localize`Boxes that may stand on each other`, 'boxes', '1 + floor(bears / mass)', {
    bears,
    mass: own('packKg'),
  });
  sheet.show('stackMm', $localize`Height of such a stack`, 'mm', 'high * depth', { high, depth: own('packDepth') });
  const layers = valueAt(sheet.plan, own('layers')) ?? 0;
  if (layers > sheet.value(high))
    sheet.remark(
      $localize`On a full pallet ${layers} boxes stand on each other, more than the lowest is trusted with: use stronger boxes, or build the pallet lower.`,
    );
}

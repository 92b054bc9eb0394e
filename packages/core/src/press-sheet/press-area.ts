import type { Mm } from '../kernel/index.js';
import type { Margins } from '../layout/index.js';
import { STYLE_RULES } from '../press/index.js';
import type { Machine, PressLimits, SheetSize } from '../works/index.js';
import type { Component } from '../job/index.js';

/** Whether both long edges are gripped. Source: handbook chapter 4 "Work styles". */
export const isGrippedTwice = (component: Component, press: PressLimits): boolean =>
  STYLE_RULES[component.workStyle].twoGrippers || (component.workStyle === 'perfecting' && press.turnsSheet);

/** What the press keeps at each edge in a work style. The colour bar lies in the tail. */
function marginsOf(component: Component, press: PressLimits): Margins {
  const tailMm = Math.max(press.tailMm, press.colourBarMm ?? 0);
  return {
    gripperMm: press.gripperMm,
    tailMm: isGrippedTwice(component, press) ? Math.max(press.gripperMm, tailMm) : tailMm,
    sideMm: press.sideMm,
  };
}

/** What a component is laid on. */
export interface PressArea {
  /** Press sheet, or what a web prints before its pattern repeats. */
  readonly sheet: SheetSize;
  readonly margins: Margins;
  /** What may be covered. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/**
 * The sheet of a component and what of it may be covered. @param cutOffs cut-offs of a web that one pattern runs over: two
 * where the folder collects. Source: handbook chapter 4 "Flat work" and "Webs".
 */
export function pressArea(component: Component, { press }: Machine, cutOffs: number): PressArea {
  if (!press) throw new Error(`component ${component.id} was not checked`);
  const margins = marginsOf(component, press);
  const sheet = { ...component.sheet, heightMm: component.sheet.heightMm * cutOffs };
  return {
    sheet,
    margins,
    widthMm: Math.max(0, sheet.widthMm - 2 * margins.sideMm),
    heightMm: Math.max(0, sheet.heightMm - margins.gripperMm - margins.tailMm),
  };
}

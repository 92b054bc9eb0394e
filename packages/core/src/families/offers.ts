import { type Machine, type Stock, type Works, inUse, printingOf } from '../works/index.js';
import { webOf } from '../press-sheet/index.js';
import type { PressKind } from './answers.js';

/** Whether a press is of a kind: for sheets, cut-offs, repeats of a cylinder, cases, envelopes from sheet or roll, or without plates. */
function isOfKind(machine: Machine, kind: PressKind): boolean {
  const { press } = machine;
  if (!press || press.units === 0) return false;
  const web = webOf(machine);
  switch (kind) {
    case 'cut-off web':
      return web?.cutOffMm !== undefined;
    case 'cylinder web':
      return web?.cylinderTeeth !== undefined;
    case 'gravure':
      return web?.anyRepeat === true && printingOf(machine) === 'gravure';
    case 'digital':
      return press.plateless === true && !web;
    case 'envelope':
      return machine.process === 'envelope-web' || isOfKind(machine, 'sheet');
    case 'sheet':
    case 'case':
      return !web && (printingOf(machine) === 'flexo') === (kind === 'case');
  }
}

/** Presses of a works that a kind of product is printed on. */
export const pressesFor = (kind: PressKind, works: Works): readonly Machine[] =>
  inUse(works.machines).filter((machine) => isOfKind(machine, kind));

const ON_ROLLS: readonly PressKind[] = ['cut-off web', 'cylinder web', 'gravure'];

/** Stocks that come in sheets, or on rolls for the webs. */
export const stocksFor = (kind: PressKind, works: Works): readonly Stock[] =>
  inUse(works.stocks).filter(({ sheets }) => (sheets.length === 0) === ON_ROLLS.includes(kind));

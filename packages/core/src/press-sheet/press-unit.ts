import type { Step } from '../job/index.js';
import type { ComponentLayout } from './component-layout.js';
import { webOf } from './web-layout.js';

/**
 * Whether a step parts the press sheet into pieces: the guillotine, the die for blanks, and a web press all else in line.
 */
export function partsSheet({ operation }: Step, { component, machine }: ComponentLayout): boolean {
  if (component.kind === 'blank') return operation === 'die-cut';
  return operation === (webOf(machine) ? 'print' : 'cut');
}

/** What is counted at the press: sheets, or what a web prints at one turn. */
export type PressUnit = 'sheet' | 'cut-off' | 'repeat';
/** What the press of a layout counts. */
export function pressUnit({ machine }: ComponentLayout): PressUnit {
  const web = webOf(machine);
  if (!web) return 'sheet';
  return web.cutOffMm === undefined ? 'repeat' : 'cut-off';
}

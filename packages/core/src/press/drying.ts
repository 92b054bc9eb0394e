import type { PrintProcess } from './process.js';

/** How an ink dries. Source: handbook chapter 5 "Drying and handling". */
export const DRYINGS = ['oxidative', 'fast-setting', 'uv', 'heatset', 'water-based', 'solvent', 'toner'] as const;
/** How an ink dries. */
export type Drying = (typeof DRYINGS)[number];

const USUAL: Readonly<Record<PrintProcess, Drying>> = {
  offset: 'oxidative',
  recessed: 'oxidative',
  letterpress: 'oxidative',
  screen: 'oxidative',
  flexo: 'water-based',
  gravure: 'solvent',
  digital: 'toner',
};

/** How the usual inks of a process dry; offset off a web is dried by heat. Source: practice. */
export const usualDrying = (process: PrintProcess, onWeb: boolean): Drying =>
  onWeb && process === 'offset' ? 'heatset' : USUAL[process];

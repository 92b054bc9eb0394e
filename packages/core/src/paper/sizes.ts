import type { Mm } from '../kernel/index.js';

/** Width and height of a standard size, mm. */
export interface Size {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** Short and long side of the untrimmed series. Source: standard, ISO 217. */
const UNTRIMMED = {
  RA0: [860, 1220],
  RA1: [610, 860],
  RA2: [430, 610],
  SRA0: [900, 1280],
  SRA1: [640, 900],
  SRA2: [450, 640],
} as const;

/** Sides of the largest sheet of each trimmed series. Source: standard, ISO 216. */
const LARGEST = { A: [841, 1189], B: [1000, 1414] } as const;

/**
 * Size of an ISO sheet by name, upright (the short side is the width): A0 to A10, B0 to B10, RA0-2, SRA0-2.
 * Each size halves the longer side of the one before, rounded down to a millimetre. Unknown names give undefined.
 * Source: standard, ISO 216 and ISO 217.
 */
export function isoSize(name: string): Size | undefined {
  if (Object.hasOwn(UNTRIMMED, name)) {
    const [widthMm, heightMm] = UNTRIMMED[name as keyof typeof UNTRIMMED];
    return { widthMm, heightMm };
  }
  const match = /^([AB])(\d|10)$/.exec(name);
  if (!match) return undefined;
  let [short, long]: readonly [number, number] = LARGEST[match[1] as 'A' | 'B'];
  for (let step = Number(match[2]); step > 0; step--) [short, long] = [Math.floor(long / 2), short];
  return { widthMm: short, heightMm: long };
}

/** Envelopes. Source: practice (C and DL sizes as the trade has them), handbook chapter 3. */
export const ENVELOPES: Readonly<Record<string, Size>> = {
  C4: { widthMm: 229, heightMm: 324 },
  C5: { widthMm: 162, heightMm: 229 },
  C6: { widthMm: 114, heightMm: 162 },
  DL: { widthMm: 110, heightMm: 220 },
};

/** Bought sheets of the US trade, inches. Source: practice, handbook chapter 3. */
export const US_SHEETS_IN = [
  [17, 22],
  [19, 25],
  [20, 26],
  [23, 35],
  [25, 38],
  [26, 40],
  [28, 40],
] as const;

/** Names offered where a trimmed size is asked for. */
export const OFFERED_SIZES = ['A2', 'A3', 'A4', 'A5', 'A6'] as const;

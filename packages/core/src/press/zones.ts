import type { Mm } from '../kernel/index.js';

/** Ink zones of a press, side by side about the middle of the sheet. */
export interface ZoneRow {
  readonly count: number;
  readonly widthMm: Mm;
}

/**
 * Mean tones of an artwork's separations along both its sides, from which any placing can be reckoned: for each channel
 * the mean tone 0..1 of equal columns from the left and of equal rows from the top.
 */
export interface ToneProfile {
  readonly channels: readonly string[];
  readonly columns: readonly (readonly number[])[];
  readonly rows: readonly (readonly number[])[];
  /** Mean tone of the whole, by channel. */
  readonly means: readonly number[];
  /** Greatest total of all channels at one place, 0..channels. */
  readonly highestTotal: number;
  /** Share of the area whose total is above the limit asked for. */
  readonly overLimit: number;
}

/** An artwork where it lies on the sheet: millimetres from the left edge, seen from its printed side, gripper at the bottom. */
export interface PlacedArt {
  readonly xMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Quarter turns anticlockwise from upright. */
  readonly quarters: 0 | 1 | 2 | 3;
}

/** The profile across the sheet of an artwork turned by so many quarters. */
function across({ columns, rows }: ToneProfile, channel: number, quarters: PlacedArt['quarters']): readonly number[] {
  const [column, row] = [columns[channel] ?? [], rows[channel] ?? []];
  if (quarters === 0) return column;
  if (quarters === 2) return [...column].reverse();
  // Turned anticlockwise by one quarter the top comes to lie at the left.
  return quarters === 1 ? row : [...row].reverse();
}

/** Adds a step function over [from, to) to zones of equal width. */
function spread(tone: number, fromMm: Mm, toMm: Mm, left: Mm, { count, widthMm }: ZoneRow, into: number[]): void {
  const first = Math.max(0, Math.floor((fromMm - left) / widthMm));
  const last = Math.min(count - 1, Math.ceil((toMm - left) / widthMm) - 1);
  for (let zone = first; zone <= last; zone++) {
    const start = left + zone * widthMm;
    const overlap = Math.min(toMm, start + widthMm) - Math.max(fromMm, start);
    if (overlap > 0) into[zone] = (into[zone] ?? 0) + tone * overlap;
  }
}

/**
 * Zone coverages of one separation: mean tone over each zone's strip of the plate, the strip as long as the sheet.
 * @param sheetWidthMm the zones lie about its middle; @param sheetHeightMm length of the strips, above 0.
 * @returns shares 0..1, the zone at the left of the sheet first. Source: identity, handbook chapter 5 "Zones".
 */
export function zoneCoverages(
  profile: ToneProfile,
  channel: number,
  placed: readonly PlacedArt[],
  zones: ZoneRow,
  sheetWidthMm: Mm,
  sheetHeightMm: Mm,
): number[] {
  const left = (sheetWidthMm - zones.count * zones.widthMm) / 2;
  const toneMm2 = new Array<number>(zones.count).fill(0);
  for (const { xMm, widthMm, heightMm, quarters } of placed) {
    const tones = across(profile, channel, quarters);
    const step = widthMm / tones.length;
    tones.forEach((tone, i) => {
      if (tone > 0) spread(tone * heightMm, xMm + i * step, xMm + (i + 1) * step, left, zones, toneMm2);
    });
  }
  return toneMm2.map((sum) => sum / (zones.widthMm * sheetHeightMm));
}

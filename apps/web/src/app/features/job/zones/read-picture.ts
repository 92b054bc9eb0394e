import { type Outcome, ESTIMATE_WORDS, ToneCounter, error, estimateSeparations } from '@druckerei/core';
import type { ReadArtwork, ReadOptions } from '@druckerei/formats/artwork';

/** Columns and rows of a profile, at most. */
const BINS = 1000;
/** Rows are turned into separations in bands of about so many pixels. */
const BAND_PIXELS = 1 << 20;
const MOST_PIXELS = 30_000;

export const unreadable = (thrown: unknown): Outcome<never> => {
  const why = thrown instanceof Error ? thrown.message : String(thrown);
  return { ok: false, issues: [error('artwork.unreadable', 'artwork', { why: why.slice(0, 120) })] };
};

/** The tone profile of a drawn picture of so many pixels, estimated band by band. @param draw draws its rows from `top` on. */
export function countPicture(
  width: number,
  height: number,
  draw: (context: OffscreenCanvasRenderingContext2D, top: number, rows: number) => void,
  { limit, progress }: ReadOptions,
): Outcome<ReadArtwork> {
  if (width < 1 || height < 1) return { ok: false, issues: [error('zones.empty', 'artwork')] };
  if (width > MOST_PIXELS || height > MOST_PIXELS)
    return { ok: false, issues: [error('artwork.too-large', 'artwork', { width, height, most: MOST_PIXELS })] };
  const band = Math.min(height, Math.max(1, Math.floor(BAND_PIXELS / width)));
  const context = new OffscreenCanvas(width, band).getContext('2d', { willReadFrequently: true });
  if (!context) return unreadable($localize`the browser gives no room to draw it in`);
  const counter = new ToneCounter(width, height, Math.min(BINS, width), Math.min(BINS, height), limit);
  for (let top = 0; top < height; top += band) {
    const rows = Math.min(band, height - top);
    context.clearRect(0, 0, width, band);
    draw(context, top, rows);
    counter.addRows(estimateSeparations(context.getImageData(0, 0, width, rows).data), rows);
    progress?.(counter.progress);
  }
  const size = { widthPx: width, heightPx: height, widthMm: undefined, heightMm: undefined };
  return { ok: true, value: { profile: counter.profile(), ...size, estimate: ESTIMATE_WORDS } };
}

/** The tone profile of a PNG or JPEG, estimated from its colours. Issues: `artwork.*`, `zones.empty`. */
export async function readPicture(file: Blob, options: ReadOptions): Promise<Outcome<ReadArtwork>> {
  try {
    const picture = await createImageBitmap(file);
    return countPicture(picture.width, picture.height, (context, top) => context.drawImage(picture, 0, -top), options);
  } catch (thrown) {
    return unreadable(thrown);
  }
}

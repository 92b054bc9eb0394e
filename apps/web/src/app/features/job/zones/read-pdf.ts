import { type Outcome, error } from '@druckerei/core';
import type { ReadArtwork, ReadOptions } from '@druckerei/formats/artwork';
import { openPdf } from '../artwork/draw-pdf';
import { countPicture, unreadable } from './read-picture';

/** Fine enough for a mean tone. */
const DPI = 100;

/**
 * The tone profile of one page of a PDF, drawn in RGB and estimated from it. Issues: `artwork.*`, `zones.empty`.
 * @param page from 1; the last one where it has fewer. @param fonts where the fonts lie that a PDF may leave out.
 */
export async function readPdf(
  file: Blob,
  page: number,
  fonts: string,
  options: ReadOptions,
): Promise<Outcome<ReadArtwork>> {
  try {
    const open = await openPdf(file, fonts);
    const { canvas, widthMm, heightMm } = await open.draw(Math.min(page, open.pages), DPI);
    options.progress?.(0.5);
    const draw = (context: OffscreenCanvasRenderingContext2D, top: number): void => context.drawImage(canvas, 0, -top);
    const read = countPicture(canvas.width, canvas.height, draw, options);
    await open.close();
    return read.ok ? { ok: true, value: { ...read.value, widthMm, heightMm } } : read;
  } catch (thrown) {
    if (thrown instanceof Error && thrown.name === 'PasswordException')
      return { ok: false, issues: [error('artwork.encrypted', 'artwork')] };
    return unreadable(thrown);
  }
}

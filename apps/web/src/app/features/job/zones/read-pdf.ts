import { type Outcome, error } from '@druckerei/core';
import type { ReadArtwork, ReadOptions } from '@druckerei/formats/artwork';
import { countPicture, unreadable } from './read-picture';

const POINTS_PER_INCH = 72;
const MM_PER_INCH = 25.4;
/** Fine enough for a mean tone; a page is drawn no larger than this on its longer side. */
const DPI = 100;
const MOST_SIDE = 5000;

interface Canvas {
  canvas: OffscreenCanvas | null;
  context: OffscreenCanvasRenderingContext2D | null;
}

/** Canvases without a document, as a worker has them. */
class WorkerCanvases {
  create(width: number, height: number): Canvas {
    const canvas = new OffscreenCanvas(width, height);
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) };
  }
  reset({ canvas }: Canvas, width: number, height: number): void {
    if (canvas) Object.assign(canvas, { width, height });
  }
  destroy(one: Canvas): void {
    Object.assign(one, { canvas: null, context: null });
  }
}

/** Filters of a document are not to be had in a worker; what asks for one is drawn without it. */
class NoFilters {
  addFilter(): string {
    return 'none';
  }
  addHCMFilter(): string {
    return 'none';
  }
  addAlphaFilter(): string {
    return 'none';
  }
  addLuminosityFilter(): string {
    return 'none';
  }
  addHighlightHCMFilter(): string {
    return 'none';
  }
  destroy(): void {
    // nothing is kept
  }
}

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
    const pdf = await import('pdfjs-dist');
    // Its own worker runs in this one.
    const reader = (await import('pdfjs-dist/build/pdf.worker.mjs')) as object;
    Object.assign(globalThis, { pdfjsWorker: reader });
    const task = pdf.getDocument({
      data: new Uint8Array(await file.arrayBuffer()),
      disableFontFace: true,
      useSystemFonts: false,
      useWasm: false,
      isEvalSupported: false,
      standardFontDataUrl: fonts,
      CanvasFactory: WorkerCanvases,
      FilterFactory: NoFilters,
      verbosity: 0,
    });
    const document = await task.promise;
    const shown = await document.getPage(Math.min(page, document.numPages));
    const full = shown.getViewport({ scale: 1 });
    const scale = Math.min(DPI / POINTS_PER_INCH, MOST_SIDE / Math.max(full.width, full.height));
    const viewport = shown.getViewport({ scale });
    const [width, height] = [Math.max(1, Math.round(viewport.width)), Math.max(1, Math.round(viewport.height))];
    const canvas = new OffscreenCanvas(width, height);
    await shown.render({
      // pdf.js knows the canvas of a page only by name.
      canvas: canvas as never,
      viewport,
      background: 'rgb(255, 255, 255)',
    }).promise;
    options.progress?.(0.5);
    const read = countPicture(width, height, (context, top) => context.drawImage(canvas, 0, -top), options);
    await task.destroy();
    const mm = (points: number): number => (points / POINTS_PER_INCH) * MM_PER_INCH;
    return read.ok ? { ok: true, value: { ...read.value, widthMm: mm(full.width), heightMm: mm(full.height) } } : read;
  } catch (thrown) {
    if (thrown instanceof Error && thrown.name === 'PasswordException')
      return { ok: false, issues: [error('artwork.encrypted', 'artwork')] };
    return unreadable(thrown);
  }
}

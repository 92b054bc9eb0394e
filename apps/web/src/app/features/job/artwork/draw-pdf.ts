import type { PDFDocumentProxy } from 'pdfjs-dist';

const POINTS_PER_INCH = 72;
const MM_PER_INCH = 25.4;
/** A page is drawn no larger than this on its longer side. */
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

/** An open PDF. */
export interface OpenPdf {
  readonly pages: number;
  /** A page on white, in red, green and blue. @param number from 1 */
  draw(number: number, dpi: number): Promise<DrawnPage>;
  close(): Promise<void>;
}
export interface DrawnPage {
  readonly canvas: OffscreenCanvas;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Opens a PDF to be drawn, within a worker. @param fonts where the fonts lie that a PDF may leave out. */
export async function openPdf(file: Blob, fonts: string): Promise<OpenPdf> {
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
  return {
    pages: document.numPages,
    draw: (number, dpi) => drawPage(document, number, dpi),
    close: () => task.destroy(),
  };
}

async function drawPage(document: PDFDocumentProxy, number: number, dpi: number): Promise<DrawnPage> {
  const shown = await document.getPage(number);
  const full = shown.getViewport({ scale: 1 });
  const scale = Math.min(dpi / POINTS_PER_INCH, MOST_SIDE / Math.max(full.width, full.height));
  const viewport = shown.getViewport({ scale });
  const [width, height] = [Math.max(1, Math.round(viewport.width)), Math.max(1, Math.round(viewport.height))];
  const canvas = new OffscreenCanvas(width, height);
  await shown.render({
    // pdf.js knows the canvas of a page only by name.
    canvas: canvas as never,
    viewport,
    background: 'rgb(255, 255, 255)',
  }).promise;
  shown.cleanup();
  const mm = (points: number): number => (points / POINTS_PER_INCH) * MM_PER_INCH;
  return { canvas, widthMm: mm(full.width), heightMm: mm(full.height) };
}

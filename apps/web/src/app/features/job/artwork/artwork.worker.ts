import '../../../platform/speak-in-worker';
import { examinePdf } from '@druckerei/formats/pdf-artwork';
import { countPicture } from '../zones/read-picture';
import type { ArtworkAnswer, ArtworkQuestion } from './artwork.messages';
import { openPdf } from './draw-pdf';

const tell = (answer: ArtworkAnswer): void => postMessage(answer);

/** Coarse: the ink of a place is what lies on some square millimetres of it. Source: common practice, no source. */
const DPI = 36;

/** Draws the pages that have pictures, and tells the most ink of each. */
async function drawPictures({ file, fonts }: ArtworkQuestion, pages: readonly number[]): Promise<void> {
  const open = await openPdf(file, fonts);
  for (const [i, page] of pages.entries()) {
    const { canvas } = await open.draw(page + 1, DPI);
    const draw = (context: OffscreenCanvasRenderingContext2D, top: number): void => context.drawImage(canvas, 0, -top);
    const read = countPicture(canvas.width, canvas.height, draw, { limit: 4 });
    const share = (i + 1) / pages.length;
    if (read.ok) tell({ kind: 'drawn', page, totalInk: read.value.profile.highestTotal, share });
  }
  await open.close();
}

async function examine(question: ArtworkQuestion): Promise<void> {
  const outcome = await examinePdf(question.file, (share) => tell({ kind: 'progress', share }));
  tell({ kind: 'examined', outcome });
  const pages = outcome.ok ? outcome.value.flatMap(({ pictures }, page) => (pictures ? [page] : [])) : [];
  // What cannot be drawn was examined all the same: its ink is what its colours tell.
  if (pages.length > 0) await drawPictures(question, pages).catch(() => undefined);
  tell({ kind: 'done' });
}

addEventListener('message', ({ data }: MessageEvent<ArtworkQuestion>) => void examine(data));

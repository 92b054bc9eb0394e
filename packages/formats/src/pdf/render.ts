import { createRequire } from 'node:module';
import path from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

const fonts = path.join(
  path.dirname(createRequire(import.meta.url).resolve('@fontsource/libre-franklin/package.json')),
  'files',
);
const face = (weight: number): string => path.join(fonts, `libre-franklin-latin-${weight}-normal.woff`);

pdfmake.setFonts({ Franklin: { normal: face(400), bold: face(700), italics: face(400), bolditalics: face(700) } });
// Documents are made of our own parts only: nothing is fetched, and no file but the fonts is read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => file.startsWith(fonts));

/** A4 with margins that a hole punch and a clip can have, in points. */
const MARGINS: [number, number, number, number] = [42, 54, 36, 48];

/** Renders a document; the same content and date give the same bytes. */
export function renderPdf(document: TDocumentDefinitions, at: Date): Promise<Buffer> {
  return pdfmake
    .createPdf({
      pageSize: 'A4',
      pageMargins: MARGINS,
      defaultStyle: { font: 'Franklin', fontSize: 9, lineHeight: 1.15 },
      styles: {
        title: { fontSize: 18, bold: true },
        heading: { fontSize: 12, bold: true, margin: [0, 12, 0, 4] },
        quiet: { color: '#555555' },
        th: { bold: true, color: '#555555', fontSize: 8 },
      },
      ...document,
      info: { ...document.info, creator: 'Druckerei', producer: 'Druckerei', creationDate: at, modDate: at },
    })
    .getBuffer();
}

import fs from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { unpackWoff } from './unpack-woff.js';

const fonts = path.join(
  path.dirname(createRequire(import.meta.url).resolve('@fontsource/libre-franklin/package.json')),
  'files',
);
// Drawings open their fonts by file: the unpacked ones lie in a folder of this process.
const unpacked = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-fonts-'));
process.once('exit', () => fs.rmSync(unpacked, { recursive: true, force: true }));
function face(weight: number): string {
  const file = path.join(unpacked, `libre-franklin-${weight}.ttf`);
  fs.writeFileSync(file, unpackWoff(fs.readFileSync(path.join(fonts, `libre-franklin-latin-${weight}-normal.woff`))));
  return file;
}
const [normal, bold] = [face(400), face(700)];

pdfmake.setFonts({ Franklin: { normal, bold, italics: normal, bolditalics: bold } });
// Documents are made of our own parts only: nothing is fetched, and no file but the fonts is read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((file) => file.startsWith(unpacked));

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
        station: { fontSize: 9.5, bold: true },
        department: { fontSize: 13, bold: true, margin: [0, 8, 0, 2] },
        small: { fontSize: 6.8, color: '#444444' },
        quiet: { color: '#555555' },
        th: { bold: true, color: '#555555', fontSize: 8 },
      },
      ...document,
      info: { ...document.info, creator: 'Druckerei', producer: 'Druckerei', creationDate: at, modDate: at },
    })
    .getBuffer();
}

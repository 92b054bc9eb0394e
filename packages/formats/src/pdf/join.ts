import { PDFDocument } from '@cantoo/pdf-lib';

/** PDFs one behind another, as one. @param title of the whole. @param files at least one. */
export async function joinPdfs(title: string, files: readonly Uint8Array[]): Promise<Uint8Array> {
  const joined = await PDFDocument.create();
  joined.setTitle(title);
  for (const file of files) {
    const one = await PDFDocument.load(file);
    for (const page of await joined.copyPages(one, one.getPageIndices())) joined.addPage(page);
  }
  return joined.save();
}

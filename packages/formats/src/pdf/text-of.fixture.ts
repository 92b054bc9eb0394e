import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** What a PDF says, page by page, in one line. */
export async function textOf(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const texts: string[] = [];
  for (let n = 1; n <= document.numPages; n++) {
    const { items } = await (await document.getPage(n)).getTextContent();
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  return texts.join(' ').replace(/\s+/g, ' ');
}

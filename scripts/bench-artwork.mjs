// The artwork part of npm run bench: a PDF of 500 pages, examined whole.
import { PDFDocument, PDFName, ParseSpeeds } from '@cantoo/pdf-lib';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const PAGES = 500;

/** A book of text, pictures and a mixed colour: some 40 kB of content a page, half of the pages with a picture. */
async function book() {
  const document = await PDFDocument.create();
  const { context } = document;
  const tint = { FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [0, 0.8, 0.4, 0], N: 1 };
  const picture = context.register(
    context.flateStream(new Uint8Array(400_000).fill(90), {
      Type: 'XObject',
      Subtype: 'Image',
      Width: 400,
      Height: 250,
      BitsPerComponent: 8,
      ColorSpace: 'DeviceCMYK',
    }),
  );
  const spaces = context.register(context.obj({ S: ['Separation', 'Night#20blue', 'DeviceCMYK', tint] }));
  const line = (i) =>
    `BT /F 10 Tf 0 0 0 1 k ${i % 400} ${(i * 7) % 500} Td (A line of text, as long as lines are) Tj ET\n`;
  const rule = (i) => `q /S cs 0.${i % 10} scn ${i} ${i} m ${i + 9} ${i} l ${i + 9} ${i + 9} l h f Q\n`;
  for (let number = 0; number < PAGES; number++) {
    const page = document.addPage([420, 595]);
    page.setTrimBox(9, 9, 402, 577);
    let content = number % 2 === 0 ? '/I Do\n' : '';
    for (let i = 0; i < 250; i++) content += line(i + number) + rule(i);
    page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content)));
    page.node.set(PDFName.of('Resources'), context.obj({ ColorSpace: spaces, XObject: { I: picture } }));
  }
  return document.save();
}

/** How long a file of 500 pages is examined, and how much of that is the reading of its objects. */
export async function benchArtwork({ examinePdf }, say, ratio) {
  const bytes = await book();
  const [examined, loaded] = [[], []];
  for (let i = 0; i < 5; i++) {
    let start = performance.now();
    const outcome = await examinePdf(new File([bytes], 'book.pdf'));
    examined.push(performance.now() - start);
    if (!outcome.ok || outcome.value.length !== PAGES) throw new Error('the book was not examined');
    start = performance.now();
    await PDFDocument.load(bytes, { parseSpeed: ParseSpeeds.Fastest, updateMetadata: false });
    loaded.push(performance.now() - start);
  }
  const [whole, load] = [median(examined), median(loaded)];
  say(
    `a PDF of ${PAGES} pages (${(bytes.length / 1e6).toFixed(1)} MB) examined, median of 5`,
    `${whole.toFixed(0)} ms`,
    ratio(whole, 3000),
  );
  say('  against the reading of its objects alone', `${(whole / load).toFixed(1)} times`, '');
}

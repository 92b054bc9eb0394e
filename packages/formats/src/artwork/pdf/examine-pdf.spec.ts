import { deflateSync } from 'node:zlib';
import { PDFDocument, PDFHexString, PDFName, type PDFPage, PDFRawStream, PDFString, degrees } from '@cantoo/pdf-lib';
import { type ExaminedPage, examinePdf } from './examine-pdf.js';

const POINTS = 72 / 25.4;
const name = (text: string): PDFName => PDFName.of(text);

const asFile = (bytes: Uint8Array): File => new File([bytes as Uint8Array<ArrayBuffer>], 'pages.pdf');

/** A PDF of one page with a content and its resources, written by a general-purpose library. */
async function written(
  content: string,
  resources: (document: PDFDocument) => Record<string, object> = () => ({}),
  change: (page: PDFPage, document: PDFDocument) => void = () => undefined,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  const page = document.addPage([100 * POINTS, 150 * POINTS]);
  page.node.set(name('Contents'), document.context.register(document.context.flateStream(content)));
  page.node.set(name('Resources'), document.context.obj(resources(document) as never));
  change(page, document);
  return document.save();
}
async function examined(file: Uint8Array): Promise<readonly ExaminedPage[]> {
  const outcome = await examinePdf(asFile(file));
  if (!outcome.ok)
    throw new Error(outcome.issues.map(({ code, params }) => `${code} ${JSON.stringify(params)}`).join());
  return outcome.value;
}
async function refused(file: Uint8Array): Promise<string> {
  const outcome = await examinePdf(asFile(file));
  return outcome.ok ? 'read' : outcome.issues.map(({ code }) => code).join();
}
const only = async (file: Promise<Uint8Array>): Promise<ExaminedPage> => {
  const [page] = await examined(await file);
  if (!page) throw new Error('no page');
  return page;
};
const tint = { FunctionType: 2, Domain: [0, 1], C0: [0, 0, 0, 0], C1: [0, 0.5, 0.5, 0], N: 1 };
const spot = (ink: string) => ['Separation', ink, 'DeviceCMYK', tint];

describe('boxes of a page', () => {
  const boxed = (change: (page: PDFPage) => void): Promise<ExaminedPage> =>
    only(
      written('', undefined, (page) => {
        page.setMediaBox(0, 0, 120 * POINTS, 170 * POINTS);
        page.setBleedBox(7 * POINTS, 7 * POINTS, 106 * POINTS, 155 * POINTS);
        page.setTrimBox(10 * POINTS, 10 * POINTS, 100 * POINTS, 150 * POINTS);
        change(page);
      }),
    );

  it('give trim and bleed in millimetres (standard: ISO 32000)', async () => {
    expect(await boxed(() => undefined)).toMatchObject({ widthMm: 100, heightMm: 150, bleedMm: 2, boundBleedMm: 2 });
  });

  it('turn with the page, and grow with its unit', async () => {
    expect(await boxed((page) => page.setRotation(degrees(90)))).toMatchObject({ widthMm: 150, heightMm: 100 });
    expect(await boxed((page) => page.setRotation(degrees(-270)))).toMatchObject({ widthMm: 150, heightMm: 100 });
    const twice = await boxed((page) => page.node.set(name('UserUnit'), page.doc.context.obj(2)));
    expect(twice).toMatchObject({ widthMm: 200, heightMm: 300, bleedMm: 4 });
  });

  it('need no bleed at a spine, on whichever side it lies once the page is turned', async () => {
    const atLeft = (page: PDFPage): void => page.setBleedBox(10 * POINTS, 7 * POINTS, 103 * POINTS, 156 * POINTS);
    expect(await boxed(atLeft)).toMatchObject({ bleedMm: 0, boundBleedMm: 3 });
    const atFoot = (page: PDFPage): void => {
      page.setBleedBox(7 * POINTS, 10 * POINTS, 106 * POINTS, 153 * POINTS);
      page.setRotation(degrees(90));
    };
    expect(await boxed(atFoot)).toMatchObject({ bleedMm: 0, boundBleedMm: 3 });
  });

  it('lie in one another: bleed that the sheet cuts off is none, a page without boxes is trimmed at its edge', async () => {
    const cutOff = await boxed((page) => page.setMediaBox(10 * POINTS, 10 * POINTS, 100 * POINTS, 150 * POINTS));
    expect(cutOff).toMatchObject({ widthMm: 100, heightMm: 150, bleedMm: 0 });
    expect(await only(written(''))).toMatchObject({ widthMm: 100, heightMm: 150, bleedMm: 0 });
  });

  it('are told within what a job can keep: no bleed of a hand, no inks without end, no page of a hair', async () => {
    const wide = await boxed((page) => {
      page.setMediaBox(0, 0, 3000 * POINTS, 3000 * POINTS);
      page.setBleedBox(0, 0, 3000 * POINTS, 3000 * POINTS);
      page.setTrimBox(1000 * POINTS, 1000 * POINTS, 100 * POINTS, 150 * POINTS);
    });
    expect(wide).toMatchObject({ bleedMm: 100, boundBleedMm: 100 });
    const names = Array.from({ length: 90 }, (_, i) => `S${i}`);
    const spaces = { ColorSpace: Object.fromEntries(names.map((one) => [one, spot(one)])) };
    const paints = names.map((one) => `/${one} cs 1 scn 0 0 9 9 re f`).join(' ');
    expect((await only(written(paints, () => spaces))).inks).toHaveLength(64);
    const hair = await written('', undefined, (page) => page.setTrimBox(10, 10, 0.001, 100));
    expect(await refused(hair)).toBe('artwork.no-size');
  });

  it('that leave no area are refused with the page', async () => {
    const file = await written('', undefined, (page) => page.setTrimBox(500, 500, 10, 10));
    expect(await examinePdf(asFile(file))).toMatchObject({
      ok: false,
      issues: [{ code: 'artwork.no-size', params: { page: 1 } }],
    });
  });
});

describe('inks of a page', () => {
  it.each([
    ['nothing told is black', '0 0 10 10 re f', ['K'], 1],
    ['one process colour alone', '0 0 0 1 k 0 0 10 10 re f', ['K'], 1],
    ['grey is black, white nothing', '0.4 g 0 0 10 10 re f 1 g 0 0 5 5 re f', ['K'], 0.6],
    ['a colour told and never painted with', '1 0 0 0 k 0 0 10 10 re n', [], 0],
    ['outline and fill apart', '1 0 0 0 k 0 1 0 0 K 0 0 10 10 re B', ['C', 'M'], 1],
    ['taken back', 'q 1 0 0 0 k Q 0 0 10 10 re f', ['K'], 1],
    ['text that is not seen', '0 1 0 0 k BT 3 Tr (f \\) f) Tj ET', [], 0],
    ['text, its outline too', '0 1 0 0 k 0 0 1 0 K BT 2 Tr (a) Tj ET', ['M', 'Y'], 1],
    ['words in text are no operators', 'BT 3 Tr (0 0 1 0 k 0 0 1 1 re f) Tj <6620> Tj ET % f\n', [], 0],
    ['all four', '0.8 0.7 0.6 0.9 k 0 0 10 10 re f', ['C', 'K', 'M', 'Y'], 3],
  ])('%s (standard: ISO 32000)', async (_, content, inks, total) => {
    const page = await only(written(content));
    expect(page).toMatchObject({ inks, rgb: false, pictures: false });
    expect(page.totalInk).toBeCloseTo(total, 6);
  });

  it('are named as their separations, the process inks by their letter, marks on all plates not at all', async () => {
    const content = '/S cs 0.5 scn 0 0 9 9 re f /N CS 0 1 0.25 SCN 0 0 9 9 re S /A cs 1 scn 0 0 9 9 re f';
    const spaces = {
      S: spot('Night#20blue'),
      N: ['DeviceN', ['Silver', 'Black', 'Rose'], 'DeviceCMYK', tint],
      A: spot('All'),
    };
    const page = await only(written(content, () => ({ ColorSpace: spaces })));
    expect(page).toMatchObject({ inks: ['K', 'Night blue', 'Rose'], totalInk: 1.25 });
  });

  it('are read in names of other scripts, broken ones too, and cut to what a job can hold', async () => {
    const space = (text: string) => ({ ColorSpace: { S: spot(text) } });
    const paint = '/S cs 1 scn 0 0 9 9 re f';
    expect((await only(written(paint, () => space('Gr#C3#BCn')))).inks).toEqual(['Grün']);
    expect((await only(written(paint, () => space('Gr#FCn')))).inks).toEqual(['Grün']);
    expect((await only(written(paint, () => space('#07#20')))).inks).toEqual(['without a name']);
    expect((await only(written(paint, () => space('x'.repeat(90))))).inks).toEqual(['x'.repeat(40)]);
  });

  it('are found in nested forms, with the colours that these come with and go by', async () => {
    const file = await written('1 0 0 0 k /F Do 0 0 9 9 re f', ({ context }) => {
      const inner = context.register(
        context.stream('/S cs 1 scn 0 0 9 9 re f', {
          Type: 'XObject',
          Subtype: 'Form',
          BBox: [0, 0, 9, 9],
          Resources: { ColorSpace: { S: spot('Rose') } },
        }),
      );
      const outer = context.register(
        context.flateStream('0 0 9 9 re f /G Do', {
          Type: 'XObject',
          Subtype: 'Form',
          BBox: [0, 0, 9, 9],
          Resources: { XObject: { G: inner } },
        }),
      );
      return { XObject: { F: outer } };
    });
    expect((await examined(file))[0]?.inks).toEqual(['C', 'Rose']);
  });

  it('are those of a picture by its space, of a mask by the colour that it is painted with', async () => {
    const picture = (space: object | string) => ({
      Type: 'XObject',
      Subtype: 'Image',
      Width: 1,
      Height: 1,
      BitsPerComponent: 8,
      ColorSpace: space,
    });
    const drawn = (dict: object): Promise<ExaminedPage> =>
      only(
        written('0 1 0 0 k /I Do', ({ context }) => ({
          XObject: { I: context.register(context.stream('x', dict as never)) },
        })),
      );
    expect(await drawn(picture('DeviceCMYK'))).toMatchObject({ inks: ['C', 'K', 'M', 'Y'], pictures: true });
    expect(await drawn(picture(spot('Rose')))).toMatchObject({ inks: ['Rose'], pictures: true });
    expect(await drawn(picture('DeviceRGB'))).toMatchObject({ inks: [], rgb: true });
    const table = ['Indexed', 'DeviceCMYK', 1, PDFHexString.of('000000ff00ff0000')];
    expect(await drawn(picture(table))).toMatchObject({ inks: ['K', 'M'], rgb: false });
    expect(await drawn({ ...picture('DeviceGray'), ImageMask: true })).toMatchObject({ inks: ['M'], pictures: false });
  });

  it('are those of a picture within the content, whose data is no content', async () => {
    const page = await only(
      written('BI /W 1 /H 1 /BPC 8 /CS /CMYK ID 0 1 0 0 k 0 0 1 1 re f\u0001 EI 0 0 1 0 k 0 0 9 9 re f'),
    );
    expect(page.inks).toEqual(['C', 'K', 'M', 'Y']);
    for (const space of ['/I true /CS /CMYK', '/D [1 0] /CS /CMYK', '/CS [/I /CMYK 1 <00000000ff000000>]'])
      expect((await only(written(`BI /W 1 /H 1 ${space} /BPC 8 ID x EI`))).inks).toEqual(['C', 'K', 'M', 'Y']);
    const mask = await only(written('0 1 0 0 k BI /W 1 /H 1 /IM true ID \u00ff EI'));
    expect(mask.inks).toEqual(['M']);
  });

  it('are those of shadings and patterns', async () => {
    const shading = { ShadingType: 2, ColorSpace: spot('Rose'), Coords: [0, 0, 9, 0], Function: tint };
    const page = await only(
      written('/Pattern cs /P scn 0 0 9 9 re f /T scn 0 0 9 9 re f /H sh', ({ context }) => ({
        Pattern: {
          P: { PatternType: 2, Shading: shading },
          T: context.register(
            context.stream('0 1 0 0 k 0 0 1 1 re f', {
              PatternType: 1,
              PaintType: 1,
              BBox: [0, 0, 9, 9],
              XStep: 9,
              YStep: 9,
              Resources: {},
            }),
          ),
        },
        Shading: { H: { ...shading, ColorSpace: 'DeviceGray' } },
      })),
    );
    expect(page).toMatchObject({ inks: ['K', 'M', 'Rose'], pictures: true });
  });

  it('told as a mixture are none, but for white', async () => {
    expect(await only(written('1 1 1 rg 0 0 9 9 re f'))).toMatchObject({ inks: [], rgb: false });
    expect(await only(written('1 0 0 rg 0 0 9 9 re f'))).toMatchObject({ inks: [], rgb: true });
    const lab = { ColorSpace: { L: ['Lab', { WhitePoint: [0.96, 1, 0.82] }] } };
    expect(await only(written('/L cs 50 20 20 scn 0 0 9 9 re f', () => lab))).toMatchObject({ rgb: true });
  });

  it('of a profile go by its figures (standard: ISO 32000)', async () => {
    const profiled = (n: number, colour: string) =>
      only(
        written(`/P cs ${colour} scn 0 0 9 9 re f`, ({ context }) => ({
          ColorSpace: { P: ['ICCBased', context.register(context.stream('profile', { N: n }))] },
        })),
      );
    expect((await profiled(4, '0 0 1 0')).inks).toEqual(['Y']);
    expect((await profiled(1, '0.2')).inks).toEqual(['K']);
    expect((await profiled(3, '0.2 0 0')).rgb).toBe(true);
  });
});

describe('files that are not read', () => {
  it('are refused with the reason: protected, no PDF, broken off, without pages', async () => {
    const document = await PDFDocument.create();
    document.addPage();
    document.encrypt({ userPassword: 'open', ownerPassword: 'own' });
    expect(await refused(await document.save())).toBe('artwork.encrypted');
    expect(await refused(new TextEncoder().encode('hello'))).toBe('artwork.pdf-wanted');
    expect(await refused(new Uint8Array())).toBe('artwork.pdf-wanted');
    expect(await refused(new TextEncoder().encode('%PDF-1.7 and nothing %%EOF'))).toBe('artwork.unreadable');
    const file = await written('0 0 9 9 re f');
    for (const share of [0.2, 0.5, 0.9, 0.99])
      expect(await refused(file.slice(0, share * file.length))).toBe('artwork.cut-off');
  });

  it('that unpack without end are refused before they fill the memory', async () => {
    const zeros = deflateSync(Buffer.alloc(300 << 20));
    const content = await written('', undefined, (page, { context }) => {
      const dict = context.obj({ Filter: 'FlateDecode' });
      page.node.set(name('Contents'), context.register(PDFRawStream.of(dict, zeros)));
    });
    expect(await refused(content)).toBe('artwork.unpacks');
    const head = `%PDF-1.7\n1 0 obj\n<< /Type /Obj#53tm /N 1 /First 4 /Filter /FlateDecode /Length ${zeros.length} >>\nstream\n`;
    const list = Buffer.concat([Buffer.from(head), zeros, Buffer.from('\nendstream\nendobj\n%%EOF')]);
    expect(await refused(list)).toBe('artwork.unpacks');
  });

  it('that lead around in circles come to an end', async () => {
    const file = await written('/F Do', ({ context }) => {
      const ref = context.nextRef();
      const form = context.stream('/F Do 0 0 9 9 re f', { Subtype: 'Form', Resources: { XObject: { F: ref } } });
      context.assign(ref, form);
      return { XObject: { F: ref }, ColorSpace: { S: ['Indexed', 'S', 1, PDFString.of('')] } };
    });
    expect((await examined(file))[0]?.inks).toEqual(['K']);
  });
});

import dxfParser from 'dxf-parser';
import { dimensionsOf, lengthText } from './drawing/dimensions.js';
import { layoutDxf } from './drawing/layout-dxf.js';
import fs from 'node:fs';
import sharp from 'sharp';
import { createRequire } from 'node:module';
import { createCanvas, loadImage } from '@napi-rs/canvas';
import {
  type Job,
  CAUTION_RULE,
  SHIPPED_WORKS,
  drawLayout,
  insertAfter,
  LABEL_SIZES,
  listPacks,
  listPiles,
  plan,
  signedArea,
} from '@druckerei/core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import {
  type JobDocument,
  code128Svg,
  isCodable,
  joinPdfs,
  labelsPdf,
  layoutSvg,
  numbersPdf,
  letterheadPdf,
  lotLabelPdf,
  destructionPdf,
  pictureOf,
  stationPdf,
  pileTagsPdf,
  ticketPdf,
} from './index.js';
import { unpackWoff } from './pdf/unpack-woff.js';
import { textOf } from './pdf/text-of.fixture.js';

const example = (name: string): Job =>
  JSON.parse(fs.readFileSync(new URL(`../../../docs/examples/${name}.json`, import.meta.url), 'utf8')) as Job;

function documentOf(job: Job, change: Partial<JobDocument> = {}): JobDocument {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return {
    job,
    plan: outcome.value,
    works: SHIPPED_WORKS,
    revision: 3,
    state: 'released',
    at: new Date('2026-11-23T12:00:00Z'),
    ...change,
  };
}

describe('job ticket', () => {
  it('says what every station needs (concert programme)', async () => {
    const text = await textOf(await ticketPdf(documentOf(example('concert-programme'))));
    for (const words of [
      'HB-2042 Concert programme',
      'Fernhollow Chamber Choir',
      'Revision 3, released',
      'Section of 32 pages',
      '3,536 sheets',
      'Press sheets 4,876',
      'plates 24',
      '8 up, 4 across by 2',
      'Gather and stitch',
      'Take in 3,118 sets; give out at least 3,012 good copies.',
      'hang 8 plates',
      'sheet caliper 83',
      'Section of 4 pages outermost under the cover; two stitches.',
      CAUTION_RULE,
    ]) {
      expect(text).toContain(words);
    }
  });

  it('says what plate room, ink room and press need (constellation cards)', async () => {
    const job = example('constellation-cards');
    const zones = Array.from({ length: 32 }, (_, i) => i / 100);
    const [card] = job.components;
    const front = card?.front.map((ink) => (ink.name === 'K' ? { ...ink, zones } : ink)) ?? [];
    const document = documentOf({ ...job, components: [{ ...card, front } as Job['components'][number]] });
    const text = await textOf(await ticketPdf(document));
    for (const words of [
      'Night blue, front',
      '175 lines an inch at 45°',
      'Star foil die, 39 of them (customer’s property)',
      'gloves for heat',
      'under the transparent inks',
      'Night blue (mixed colour) 1.87 kg in 1 pail',
      'The product touches toys',
      'Star atlas jacket, tin 3 (rest) 0.800',
      // (1.866 - 0.8) x 62 %
      'Reflex blue 0.661',
      'accepted up to CIEDE2000 3.0',
      'Print to foil',
      'Marks at 4.0 / 360.0, 1,016.0 / 360.0 mm',
      'Card, unit 2, K 1 to 16 0 1 2 3 4 5 6 7 8 9 10 11 12 13 14 15',
      '17 to 32 16 17',
      'closed rag bins',
    ])
      expect(text).toContain(words);
  });

  it('is printed without what the works leaves out; product, components and the other cautions stay', async () => {
    const full = documentOf(example('concert-programme'));
    const texts = await Promise.all(
      ['stream,material,gates', 'press', 'finishing, bindery,packing'].map((ticketWithout) =>
        ticketPdf({ ...full, works: { ...full.works, ticketWithout } }).then(textOf),
      ),
    );
    const all = await textOf(await ticketPdf(full));
    const said = (words: string): boolean[] => [all, ...texts].map((text) => text.includes(words));
    expect(said('come in;')).toEqual([true, false, true, true]);
    expect(said('Plate room, ink room and press')).toEqual([true, true, false, true]);
    expect(said('Take in 3,118 sets')).toEqual([true, true, true, false]);
    expect(said('Section of 32 pages')).toEqual([true, true, true, true]);
    // The folder's rollers are told of first where the press is not.
    expect(said('inch mode for threading')).toEqual([true, true, true, true]);
  });

  it.each(['trail-map', 'concert-programme', 'ferry-timetable', 'tea-caddy', 'star-atlas', 'constellation-cards'])(
    'of %s says its measures in the system that the works reads (identity: 25.4 mm are an inch)',
    async (name) => {
      const metric = documentOf(example(name));
      const inches = { ...metric, works: { ...metric.works, measures: 'inch-pound' } };
      const [one, other] = [await textOf(await ticketPdf(metric)), await textOf(await ticketPdf(inches))];
      const { sheet } = metric.job.components[0] ?? {};
      const [width, height] = [sheet?.widthMm ?? 0, sheet?.heightMm ?? 0];
      const read = (mm: number): string => String(Number((mm / 25.4).toFixed(3)));
      expect(one).toContain(`${width} x ${height} mm`);
      expect(other).toContain(`${read(width)} x ${read(height)} in`);
      expect(one).not.toMatch(/\d (in|lb|thou|ft)\b/);
      expect(other).not.toMatch(/\d (kg|µm)\b/);
      // What the works has named itself, and the cutting programme, which is set in millimetres.
      const { machines, stocks } = metric.works;
      const named = [...machines, ...stocks].map((one) => one.name).filter((words) => other.includes(words));
      const rest = named.reduce((text, words) => text.replaceAll(words, ''), other);
      expect(rest.replaceAll(/three holes, 425 mm and slot|gauge below 25 mm/g, '')).not.toMatch(/\d mm\b/);
    },
  );

  it('says the cautions at the first station of a kind and points back to them at the next', async () => {
    const text = await textOf(await ticketPdf(documentOf(example('concert-programme'))));
    // Guillotine and three-knife trimmer; press, folder, coater and stitcher.
    expect(text.split('never reach under the clamp')).toHaveLength(1 + 2);
    expect(text.split('inch mode for threading')).toHaveLength(1 + 4);
    expect(text).toContain('Cautions as at Guillotine: Section of 4 pages.');
  });

  it.each([
    [
      'tea-caddy',
      ['85 x 60 x 130 mm inside', '8 up, head to tail', 'Die cut and strip', 'Take in 2,649 sheets', 'Fold and glue'],
    ],
    ['ferry-timetable', ['Cut-offs 190,796', 'The web runs upwards', '190,796 cut-']],
    ['permit-stickers', ['Repeats 7,995', 'on 250 x 260.35 mm', '6 up, 2 across by 3']],
    [
      'garden-cards',
      [
        '30 up, items sharing the form',
        'Gate notice',
        'Parts into 8,000 postcard orchids, 5,000 postcard ferns',
        'give out at least 1,200 good gate notices',
      ],
    ],
  ])('tells blanks, webs and forms as what they are (%s)', async (name, wanted) => {
    const text = await textOf(await ticketPdf(documentOf(example(name))));
    for (const words of wanted) expect(text).toContain(words);
    expect(text).not.toContain('undefined');
  });

  it('tells rolls, spoils for a set-up, outside work and partial deliveries', async () => {
    const web = await textOf(await ticketPdf(documentOf(example('ferry-timetable'))));
    expect(web).toContain('11 rolls of 10,507 m printable, 10 splices');
    const map = example('trail-map');
    const deliveries = [{ quantity: 4000, due: '2026-12-01' }, { quantity: 6000 }];
    const route = map.route.map((step) => (step.id === 'fold' ? { ...step, setupFrom: 'cut' } : step));
    const away = insertAfter({ ...map, order: { ...map.order, deliveries }, route }, 'fold', 'outside');
    const text = await textOf(await ticketPdf(documentOf(away)));
    expect(text).toContain('Delivery 1: 4,000, due 2026-12-01');
    expect(text).toContain('set-up 50 good and 10 of spoils');
    expect(text).toContain('10,011 good have to come back. Away 72 h');
  });

  it.each([
    ['star-atlas', 9],
    ['trail-map', 3],
  ])('fits in a pocket, and loses no station: %s in %d pages', async (name, most) => {
    const told = documentOf(example(name));
    const pdf = await ticketPdf(told);
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    expect((await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise).numPages).toBeLessThanOrEqual(most);
    const text = await textOf(pdf);
    for (const { name: operation, processUnits, needsOut } of told.plan.steps) {
      expect(text).toContain(operation);
      expect(text).toContain(processUnits.toLocaleString('en-GB'));
      expect(text).toContain(needsOut.toLocaleString('en-GB'));
    }
    // Components that are made alike stand in a table each by itself.
    for (const { name: component } of told.job.components) expect(text).toContain(component);
    for (const gate of ['Artwork approved', 'Carriers inspected', 'First good sheet passed', 'Count of good pieces'])
      expect(text).toContain(gate);
  });

  it('tells of sections that are alike once, with the pages of each', async () => {
    const text = await textOf(await ticketPdf(documentOf(example('star-atlas'))));
    expect(text).toContain('Sections 2-11, 16 pages: pages and codes');
    expect(text).toContain('Section 7, 16 pages 97-112');
    expect(text).toContain('K C M Y, front, 40 of them');
  });

  it('is marked as a draft until it is released', async () => {
    const text = await textOf(await ticketPdf(documentOf(example('trail-map'), { state: 'draft' })));
    expect(text).toContain('draft, not released');
  });

  it('is the same file for the same job and date', async () => {
    const job = documentOf(example('trail-map'));
    expect((await ticketPdf(job)).equals(await ticketPdf(job))).toBe(true);
  });

  it('says on every page how the book ended when it was printed, so that the hash can be looked up', async () => {
    const sha256 = '0123456789abcdef'.repeat(4);
    const book = { entry: 417, sha256 };
    const document = { ...documentOf(example('trail-map')), book };
    const [step] = document.plan.steps.filter(({ id }) => id === 'cut');
    if (!step) throw new Error('no cut');
    const station = stationPdf(document, step, 'Guillotine');
    for (const pdf of [await ticketPdf(document), await (station ?? Promise.reject(new Error('no sheet')))]) {
      const text = await textOf(pdf);
      expect(text).toContain('Book to entry 417: 01234567 89abcdef');
    }
    expect(await textOf(await ticketPdf(documentOf(example('trail-map'))))).not.toContain('Book to entry');
  });

  it('takes titles and numbers that no code or font was made for', async () => {
    const odd = { ...example('trail-map'), number: 'Nº 7 — läuft', title: '<b>&"\' 100 %' };
    const text = await textOf(await ticketPdf(documentOf(odd)));
    expect(text).toContain('<b>&"\' 100 %');
    expect(isCodable(odd.number)).toBe(false);
  });
});

describe('Code 128', () => {
  beforeAll(() => {
    const wasm = fs.readFileSync(
      new URL('../../../node_modules/zxing-wasm/dist/reader/zxing_reader.wasm', import.meta.url),
    );
    prepareZXingModule({
      overrides: { wasmBinary: wasm.buffer.slice(wasm.byteOffset, wasm.byteOffset + wasm.byteLength) },
    });
  });

  it.each(['HB-2041', 'X', 'A job number of forty-eight characters, as long it'.slice(0, 48)])(
    '%s is read back by zxing (general-purpose library)',
    async (number) => {
      const image = await loadImage(Buffer.from(code128Svg(number)));
      const canvas = createCanvas(image.width * 3 + 80, image.height * 3 + 40);
      const context = canvas.getContext('2d');
      context.fillStyle = 'white';
      context.fillRect(0, 0, canvas.width, canvas.height);
      context.drawImage(image, 40, 20, image.width * 3, image.height * 3);
      const [read] = await readBarcodes(new Uint8Array(canvas.toBuffer('image/png')));
      expect(read).toMatchObject({ format: 'Code128', text: number });
    },
  );
});

describe('pile tags', () => {
  it('bear component, state, next station and count', async () => {
    const job = documentOf(example('trail-map'));
    const text = await textOf(await pileTagsPdf(job));
    expect(text).toContain('Done: Print. Next: Print.');
    expect(text).toContain('10,011 maps');
    expect(text).toContain('Next: delivery.');
  });

  it('hold what the steps give out, no pile above the height', () => {
    const { job, plan: planned } = documentOf(example('concert-programme'));
    const piles = listPiles(job, planned);
    const printed = piles.filter(({ component, state }) => component === 'Section of 32 pages' && state === 'Print');
    expect(printed.reduce((sum, { count }) => sum + count, 0)).toBe(3236);
    // identity: floor(1,000 mm / 82.8 um)
    expect(Math.max(...piles.filter(({ unit }) => unit === 'sheet').map(({ count }) => count))).toBeLessThanOrEqual(
      12_077,
    );
    expect(piles.some(({ state }) => state === 'Dry')).toBe(false);
  });
});

describe('labels', () => {
  const pagesOf = async (bytes: Uint8Array): Promise<number> =>
    (await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise).numPages;

  it('are one for each box, full ones and the rest in the last, and add to what is delivered', () => {
    const { job, plan: planned } = documentOf(example('ferry-timetable'));
    const boxes = listPacks(job, planned, 'boxes');
    expect(boxes.reduce((sum, { count }) => sum + count, 0)).toBe(180_000);
    // identity: 180,000 = 514 x 350 + 100
    expect([boxes.length, boxes[0]?.count, boxes.at(-1)?.count]).toEqual([515, 350, 100]);
    expect(boxes.map(({ number }) => number)).toEqual(boxes.map((_, i) => i + 1));
    const pallets = listPacks(job, planned, 'pallets');
    expect(pallets.reduce((sum, { count }) => sum + count, 0)).toBe(180_000);
    expect(pallets.length).toBe(planned.packings['box']?.pallet?.pallets);
  });

  it.each(['a5', 'a6', '100x150', '100x50'] as const)(
    'of %s are a page each, in that size, and nothing runs over',
    async (size) => {
      const made = documentOf(example('concert-programme'));
      const bytes = await labelsPdf(made, 'boxes', size);
      expect(await pagesOf(bytes)).toBe(30);
      const page = await (await getDocument({ data: new Uint8Array(bytes) }).promise).getPage(1);
      const [width, height] = LABEL_SIZES[size];
      const { width: w, height: h } = page.getViewport({ scale: 1 });
      expect([(w / 72) * 25.4, (h / 72) * 25.4]).toEqual([expect.closeTo(width, 1), expect.closeTo(height, 1)]);
      const text = await textOf(bytes);
      expect(text).toContain('100 copies');
      expect(text).toContain('box 30 of 30');
    },
  );

  it('and tickets are put together into one file, all pages in their order', async () => {
    const made = documentOf(example('concert-programme'));
    const [labels, tags] = [await labelsPdf(made, 'pallets', 'a6'), await pileTagsPdf(made)];
    const joined = Buffer.from(await joinPdfs('Both', [labels, tags]));
    expect(await pagesOf(joined)).toBe((await pagesOf(labels)) + (await pagesOf(tags)));
    expect((await textOf(joined)).replace(/\s/g, '')).toBe(
      ((await textOf(labels)) + (await textOf(tags))).replace(/\s/g, ''),
    );
  });

  it('where there is nothing to put them on, there is one page that says so', async () => {
    const made = documentOf(example('walking-guide'));
    const bytes = await labelsPdf(made, 'pallets', 'a6');
    expect([await pagesOf(bytes), await textOf(bytes)]).toEqual([1, expect.stringContaining('has no pallets')]);
  });
});

/** Polylines by layer and texts of a DXF, as a general-purpose reader has them. */
function readRuns(text: string): {
  runs: { layer: string; points: { x: number; y: number }[] }[];
  texts: string[];
} {
  const Parser = dxfParser as unknown as new () => {
    parseSync(text: string): {
      entities: { type: string; layer: string; text?: string; vertices?: { x: number; y: number }[] }[];
    };
  };
  const { entities } = new Parser().parseSync(text);
  return {
    runs: entities.map(({ layer, vertices = [] }) => ({ layer, points: vertices.map(({ x, y }) => ({ x, y })) })),
    texts: entities.flatMap((entity) => entity.text ?? []),
  };
}

describe('layout drawing', () => {
  it.each(['trail-map', 'concert-programme'])('draws every piece of the %s to scale, inside the sheet', (name) => {
    for (const layout of Object.values(documentOf(example(name)).plan.layouts)) {
      const drawing = drawLayout(layout);
      expect(drawing.pieces).toHaveLength(layout.pattern.count);
      for (const { x, y, width, height, trim } of drawing.pieces) {
        expect(x).toBeGreaterThanOrEqual(drawing.usable.x);
        expect(y).toBeGreaterThanOrEqual(drawing.usable.y);
        expect(x + width).toBeLessThanOrEqual(drawing.usable.x + drawing.usable.width + 1e-9);
        expect(y + height).toBeLessThanOrEqual(drawing.usable.y + drawing.usable.height + 1e-9);
        expect(trim.width).toBeLessThanOrEqual(width);
      }
      expect(layoutSvg(drawing).match(/<rect/g)?.length).toBeGreaterThan(2 * layout.pattern.count);
    }
  });

  it('draws blanks by their outline with their creases, in SVG and DXF (identity)', () => {
    const layout = documentOf(example('tea-caddy')).plan.layouts['carton'];
    if (!layout?.die) throw new Error('no blanks');
    const drawing = drawLayout(layout);
    const creases = layout.die.lines.filter(({ kind }) => kind === 'crease').length;
    expect(layoutSvg(drawing).match(/stroke-dasharray="9 5"/g)).toHaveLength(8 * creases);
    const { runs } = readRuns(layoutDxf(drawing));
    expect(runs.filter(({ layer }) => layer === 'CREASE')).toHaveLength(8 * creases);
    const cuts = runs.filter(({ layer, points }) => layer === 'CUT' && points.length > 4);
    const area = cuts.reduce((sum, { points }) => sum + Math.abs(signedArea(points)), 0);
    expect(area).toBeCloseTo(8 * layout.pieceAreaMm2, 1);
  });

  it('tells front from back where one set of plates carries both', () => {
    const layout = documentOf(example('trail-map')).plan.layouts['map'];
    expect(layout && drawLayout(layout).pieces.map(({ side }) => side)).toEqual(['front', 'back']);
  });

  it('is dimensioned from edge to edge in SVG and DXF (identity)', () => {
    const layout = documentOf(example('trail-map')).plan.layouts['map'];
    if (!layout) throw new Error('no layout');
    const drawing = drawLayout(layout);
    // 1,020 across: 87, two of 420 with 6 between them, 87; 720 up: 61, 594, 65
    const { across, up } = dimensionsOf(drawing);
    expect(across.map(lengthText)).toEqual(['87', '420', '6', '420', '87']);
    expect(up.map(lengthText)).toEqual(['61', '594', '65']);
    const svg = layoutSvg(drawing, { dimensions: true });
    for (const figure of ['87', '420', '61', '594', '65']) expect(svg).toContain(`>${figure}<`);
    expect(svg).not.toContain('>6<');
    const { runs, texts } = readRuns(layoutDxf(drawing));
    expect(texts).toEqual(expect.arrayContaining(['420', '594']));
    const sheet = runs.find(({ layer }) => layer === 'SHEET');
    expect(sheet?.points).toContainEqual({ x: 1020, y: 720 });
    expect(runs.filter(({ layer }) => layer === 'TRIM')).toHaveLength(2);
  });
});

describe('the number list', () => {
  it('marks voided numbers with what replaces them, in columns over its pages', async () => {
    const job = example('season-tickets');
    const document = documentOf(job);
    const step = document.plan.steps.find(({ operation }) => operation === 'number');
    if (!step) throw new Error('no numbering');
    const lines = Array.from({ length: 600 }, (_, i) => ({
      sheet: i + 1,
      position: 1,
      printed: `N${String(i).padStart(4, '0')}`,
      ...(i === 7 ? { replacedBy: 'N0600' } : {}),
    }));
    const pdf = await numbersPdf(document, step, lines);
    const text = await textOf(pdf);
    expect(text).toContain('600 numbers at number, 1 voided.');
    expect(text).toContain('N0007 is void, replaced by N0600');
    for (const { printed } of lines) expect(text).toContain(printed);
    // Five columns of 58 lines: three pages behind the first.
    const { numPages } = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
    expect(numPages).toBe(4);
  });
});

describe('fonts', () => {
  it('are unpacked to the size that their WOFF file tells, table by table (standard: W3C WOFF 1.0)', () => {
    const file = createRequire(import.meta.url).resolve(
      '@fontsource/libre-franklin/files/libre-franklin-latin-400-normal.woff',
    );
    const woff = fs.readFileSync(file);
    const font = unpackWoff(woff);
    expect(font.length).toBe(woff.readUInt32BE(16));
    expect(font.readUInt32BE(0)).toBe(0x00010000);
    const tables = font.readUInt16BE(4);
    const sums = Array.from({ length: tables }, (_, i) => {
      const at = 12 + 16 * i;
      const [sum, offset, length] = [4, 8, 12].map((field) => font.readUInt32BE(at + field)) as [
        number,
        number,
        number,
      ];
      let found = 0;
      for (let word = 0; word < Math.ceil(length / 4); word++)
        found = (found + font.readUInt32BE(offset + 4 * word)) >>> 0;
      // The sum of the head table leaves its own adjustment out.
      return font.toString('latin1', at, at + 4) === 'head' ? true : found === sum;
    });
    expect(sums).toEqual(sums.map(() => true));
    expect(() => unpackWoff(Buffer.from('OTTO'))).toThrow('no WOFF');
  });
});

describe('a certificate of destruction', () => {
  it('says which bags, who counted and saw it, with the hashes of the entries and of the book; read back', async () => {
    const hash = (letter: string): string => letter.repeat(64);
    const sign = (by: string, entry: number, letter: string) => ({
      by,
      entry,
      at: '2026-11-28 10:12',
      sha256: hash(letter),
    });
    const pdf = await destructionPdf({
      ...{ number: 'HB-26-0443', title: 'Season tickets', customer: 'Greywater Ferry', how: 'shredded', place: 'Yard' },
      works: { name: 'Haldenbruck Print Works', place: 'Haldenbruck' },
      at: new Date('2026-11-28T09:12:00Z'),
      bags: [
        {
          ...{ bag: 'B-1', seal: 'S-77', station: 'Print', count: 29, unit: 'sheet', pieces: 580 },
          counted: [sign('Early shift', 4, 'a'), sign('Late shift', 5, 'b')],
        },
      ],
      witnesses: [sign('Production manager', 6, 'c'), sign('Early shift', 7, 'd')],
      voided: [{ number: '000101', reason: 'smudged', remade: '000101' }],
      head: { entry: 12, sha256: hash('e') },
    });
    const text = await textOf(pdf);
    for (const words of [
      'Certificate of destruction',
      '1 bag of spoils with 29 counted, 580 pieces, was shredded at Yard.',
      'B-1 S-77 Print 29 sheets 580',
      'Late shift, bag B-1',
      'cccccccc cccccccc',
      '000101 smudged 000101',
      'The book ended with entry 12',
      'eeeeeeee',
      'Local law and the rules of the issuer come first',
    ])
      expect(text).toContain(words);
  });
});

describe('a logo', () => {
  const picture = async (format: 'png' | 'jpeg', side = 20): Promise<Buffer> =>
    sharp({ create: { width: side, height: side, channels: 3, background: '#8a4400' } })
      .toFormat(format)
      .toBuffer();

  it.each(['png', 'jpeg'] as const)('of %s is known by its bytes and stands on the letterhead', async (format) => {
    const read = pictureOf(await picture(format));
    expect('logo' in read && read.logo).toMatch(new RegExp(`^data:image/${format};base64,`));
    const logo = 'logo' in read ? read.logo : undefined;
    const [withIt, without] = [await letterheadPdf({ name: 'Works', logo }), await letterheadPdf({ name: 'Works' })];
    expect(withIt.toString('latin1')).toContain('/Subtype /Image');
    expect(without.toString('latin1')).not.toContain('/Subtype /Image');
  });

  it('that is none, is of another kind or too large is refused with the reason', async () => {
    expect(pictureOf(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"/>'))).toEqual({
      wrong: 'This is neither a PNG nor a JPEG.',
    });
    expect(pictureOf(Buffer.from('nothing'))).toEqual({ wrong: 'This is neither a PNG nor a JPEG.' });
    expect(pictureOf(Buffer.alloc(0))).toEqual({ wrong: 'This is neither a PNG nor a JPEG.' });
    expect(pictureOf(await picture('png', 3_001))).toEqual({
      wrong: 'It has 3001 × 3001 pixels; make it no larger than 3000 either way.',
    });
  });
});

describe('the label of a lot', () => {
  it.each(['a6', '100x50'] as const)('of %s says what lies where, once, on one page', async (size) => {
    const pdf = await lotLabelPdf({
      id: 31,
      name: 'Silk coated 135 g, 1020 × 720 mm, grain along 1020',
      quantity: 2_500,
      unit: 'sheets',
      place: 'Bay 4',
      came: '2026-11-29',
      reason: 'order P-26-031, D-7781',
      works: 'Haldenbruck Print Works',
      size,
    });
    const text = await textOf(pdf);
    for (const words of [
      'LOT-31',
      'Silk coated 135 g',
      '2,500 sheets',
      'Bay 4',
      'came 2026-11-29, order P-26-031, D-7781',
    ])
      expect(text).toContain(words);
    expect((await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise).numPages).toBe(1);
  });
});

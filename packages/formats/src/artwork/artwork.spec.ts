import fs from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { ToneCounter } from '@druckerei/core';
import { type ByteSource, blobSource, readTiff, zonesCsv } from '../artwork.js';

const bytesSource = (bytes: Uint8Array): ByteSource => blobSource(new Blob([new Uint8Array(bytes)]));
const [WIDTH, HEIGHT] = [650, 305];

/** Known tones: C a ramp across, M a ramp down, Y 40 %, K a bar. */
const tone = (x: number, y: number): readonly number[] => [
  Math.floor((x * 256) / WIDTH),
  Math.floor((y * 256) / HEIGHT),
  102,
  x < WIDTH / 4 ? 255 : 0,
];
const raw = new Uint8Array(WIDTH * HEIGHT * 4);
for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) raw.set(tone(x, y), (y * WIDTH + x) * 4);

/** A CMYK TIFF as a general-purpose library makes it out of RGB pixels; with an extra channel where alpha is kept. */
function written(options: sharp.TiffOptions, alpha: boolean): Promise<Buffer> {
  const picture = sharp(raw, { raw: { width: WIDTH, height: HEIGHT, channels: 4 } });
  return (alpha ? picture : picture.removeAlpha())
    .toColourspace('cmyk')
    .tiff({ xres: 20, yres: 20, ...options })
    .toBuffer();
}
/** The same file's separations as that library reads them. */
async function separations(file: Buffer): Promise<Uint32Array> {
  const { data, info } = await sharp(file)
    .pipelineColourspace('cmyk')
    .toColourspace('cmyk')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const four = new Uint8Array(WIDTH * HEIGHT * 4);
  for (let i = 0; i < WIDTH * HEIGHT; i++) four.set(data.subarray(i * info.channels, i * info.channels + 4), i * 4);
  return new Uint32Array(four.buffer);
}

/** A plain little-endian TIFF by the standard, with one strip unless told otherwise: tag, type, values. */
function plain(change: Partial<Record<number, number>> = {}, pixels: Uint8Array = raw, cut = 0): Uint8Array {
  const tags: [number, number][] = Object.entries({
    256: WIDTH,
    257: HEIGHT,
    258: 8,
    259: 1,
    262: 5,
    273: 8,
    277: 4,
    278: HEIGHT,
    279: pixels.length,
    284: 1,
    ...change,
  }).map(([tag, value]) => [Number(tag), value ?? 0]);
  const at = 8 + pixels.length;
  const bits = at + 2 + tags.length * 12 + 4;
  const file = new Uint8Array(bits + 8);
  const view = new DataView(file.buffer);
  file.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, at, true);
  file.set(pixels, 8);
  view.setUint16(at, tags.length, true);
  tags.forEach(([tag, value], i) => {
    const entry = at + 2 + i * 12;
    view.setUint16(entry, tag, true);
    view.setUint16(entry + 2, tag === 258 ? 3 : 4, true);
    view.setUint32(entry + 4, tag === 258 ? 4 : 1, true);
    view.setUint32(entry + 8, tag === 258 ? bits : value, true);
    if (tag === 258) for (let k = 0; k < 4; k++) view.setUint16(bits + 2 * k, value, true);
  });
  return cut > 0 ? file.subarray(0, file.length - cut) : file;
}
const codes = async (bytes: Uint8Array): Promise<string[]> => {
  const read = await readTiff(bytesSource(bytes), { limit: 3 });
  return read.ok ? [] : read.issues.map(({ code }) => code);
};
const profileOf = async (bytes: Uint8Array) => {
  const read = await readTiff(bytesSource(bytes), { limit: 3 });
  if (!read.ok) throw new Error(read.issues.map(({ code }) => code).join());
  return read.value;
};

describe('CMYK TIFF', () => {
  const counter = new ToneCounter(WIDTH, HEIGHT, WIDTH, HEIGHT, 3);
  counter.addRows(new Uint32Array(raw.buffer), HEIGHT);
  const wanted = counter.profile();

  it('of known tones gives them to 0.1 % (identity)', async () => {
    const { profile } = await profileOf(plain());
    expect(profile).toEqual(wanted);
    const [, , y, k] = profile.means;
    expect(y).toBeCloseTo(0.4, 12);
    expect(k).toBeCloseTo(0.25, 2);
    expect(profile.columns[0]?.[325]).toBeCloseTo(0.5, 2);
    // four channels at one place: ramp 25 % of C, all of M, 40 %, all of K
    expect(profile.highestTotal).toBeCloseTo((Math.floor((162 * 256) / WIDTH) - 1 + 255 + 102 + 255) / 255, 2);
  });

  it.each<[string, sharp.TiffOptions, boolean?]>([
    ['uncompressed', { compression: 'none' }],
    ['an extra channel', { compression: 'lzw' }, true],
    ['LZW with a predictor', { compression: 'lzw', predictor: 'horizontal' }],
    ['Deflate', { compression: 'deflate', predictor: 'none' }],
    ['PackBits', { compression: 'packbits' }],
    ['tiles', { compression: 'deflate', tile: true, tileWidth: 256, tileHeight: 128 }],
    ['uncompressed tiles', { compression: 'none', tile: true, tileWidth: 128, tileHeight: 128 }],
  ])('is read the same: %s (written by a general-purpose library)', async (_, options, alpha = false) => {
    const file = await written(options, alpha);
    const { channels, space } = await sharp(file).metadata();
    expect([channels, space]).toEqual([alpha ? 5 : 4, 'cmyk']);
    const same = new ToneCounter(WIDTH, HEIGHT, WIDTH, HEIGHT, 3);
    same.addRows(await separations(file), HEIGHT);
    const read = await profileOf(file);
    expect(read.profile).toEqual(same.profile());
    expect(read.widthMm).toBeCloseTo(WIDTH / 20, 6);
  });

  // 24 x 320 pixels with a strip of its own for every line, so that the tables are longer than what is read at once.
  it.each(['strips-little', 'strips-big', 'lzw-big', 'planes-big', 'tiles-big'])(
    'is read in either byte order, many strips, planes and tiles: %s (written and read by a general-purpose library)',
    async (name) => {
      const file = fs.readFileSync(path.join(import.meta.dirname, 'fixtures', `${name}.tif`));
      expect(file.toString('latin1', 0, 2)).toBe(name.endsWith('big') ? 'MM' : 'II');
      const { data, info } = await sharp(file)
        .pipelineColourspace('cmyk')
        .toColourspace('cmyk')
        .raw()
        .toBuffer({ resolveWithObject: true });
      expect([info.width, info.height, info.channels]).toEqual([24, 320, 4]);
      const same = new ToneCounter(24, 320, 24, 320, 3);
      same.addRows(new Uint32Array(new Uint8Array(data).buffer), 320);
      const read = await profileOf(file);
      expect(read.profile).toEqual(same.profile());
      expect(new Set(read.profile.means).size).toBeGreaterThan(2);
      expect(read.widthMm).toBeCloseTo(24 / 20, 6);
    },
  );

  it('reads windows of one large strip, never the whole', async () => {
    const [width, height] = [2600, 1000];
    const file = plain({ 256: width, 257: height, 278: height }, new Uint8Array(width * height * 4).fill(51));
    let most = 0;
    const source = bytesSource(file);
    const watched: ByteSource = {
      size: source.size,
      read: (offset, length) => {
        most = Math.max(most, length);
        return source.read(offset, length);
      },
    };
    const shares: number[] = [];
    const read = await readTiff(watched, { limit: 3, progress: (share) => shares.push(share) });
    expect(read.ok && read.value.profile.means).toEqual(
      [0.2, 0.2, 0.2, 0.2].map((mean) => expect.closeTo(mean, 12) as number),
    );
    expect(most).toBeLessThanOrEqual(8 << 20);
    expect(shares.length).toBeGreaterThan(1);
    expect(shares.at(-1)).toBe(1);
  });

  it.each<[string, Uint8Array]>([
    ['artwork.not-cmyk', plain({ 262: 2, 277: 3 })],
    ['artwork.bits', plain({ 258: 16 })],
    ['artwork.compression', plain({ 259: 7 })],
    ['artwork.truncated', plain({ 273: 8 + 1_000_000 })],
    ['artwork.too-large', plain({ 256: 4_000_000_000 })],
    ['zones.empty', plain({ 256: 0 })],
    ['artwork.unreadable', new TextEncoder().encode('II*\0 this is no picture at all')],
    ['artwork.unreadable', new Uint8Array(0)],
    ['artwork.unreadable', plain({}, raw, 80)],
  ])('refuses with %s', async (code, bytes) => {
    expect(await codes(bytes)).toEqual([code]);
  });

  it('never throws, whatever bytes are changed (hostile files, seeded)', async () => {
    const small = plain({ 256: 4, 257: 4, 278: 4, 279: 64 }, raw.subarray(0, 64));
    let x = 7;
    const next = (most: number): number => {
      x = (Math.imul(x, 1103515245) + 12345) >>> 0;
      return x % most;
    };
    for (let run = 0; run < 300; run++) {
      const bytes = new Uint8Array(small);
      for (let k = 0; k < 3; k++) bytes[4 + next(bytes.length - 4)] = next(256);
      const read = await readTiff(bytesSource(bytes), { limit: 3 });
      if (!read.ok) expect(read.issues).toHaveLength(1);
    }
  });
});

describe('zones as CSV', () => {
  it('has a line an ink and escapes what a spreadsheet would run', () => {
    const text = zonesCsv([{ unit: '1', side: 'front', ink: '=K', zones: [0.5, 0.12345] }]);
    expect(text).toBe('Unit,Side,Ink,Zone 1 %,Zone 2 %\r\n1,front,"\'=K",50.00,12.35\r\n');
  });
});

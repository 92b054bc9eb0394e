import { GeoTIFF, type GeoTIFFImage, getDecoder } from 'geotiff';
import { type Issue, type Outcome, type ToneProfile, ToneCounter, error } from '@druckerei/core';
import type { ByteSource } from './byte-source.js';

/** What an artwork comes to: its profile, and how large it says it is. */
export interface ReadArtwork {
  readonly profile: ToneProfile;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Millimetres by the file's own resolution; undefined where it tells none. */
  readonly widthMm: number | undefined;
  readonly heightMm: number | undefined;
  /** How the tones came about, where they are no separations. */
  readonly estimate: string | undefined;
}

export interface ReadOptions {
  /** Total of the channels, 0..4, above which area is counted. */
  readonly limit: number;
  readonly progress?: (share: number) => void;
}

/** Columns and rows of a profile: 1,000 are a millimetre or less on any sheet. */
const BINS = 1000;
/** Raw rows are read in windows of about so many bytes. */
const WINDOW = 8 << 20;
/** A compressed strip or tile is decoded in one piece, so it may not be larger raw. */
const MOST_BLOCK = 256 << 20;
const MOST_PIXELS = 100_000;
const CMYK = 5;
const NONE = 1;
const COMPRESSIONS = [NONE, 5, 8, 32946, 32773];
const CENTIMETRE = 3;

/** A reason to stop, on its way out. */
class Refused extends Error {
  constructor(readonly issue: Issue) {
    super(issue.code);
  }
}
const refuse = (code: Issue['code'], params: Issue['params'] = {}): never => {
  throw new Refused(error(code, 'artwork', params));
};

interface Shape {
  readonly image: GeoTIFFImage;
  readonly width: number;
  readonly height: number;
  readonly samples: number;
  readonly compression: number;
  readonly planar: boolean;
  /** Tile or strip in pixels. */
  readonly blockWidth: number;
  readonly blockHeight: number;
}

function shapeOf(image: GeoTIFFImage): Shape {
  const directory = image.fileDirectory;
  const [width, height, samples] = [image.getWidth(), image.getHeight(), image.getSamplesPerPixel()];
  if (!(width > 0 && height > 0)) refuse('zones.empty');
  if (width > MOST_PIXELS || height > MOST_PIXELS) refuse('artwork.too-large', { width, height, most: MOST_PIXELS });
  const photometric = Number(directory.getValue('PhotometricInterpretation'));
  if (photometric !== CMYK || samples < 4) refuse('artwork.not-cmyk', { channels: samples });
  const bits = Array.from(directory.getValue('BitsPerSample') ?? [1], Number);
  if (bits.some((value) => value !== 8)) refuse('artwork.bits', { bits: Math.max(...bits) });
  const compression = directory.getValue('Compression') ?? NONE;
  if (!COMPRESSIONS.includes(compression)) refuse('artwork.compression', { compression });
  const planar = image.planarConfiguration === 2;
  const [blockWidth, blockHeight] = [
    image.getTileWidth(),
    Math.min(image.getTileHeight(), image.isTiled ? Infinity : height),
  ];
  if (!(blockWidth > 0 && blockHeight > 0)) refuse('artwork.unreadable', { why: $localize`its strips have no size` });
  return { image, width, height, samples, compression, planar, blockWidth, blockHeight };
}

/** Puts the first four of `samples` bytes a pixel together as words; the same memory where there are just four. */
function words(bytes: Uint8Array, samples: number, pixels: number): Uint32Array {
  if (bytes.length < pixels * samples) refuse('artwork.truncated');
  if (samples === 4 && bytes.byteOffset % 4 === 0) return new Uint32Array(bytes.buffer, bytes.byteOffset, pixels);
  const packed = new Uint8Array(pixels * 4);
  for (let i = 0; i < pixels; i++)
    for (let channel = 0; channel < 4; channel++) packed[i * 4 + channel] = bytes[i * samples + channel] ?? 0;
  return new Uint32Array(packed.buffer);
}

/** Raw strips of interleaved pixels, read a window of rows at a time: a strip may be the whole picture. */
async function addRaw(
  source: ByteSource,
  { image, width, height, samples, blockHeight }: Shape,
  counter: ToneCounter,
  said: () => void,
): Promise<void> {
  const rowBytes = width * samples;
  const windowRows = Math.max(1, Math.floor(WINDOW / rowBytes));
  for (let top = 0; top < height; top += blockHeight) {
    const rows = Math.min(blockHeight, height - top);
    const offset = Number(await image.fileDirectory.loadValueIndexed('StripOffsets', top / blockHeight));
    for (let row = 0; row < rows; row += windowRows) {
      const count = Math.min(windowRows, rows - row);
      const bytes = new Uint8Array(await source.read(offset + row * rowBytes, count * rowBytes));
      counter.addRows(words(bytes, samples, count * width), count);
      said();
    }
  }
}

/** Tiles, and strips that are compressed or planar: one row of blocks at a time. */
async function addBlocks(shape: Shape, counter: ToneCounter, said: () => void): Promise<void> {
  const { image, width, height, samples, planar, compression, blockWidth, blockHeight } = shape;
  if (blockWidth * blockHeight * samples > MOST_BLOCK)
    refuse('artwork.block', {
      megabytes: Math.round((blockWidth * blockHeight * samples) / (1 << 20)),
      most: MOST_BLOCK >> 20,
    });
  const directory = image.fileDirectory;
  const decoder = await getDecoder(compression, {
    tileWidth: blockWidth,
    tileHeight: blockHeight,
    predictor: (await directory.loadValue('Predictor')) ?? 1,
    bitsPerSample: Array.from({ length: samples }, () => 8),
    planarConfiguration: planar ? 2 : 1,
  });
  const across = Math.ceil(width / blockWidth);
  for (let top = 0, y = 0; top < height; top += blockHeight, y++) {
    const rows = Math.min(blockHeight, height - top);
    const line = new Uint32Array(width * rows);
    for (let x = 0; x < across; x++) {
      const columns = Math.min(blockWidth, width - x * blockWidth);
      const pixels = blockWidth * rows;
      const part = planar
        ? await planes(shape, decoder, x, y, pixels)
        : words(new Uint8Array((await image.getTileOrStrip(x, y, 0, decoder)).data), samples, pixels);
      for (let row = 0; row < rows; row++)
        line.set(part.subarray(row * blockWidth, row * blockWidth + columns), row * width + x * blockWidth);
    }
    counter.addRows(line, rows);
    said();
  }
}

/** Four planes of one block, put together. */
async function planes(
  { image }: Shape,
  decoder: Awaited<ReturnType<typeof getDecoder>>,
  x: number,
  y: number,
  pixels: number,
): Promise<Uint32Array> {
  const packed = new Uint8Array(pixels * 4);
  for (let channel = 0; channel < 4; channel++) {
    const plane = new Uint8Array((await image.getTileOrStrip(x, y, channel, decoder)).data);
    if (plane.length < pixels) refuse('artwork.truncated');
    for (let i = 0; i < pixels; i++) packed[i * 4 + channel] = plane[i] ?? 0;
  }
  return new Uint32Array(packed.buffer);
}

/** Bytes a value of a table of places takes: SHORT, LONG and LONG8 of the standard. */
const PLACE_BYTES: Partial<Record<number, 2 | 4 | 8>> = { 3: 2, 4: 4, 16: 8 };
const PLACES = [273, 279, 324, 325];

/**
 * Reads the tables of strips or tiles that lie outside the directory, each in one piece and in the byte order of the
 * file: the library would read them value by value, and as little-endian whatever the file says.
 */
async function readPlaces(source: ByteSource, image: GeoTIFFImage, littleEndian: boolean): Promise<void> {
  const { deferredArrays, actualizedFields } = image.fileDirectory;
  for (const tag of PLACES) {
    const table = deferredArrays.get(tag);
    if (!table) continue;
    const size = PLACE_BYTES[table.fieldType];
    if (!size) refuse('artwork.unreadable', { why: $localize`its strips have no place` });
    else if (table.arrayOffset + table.length * size > source.size) refuse('artwork.truncated');
    else {
      const view = new DataView(await source.read(table.arrayOffset, table.length * size));
      const value = (at: number): number =>
        size === 2
          ? view.getUint16(at, littleEndian)
          : size === 4
            ? view.getUint32(at, littleEndian)
            : Number(view.getBigUint64(at, littleEndian));
      actualizedFields.set(
        tag,
        Array.from({ length: table.length }, (_, i) => value(i * size)),
      );
      deferredArrays.delete(tag);
    }
  }
}

/** Size by the file's own resolution, pixels an inch or a centimetre. */
async function sizeMm({
  image,
  width,
  height,
}: Shape): Promise<{ widthMm: number | undefined; heightMm: number | undefined }> {
  const directory = image.fileDirectory;
  const ratio = async (tag: 'XResolution' | 'YResolution'): Promise<number | undefined> => {
    if (!directory.hasTag(tag)) return undefined;
    const [over, under] = Array.from((await directory.loadValue(tag)) as unknown as ArrayLike<number>, Number);
    const value = (over ?? 0) / (under ?? 1);
    return value > 0 && Number.isFinite(value) ? value : undefined;
  };
  const mm = ((await directory.loadValue('ResolutionUnit')) ?? 2) === CENTIMETRE ? 10 : 25.4;
  const [x, y] = [await ratio('XResolution'), await ratio('YResolution')];
  return { widthMm: x && (width / x) * mm, heightMm: y && (height / y) * mm };
}

/**
 * The tone profile of an 8-bit CMYK TIFF: strips or tiles; none, LZW, Deflate or PackBits; predictor, planar and extra
 * channels allowed. Memory does not grow with the picture: raw rows are read in windows, blocks one row at a time.
 * Issues: `artwork.*`, `zones.empty`. Source: standard, TIFF 6.0, read with a general-purpose library.
 */
export async function readTiff(source: ByteSource, { limit, progress }: ReadOptions): Promise<Outcome<ReadArtwork>> {
  try {
    const fetchOne = ({ offset, length }: { offset: number; length: number }): Promise<ArrayBuffer> =>
      source.read(offset, Math.max(0, Math.min(length, source.size - offset)));
    const file = await GeoTIFF.fromSource({
      fetch: (slices) => Promise.all(slices.map(fetchOne)),
      fetchSlice: async (slice) => ({ ...slice, data: await fetchOne(slice) }),
      fileSize: source.size,
      close: () => Promise.resolve(),
    });
    const shape = shapeOf(await file.getImage());
    await readPlaces(source, shape.image, file.littleEndian);
    const { width, height } = shape;
    const counter = new ToneCounter(width, height, Math.min(BINS, width), Math.min(BINS, height), limit);
    const said = (): void => progress?.(counter.progress);
    if (shape.compression === NONE && !shape.planar && !shape.image.isTiled) await addRaw(source, shape, counter, said);
    else await addBlocks(shape, counter, said);
    const size = await sizeMm(shape);
    return {
      ok: true,
      value: { profile: counter.profile(), widthPx: width, heightPx: height, ...size, estimate: undefined },
    };
  } catch (thrown) {
    if (thrown instanceof Refused) return { ok: false, issues: [thrown.issue] };
    const why = thrown instanceof Error ? thrown.message : String(thrown);
    return { ok: false, issues: [error('artwork.unreadable', 'artwork', { why: why.slice(0, 120) })] };
  }
}

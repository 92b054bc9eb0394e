import { Unzlib } from 'fflate';
import { PDFArray, PDFDict, PDFName, type PDFObject, PDFRawStream, decodePDFRawStream } from '@cantoo/pdf-lib';
import { Refused } from './refused.js';

/** Content of one page, unpacked: more is no page. Source: common practice, no source. */
const MOST_UNPACKED = 256 << 20;
/** Packed bytes that are handed to the unpacker at a time. */
const PORTION = 1 << 16;
/** Bytes that one packed byte may come to, in packings that are unpacked in one piece. Source: identity. */
const GAINS: Readonly<Record<string, number>> = { LZWDecode: 2_600, LZW: 2_600, RunLengthDecode: 64, RL: 64 };

/** Bytes of a packed run, up to a limit; what is broken off is read as far as it goes. @throws Refused above the limit */
export function inflate(packed: Uint8Array, most: number, keep = true): Uint8Array {
  const parts: Uint8Array[] = [];
  let length = 0;
  const unpacker = new Unzlib((part) => {
    length += part.length;
    if (length > most) throw new Refused('artwork.unpacks', { megabytes: most >> 20 });
    if (keep) parts.push(part);
  });
  try {
    for (let at = 0; at < packed.length; at += PORTION)
      unpacker.push(packed.subarray(at, at + PORTION), at + PORTION >= packed.length);
  } catch (thrown) {
    if (thrown instanceof Refused) throw thrown;
  }
  const whole = new Uint8Array(keep ? length : 0);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

const filtersOf = (filter: PDFObject | undefined): readonly string[] => {
  if (filter instanceof PDFName) return [filter.decodeText()];
  return filter instanceof PDFArray
    ? filter.asArray().map((one) => (one instanceof PDFName ? one.decodeText() : ''))
    : [];
};

/** What a stream holds, unpacked within limits. @throws Refused */
export function unpack({ dict, contents }: PDFRawStream): Uint8Array {
  let bytes: Uint8Array = contents;
  for (const filter of filtersOf(dict.lookup(PDFName.of('Filter')))) {
    if (filter === 'FlateDecode' || filter === 'Fl') bytes = inflate(bytes, MOST_UNPACKED);
    else {
      if (bytes.length * (GAINS[filter] ?? 1) > MOST_UNPACKED)
        throw new Refused('artwork.unpacks', { megabytes: MOST_UNPACKED >> 20 });
      const alone = PDFDict.withContext(dict.context);
      alone.set(PDFName.of('Filter'), PDFName.of(filter));
      bytes = decodePDFRawStream(PDFRawStream.of(alone, bytes)).decode();
    }
  }
  return bytes;
}

/** Where a text stands in a file; -1 where it does not. */
function find(bytes: Uint8Array, text: string, from: number): number {
  const first = text.charCodeAt(0);
  for (let at = bytes.indexOf(first, from); at !== -1; at = bytes.indexOf(first, at + 1)) {
    let i = 1;
    while (i < text.length && bytes[at + i] === text.charCodeAt(i)) i++;
    if (i === text.length) return at;
  }
  return -1;
}

/** What stands before a stream tells what it is; more than so much is no dictionary of such a list. */
const BEFORE = 2048;
const isList = (before: Uint8Array): boolean =>
  /\/(?:ObjStm|XRef)/.test(
    new TextDecoder('latin1')
      .decode(before)
      .replaceAll(/#([0-9a-f]{2})/gi, (_, hex: string) => String.fromCharCode(parseInt(hex, 16))),
  );

/**
 * Refuses a file whose lists of objects unpack to more than any has: its reader unpacks them whole, before anything can
 * be asked of it.
 * @throws Refused
 */
export function refuseBombs(file: Uint8Array): void {
  const word = 'stream';
  let at = find(file, word, 0);
  while (at !== -1) {
    const from = at + word.length + (file[at + word.length] === 13 ? 2 : 1);
    const end = find(file, `end${word}`, from);
    const packed = file.subarray(from, end === -1 ? file.length : end);
    if (isList(file.subarray(Math.max(0, at - BEFORE), at))) inflate(packed, MOST_UNPACKED, false);
    if (end === -1) return;
    at = find(file, word, end + `end${word}`.length);
  }
}

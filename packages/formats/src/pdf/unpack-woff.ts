import zlib from 'node:zlib';

const HEADER = 44;
const ENTRY = 20;
const SFNT_HEADER = 12;
const SFNT_ENTRY = 16;
const padded = (length: number): number => Math.ceil(length / 4) * 4;

/**
 * A font out of its WOFF file as the TrueType or OpenType file that was packed, its tables unpacked once and for all:
 * readers of WOFF unpack them again for every document. @param woff the whole file. Source: W3C recommendation "WOFF
 * File Format 1.0" (standard), sections 3 to 5. Throws where it is no WOFF file.
 */
export function unpackWoff(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('no WOFF file');
  const tables = woff.readUInt16BE(12);
  const selector = Math.floor(Math.log2(tables));
  const head = Buffer.alloc(SFNT_HEADER + SFNT_ENTRY * tables);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(tables, 4);
  head.writeUInt16BE(2 ** selector * SFNT_ENTRY, 6);
  head.writeUInt16BE(selector, 8);
  head.writeUInt16BE((tables - 2 ** selector) * SFNT_ENTRY, 10);
  const parts: Buffer[] = [head];
  let at = head.length;
  for (let i = 0; i < tables; i++) {
    const entry = HEADER + ENTRY * i;
    const [offset, packed, length] = [4, 8, 12].map((field) => woff.readUInt32BE(entry + field)) as [
      number,
      number,
      number,
    ];
    const data = woff.subarray(offset, offset + packed);
    const table = Buffer.alloc(padded(length));
    (packed < length ? zlib.inflateSync(data) : data).copy(table);
    const out = SFNT_HEADER + SFNT_ENTRY * i;
    woff.copy(head, out, entry, entry + 4);
    woff.copy(head, out + 4, entry + 16, entry + 20);
    head.writeUInt32BE(at, out + 8);
    head.writeUInt32BE(length, out + 12);
    parts.push(table);
    at += table.length;
  }
  return Buffer.concat(parts);
}

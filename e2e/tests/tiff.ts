const ENTRY = 12;

/** A plain CMYK TIFF by the standard, one strip, of one tone for each separation; a tag may be written wrong. */
export function tintTiff(width: number, height: number, tones: readonly number[], bits = 8): Buffer {
  const pixels = Buffer.alloc(width * height * 4);
  for (let i = 0; i < pixels.length; i++) pixels[i] = Math.round((tones[i % 4] ?? 0) * 255);
  const at = 8 + pixels.length;
  const tags = { 256: width, 257: height, 258: bits, 259: 1, 262: 5, 273: 8, 277: 4, 278: height, 279: pixels.length };
  const entries = Object.entries(tags);
  const bitsAt = at + 2 + entries.length * ENTRY + 4;
  const file = Buffer.alloc(bitsAt + 8);
  file.write('II*\0', 'latin1');
  file.writeUInt32LE(at, 4);
  pixels.copy(file, 8);
  file.writeUInt16LE(entries.length, at);
  entries.forEach(([tag, value], i) => {
    const entry = at + 2 + i * ENTRY;
    const four = tag === '258';
    file.writeUInt16LE(Number(tag), entry);
    file.writeUInt16LE(four ? 3 : 4, entry + 2);
    file.writeUInt32LE(four ? 4 : 1, entry + 4);
    file.writeUInt32LE(four ? bitsAt : value, entry + 8);
  });
  for (let channel = 0; channel < 4; channel++) file.writeUInt16LE(bits, bitsAt + 2 * channel);
  return file;
}

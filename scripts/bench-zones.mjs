// The zone part of npm run bench: a CMYK TIFF of a whole form, read from disk.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const MM = 25.4;
const SHEET = { widthMm: 1020, heightMm: 720 };

/** Writes an uncompressed CMYK TIFF of one strip, by the standard, row by row. */
function writeTiff(file, width, height) {
  const pixels = width * height * 4;
  const out = fs.openSync(file, 'w');
  const head = Buffer.alloc(8);
  head.write('II*\0', 'latin1');
  head.writeUInt32LE(8 + pixels, 4);
  fs.writeSync(out, head);
  const row = Buffer.alloc(
    width * 4,
    Uint8Array.from({ length: 251 }, (_, i) => (i * 37) % 256),
  );
  for (let y = 0; y < height; y++) fs.writeSync(out, row);
  const tags = { 256: width, 257: height, 258: 8, 259: 1, 262: 5, 273: 8, 277: 4, 278: height, 279: pixels, 284: 1 };
  const entries = Object.entries(tags);
  const directory = Buffer.alloc(2 + entries.length * 12 + 4 + 8);
  directory.writeUInt16LE(entries.length, 0);
  entries.forEach(([tag, value], i) => {
    const at = 2 + i * 12;
    const isBits = tag === '258';
    directory.writeUInt16LE(Number(tag), at);
    directory.writeUInt16LE(isBits ? 3 : 4, at + 2);
    directory.writeUInt32LE(isBits ? 4 : 1, at + 4);
    directory.writeUInt32LE(isBits ? 8 + pixels + 2 + entries.length * 12 + 4 : value, at + 8);
  });
  for (let k = 0; k < 4; k++) directory.writeUInt16LE(8, 2 + entries.length * 12 + 4 + 2 * k);
  fs.writeSync(out, directory);
  fs.closeSync(out);
}

/** A file on disk, read in places. */
async function fileSource(file) {
  const handle = await fs.promises.open(file);
  const { size } = await handle.stat();
  return {
    size,
    close: () => handle.close(),
    read: async (offset, length) => {
      const bytes = new ArrayBuffer(Math.max(0, Math.min(length, size - offset)));
      await handle.read(new Uint8Array(bytes), 0, bytes.byteLength, offset);
      return bytes;
    },
  };
}

/** The plainest loop that sums every byte of a file read in the same windows. */
async function plainLoop(source) {
  const window = 8 << 20;
  let sum = 0;
  for (let at = 0; at < source.size; at += window) {
    const bytes = new Uint8Array(await source.read(at, window));
    for (let i = 0; i < bytes.length; i++) sum += bytes[i];
  }
  return sum;
}

async function timed(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** Zone coverage of a 720 x 1020 mm form at 150 and 300 dpi, and the plainest loop over the same bytes. */
export async function benchZones({ readTiff }, say, ratio) {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-zones-'));
  try {
    const memory = [];
    for (const dpi of [150, 300]) {
      const [width, height] = [SHEET.widthMm, SHEET.heightMm].map((mm) => Math.round((mm / MM) * dpi));
      const file = path.join(folder, `${dpi}.tif`);
      writeTiff(file, width, height);
      const source = await fileSource(file);
      const runs = dpi === 150 ? 5 : 1;
      const [reads, loops] = [[], []];
      let most = 0;
      const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 5);
      for (let i = 0; i < runs; i++) {
        reads.push(
          await timed(async () => {
            const read = await readTiff(source, {
              limit: 3,
              progress: () => (most = Math.max(most, process.memoryUsage().rss)),
            });
            if (!read.ok) throw new Error(JSON.stringify(read.issues));
          }),
        );
        loops.push(await timed(() => plainLoop(source)));
      }
      clearInterval(watch);
      await source.close();
      memory.push(most);
      const megabytes = Math.round(source.size / (1 << 20));
      const [read, loop] = [median(reads), median(loops)];
      const name = `zone coverage of a ${megabytes} MB CMYK TIFF (${dpi} dpi), median of ${runs}`;
      const target = dpi === 150 ? ratio(read, 2000) : '';
      say(name, `${read.toFixed(0)} ms`, target);
      say('  against the plainest loop over the same bytes', `${((loop / read) * 100).toFixed(0)} %`, '(60 % or more)');
      say('  most memory of the process', `${Math.round(most / (1 << 20))} MB`, dpi === 150 ? '(300)' : '(no growth)');
    }
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}

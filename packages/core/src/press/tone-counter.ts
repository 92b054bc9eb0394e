import type { ToneProfile } from './zones.js';

/** Lanes of 16 bit hold 257 bytes of 255. */
const FLUSH = 257;

/**
 * Counts the tones of an 8-bit picture of four channels, row by row, in constant memory. Four bytes are taken as one word
 * and added in two words of two lanes each, so that a pixel costs one load; sums are exact.
 */
export class ToneCounter {
  private readonly columnSums: Float64Array;
  private readonly rowSums: Float64Array;
  private readonly ends: Int32Array;
  private highest = 0;
  private over = 0;
  private taken = 0;

  /**
   * @param width and @param height in pixels, above 0; @param columnBins and @param rowBins equal columns and rows of the
   * profile, no more than pixels; @param limit total of the four channels, 0..4, above which area is counted.
   */
  constructor(
    private readonly width: number,
    private readonly height: number,
    private readonly columnBins: number,
    private readonly rowBins: number,
    limit: number,
  ) {
    this.limit = Math.floor(limit * 255);
    this.columnSums = new Float64Array(columnBins * 4);
    this.rowSums = new Float64Array(rowBins * 4);
    this.ends = Int32Array.from({ length: columnBins }, (_, i) => Math.round(((i + 1) * width) / columnBins));
  }
  private readonly limit: number;

  /** Takes rows from the top on: `rows` x width words, each C, M, Y, K in memory order on a little-endian machine. */
  addRows(words: Uint32Array, rows: number): void {
    for (let row = 0; row < rows; row++) this.addRow(words, row * this.width);
  }

  private addRow(words: Uint32Array, offset: number): void {
    const { columnSums, rowSums, ends, limit } = this;
    const bin = Math.min(this.rowBins - 1, Math.floor((this.taken * this.rowBins) / this.height)) * 4;
    let [c, m, y, k] = [0, 0, 0, 0];
    let [highest, over] = [this.highest, this.over];
    for (let column = 0, x = 0; column < ends.length; column++) {
      const end = ends[column] ?? 0;
      let [binC, binM, binY, binK] = [0, 0, 0, 0];
      while (x < end) {
        const stop = Math.min(end, x + FLUSH);
        let [even, odd] = [0, 0];
        for (; x < stop; x++) {
          const word = words[offset + x] ?? 0;
          const cy = word & 0x00ff00ff;
          const mk = (word >>> 8) & 0x00ff00ff;
          even = (even + cy) | 0;
          odd = (odd + mk) | 0;
          const both = cy + mk;
          const total = (both & 0xffff) + (both >>> 16);
          if (total > limit) over += 1;
          if (total > highest) highest = total;
        }
        binC += even & 0xffff;
        binY += even >>> 16;
        binM += odd & 0xffff;
        binK += odd >>> 16;
      }
      const at = column * 4;
      columnSums[at] = (columnSums[at] ?? 0) + binC;
      columnSums[at + 1] = (columnSums[at + 1] ?? 0) + binM;
      columnSums[at + 2] = (columnSums[at + 2] ?? 0) + binY;
      columnSums[at + 3] = (columnSums[at + 3] ?? 0) + binK;
      c += binC;
      m += binM;
      y += binY;
      k += binK;
    }
    rowSums[bin] = (rowSums[bin] ?? 0) + c;
    rowSums[bin + 1] = (rowSums[bin + 1] ?? 0) + m;
    rowSums[bin + 2] = (rowSums[bin + 2] ?? 0) + y;
    rowSums[bin + 3] = (rowSums[bin + 3] ?? 0) + k;
    this.highest = highest;
    this.over = over;
    this.taken += 1;
  }

  /** Share of the picture that has been taken, 0..1. */
  get progress(): number {
    return this.taken / this.height;
  }

  /** The profile of what has been taken; all rows must have been. */
  profile(): ToneProfile {
    const { width, height, columnBins, rowBins } = this;
    const channels = ['C', 'M', 'Y', 'K'];
    const rowsIn = (bin: number): number =>
      Math.ceil(((bin + 1) * height) / rowBins) - Math.ceil((bin * height) / rowBins);
    const columnsIn = (bin: number): number => (this.ends[bin] ?? 0) - (bin === 0 ? 0 : (this.ends[bin - 1] ?? 0));
    const means = (sums: Float64Array, bins: number, cells: (bin: number) => number): number[][] =>
      channels.map((_, channel) =>
        Array.from({ length: bins }, (__, bin) => (sums[bin * 4 + channel] ?? 0) / (cells(bin) * 255)),
      );
    const columns = means(this.columnSums, columnBins, (bin) => columnsIn(bin) * height);
    const rows = means(this.rowSums, rowBins, (bin) => rowsIn(bin) * width);
    return {
      channels,
      columns,
      rows,
      means: channels.map((_, channel) => {
        let sum = 0;
        for (let bin = 0; bin < columnBins; bin++) sum += this.columnSums[bin * 4 + channel] ?? 0;
        return sum / (width * height * 255);
      }),
      highestTotal: this.highest / 255,
      overLimit: this.over / (width * height),
    };
  }
}

/** A figure with a part behind its sign: “12,5”, “1.250,50 EUR”. */
const WITH_PART = /^[^A-Za-z]*\d([.,])\d{1,2}[^\d]*$/;

/** The decimal sign that most figures of a list are written with. */
export function guessDecimal(rows: readonly (readonly string[])[]): '.' | ',' {
  let commas = 0;
  for (const row of rows)
    for (const cell of row) {
      const sign = WITH_PART.exec(cell)?.[1];
      if (sign !== undefined) commas += sign === ',' ? 1 : -1;
    }
  return commas > 0 ? ',' : '.';
}

/** A figure out of a cell; undefined where it is none. Other signs than the decimal one may part thousands. */
export function readAmount(cell: string, decimal: '.' | ','): number | undefined {
  const bare = cell.replaceAll(/[\s\u00a0\u202f'’]/g, '');
  const other = decimal === '.' ? ',' : '.';
  const thousands = new RegExp(`^-?\\d{1,3}(\\${other}\\d{3})+(\\${decimal}\\d+)?$`);
  const plain = new RegExp(`^-?\\d+(\\${decimal}\\d+)?$`);
  if (!thousands.test(bare) && !plain.test(bare)) return undefined;
  return Number(bare.replaceAll(other, '').replace(decimal, '.'));
}

/** What a cell says of a flag, English and German; undefined where it says neither. */
export const readFlag = (cell: string): boolean | undefined =>
  /^(yes|true|1|ja)$/i.test(cell) ? true : /^(no|false|0|nein)$/i.test(cell) ? false : undefined;

/** Sides under this are centimetres. Source: common practice, no source. */
const MOST_CM = 200;

/** Sides of a sheet out of a cell, millimetres, the longer one first; undefined where there are none. */
export function readSheetSize(cell: string, decimal: '.' | ','): readonly [number, number] | undefined {
  const found = /^([\d.,]+)\s*(?:mm|cm)?\s*[x×*]\s*([\d.,]+)\s*(mm|cm)?/i.exec(cell.trim());
  if (!found) return undefined;
  const [a, b] = [readAmount(found[1] ?? '', decimal), readAmount(found[2] ?? '', decimal)];
  if (a === undefined || b === undefined || a <= 0 || b <= 0) return undefined;
  const unit = found[3]?.toLowerCase() ?? (Math.max(a, b) < MOST_CM ? 'cm' : 'mm');
  const mm = [a, b].map((side) => Math.round(side * (unit === 'cm' ? 100 : 10)) / 10).sort((one, other) => other - one);
  return [mm[0] ?? 0, mm[1] ?? 0];
}

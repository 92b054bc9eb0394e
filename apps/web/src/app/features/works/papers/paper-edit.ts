import { Injectable } from '@angular/core';
import { type Norm, type SheetSize, type Stock, type STOCK_LISTS, STOCK_FIELDS, checkStock } from '@druckerei/core';
import { type Differing, ItemEdit, fieldDifferences, valueWords } from '../item-edit';

/** What a list of a paper is called. */
export const LIST_NAMES: Readonly<Record<keyof typeof STOCK_LISTS, string>> = {
  flutes: $localize`Flutes, from the printed side`,
  cleared: $localize`Cleared to touch`,
};

/** One paper being corrected. */
@Injectable()
export class PaperEdit extends ItemEdit<Stock> {
  protected readonly all = () => this.works.stocks();
  protected readonly check = checkStock;
  protected readonly kind = 'stock';
  /** Its price and pack; its weight and bulk where the works has set them as norms. */
  protected override isShown({ id }: Norm): boolean {
    return !/\.(gsm|bulk)$/.test(id) || this.works.works()?.norms[id] !== undefined;
  }
  protected readonly entered = (stocks: readonly Stock[]) => ({ stocks });
  readonly differences = paperDifferences;

  setSheet(at: number, change: Partial<SheetSize>): void {
    this.set(
      'sheets',
      this.item()?.sheets.map((sheet, i) => (i === at ? { ...sheet, ...change } : sheet)),
    );
  }
  addSheet(): void {
    this.set('sheets', [...(this.item()?.sheets ?? []), { widthMm: 0, heightMm: 0, grain: 'width' }]);
  }
  dropSheet(at: number): void {
    this.set(
      'sheets',
      this.item()?.sheets.filter((_, i) => i !== at),
    );
  }
  setList(list: keyof typeof STOCK_LISTS, values: readonly string[]): void {
    this.set(list, values.length === 0 ? undefined : values);
  }
}

const sheetWords = (sheets: unknown): string =>
  Array.isArray(sheets)
    ? (sheets as SheetSize[])
        .map(({ widthMm, heightMm, grain }) => $localize`${widthMm} × ${heightMm} mm, grain along the ${grain}`)
        .join('; ')
    : '';

/** Fields in which two states of a paper differ, in words. */
const paperDifferences = (before: unknown, after: unknown): Differing[] =>
  fieldDifferences(
    [
      ...STOCK_FIELDS.map((field) => ({ ...field, words: valueWords })),
      ...Object.entries(LIST_NAMES).map(([path, name]) => ({ path, name, words: valueWords })),
      { path: 'sheets', name: $localize`Sheets`, words: (sheets: unknown) => valueWords(sheetWords(sheets)) },
    ],
    before,
    after,
  );

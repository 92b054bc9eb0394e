import { type GangRequest, packShelves } from '../gang/index.js';
import { type Issue, type Mm, error } from '../kernel/index.js';
import type { Component, Item, Job } from './job.js';
import type { PressArea } from './press-area.js';
import type { SheetPattern } from './sheet-pattern.js';

/** An item on a form, with how often it lies there. */
export interface FormItem {
  readonly item: Item;
  readonly count: number;
}

/** Items of a form. Issues: `gang.no-items`, `gang.unknown-item`. */
export function formItems(
  job: Job,
  { carries = [], name }: Component,
  path: string,
): { readonly items: readonly FormItem[]; readonly issues: readonly Issue[] } {
  if (carries.length === 0) return { items: [], issues: [error('gang.no-items', `${path}.carries`)] };
  const issues: Issue[] = [];
  const items = carries.flatMap(({ item: id, count }, i): FormItem[] => {
    const item = job.items?.find((one) => one.id === id);
    if (item) return [{ item, count }];
    issues.push(error('gang.unknown-item', `${path}.carries[${i}].item`, { component: name, item: id }));
    return [];
  });
  return { items, issues };
}

/**
 * Items on one form in shelves, each with its bleed. Issues: `gang.form-too-full`.
 * Source: literature, see `packShelves`; handbook chapter 4 "Gang sheets".
 */
export function layForm(
  component: Component,
  items: readonly FormItem[],
  area: PressArea,
  bleedMm: Mm,
  path: string,
): { readonly pattern?: SheetPattern; readonly issues: readonly Issue[] } {
  const gang: GangRequest = {
    items: items.map(({ item }) => ({
      id: item.id,
      widthMm: item.widthMm + 2 * bleedMm,
      heightMm: item.heightMm + 2 * bleedMm,
      quantity: item.quantity,
      mayTurn: item.mayTurn ?? true,
    })),
    widthMm: area.widthMm,
    heightMm: area.heightMm,
    mostForms: 1,
    formCost: 0,
    sheetCost: 0,
  };
  const packed = packShelves(
    gang,
    items.map(({ count }) => count),
  );
  if (!packed) {
    const params = { component: component.name, usableWidth: area.widthMm, usableHeight: area.heightMm };
    return { issues: [error('gang.form-too-full', `${path}.carries`, params)] };
  }
  const pieces = packed.pieces.map(({ item: at, xMm, yMm, widthMm, heightMm }) => {
    const item = items[at]?.item;
    return {
      xMm: xMm + bleedMm,
      yMm: yMm + bleedMm,
      widthMm: widthMm - 2 * bleedMm,
      heightMm: heightMm - 2 * bleedMm,
      turned: item !== undefined && Math.abs(widthMm - 2 * bleedMm - item.widthMm) > 1e-6,
      item: item?.id ?? '',
    };
  });
  return {
    pattern: {
      arrangement: 'shared',
      count: pieces.length,
      pieces,
      widthMm: Math.max(0, ...pieces.map((piece) => piece.xMm + piece.widthMm + bleedMm)),
      heightMm: Math.max(0, ...pieces.map((piece) => piece.yMm + piece.heightMm + bleedMm)),
    },
    issues: [],
  };
}

import { type GangRequest, packShelves } from '../gang/index.js';
import { type Issue, type Mm, error } from '../kernel/index.js';
import type { Grain } from '../layout/index.js';
import type { Component, Item, Job } from '../job/index.js';
import type { PressArea } from './press-area.js';
import { type SectionLayout, spineSide } from './section-layout.js';
import type { SheetPattern } from './sheet-pattern.js';

/** An item on a form, with how often it lies there; a section that shares the form brings its pages. */
export interface FormItem {
  readonly item: Item;
  readonly count: number;
  readonly section?: SectionLayout;
  readonly component?: Component;
}

/** Lays the pages of a section that shares a form. */
export type LaySharing = (component: Component, path: string) => { section?: SectionLayout; issues: readonly Issue[] };

/**
 * A section as it lies on a form, its spine along the grain of the sheet: trims are its own, and it does not turn.
 */
function sectionItem(component: Component, count: number, section: SectionLayout): FormItem {
  const { id, name } = component;
  const { widthMm, heightMm } = section;
  return { item: { id, name, widthMm, heightMm, quantity: 1, mayTurn: false }, count, section, component };
}

/** A flat piece, an endpaper say, as it lies on a form: with its bleed, its grain as it asks. */
function flatItem(component: Component, count: number): FormItem {
  const { id, name, widthMm = 0, heightMm = 0, grain } = component;
  return { item: { id, name, widthMm, heightMm, quantity: 1, mayTurn: grain === undefined }, count, component };
}

/** Items of a form. Issues: `gang.no-items`, `gang.unknown-item`, and those of laying its sections. */
export function formItems(
  job: Job,
  { carries = [], name, id: form }: Component,
  path: string,
  lay: LaySharing,
): { readonly items: readonly FormItem[]; readonly issues: readonly Issue[] } {
  if (carries.length === 0) return { items: [], issues: [error('gang.no-items', `${path}.carries`)] };
  const issues: Issue[] = [];
  const items = carries.flatMap(({ item: id, count }, i): FormItem[] => {
    const item = job.items?.find((one) => one.id === id);
    if (item) return [{ item, count }];
    const at = job.components.findIndex((one) => one.id === id && one.on === form);
    const component = job.components[at];
    if (component) {
      if (component.kind === 'sheet') return [flatItem(component, count)];
      const laid = lay(component, `components[${at}]`);
      issues.push(...laid.issues);
      return laid.section ? [sectionItem(component, count, laid.section)] : [];
    }
    issues.push(error('gang.unknown-item', `${path}.carries[${i}].item`, { component: name, item: id }));
    return [];
  });
  return { items, issues };
}

/** Whether something has to lie turned by a quarter for its spine, or the side that it names, to run along the grain of the sheet. */
function liesTurned({ section, component }: FormItem, sheetGrain: Grain): boolean {
  const along = section ? spineSide(section) : component?.grain;
  return along !== undefined && along !== sheetGrain;
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
    items: items.map((one) => {
      const { item, section } = one;
      const bleed = section ? 0 : bleedMm;
      const [across, up] = liesTurned(one, area.sheet.grain)
        ? [item.heightMm, item.widthMm]
        : [item.widthMm, item.heightMm];
      return {
        id: item.id,
        widthMm: across + 2 * bleed,
        heightMm: up + 2 * bleed,
        quantity: item.quantity,
        mayTurn: item.mayTurn ?? true,
      };
    }),
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
    const one = items[at];
    const bleed = one?.section ? 0 : bleedMm;
    return {
      xMm: xMm + bleed,
      yMm: yMm + bleed,
      widthMm: widthMm - 2 * bleed,
      heightMm: heightMm - 2 * bleed,
      turned: one !== undefined && Math.abs(widthMm - 2 * bleed - one.item.widthMm) > 1e-6,
      item: one?.item.id ?? '',
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

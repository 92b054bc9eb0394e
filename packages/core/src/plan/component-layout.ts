import { type Issue, error } from '../kernel/index.js';
import { type Grid, type SectionGrid, pageGrid, placeGrid, sectionSize } from '../layout/index.js';
import { type Size, caliperUm } from '../paper/index.js';
import { STYLE_RULES } from '../press/index.js';
import type { Machine, NormLookup, PressLimits, Stock, Works } from '../works/index.js';
import type { Component } from './job.js';

/** A component with everything that its layout on the press sheet says. */
export interface ComponentLayout {
  readonly component: Component;
  readonly path: string;
  readonly stock: Stock;
  readonly machine: Machine;
  readonly caliperUm: number;
  readonly margins: { readonly gripperMm: number; readonly tailMm: number; readonly sideMm: number };
  readonly bleedMm: number;
  readonly grid: Grid;
  /** Pages across and down on one side of a section or cover. */
  readonly pages: SectionGrid | undefined;
  /** Piece after cutting, trims still on for sections. */
  readonly piece: Size;
  /** Printed area of one side of one sheet, m2: all pieces with their bleed. */
  readonly printedAreaM2: number;
}

function pieceOf(
  component: Component,
  bleedMm: number,
  pages: SectionGrid | undefined,
): { readonly cell: Size; readonly piece: Size } {
  if (pages) {
    const cell = sectionSize(component, pages, bleedMm);
    return { cell, piece: cell };
  }
  const cell = { widthMm: component.widthMm + 2 * bleedMm, heightMm: component.heightMm + 2 * bleedMm };
  return { cell, piece: { widthMm: component.widthMm, heightMm: component.heightMm } };
}

const marginsOf = (press: PressLimits, twoGrippers: boolean) => ({
  gripperMm: press.gripperMm,
  tailMm: twoGrippers ? Math.max(press.gripperMm, press.tailMm) : press.tailMm,
  sideMm: press.sideMm,
});

/**
 * Lays a component on its press sheet as a plain grid. The job has been checked against the works before.
 * Issues: `layout.does-not-fit`, `layout.turn-needs-even-rows`, `layout.tumble-needs-even-rows`, `layout.section-not-whole`.
 */
export function layComponent(
  component: Component,
  path: string,
  works: Works,
  norms: NormLookup,
): { layout?: ComponentLayout; issues: Issue[] } {
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const machine = works.machines.find(({ id }) => id === component.press);
  if (!stock || !machine?.press) throw new Error(`component ${component.id} was not checked`);
  const pages = component.kind === 'sheet' ? undefined : pageGrid(component.pages ?? 0);
  if (component.kind !== 'sheet' && !pages) {
    return {
      issues: [
        error('layout.section-not-whole', `${path}.pages`, { component: component.name, pages: component.pages ?? 0 }),
      ],
    };
  }
  const rule = STYLE_RULES[component.workStyle];
  const twoGrippers = rule.twoGrippers || (component.workStyle === 'perfecting' && machine.press.turnsSheet);
  const margins = marginsOf(machine.press, twoGrippers);
  const bleedMm = norms('layout.bleed').value;
  const { cell, piece } = pieceOf(component, bleedMm, pages);
  const request = {
    sheetWidthMm: component.sheet.widthMm,
    sheetHeightMm: component.sheet.heightMm,
    margins,
    pieceWidthMm: cell.widthMm,
    pieceHeightMm: cell.heightMm,
    sheetGrain: component.sheet.grain,
    pieceGrain: component.kind === 'sheet' ? (component.grain ?? 'any') : 'height',
  } as const;
  const grid = placeGrid({ ...request, mirror: rule.mirror });
  if (grid.count === 0) {
    const params = {
      component: component.name,
      width: cell.widthMm,
      height: cell.heightMm,
      usableWidth: component.sheet.widthMm - 2 * margins.sideMm,
      usableHeight: component.sheet.heightMm - margins.gripperMm - margins.tailMm,
    };
    if (rule.mirror !== 'none' && placeGrid({ ...request, mirror: 'none' }).count > 0) {
      return {
        issues: [
          error(
            rule.mirror === 'columns' ? 'layout.turn-needs-even-rows' : 'layout.tumble-needs-even-rows',
            `${path}.workStyle`,
            params,
          ),
        ],
      };
    }
    return { issues: [error('layout.does-not-fit', `${path}.sheet`, params)] };
  }
  return {
    layout: {
      component,
      path,
      stock,
      machine,
      margins,
      bleedMm,
      grid,
      pages,
      piece,
      caliperUm: caliperUm(stock.gsm, stock.bulk),
      printedAreaM2: (grid.count * cell.widthMm * cell.heightMm) / 1e6,
    },
    issues: [],
  };
}

import type { DieDrawing } from '../diecut/index.js';
import type { PageMargins } from '../imposition/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { Margins, Turns } from '../layout/index.js';
import { type Size, caliperUm } from '../paper/index.js';
import type { Machine, SheetSize, Stock } from '../works/index.js';
import type { Component } from '../job/index.js';
import type { FormItem } from './form-layout.js';
import { type LayContext, layKind } from './lay-kinds.js';
import { pressArea } from './press-area.js';
import { type SectionLayout, schemeOf } from './section-layout.js';
import type { SheetPattern } from './sheet-pattern.js';
import { type Supply, supplyOf } from './supply.js';
import { webOf } from './web-layout.js';

/** A component with everything that its layout on the press sheet says. */
export interface ComponentLayout {
  readonly component: Component;
  readonly path: string;
  readonly stock: Stock;
  readonly machine: Machine;
  readonly caliperUm: number;
  /** What is drawn: the press sheet, or what a web prints before the pattern repeats. */
  readonly sheet: SheetSize;
  /** Cut-offs of a web that the pattern runs over: two where the folder collects, else one. */
  readonly cutOffs: number;
  readonly margins: Margins;
  readonly bleedMm: number;
  /** The pattern in force; its lower left corner lies at `leftMm`, `bottomMm` from the sheet's gripper and left edge. */
  readonly pattern: SheetPattern;
  readonly leftMm: number;
  readonly bottomMm: number;
  /** Every pattern offered, best first; a way of laying blanks that the job keeps goes before all. */
  readonly proposals: readonly SheetPattern[];
  /** No pattern holds more. */
  readonly bound: number;
  /** What the press sheets are cut from. */
  readonly supply: Supply;
  /** Pages on both sides of a section or cover. */
  readonly section: SectionLayout | undefined;
  /** One-up drawing of a blank. */
  readonly die: DieDrawing | undefined;
  /** What is trimmed and milled off each page later; undefined for what leaves the sheet in its own size. */
  readonly trims: PageMargins | undefined;
  /** Least distance between blanks, and how they may lie: what a search for a better way is asked. */
  readonly gapMm: number;
  readonly turns: Turns;
  /** Items of a gang's form. */
  readonly form: readonly FormItem[];
  /** Piece after cutting, trims still on for sections; the box around a blank; the largest item of a form. */
  readonly piece: Size;
  /** Area of that piece: of a blank its own, inside the outline. */
  readonly pieceAreaMm2: number;
  /** Printed area of one side of one press sheet or cut-off, m2: all pieces with their bleed. */
  readonly printedAreaM2: number;
  /** Share of the sheet that trimmed pieces with their bleed cover. */
  readonly usedShare: number;
}

/** A layout with another of its patterns in force, to be looked at. */
export function withPattern(layout: ComponentLayout, pattern: SheetPattern): ComponentLayout {
  const { sheet, margins } = layout;
  const heightMm = sheet.heightMm - margins.gripperMm - margins.tailMm;
  return {
    ...layout,
    pattern,
    leftMm: (sheet.widthMm - pattern.widthMm) / 2,
    bottomMm: margins.gripperMm + (heightMm - pattern.heightMm) / 2,
  };
}

/** The layouts of the components that share a form, as the steps after the cut see them. */
export function sharingLayouts(layout: ComponentLayout): ComponentLayout[] {
  return layout.form.flatMap(({ item, section, component }) => {
    if (!component) return [];
    const { widthMm, heightMm } = section ?? item;
    const pieceAreaMm2 = widthMm * heightMm;
    const trims = section?.trims;
    return [{ ...layout, component, section, trims, form: [], piece: { widthMm, heightMm }, pieceAreaMm2 }];
  });
}

/** Trimmed area of what leaves a component's lane: the piece, a blank inside its outline, or the leaves of a section. */
export function trimmedAreaMm2({ component, section, trims, pieceAreaMm2 }: ComponentLayout): number {
  const { pages = 0, widthMm = 0, heightMm = 0 } = component;
  if (!section) return trims ? widthMm * heightMm : pieceAreaMm2;
  return (pages / 2) * widthMm * heightMm * section.books;
}

/** Cut-offs that one pattern runs over. */
const cutOffsOf = (component: Component, machine: Machine): number =>
  webOf(machine) && component.kind === 'section' && schemeOf(component, true)?.collects ? 2 : 1;

/**
 * Lays a component on its press sheet or web: the best pattern of its kind, or the arrangement that the job asks for.
 * Issues: `job.unknown-stock`, `job.unknown-machine` where the works has no such paper or press, `layout.*`, `fold.*`, `paper.*`, `die.*`, `gang.*`.
 */
export function layComponent(
  component: Component,
  path: string,
  context: LayContext,
): { layout?: ComponentLayout; issues: readonly Issue[] } {
  const { works, norms } = context;
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const machine = works.machines.find(({ id }) => id === component.press);
  const name = component.name;
  if (!stock)
    return { issues: [error('job.unknown-stock', `${path}.stock`, { component: name, stock: component.stock })] };
  if (!machine?.press)
    return { issues: [error('job.unknown-machine', `${path}.press`, { step: name, machine: component.press })] };
  const caliper = caliperUm(stock.gsm, stock.bulk);
  const web = webOf(machine);
  const { supply, issues } = supplyOf(
    component,
    path,
    { sheeterMm: norms('sheeter.edgeTrim').value, corrugatorMm: norms('corrugate.edgeTrim').value },
    web !== undefined,
  );
  if (!supply) return { issues };
  const cutOffs = cutOffsOf(component, machine);
  const area = pressArea(component, machine, cutOffs);
  const trimMm = component.lay?.bleedMm ?? norms('layout.bleed').value;
  const { laid, issues: wrong } = layKind({ ...context, component, path, machine, caliper, cutOffs, area, trimMm });
  if (!laid) return { issues: wrong };
  const { proposals, bound } = laid.patterns;
  const pattern = proposals.find(({ arrangement }) => arrangement === component.lay?.arrangement) ?? proposals[0];
  if (!pattern) throw new Error(`no pattern for ${component.id}`);
  const { sheet, margins } = area;
  const coveredMm2 = laid.coveredMm2(pattern);
  return {
    layout: {
      component,
      path,
      stock,
      machine,
      sheet,
      cutOffs,
      margins,
      bleedMm: laid.bleedMm,
      pattern,
      leftMm: (sheet.widthMm - pattern.widthMm) / 2,
      bottomMm: margins.gripperMm + (area.heightMm - pattern.heightMm) / 2,
      proposals,
      bound,
      supply,
      section: laid.section,
      die: laid.die,
      trims: laid.trims,
      gapMm: laid.gapMm,
      turns: laid.turns,
      form: laid.form ?? [],
      piece: laid.piece,
      pieceAreaMm2: laid.pieceAreaMm2,
      caliperUm: caliper,
      printedAreaM2: coveredMm2 / 1e6 / cutOffs,
      usedShare: coveredMm2 / (sheet.widthMm * sheet.heightMm),
    },
    issues: [],
  };
}

import { type Issue, error } from '../kernel/index.js';
import {
  type Grain,
  type Margins,
  type Pattern,
  type PatternRequest,
  type Patterns,
  type Turns,
  layPatterns,
} from '../layout/index.js';
import { type Size, caliperUm } from '../paper/index.js';
import { STYLE_RULES } from '../press/index.js';
import type { Machine, NormLookup, PressLimits, Stock, Works } from '../works/index.js';
import type { Component, Job } from './job.js';
import { type Supply, supplyOf } from './supply.js';
import { type SectionLayout, type SectionPosition, laySection, schemeOf } from './section-layout.js';

/** A component with everything that its layout on the press sheet says. */
export interface ComponentLayout {
  readonly component: Component;
  readonly path: string;
  readonly stock: Stock;
  readonly machine: Machine;
  readonly caliperUm: number;
  readonly margins: Margins;
  readonly bleedMm: number;
  /** The pattern in force; its lower left corner lies at `leftMm`, `bottomMm` from the sheet's gripper and left edge. */
  readonly pattern: Pattern;
  readonly leftMm: number;
  readonly bottomMm: number;
  /** Every pattern offered, best first. */
  readonly proposals: readonly Pattern[];
  /** No pattern holds more. */
  readonly bound: number;
  /** What the press sheets are cut from. */
  readonly supply: Supply;
  /** Pages on both sides of a section or cover. */
  readonly section: SectionLayout | undefined;
  /** Piece after cutting, trims still on for sections. */
  readonly piece: Size;
  /** Printed area of one side of one sheet, m2: all pieces with their bleed. */
  readonly printedAreaM2: number;
  /** Share of the sheet that trimmed pieces with their bleed cover. */
  readonly usedShare: number;
}

/** What the press keeps at each edge in a work style. The colour bar lies in the tail. */
function marginsOf(press: PressLimits, twoGrippers: boolean): Margins {
  const tailMm = Math.max(press.tailMm, press.colourBarMm ?? 0);
  return {
    gripperMm: press.gripperMm,
    tailMm: twoGrippers ? Math.max(press.gripperMm, tailMm) : tailMm,
    sideMm: press.sideMm,
  };
}

/** How a piece may lie so that its grain side runs along the sheet's grain. Source: identity. */
export const turnsFor = (pieceGrain: Grain | 'any', sheetGrain: Grain): Turns =>
  pieceGrain === 'any' ? 'either' : pieceGrain === sheetGrain ? 'upright' : 'turned';

/** Whether both long edges are gripped. Source: handbook chapter 4 "Work styles". */
export const isGrippedTwice = (component: Component, press: PressLimits): boolean =>
  STYLE_RULES[component.workStyle].twoGrippers || (component.workStyle === 'perfecting' && press.turnsSheet);

const isTurn = (mirror: PatternRequest['mirror']): boolean => mirror === 'columns';

/** Lays patterns; the ways-to-run list puts a memory of earlier answers in its place. */
export type LayPatterns = (request: PatternRequest) => Patterns;

/** Lays the pages of a section; the ways-to-run list remembers, since it asks for the same ones many times. */
export type LaySection = typeof laySection;

export interface LayContext {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly positions: ReadonlyMap<string, SectionPosition>;
  readonly lay?: LayPatterns;
  readonly laySection?: LaySection;
}

/** Side of a piece that wants to lie along the grain: as the job says, and along the spine of sections. */
function grainOf(component: Component, section: SectionLayout | undefined): Grain | 'any' {
  if (!section) return component.grain ?? 'any';
  const head = section.outer[0]?.head;
  return head === 'left' || head === 'right' ? 'width' : 'height';
}

/** The pieces of a component on the usable area of its sheet. */
function requestOf(
  component: Component,
  pieceGrain: Grain | 'any',
  margins: Margins,
  size: Size,
  bleedMm: number,
): PatternRequest {
  const { sheet } = component;
  return {
    widthMm: Math.max(0, sheet.widthMm - 2 * margins.sideMm),
    heightMm: Math.max(0, sheet.heightMm - margins.gripperMm - margins.tailMm),
    pieceWidthMm: size.widthMm,
    pieceHeightMm: size.heightMm,
    bleedMm,
    gutterMm: component.lay?.gutterMm ?? 0,
    turns: turnsFor(pieceGrain, sheet.grain),
    mirror: STYLE_RULES[component.workStyle].mirror,
  };
}

function whyNothingFits(component: Component, path: string, request: PatternRequest, lay: LayPatterns): Issue {
  const { mirror, bleedMm } = request;
  const params = {
    component: component.name,
    width: request.pieceWidthMm + 2 * bleedMm,
    height: request.pieceHeightMm + 2 * bleedMm,
    usableWidth: request.widthMm,
    usableHeight: request.heightMm,
  };
  if (mirror !== 'none' && lay({ ...request, mirror: 'none' }).proposals[0].count > 0)
    return error(
      isTurn(mirror) ? 'layout.turn-needs-even-rows' : 'layout.tumble-needs-even-rows',
      `${path}.workStyle`,
      params,
    );
  return error('layout.does-not-fit', `${path}.sheet`, params);
}

/**
 * Lays a component on its press sheet: the best pattern for edge-to-edge cuts, or the arrangement that the job asks for.
 * The job has been checked against the works before.
 * Issues: `layout.does-not-fit`, `layout.turn-needs-even-rows`, `layout.tumble-needs-even-rows`,
 * `layout.section-not-whole`, `fold.*`, `paper.*`.
 */
export function layComponent(
  component: Component,
  path: string,
  { job, works, norms, positions, lay = layPatterns, laySection: layPages = laySection }: LayContext,
): { layout?: ComponentLayout; issues: readonly Issue[] } {
  const stock = works.stocks.find(({ id }) => id === component.stock);
  const machine = works.machines.find(({ id }) => id === component.press);
  if (!stock || !machine?.press) throw new Error(`component ${component.id} was not checked`);
  const caliper = caliperUm(stock.gsm, stock.bulk);
  const { supply, issues } = supplyOf(component, path, norms('sheeter.edgeTrim').value);
  if (!supply) return { issues };
  const trimMm = component.lay?.bleedMm ?? norms('layout.bleed').value;
  let section: SectionLayout | undefined;
  if (component.kind !== 'sheet') {
    const scheme = schemeOf(component);
    const position = positions.get(component.id);
    if (!scheme || !position) {
      const params = { component: component.name, pages: component.pages ?? 0 };
      return { issues: [error('layout.section-not-whole', `${path}.pages`, params)] };
    }
    const laid = layPages(job, component, scheme, position, trimMm, caliper, `${path}.scheme`);
    if (!laid.section) return { issues: laid.issues };
    section = laid.section;
  }
  // A section brings its trims with it; flat work has its bleed around each piece.
  const size: Size = section ?? component;
  const bleedMm = section ? 0 : trimMm;
  const margins = marginsOf(machine.press, isGrippedTwice(component, machine.press));
  const request = requestOf(component, grainOf(component, section), margins, size, bleedMm);
  const { proposals, bound } = lay(request);
  const pattern = proposals.find(({ arrangement }) => arrangement === component.lay?.arrangement) ?? proposals[0];
  if (pattern.count === 0) return { issues: [whyNothingFits(component, path, request, lay)] };
  const covered = (pattern.count * (size.widthMm + 2 * bleedMm) * (size.heightMm + 2 * bleedMm)) / 1e6;
  const { widthMm, heightMm } = component.sheet;
  return {
    layout: {
      component,
      path,
      stock,
      machine,
      margins,
      bleedMm,
      pattern,
      leftMm: (widthMm - pattern.widthMm) / 2,
      bottomMm: margins.gripperMm + (request.heightMm - pattern.heightMm) / 2,
      proposals,
      bound,
      supply,
      section,
      piece: { widthMm: size.widthMm, heightMm: size.heightMm },
      caliperUm: caliper,
      printedAreaM2: covered,
      usedShare: covered / ((widthMm * heightMm) / 1e6),
    },
    issues: [],
  };
}

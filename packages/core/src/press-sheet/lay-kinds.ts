import type { DieDrawing } from '../diecut/index.js';
import { boundsOf, signedArea } from '../geometry/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { PageMargins } from '../imposition/index.js';
import { type Grain, type PatternRequest, type Turns, layPatterns } from '../layout/index.js';
import type { Size } from '../paper/index.js';
import { STYLE_RULES } from '../press/index.js';
import type { Machine, Works } from '../works/index.js';
import type { NormLookup } from '../norms/index.js';
import type { Component, Job } from '../job/index.js';
import { blankRequest, dieOf, layBlankPatterns } from './blank-layout.js';
import { type FormItem, formItems, layForm } from './form-layout.js';
import type { PressArea } from './press-area.js';
import { leafTrims } from './leaf.js';
import { type SectionLayout, type SectionPosition, laySection, schemeOf, spineSide } from './section-layout.js';
import type { LayPatterns, SheetPattern, SheetPatterns } from './sheet-pattern.js';
import { layAround, webOf } from './web-layout.js';

/** How a piece may lie so that its grain side runs along the sheet's grain. Source: identity. */
const turnsFor = (pieceGrain: Grain | 'any', sheetGrain: Grain): Turns =>
  pieceGrain === 'any' ? 'either' : pieceGrain === sheetGrain ? 'upright' : 'turned';

/** Lays the pages of a section; the ways-to-run list remembers, since it asks for the same ones many times. */
export type LaySection = typeof laySection;

/** What laying a component looks at beside it. */
export interface LayContext {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly positions: ReadonlyMap<string, SectionPosition>;
  readonly lay?: LayPatterns;
  readonly laySection?: LaySection;
}

/** What lies on the sheet, whatever the kind of component. */
interface Laid {
  readonly patterns: SheetPatterns;
  readonly piece: Size;
  readonly pieceAreaMm2: number;
  /** Area that all pieces of a pattern cover with their bleeds. */
  readonly coveredMm2: (pattern: SheetPattern) => number;
  readonly bleedMm: number;
  readonly gapMm: number;
  readonly turns: Turns;
  readonly section?: SectionLayout;
  readonly trims?: PageMargins;
  readonly die?: DieDrawing;
  readonly form?: readonly FormItem[];
}
type LaidOr =
  | { readonly laid: Laid; readonly issues?: undefined }
  | { readonly laid?: undefined; readonly issues: readonly Issue[] };

/** A component on its machine and stock, with the house's trim and what it is laid on. */
interface Bench extends LayContext {
  readonly component: Component;
  readonly path: string;
  readonly machine: Machine;
  readonly caliper: number;
  readonly cutOffs: number;
  readonly area: PressArea;
  readonly trimMm: number;
}

/** Side of a piece that wants to lie along the grain: as the job says, and along the spine of sections. */
const grainOf = (component: Component, section: SectionLayout | undefined): Grain | 'any' =>
  section ? spineSide(section) : (component.grain ?? 'any');

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
      mirror === 'columns' ? 'layout.turn-needs-even-rows' : 'layout.tumble-needs-even-rows',
      `${path}.workStyle`,
      params,
    );
  return error('layout.does-not-fit', `${path}.sheet`, params);
}

/** Size of a flat piece as it is cut: of a loose leaf with what trimming and milling take. */
const untrimmed = ({ widthMm = 0, heightMm = 0 }: Component, trims: PageMargins | undefined): Size =>
  trims
    ? {
        widthMm: widthMm + trims.foreMm + trims.spineMm,
        heightMm: heightMm + trims.headMm + trims.footMm,
      }
    : { widthMm, heightMm };

/**
 * Most pieces on one sheet that are laid, and most points or pages that all of them have together: more is no work for a
 * press, and takes a planner's machine seconds to draw. Source: common practice, no source.
 */
const MOST_PIECES = 3_000;
const MOST_DRAWN = 120_000;

/** Refuses what would lie on a sheet more often than anybody lays it. @param each points or pages of one piece. */
function tooManyIssue({ component, path, area }: Bench, piece: Size, gapMm: number, each: number): Issue | undefined {
  const places = (area.widthMm + gapMm) * (area.heightMm + gapMm);
  const count = Math.floor(places / ((piece.widthMm + gapMm) * (piece.heightMm + gapMm)));
  const most = Math.min(MOST_PIECES, Math.max(1, Math.floor(MOST_DRAWN / each)));
  // What measures nothing would lie there without end.
  return count <= most ? undefined : error('layout.too-many', path, { component: component.name, count, most });
}

/** Equal rectangles: flat work, or the unfolded sections and covers of a bound product. */
function layEqual(bench: Bench, section: SectionLayout | undefined): LaidOr {
  const { component, path, machine, area, trimMm, job, norms, lay = layPatterns } = bench;
  // Sections and loose leaves bring their trims with them; flat work has its bleed around each piece.
  const trims = section ? section.trims : leafTrims(job, component, norms);
  const { widthMm, heightMm } = section ?? untrimmed(component, trims);
  const bleedMm = trims ? 0 : trimMm;
  const web = webOf(machine);
  const pages = section ? section.outer.length + section.inner.length : 1;
  const tooMany = tooManyIssue(bench, { widthMm, heightMm }, 2 * bleedMm, pages);
  if (tooMany) return { issues: [tooMany] };
  // A web folds along and across itself, so a section lies as it is folded.
  const turns = web && section ? 'upright' : turnsFor(grainOf(component, section), area.sheet.grain);
  const gapMm = component.lay?.gutterMm ?? 0;
  const request: PatternRequest = {
    widthMm: area.widthMm,
    heightMm: area.heightMm,
    pieceWidthMm: widthMm,
    pieceHeightMm: heightMm,
    bleedMm,
    gutterMm: gapMm,
    turns,
    mirror: STYLE_RULES[component.workStyle].mirror,
  };
  const patterns = (web?.cylinderTeeth ?? web?.anyRepeat) && !section ? layAround(request, lay) : lay(request);
  if ((patterns.proposals[0]?.count ?? 0) === 0) return { issues: [whyNothingFits(component, path, request, lay)] };
  const eachMm2 = (widthMm + 2 * bleedMm) * (heightMm + 2 * bleedMm);
  return {
    laid: {
      patterns,
      piece: { widthMm, heightMm },
      pieceAreaMm2: widthMm * heightMm,
      coveredMm2: ({ count }) => count * eachMm2,
      bleedMm,
      gapMm,
      turns,
      ...(section ? { section } : {}),
      ...(trims ? { trims } : {}),
    },
  };
}

/** The pages of a section or a cover. */
function pagesOf(
  { positions, job, caliper, machine, norms, laySection: layPages = laySection }: Bench,
  component: Component,
  path: string,
): { section?: SectionLayout; issues: readonly Issue[] } {
  const trimMm = component.lay?.bleedMm ?? norms('layout.bleed').value;
  const scheme = schemeOf(component, webOf(machine) !== undefined);
  const position = positions.get(component.id);
  if (!scheme || !position) {
    const params = { component: component.name, pages: component.pages ?? 0 };
    return { issues: [error('layout.section-not-whole', `${path}.pages`, params)] };
  }
  return layPages(job, component, scheme, position, trimMm, caliper, `${path}.scheme`);
}

function layPaged(bench: Bench): LaidOr {
  const { section, issues } = pagesOf(bench, bench.component, bench.path);
  return section ? layEqual(bench, section) : { issues };
}

function layBlank(bench: Bench): LaidOr {
  const { component, path, caliper, machine, norms } = bench;
  const { drawing, issues } = dieOf(component, caliper, path);
  if (!drawing) return { issues };
  const gapMm = component.lay?.gutterMm ?? norms('layout.strippingGap').value;
  // On a web the last row is as far from the first of the next turn as rows are from each other.
  const join = webOf(machine) ? gapMm : 0;
  const area = { ...bench.area, heightMm: Math.max(0, bench.area.heightMm - join) };
  const turns = turnsFor(component.grain ?? 'any', area.sheet.grain);
  const { left, bottom, right, top } = boundsOf(drawing.outline);
  const piece = { widthMm: right - left, heightMm: top - bottom };
  const points = drawing.outline.length + drawing.lines.reduce((sum, line) => sum + line.points.length, 0);
  const tooMany = tooManyIssue(bench, piece, gapMm, points);
  if (tooMany) return { issues: [tooMany] };
  const patterns = layBlankPatterns(component, blankRequest(drawing.outline, area, gapMm, turns));
  if ((patterns.proposals[0]?.count ?? 0) === 0) {
    const params = {
      component: component.name,
      width: Math.round(piece.widthMm * 10) / 10,
      height: Math.round(piece.heightMm * 10) / 10,
      usableWidth: area.widthMm,
      usableHeight: area.heightMm,
    };
    return { issues: [error('layout.does-not-fit', `${path}.sheet`, params)] };
  }
  const pieceAreaMm2 = Math.abs(signedArea(drawing.outline));
  const coveredMm2 = ({ count }: SheetPattern): number => count * pieceAreaMm2;
  return { laid: { patterns, piece, pieceAreaMm2, coveredMm2, bleedMm: 0, gapMm, turns, die: drawing } };
}

function layShared(bench: Bench): LaidOr {
  const { component, path, job, area, trimMm: bleedMm } = bench;
  const { items, issues } = formItems(job, component, path, (section, at) => pagesOf(bench, section, at));
  if (issues.length > 0) return { issues };
  const { pattern, issues: full } = layForm(component, items, area, bleedMm, path);
  if (!pattern) return { issues: full };
  const largest = items
    .map(({ item }) => item)
    .reduce((a, b) => (b.widthMm * b.heightMm > a.widthMm * a.heightMm ? b : a));
  const covered = pattern.pieces.reduce((sum, { widthMm, heightMm, item: id }) => {
    const bleed = items.some(({ item, section }) => item.id === id && section) ? 0 : bleedMm;
    return sum + (widthMm + 2 * bleed) * (heightMm + 2 * bleed);
  }, 0);
  return {
    laid: {
      patterns: { proposals: [pattern], bound: pattern.count },
      piece: { widthMm: largest.widthMm, heightMm: largest.heightMm },
      pieceAreaMm2: largest.widthMm * largest.heightMm,
      coveredMm2: () => covered,
      bleedMm,
      gapMm: 0,
      turns: 'either',
      form: items,
    },
  };
}

/** Lays a component by its kind. Issues: `layout.*`, `fold.*`, `die.*`, `gang.*`. */
export function layKind(bench: Bench): LaidOr {
  const { component, path } = bench;
  const unequal = component.kind === 'blank' || component.kind === 'gang';
  if (unequal && STYLE_RULES[component.workStyle].mirror !== 'none')
    return { issues: [error('layout.style-needs-equal-rows', `${path}.workStyle`, { component: component.name })] };
  if (component.kind === 'blank') return layBlank(bench);
  if (component.kind === 'gang') return layShared(bench);
  return component.kind === 'sheet' ? layEqual(bench, undefined) : layPaged(bench);
}

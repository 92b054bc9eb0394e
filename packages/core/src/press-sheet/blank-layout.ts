import {
  type BlankLayout,
  type BlankRequest,
  type DieDrawing,
  checkStructure,
  layBlankRows,
  layBlanksAs,
  makeStructure,
} from '../diecut/index.js';
import { type Outline, boundsOf, once, selfCrossing, shift, signedArea } from '../geometry/index.js';
import { type Issue, type Mm, type Um, error } from '../kernel/index.js';
import type { Turns } from '../layout/index.js';
import type { Component } from '../job/index.js';
import type { PressArea } from './press-area.js';
import type { LaidPiece, SheetPattern, SheetPatterns } from './sheet-pattern.js';

/** Fields of a structure's size that stand in the component itself. */
const FIELD: Readonly<Record<string, string>> = { lengthMm: 'widthMm', widthMm: 'heightMm' };

/** Where an issue of a structure's size stands in the job file. */
function atField(issue: Issue, path: string): Issue {
  const field = issue.path.slice('die.'.length);
  if (field === 'caliperMm') return { ...issue, path: `${path}.stock` };
  const own = FIELD[field];
  return { ...issue, path: own === undefined ? `${path}.die.${field}` : `${path}.${own}` };
}

/** A plan is made at every keystroke: each outline is looked through once. */
const crossingOf = once(selfCrossing);

function checkOutline(outline: Outline, path: string): Issue[] {
  const crossing = crossingOf(outline);
  if (crossing) {
    const { x, y } = outline[crossing.first] ?? { x: 0, y: 0 };
    return [
      error('die.self-crossing', `${path}.die.outline[${crossing.first}]`, { x: Math.round(x), y: Math.round(y) }),
    ];
  }
  return Math.abs(signedArea(outline)) > 0 ? [] : [error('die.no-outline', `${path}.die.outline`)];
}

/**
 * The one-up drawing of a blank: its structure at the board's caliper, or the drawing that the job brings. The path is
 * the component's. Issues: `die.*`.
 */
export function dieOf(
  component: Component,
  caliperUm: Um,
  path: string,
): { readonly drawing?: DieDrawing; readonly issues: readonly Issue[] } {
  const { die, widthMm = 0, heightMm = 0 } = component;
  if (!die) return { issues: [error('die.no-outline', `${path}.die`)] };
  if (die.kind === 'drawing') {
    const issues = checkOutline(die.outline, path);
    return issues.length > 0 ? { issues } : { drawing: die, issues };
  }
  const { structure, depthMm, flapMm, foldMm, part = 0 } = die;
  const size = { lengthMm: widthMm, widthMm: heightMm, depthMm, caliperMm: caliperUm / 1000, flapMm, foldMm };
  const issues = checkStructure(structure, size, 'die').map((issue) => atField(issue, path));
  if (issues.length > 0) return { issues };
  const { parts } = makeStructure(structure, size);
  const drawing = parts[part]?.drawing;
  return drawing
    ? { drawing, issues }
    : { issues: [error('die.no-part', `${path}.die.part`, { part: part + 1, parts: parts.length })] };
}

/** Laid blanks as a pattern of the sheet. */
export function blankPattern({ arrangement, choice, count, blanks }: BlankLayout): SheetPattern {
  const around = count === 0 ? { left: 0, bottom: 0, right: 0, top: 0 } : boundsOf(blanks.flatMap((b) => b.outline));
  return {
    arrangement,
    count,
    blanks: choice,
    widthMm: around.right - around.left,
    heightMm: around.top - around.bottom,
    pieces: blanks.map(({ outline, quarters }): LaidPiece => {
      const placed = shift(outline, -around.left, -around.bottom);
      const { left, bottom, right, top } = boundsOf(placed);
      const box = { xMm: left, yMm: bottom, widthMm: right - left, heightMm: top - bottom };
      return { ...box, turned: quarters % 2 === 1, quarters, outline: placed };
    }),
  };
}

/** What a search for a component's blanks is asked: the same that the plan lays. */
export const blankRequest = (
  outline: Outline,
  { widthMm, heightMm }: PressArea,
  gapMm: Mm,
  turns: Turns,
): BlankRequest => ({ outline, widthMm, heightMm, gapMm, turns });

/** Whether the grain lets a blank lie as a choice has it. */
const allows = (turns: Turns, turned: boolean): boolean => turns === 'either' || (turns === 'turned') === turned;

/**
 * Blanks on the usable area: straight rows and head to tail by their boxes, and the way that the job keeps, laid by their
 * own outlines, first. A kept way that the grain no longer allows falls away. Source: handbook chapter 4 "Cartons".
 */
export function layBlankPatterns(component: Component, request: BlankRequest): SheetPatterns {
  const { proposals, bound } = layBlankRows(request);
  const kept = component.lay?.blanks;
  const chosen = kept && allows(request.turns, kept.turned) ? [layBlanksAs(request, kept)] : [];
  const others = proposals.filter(({ arrangement }) => chosen.every((one) => one.arrangement !== arrangement));
  return { proposals: [...chosen, ...others].map(blankPattern), bound };
}

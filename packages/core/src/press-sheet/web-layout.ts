import { type Issue, error } from '../kernel/index.js';
import { type Pattern, type PatternRequest, type Patterns, distanceMm } from '../layout/index.js';
import { repeatMm } from '../webs/index.js';
import type { Machine, WebLimits } from '../works/index.js';
import type { Component } from '../job/index.js';
import type { LayPatterns, SheetPatterns } from './sheet-pattern.js';

/** Lengths are told apart down to this, millimetres: repeats are written with three places. */
const SAME_MM = 0.001;

/** Whether a component runs on a web, and what that web prints at one turn. */
export const webOf = ({ press }: Machine): WebLimits | undefined => press?.web;

/**
 * What a web press does not take of a component. Issues: `web.cut-off`, `web.no-cylinder`, `web.grain`, `web.style`.
 * Source: handbook chapter 4 "Webs".
 */
export function webIssues(component: Component, { name, press }: Machine, path: string): Issue[] {
  if (!press?.web) return [];
  const { cutOffMm, cylinderTeeth = [], anyRepeat = false } = press.web;
  const { heightMm, grain } = component.sheet;
  const issues: Issue[] = [];
  const params = { component: component.name, machine: name, value: heightMm };
  if (cutOffMm !== undefined && heightMm !== cutOffMm)
    issues.push(error('web.cut-off', `${path}.sheet.heightMm`, { ...params, cutOff: cutOffMm }));
  if (
    cutOffMm === undefined &&
    !anyRepeat &&
    !cylinderTeeth.some((teeth) => Math.abs(repeatMm(teeth) - heightMm) < SAME_MM)
  ) {
    const store = cylinderTeeth.map(repeatMm);
    const away = (repeat: number): number => Math.abs(repeat - heightMm);
    const nearest = store.reduce((a, b) => (away(b) < away(a) ? b : a), store[0] ?? 0);
    issues.push(error('web.no-cylinder', `${path}.sheet.heightMm`, { ...params, nearest }));
  }
  if (grain !== 'height') issues.push(error('web.grain', `${path}.sheet.grain`, params));
  if (component.workStyle !== 'single' && component.workStyle !== 'perfecting')
    issues.push(error('web.style', `${path}.workStyle`, params));
  return issues;
}

/** Rows spread evenly around the cylinder, so that the last one is as far from the first of the next turn. */
function spread(pattern: Pattern, columns: number, rows: number, repeat: number): Pattern {
  const pitch = repeat / rows;
  return {
    ...pattern,
    heightMm: repeat,
    pieces: pattern.pieces.map((piece, i) => ({
      ...piece,
      yMm: Math.floor(i / columns) * pitch + (pitch - piece.heightMm) / 2,
    })),
  };
}

/**
 * Pieces on a repeat, in rows around the cylinder and lanes across the web; the gap around is what the cylinder gives,
 * never less than asked for, the join included: around = floor(repeat / (height + gap)).
 * Source: identity, handbook chapter 4 "Webs".
 */
export function layAround(request: PatternRequest, lay: LayPatterns): SheetPatterns {
  // Bleeds lie inside the area already; a wider gap has to stand at the join as well.
  const join = distanceMm(request) - 2 * request.bleedMm;
  const patterns: Patterns = lay({ ...request, heightMm: Math.max(0, request.heightMm - join) });
  const { bound, proposals } = patterns;
  return {
    bound,
    proposals: proposals.flatMap((pattern) =>
      pattern.grid && pattern.count > 0
        ? [spread(pattern, pattern.grid.columns, pattern.grid.rows, request.heightMm)]
        : [],
    ),
  };
}

import { type Outline, boundsOf, halfTurn, once, quarterTurn, shift, signedArea, standOff } from '../geometry/index.js';
import type { Mm } from '../kernel/index.js';

/** How blanks lie to each other: in straight rows, every second one turned end for end, or fitted into each other. */
export const BLANK_ARRANGEMENTS = ['straight', 'head-to-tail', 'interlocked'] as const;
/** How blanks lie to each other: all one way, or every second row or blank turned by a half. */
export type BlankArrangement = (typeof BLANK_ARRANGEMENTS)[number];

/** A blank, and the area and gaps that it is laid with. Millimetres. */
export interface BlankRequest {
  /** One blank, millimetres; its position does not matter. */
  readonly outline: Outline;
  /** Area that blanks may cover. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Least distance between blanks, for stripping; 0 where a common cut is allowed. */
  readonly gapMm: Mm;
  /** Ways a blank may lie on the sheet, by grain: as drawn, turned by a quarter, or either. */
  readonly turns: 'upright' | 'turned' | 'either';
}

/** One blank in its place on the area. Millimetres. */
export interface PlacedBlank {
  /** The outline in place, from the area's lower left corner. */
  readonly outline: Outline;
  /** Quarter turns from the drawing, anticlockwise. */
  readonly quarters: 0 | 1 | 2 | 3;
}

/**
 * One way to lay blanks, in figures that hold for any sheet: what a search found, kept to be laid again exactly.
 * Without an offset rows are of single blanks, else of pairs of which the second is turned end for end.
 */
export interface BlankChoice {
  readonly arrangement: BlankArrangement;
  /** Turned by a quarter before it is laid. */
  readonly turned: boolean;
  /** How far the second blank of a pair is moved along the first, as a share of its height, -1 to 1. */
  readonly offset?: number | undefined;
  /** Shift from row to row, as a share of the row's pitch, 0 to below 1. */
  readonly shift?: number | undefined;
}

/** Blanks laid on a sheet in one arrangement. */
export interface BlankLayout {
  readonly arrangement: BlankArrangement;
  readonly choice: BlankChoice;
  readonly count: number;
  /** Share of the area that blanks cover. */
  readonly usedShare: number;
  readonly blanks: readonly PlacedBlank[];
}

/** The best of each arrangement, and the most that any could hold. */
export interface BlankLayouts {
  /** Best first; `straight` is always among them. */
  readonly proposals: readonly BlankLayout[];
  /** No layout of whatever kind holds more. */
  readonly bound: number;
}

/** Least distance that is told apart from touching, mm. */
export const GUARD_MM = 1e-6;

/** Moved so that its lower left corner is the origin. */
export function atOrigin(outline: Outline): Outline {
  const { left, bottom } = boundsOf(outline);
  return shift(outline, -left, -bottom);
}

const transpose = once((outline): Outline => outline.map(({ x, y }) => ({ x: y, y: x })));
/** Turned end for end, at the origin. */
const endForEnd = once((outline): Outline => atOrigin(halfTurn(outline)));

/** How far above `a` an outline `b`, moved right by dx, has to stand. */
const standAbove = (a: Outline, b: Outline, dx: Mm, gapMm: Mm): Mm | undefined =>
  standOff(transpose(a), transpose(b), dx, gapMm);

/** A row that repeats: one blank, or two of which the second is turned end for end. Positions within one repeat. */
interface Row {
  readonly members: readonly { readonly outline: Outline; readonly x: Mm; readonly y: Mm; readonly half: boolean }[];
  /** Distance after which the row repeats. */
  readonly pitch: Mm;
  readonly height: Mm;
}

function rowOf(blank: Outline, gapMm: Mm): Row {
  const { right, top } = boundsOf(blank);
  const pitch = standOff(blank, blank, 0, gapMm) ?? right + gapMm;
  return { members: [{ outline: blank, x: 0, y: 0, half: false }], pitch, height: top };
}

/** Two blanks end for end, the second moved up by dy (down where negative) and as near as the gap lets it. */
function pairRow(blank: Outline, dy: number, gapMm: Mm): Row {
  const turned = endForEnd(blank);
  const { right, top } = boundsOf(blank);
  const x = standOff(blank, turned, dy, gapMm) ?? right + gapMm;
  const back = standOff(turned, blank, -dy, gapMm) ?? right + gapMm;
  const own = Math.max(standOff(blank, blank, 0, gapMm) ?? 0, standOff(turned, turned, 0, gapMm) ?? 0);
  const lift = Math.max(0, -dy);
  return {
    members: [
      { outline: blank, x: 0, y: lift, half: false },
      { outline: turned, x, y: lift + dy, half: true },
    ],
    pitch: Math.max(x + back, own),
    height: top + Math.abs(dy),
  };
}

/** How far above a row the same row, shifted, has to stand so that no blank comes nearer than the gap. */
function rowStep(row: Row, shiftMm: Mm, gapMm: Mm): Mm {
  const width = Math.max(...row.members.map(({ outline }) => boundsOf(outline).right));
  const repeats = Math.ceil(width / row.pitch) + 1;
  let most = 0;
  for (const lower of row.members) {
    for (const upper of row.members) {
      for (let k = -repeats; k <= repeats; k++) {
        const dx = upper.x + shiftMm + k * row.pitch - lower.x;
        const stand = standAbove(lower.outline, upper.outline, dx, gapMm);
        if (stand !== undefined) most = Math.max(most, stand + lower.y - upper.y);
      }
    }
  }
  return most;
}

/** Blanks of a lattice of rows that lie wholly inside the area; each row begins as far left as its shift allows. */
function fill(row: Row, step: Mm, shiftMm: Mm, width: Mm, height: Mm): PlacedBlank[] {
  const blanks: PlacedBlank[] = [];
  if (!(step > 0) || !(row.pitch > 0)) return blanks;
  for (let r = 0; r * step <= height; r++) {
    const offset = (((r * shiftMm) % row.pitch) + row.pitch) % row.pitch;
    for (const { outline, x, y, half } of row.members) {
      const { right, top } = boundsOf(outline);
      const bottom = r * step + y;
      if (bottom + top > height + GUARD_MM) continue;
      for (let at = x + offset - row.pitch * 2; at + right <= width + GUARD_MM; at += row.pitch) {
        if (at < -GUARD_MM) continue;
        blanks.push({ outline: shift(outline, at, bottom), quarters: half ? 2 : 0 });
      }
    }
  }
  return blanks;
}

/** Rows and columns of the blank's own box. */
function straight(blank: Outline, { widthMm, heightMm, gapMm }: BlankRequest, headToTail: boolean): PlacedBlank[] {
  const { right, top } = boundsOf(blank);
  const turned = endForEnd(blank);
  const columns = Math.floor((widthMm + gapMm + GUARD_MM) / (right + gapMm));
  const rows = Math.floor((heightMm + gapMm + GUARD_MM) / (top + gapMm));
  return Array.from({ length: Math.max(0, columns) * Math.max(0, rows) }, (_, i): PlacedBlank => {
    const half = headToTail && (i % columns) % 2 === 1;
    const [x, y] = [(i % columns) * (right + gapMm), Math.floor(i / columns) * (top + gapMm)];
    return { outline: shift(half ? turned : blank, x, y), quarters: half ? 2 : 0 };
  });
}

/** Rows of pairs, or of single blanks without an offset, each row above the one before with the choice's shift. */
export function rowsOf(
  blank: Outline,
  { widthMm, heightMm, gapMm }: BlankRequest,
  { offset, shift: share = 0 }: BlankChoice,
): PlacedBlank[] {
  const row = offset === undefined ? rowOf(blank, gapMm) : pairRow(blank, offset * boundsOf(blank).top, gapMm);
  if (row.height > heightMm + GUARD_MM) return [];
  const by = share * row.pitch;
  return fill(row, rowStep(row, by, gapMm), by, widthMm, heightMm);
}

const turnBack = (blanks: readonly PlacedBlank[]): PlacedBlank[] =>
  blanks.map(({ outline, quarters }) => ({ outline, quarters: quarters === 2 ? 3 : 1 }));

/** Whether a choice lays blanks in the grid of their own boxes. */
const isBoxed = ({ arrangement, offset }: BlankChoice): boolean =>
  arrangement !== 'interlocked' && offset === undefined;

/** Lays a blank that has been turned as the choice wants it. */
export function layTurned(blank: Outline, request: BlankRequest, choice: BlankChoice): PlacedBlank[] {
  return isBoxed(choice)
    ? straight(blank, request, choice.arrangement === 'head-to-tail')
    : rowsOf(blank, request, choice);
}

/** Blanks laid, with the share of the area that they cover. */
export function layoutOf(request: BlankRequest, choice: BlankChoice, blanks: readonly PlacedBlank[]): BlankLayout {
  const [blankMm2, areaMm2] = [Math.abs(signedArea(request.outline)), request.widthMm * request.heightMm];
  return {
    arrangement: choice.arrangement,
    choice,
    count: blanks.length,
    usedShare: (blanks.length * blankMm2) / areaMm2,
    blanks: choice.turned ? turnBack(blanks) : blanks,
  };
}

/** The outline, turned by a quarter where it is asked, with its lower left corner at the origin. Millimetres. */
export const turnedBlank = (outline: Outline, turned: boolean): Outline =>
  atOrigin(turned ? quarterTurn(outline) : outline);

/**
 * Lays blanks in one chosen way, exactly, without a search: distances are the outlines' own. The grain is the caller's.
 * Cost: a blank of 200 points takes some tens of milliseconds where it is not boxed. Source: identity.
 */
export const layBlanksAs = (request: BlankRequest, choice: BlankChoice): BlankLayout =>
  layoutOf(request, choice, layTurned(turnedBlank(request.outline, choice.turned), request, choice));

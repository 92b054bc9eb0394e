import type { Mm } from '../kernel/index.js';
import {
  type Outline,
  boundsOf,
  halfTurn,
  once,
  quarterTurn,
  shift,
  signedArea,
  simplify,
  standOff,
} from '../geometry/index.js';

/** How blanks lie to each other: in straight rows, every second one turned end for end, or fitted into each other. */
export const BLANK_ARRANGEMENTS = ['straight', 'head-to-tail', 'interlocked'] as const;
export type BlankArrangement = (typeof BLANK_ARRANGEMENTS)[number];

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

export interface BlankLayout {
  readonly arrangement: BlankArrangement;
  readonly choice: BlankChoice;
  readonly count: number;
  /** Share of the area that blanks cover. */
  readonly usedShare: number;
  readonly blanks: readonly PlacedBlank[];
}

export interface BlankLayouts {
  /** Best first; `straight` is always among them. */
  readonly proposals: readonly BlankLayout[];
  /** No layout of whatever kind holds more. */
  readonly bound: number;
}

/** Steps of the search along a row's offset and along the shift from row to row. Cost grows with their product. */
const OFFSET_STEPS = 16;
const SHIFT_STEPS = 12;
/** Furthest that the second blank of a pair is moved along the first, as a share of its height: beyond lies the next row. */
const MOST_OFFSET = 0.9;
const GUARD_MM = 1e-6;

/** Moved so that its lower left corner is the origin. */
function atOrigin(outline: Outline): Outline {
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
function rowsOf(
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
function layTurned(blank: Outline, request: BlankRequest, choice: BlankChoice): PlacedBlank[] {
  return isBoxed(choice)
    ? straight(blank, request, choice.arrangement === 'head-to-tail')
    : rowsOf(blank, request, choice);
}

function layoutOf(request: BlankRequest, choice: BlankChoice, blanks: readonly PlacedBlank[]): BlankLayout {
  const [blankMm2, areaMm2] = [Math.abs(signedArea(request.outline)), request.widthMm * request.heightMm];
  return {
    arrangement: choice.arrangement,
    choice,
    count: blanks.length,
    usedShare: (blanks.length * blankMm2) / areaMm2,
    blanks: choice.turned ? turnBack(blanks) : blanks,
  };
}

const turnedBlank = (outline: Outline, turned: boolean): Outline => atOrigin(turned ? quarterTurn(outline) : outline);

/**
 * Lays blanks in one chosen way, exactly, without a search: distances are the outlines' own. The grain is the caller's.
 * Cost: a blank of 200 points takes some tens of milliseconds where it is not boxed. Source: identity.
 */
export const layBlanksAs = (request: BlankRequest, choice: BlankChoice): BlankLayout =>
  layoutOf(request, choice, layTurned(turnedBlank(request.outline, choice.turned), request, choice));

/** How many choices that look best on the simplified blank are reckoned on the blank itself. Source: measured. */
const FINALISTS = 8;
/** Blanks of more points are simplified for the search, to this share of their size. */
const MANY_POINTS = 40;
const SIMPLER = 0.008;

interface Found {
  readonly choice: BlankChoice;
  readonly blanks: readonly PlacedBlank[];
}

/** The best of many, by number of blanks; the first of equals. */
const bestOf = (found: readonly Found[]): Found | undefined =>
  found.reduce<Found | undefined>(
    (best, next) => (best && next.blanks.length <= best.blanks.length ? best : next),
    undefined,
  );

/** Rows of pairs, each row above the one before without a shift, or with the shift that gains most. */
function paired(
  blank: Outline,
  request: BlankRequest,
  like: BlankChoice,
  progress: (share: number) => void,
): Found | undefined {
  const { right, top } = boundsOf(blank);
  const rough = blank.length > MANY_POINTS ? atOrigin(simplify(blank, SIMPLER * Math.max(right, top))) : blank;
  const found: Found[] = [];
  for (let i = -OFFSET_STEPS; i <= OFFSET_STEPS; i++) {
    progress((i + OFFSET_STEPS) / (2 * OFFSET_STEPS));
    const shifts = like.arrangement === 'interlocked' ? SHIFT_STEPS : 1;
    for (let s = 0; s < shifts; s++) {
      const choice = { ...like, offset: (i / OFFSET_STEPS) * MOST_OFFSET, shift: s / shifts };
      found.push({ choice, blanks: rowsOf(rough, request, choice) });
    }
  }
  found.sort((a, b) => b.blanks.length - a.blanks.length);
  if (rough === blank) return found[0];
  return bestOf(found.slice(0, FINALISTS).map(({ choice }) => ({ choice, blanks: rowsOf(blank, request, choice) })));
}

/** Rows of one blank all the same way, shifted against each other. */
const staggered = (blank: Outline, request: BlankRequest, like: BlankChoice): Found | undefined =>
  bestOf(
    Array.from({ length: SHIFT_STEPS }, (_, s) => {
      const choice = { ...like, shift: s / SHIFT_STEPS };
      return { choice, blanks: rowsOf(blank, request, choice) };
    }),
  );

/**
 * Most blanks that any layout could hold: each one grown by half the gap has an area of its own, and covers no less than
 * a disc grown likewise would (Brunn-Minkowski); all lie in the area grown by half the gap.
 * Source: literature, Brunn-Minkowski inequality; identity.
 */
export function blankBound({ outline, widthMm, heightMm, gapMm }: BlankRequest): number {
  const grown = (Math.sqrt(Math.abs(signedArea(outline))) + (Math.sqrt(Math.PI) * gapMm) / 2) ** 2;
  return Math.floor(((widthMm + gapMm) * (heightMm + gapMm)) / grown + GUARD_MM);
}

const QUARTERS = { upright: [false], turned: [true], either: [false, true] } as const;

/** One proposal for each arrangement, those that a simpler one beats left out; best first, the simpler of equals. */
function proposalsOf(request: BlankRequest, found: readonly Found[]): BlankLayouts {
  const layouts = BLANK_ARRANGEMENTS.flatMap((arrangement) => {
    const best = bestOf(found.filter(({ choice }) => choice.arrangement === arrangement));
    return best ? [layoutOf(request, best.choice, best.blanks)] : [];
  });
  const proposals = layouts
    .filter(({ count }, i) => i === 0 || layouts.slice(0, i).every((simpler) => simpler.count <= count))
    .sort((a, b) => b.count - a.count);
  return { proposals, bound: blankBound(request) };
}

/** Straight rows and head to tail by the blanks' own boxes, without a search: what is shown while somebody types. */
export function layBlankRows(request: BlankRequest): BlankLayouts {
  const found = QUARTERS[request.turns].flatMap((turned) => {
    const blank = turnedBlank(request.outline, turned);
    return (['straight', 'head-to-tail'] as const).map((arrangement): Found => {
      const choice = { arrangement, turned };
      return { choice, blanks: layTurned(blank, request, choice) };
    });
  });
  return proposalsOf(request, found);
}

/**
 * Lays equal blanks on an area: straight rows, head to tail, and interlocked by their own outlines, as drawn and turned
 * by a quarter where the grain allows. Distances are exact for straight pieces; which offsets are tried is a search.
 * Head-to-tail and interlocked are never worse than what is simpler. @param progress told the share
 * done, 0..1. Blanks of many points are searched in a simpler form and then reckoned by their own outline.
 * Cost: a blank of 200 points takes about a second. Source: identity (clearance of outlines); handbook chapter 4.
 */
export function layBlanks(request: BlankRequest, progress: (share: number) => void = () => undefined): BlankLayouts {
  const ways = QUARTERS[request.turns];
  const found: Found[] = [];
  ways.forEach((turned, i) => {
    const blank = turnedBlank(request.outline, turned);
    const tell = (from: number, part: number) => (share: number) => progress((i + from + part * share) / ways.length);
    const take = (one: Found | undefined): void => {
      if (one) found.push(one);
    };
    const as = (arrangement: BlankArrangement): BlankChoice => ({ arrangement, turned });
    take({ choice: as('straight'), blanks: layTurned(blank, request, as('straight')) });
    take({ choice: as('head-to-tail'), blanks: layTurned(blank, request, as('head-to-tail')) });
    take(paired(blank, request, as('head-to-tail'), tell(0, 0.2)));
    take(staggered(blank, request, as('interlocked')));
    take(paired(blank, request, as('interlocked'), tell(0.2, 0.8)));
  });
  progress(1);
  return proposalsOf(request, found);
}

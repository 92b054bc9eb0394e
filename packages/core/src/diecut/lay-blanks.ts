import type { Mm } from '../kernel/index.js';
import {
  type Outline,
  boundsOf,
  halfTurn,
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

export interface BlankLayout {
  readonly arrangement: BlankArrangement;
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

const transpose = (outline: Outline): Outline => outline.map(({ x, y }) => ({ x: y, y: x }));

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
  const turned = atOrigin(halfTurn(blank));
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

/** The best of many, by number of blanks; the first of equals. */
const bestOf = (layouts: readonly PlacedBlank[][]): PlacedBlank[] =>
  layouts.reduce((best, next) => (next.length > best.length ? next : best), []);

/** Rows and columns of the blank's own box. */
function straight(blank: Outline, { widthMm, heightMm, gapMm }: BlankRequest, headToTail: boolean): PlacedBlank[] {
  const { right, top } = boundsOf(blank);
  const turned = atOrigin(halfTurn(blank));
  const columns = Math.floor((widthMm + gapMm + GUARD_MM) / (right + gapMm));
  const rows = Math.floor((heightMm + gapMm + GUARD_MM) / (top + gapMm));
  return Array.from({ length: Math.max(0, columns) * Math.max(0, rows) }, (_, i): PlacedBlank => {
    const half = headToTail && (i % columns) % 2 === 1;
    const [x, y] = [(i % columns) * (right + gapMm), Math.floor(i / columns) * (top + gapMm)];
    return { outline: shift(half ? turned : blank, x, y), quarters: half ? 2 : 0 };
  });
}

/** Offset of the second blank of a pair and shift from row to row, as shares of the blank's height and the row's pitch. */
interface PairChoice {
  readonly offset: number;
  readonly shift: number;
}

function pairsOf(
  blank: Outline,
  { widthMm, heightMm, gapMm }: BlankRequest,
  { offset, shift: share }: PairChoice,
): PlacedBlank[] {
  const row = pairRow(blank, offset * boundsOf(blank).top, gapMm);
  if (row.height > heightMm + GUARD_MM) return [];
  const by = share * row.pitch;
  return fill(row, rowStep(row, by, gapMm), by, widthMm, heightMm);
}

/** How many choices that look best on the simplified blank are reckoned on the blank itself. Source: measured. */
const FINALISTS = 8;
/** Blanks of more points are simplified for the search, to this share of their size. */
const MANY_POINTS = 40;
const SIMPLER = 0.008;

/** Rows of pairs, each row above the one before without a shift, or with the shift that gains most. */
function paired(
  blank: Outline,
  request: BlankRequest,
  shifted: boolean,
  progress: (share: number) => void,
): PlacedBlank[] {
  const { right, top } = boundsOf(blank);
  const rough = blank.length > MANY_POINTS ? atOrigin(simplify(blank, SIMPLER * Math.max(right, top))) : blank;
  const found: { choice: PairChoice; blanks: PlacedBlank[] }[] = [];
  for (let i = -OFFSET_STEPS; i <= OFFSET_STEPS; i++) {
    progress((i + OFFSET_STEPS) / (2 * OFFSET_STEPS));
    const shifts = shifted ? SHIFT_STEPS : 1;
    for (let s = 0; s < shifts; s++) {
      const choice = { offset: (i / OFFSET_STEPS) * MOST_OFFSET, shift: s / shifts };
      found.push({ choice, blanks: pairsOf(rough, request, choice) });
    }
  }
  found.sort((a, b) => b.blanks.length - a.blanks.length);
  if (rough === blank) return found[0]?.blanks ?? [];
  return bestOf(found.slice(0, FINALISTS).map(({ choice }) => pairsOf(blank, request, choice)));
}

/** Rows of one blank all the same way, shifted against each other. */
function staggered(blank: Outline, { widthMm, heightMm, gapMm }: BlankRequest): PlacedBlank[] {
  const row = rowOf(blank, gapMm);
  return bestOf(
    Array.from({ length: SHIFT_STEPS }, (_, s) => {
      const by = (s / SHIFT_STEPS) * row.pitch;
      return fill(row, rowStep(row, by, gapMm), by, widthMm, heightMm);
    }),
  );
}

/**
 * Most blanks that any layout could hold: each one grown by half the gap has an area of its own, and covers no less than
 * a disc grown likewise would (Brunn-Minkowski); all lie in the area grown by half the gap.
 * Source: literature, Brunn-Minkowski inequality; identity.
 */
export function blankBound({ outline, widthMm, heightMm, gapMm }: BlankRequest): number {
  const grown = (Math.sqrt(Math.abs(signedArea(outline))) + (Math.sqrt(Math.PI) * gapMm) / 2) ** 2;
  return Math.floor(((widthMm + gapMm) * (heightMm + gapMm)) / grown + GUARD_MM);
}

const turnBack = (blanks: readonly PlacedBlank[]): PlacedBlank[] =>
  blanks.map(({ outline, quarters }) => ({ outline, quarters: quarters === 2 ? 3 : 1 }));

/**
 * Lays equal blanks on an area: straight rows, head to tail, and interlocked by their own outlines, as drawn and turned
 * by a quarter where the grain allows. Distances are exact for straight pieces; which offsets are tried is a search.
 * Head-to-tail and interlocked are never worse than what is simpler. @param progress told the share done, 0..1.
 * Blanks of many points are searched in a simpler form and then reckoned by their own outline.
 * Cost: a blank of 200 points takes about a second. Source: identity (clearance of outlines); handbook chapter 4.
 */
export function layBlanks(request: BlankRequest, progress: (share: number) => void = () => undefined): BlankLayouts {
  const turned = { upright: [false], turned: [true], either: [false, true] }[request.turns];
  const best: Record<BlankArrangement, PlacedBlank[]> = { straight: [], 'head-to-tail': [], interlocked: [] };
  const take = (arrangement: BlankArrangement, blanks: PlacedBlank[]): void => {
    if (blanks.length > best[arrangement].length) best[arrangement] = blanks;
  };
  turned.forEach((quarter, i) => {
    const blank = atOrigin(quarter ? quarterTurn(request.outline) : request.outline);
    const back = quarter ? turnBack : (blanks: PlacedBlank[]): PlacedBlank[] => blanks;
    const tell = (from: number, part: number) => (share: number) => progress((i + from + part * share) / turned.length);
    take('straight', back(straight(blank, request, false)));
    take('head-to-tail', back(straight(blank, request, true)));
    take('head-to-tail', back(paired(blank, request, false, tell(0, 0.2))));
    take('interlocked', back(staggered(blank, request)));
    take('interlocked', back(paired(blank, request, true, tell(0.2, 0.8))));
  });
  progress(1);
  const [blankMm2, areaMm2] = [Math.abs(signedArea(request.outline)), request.widthMm * request.heightMm];
  const layouts = BLANK_ARRANGEMENTS.map((arrangement): BlankLayout => {
    const blanks = best[arrangement];
    return { arrangement, count: blanks.length, usedShare: (blanks.length * blankMm2) / areaMm2, blanks };
  });
  const proposals = layouts
    .filter(
      ({ arrangement, count }, i) => arrangement === 'straight' || layouts.slice(0, i).every((l) => l.count <= count),
    )
    .sort((a, b) => b.count - a.count);
  return { proposals, bound: blankBound(request) };
}

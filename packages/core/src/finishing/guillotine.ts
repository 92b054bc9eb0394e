import type { Mm } from '../kernel/index.js';

/** A piece on the sheet, trimmed size, from the sheet's left and gripper edge. */
export interface CutPiece {
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

type Axis = 'x' | 'y';
/** Low and high end along an axis, from the sheet's left or gripper edge. */
type Span = readonly [Mm, Mm];
interface Rect {
  readonly x: Span;
  readonly y: Span;
}

/** One cut of the programme, of one pile or of strips that lie side by side and are cut together. */
export interface Cut {
  /** From the back gauge to the knife. */
  readonly gaugeMm: Mm;
  /** Turns of the pile by a quarter before it, 0 where it lies as it lay. */
  readonly quarterTurns: 0 | 1 | 2;
  /** Edge of the sheet, or of what is left of it, that lies at the back gauge. */
  readonly back: 'left' | 'right' | 'gripper' | 'tail';
  /** What falls away in front of the knife. */
  readonly falls: 'trim' | 'gutter' | 'piece' | 'strip';
  /** Piles that lie before the knife, as rectangles of the sheet; several where strips are cut together. */
  readonly piles: readonly Rect[];
}

/** A cutting programme: its cuts in order with gauges in mm and turns, and how often the lift is turned. */
export interface CuttingProgramme {
  readonly cuts: readonly Cut[];
  /** Turns by a quarter, all together. */
  readonly quarterTurns: number;
  /** Cuts whose gauge is shorter than the clamp holds. */
  readonly tooShort: readonly Cut[];
  /** Area that falls away, mm2. */
  readonly wasteMm2: number;
}

const SIDES: Readonly<Record<Axis, readonly ['left' | 'gripper', 'right' | 'tail']>> = {
  x: ['left', 'right'],
  y: ['gripper', 'tail'],
};
const OTHER: Readonly<Record<Axis, Axis>> = { x: 'y', y: 'x' };
/** Knives are set to a hundredth. */
const ROUND = 100;
const round = (mm: number): number => Math.round(mm * ROUND) / ROUND;

const spanOf = (piece: CutPiece, axis: Axis): Span =>
  axis === 'x'
    ? [round(piece.xMm), round(piece.xMm + piece.widthMm)]
    : [round(piece.yMm), round(piece.yMm + piece.heightMm)];

/** Pieces that lie together between two full cuts. */
interface Group {
  readonly span: Span;
  readonly pieces: readonly CutPiece[];
}

/** Groups of pieces that a full cut parts along an axis, in order, with the span that each takes. */
function groupsAlong(pieces: readonly CutPiece[], axis: Axis): readonly Group[] {
  const sorted = [...pieces].sort((a, b) => spanOf(a, axis)[0] - spanOf(b, axis)[0]);
  const groups: { span: [Mm, Mm]; pieces: CutPiece[] }[] = [];
  for (const piece of sorted) {
    const [low, high] = spanOf(piece, axis);
    const last = groups.at(-1);
    if (last && low < last.span[1]) {
      last.span[1] = Math.max(last.span[1], high);
      last.pieces.push(piece);
    } else groups.push({ span: [low, high], pieces: [piece] });
  }
  return groups;
}

/** A pile with the pieces in it, and those beside it that are cut the same way. */
interface Pile {
  readonly rects: readonly Rect[];
  readonly pieces: readonly CutPiece[];
}

interface Staged {
  readonly cuts: readonly StagedCut[];
  readonly cost: number;
}

const withSpan = (rect: Rect, axis: Axis, span: Span): Rect =>
  axis === 'x' ? { ...rect, x: span } : { ...rect, y: span };
const across = (rect: Rect): string => `${rect.x.join()}|${rect.y.join()}`;

/** A turn costs about a cut's time: what the search weighs by. Source: common practice, no source. */
const TURN = 0.6;
/** A gauge that the clamp does not hold is taken only where no other order avoids it. */
const SHORT = 1000;

/** What a search remembers, and the shortest gauge that the clamp holds. */
interface Search {
  readonly leastMm: Mm;
  readonly memo: Map<string, Staged | undefined>;
}
type StagedCut = Omit<Cut, 'quarterTurns'>;

/**
 * Cuts that part the groups of a pile along one axis: both edges trimmed, the one that stays at the back last, then
 * pieces off in front.
 */
function cutGroups(pile: Pile, axis: Axis, groups: readonly Group[], keep: 'low' | 'high'): StagedCut[] {
  const [low, high] = pile.rects[0]?.[axis] ?? [0, 0];
  const begin = groups[0]?.span[0] ?? low;
  const end = groups.at(-1)?.span[1] ?? high;
  const [lowSide, highSide] = SIDES[axis];
  const cuts: StagedCut[] = [];
  const add = (back: Cut['back'], gaugeMm: Mm, falls: Cut['falls'], span: Span): void => {
    cuts.push({ back, gaugeMm: round(gaugeMm), falls, piles: pile.rects.map((rect) => withSpan(rect, axis, span)) });
  };
  const atHigh = keep === 'high';
  const trimHigh = (from: Mm): void => {
    if (high > end) add(lowSide, end - from, 'trim', [from, high]);
  };
  const trimLow = (to: Mm): void => {
    if (begin > low) add(highSide, to - begin, 'trim', [low, to]);
  };
  if (atHigh) {
    trimHigh(low);
    trimLow(end);
  } else {
    trimLow(high);
    trimHigh(begin);
  }
  const ordered = atHigh ? groups : [...groups].reverse();
  const from = ({ span }: Group): Mm => (atHigh ? end - span[1] : span[0] - begin);
  const to = ({ span }: Group): Mm => (atHigh ? end - span[0] : span[1] - begin);
  const back = atHigh ? highSide : lowSide;
  ordered.slice(0, -1).forEach((group, i) => {
    const next = ordered[i + 1];
    if (!next) return;
    const left: Span = atHigh ? [group.span[0], end] : [begin, group.span[1]];
    add(back, from(group), group.pieces.length > 1 ? 'strip' : 'piece', left);
    if (to(next) < from(group)) add(back, to(next), 'gutter', atHigh ? [group.span[1], end] : [begin, group.span[0]]);
  });
  return cuts;
}

/** Cuts, turns between both ends, and gauges that are too short. */
const costOf = (cuts: readonly StagedCut[], leastMm: Mm): number =>
  cuts.length +
  (new Set(cuts.map(({ back }) => back)).size > 1 ? 2 * TURN : 0) +
  SHORT * cuts.filter(({ gaugeMm }) => gaugeMm < leastMm).length;

/** Cuts of a pile beginning along one axis; undefined where no full cut parts what is in it. */
function stage(pile: Pile, axis: Axis, search: Search): Staged | undefined {
  const [first] = pile.rects;
  if (!first) return undefined;
  const { memo, leastMm } = search;
  const key = `${axis}${across(first)}#${pile.pieces.length}@${pile.rects.length}`;
  if (memo.has(key)) return memo.get(key);
  memo.set(key, undefined);
  const groups = groupsAlong(pile.pieces, axis);
  const trimsLow = (groups[0]?.span[0] ?? 0) > first[axis][0];
  // The reference edge is at the back for the first cut; the other order where it spares a strip that is too short.
  const [cuts = []] = (trimsLow ? (['high', 'low'] as const) : (['low', 'high'] as const))
    .map((keep) => cutGroups(pile, axis, groups, keep))
    .sort((one, other) => costOf(one, leastMm) - costOf(other, leastMm));
  if (cuts.length === 0 && groups.length < 2) {
    const done = pile.pieces.length === 1 ? { cuts: [], cost: 0 } : undefined;
    memo.set(key, done);
    return done;
  }
  const strips = groups.map(({ span, pieces }): Pile => ({
    rects: pile.rects.map((rect) => withSpan(rect, axis, span)),
    pieces,
  }));
  let cost = costOf(cuts, leastMm);
  const all: StagedCut[] = [...cuts];
  for (const one of together(strips, OTHER[axis])) {
    const next = finish(one, OTHER[axis], search);
    if (!next) return undefined;
    all.push(...next.cuts);
    cost += next.cost + (next.cuts.length > 0 ? TURN : 0);
  }
  const staged = { cuts: all, cost };
  memo.set(key, staged);
  return staged;
}

/** Whether a pile is nothing but its one piece. */
const isDone = ({ rects: [rect], pieces: [piece, ...others] }: Pile): boolean =>
  rect !== undefined &&
  piece !== undefined &&
  others.length === 0 &&
  (['x', 'y'] as const).every((axis) => fills(piece, rect, axis));

/** Goes on with a strip along the given axis. */
const finish = (pile: Pile, axis: Axis, search: Search): Staged | undefined =>
  isDone(pile) ? { cuts: [], cost: 0 } : stage(pile, axis, search);

/** Whether a piece reaches from end to end of a pile along an axis. */
const fills = (piece: CutPiece, rect: Rect, axis: Axis): boolean =>
  spanOf(piece, axis).every((end, i) => end === rect[axis][i]);

/** Strips that are cut alike along an axis lie side by side and are cut together. */
function together(strips: readonly Pile[], axis: Axis): Pile[] {
  const groups = new Map<string, Pile>();
  for (const strip of strips) {
    const spans = groupsAlong(strip.pieces, axis).map(({ span, pieces }) => `${span.join('-')}x${pieces.length}`);
    const [rect] = strip.rects;
    // What goes on to be cut a third time is cut by itself.
    const simple = groupsAlong(strip.pieces, axis).every(
      ({ pieces }) =>
        pieces.length === 1 && rect !== undefined && pieces.every((piece) => fills(piece, rect, OTHER[axis])),
    );
    const key = simple ? `${rect?.[axis].join() ?? ''}:${spans.join()}` : `${groups.size}!`;
    const before = groups.get(key);
    groups.set(key, before ? { ...before, rects: [...before.rects, ...strip.rects] } : strip);
  }
  return [...groups.values()];
}

/** Turns between two edges at the back gauge. */
function turnsBetween(before: Cut['back'] | undefined, now: Cut['back']): 0 | 1 | 2 {
  if (before === undefined || before === now) return 0;
  const opposite = { left: 'right', right: 'left', gripper: 'tail', tail: 'gripper' };
  return opposite[before] === now ? 2 : 1;
}

/**
 * The cutting programme of a sheet: trims against the reference edges, then strips, then pieces; strips that are cut
 * alike lie side by side and count once. Of the two axes to begin with, and the two edges that may stay at the back, the
 * ones without strips that the clamp does not hold, then with fewer cuts and turns. Undefined where no edge-to-edge cuts
 * part the pieces.
 * @param leastMm shortest gauge that the clamp holds. Source: handbook chapter 7 (practice); the search identity.
 */
export function cuttingProgramme(
  sheet: { readonly widthMm: Mm; readonly heightMm: Mm },
  pieces: readonly CutPiece[],
  leastMm: Mm,
): CuttingProgramme | undefined {
  if (pieces.length === 0) return undefined;
  const whole: Pile = { rects: [{ x: [0, round(sheet.widthMm)], y: [0, round(sheet.heightMm)] }], pieces };
  const search: Search = { leastMm, memo: new Map() };
  const [best] = (['x', 'y'] as const)
    .flatMap((axis) => stage(whole, axis, search) ?? [])
    .sort((a, b) => a.cost - b.cost);
  if (!best) return undefined;
  let before: Cut['back'] | undefined;
  const cuts = best.cuts.map((cut): Cut => {
    const quarterTurns = turnsBetween(before, cut.back);
    before = cut.back;
    return { ...cut, quarterTurns };
  });
  const covered = pieces.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
  return {
    cuts,
    quarterTurns: cuts.reduce((sum, cut) => sum + cut.quarterTurns, 0),
    tooShort: cuts.filter(({ gaugeMm }) => gaugeMm < leastMm),
    wasteMm2: sheet.widthMm * sheet.heightMm - covered,
  };
}

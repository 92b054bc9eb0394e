import { type Issue, type Outcome, error } from '../kernel/index.js';
import type { MarkPlace, Offset } from './reading.js';

/** Found misregister of one colour against the reference, about the middle of the marks. */
export interface RegisterFit {
  /** Mean offset across the sheet and around the cylinder, mm. */
  readonly across: number;
  readonly around: number;
  /** Turn against the clock, radians; mm a metre is a thousand times that. */
  readonly rotation: number;
  /** Stretch across and around as a share; undefined where the marks cannot tell. */
  readonly stretchAcross: number | undefined;
  readonly stretchAround: number | undefined;
  /** Middle of the marks, about which it turns. */
  readonly middle: MarkPlace;
  /** What is left at each mark once the plate has been moved and cocked: what the trap has to cover. */
  readonly afterMoves: readonly Offset[];
  /** What none of it explains, root of the mean square of both directions over all marks, mm. */
  readonly unexplainedMm: number;
}

/** An offset beyond this is a slip of the unit or of the finger, not register. Source: practice. */
export const MOST_OFFSET_MM = 5;
/** Marks nearer to a common line than this share of their spread count as on it. */
const ON_A_LINE = 1e-9;

const NONE: Offset = { dx: 0, dy: 0 };

/** Offsets that cannot be: none, or in another unit. Issues: `register.too-few-marks`, `register.offset-too-large`. */
function checkOffsets(marks: readonly MarkPlace[], offsets: readonly Offset[], path: string): Issue[] {
  if (marks.length < 2 || offsets.length !== marks.length)
    return [error('register.too-few-marks', path, { marks: marks.length, readings: offsets.length })];
  const issues: Issue[] = [];
  for (let i = 0; i < offsets.length; i++) {
    const { dx, dy } = offsets[i] ?? NONE;
    const worst = Math.max(Math.abs(dx), Math.abs(dy));
    // What is no number is not within the limit either.
    if (!(worst <= MOST_OFFSET_MM))
      issues.push(
        error('register.offset-too-large', `${path}[${i}]`, { mark: i + 1, value: worst, most: MOST_OFFSET_MM }),
      );
  }
  return issues;
}

function meanPlace(marks: readonly MarkPlace[]): MarkPlace {
  let [x, y] = [0, 0];
  for (const { xMm, yMm } of marks) {
    x += xMm / marks.length;
    y += yMm / marks.length;
  }
  return { xMm: x, yMm: y };
}

interface Sums {
  readonly uu: number;
  readonly vv: number;
  readonly uv: number;
  readonly udx: number;
  readonly vdx: number;
  readonly udy: number;
  readonly vdy: number;
}

interface Linear {
  readonly stretchAcross: number | undefined;
  readonly rotation: number;
  readonly stretchAround: number | undefined;
}

/**
 * Rotation and stretches by least squares out of the sums over all marks. Marks on a line across tell nothing of the
 * stretch around, and the other way round; on a slanting line they tell rotation and stretch apart in no way.
 */
function solve({ uu, vv, uv, udx, vdx, udy, vdy }: Sums): Linear | undefined {
  const spread = uu + vv;
  if (spread === 0) return undefined;
  if (vv <= ON_A_LINE * spread) return { stretchAcross: udx / uu, rotation: udy / uu, stretchAround: undefined };
  if (uu <= ON_A_LINE * spread) return { stretchAcross: undefined, rotation: -vdx / vv, stretchAround: vdy / vv };
  if (uu * vv - uv * uv <= ON_A_LINE * uu * vv) return undefined;
  // sx = (udx + t uv) / uu and sy = (vdy - t uv) / vv, put into the equation of the turn t.
  const rotation = (udy - vdx + (uv * udx) / uu - (uv * vdy) / vv) / (spread - (uv * uv) / uu - (uv * uv) / vv);
  return { stretchAcross: (udx + rotation * uv) / uu, rotation, stretchAround: (vdy - rotation * uv) / vv };
}

/**
 * Splits the offsets of a colour into moves (across, around, turn) and stretch, by least squares about the middle of the
 * marks: dx = across + sx u - t v, dy = around + t u + sy v.
 * @param offsets colour minus reference at each mark, mm, at most 5.
 * Issues: `register.too-few-marks`, `register.marks-on-a-line` (a slanting line), `register.offset-too-large`.
 * Source: identity, handbook chapter 5 "Register".
 */
export function fitRegister(
  marks: readonly MarkPlace[],
  offsets: readonly Offset[],
  path: string,
): Outcome<RegisterFit> {
  const wrong = checkOffsets(marks, offsets, path);
  if (wrong.length > 0) return { ok: false, issues: wrong };
  const n = marks.length;
  const middle = meanPlace(marks);
  let [across, around] = [0, 0];
  for (const { dx, dy } of offsets) {
    across += dx / n;
    around += dy / n;
  }
  const sums = { uu: 0, vv: 0, uv: 0, udx: 0, vdx: 0, udy: 0, vdy: 0 };
  for (let i = 0; i < n; i++) {
    const mark = marks[i] ?? middle;
    const offset = offsets[i] ?? NONE;
    const u = mark.xMm - middle.xMm;
    const v = mark.yMm - middle.yMm;
    const dx = offset.dx - across;
    const dy = offset.dy - around;
    sums.uu += u * u;
    sums.vv += v * v;
    sums.uv += u * v;
    sums.udx += u * dx;
    sums.vdx += v * dx;
    sums.udy += u * dy;
    sums.vdy += v * dy;
  }
  const linear = solve(sums);
  if (!linear) return { ok: false, issues: [error('register.marks-on-a-line', path, { marks: n })] };
  const { rotation, stretchAcross = 0, stretchAround = 0 } = linear;
  let squares = 0;
  const afterMoves = offsets.map((offset, i): Offset => {
    const mark = marks[i] ?? middle;
    const u = mark.xMm - middle.xMm;
    const v = mark.yMm - middle.yMm;
    const left = { dx: offset.dx - across + rotation * v, dy: offset.dy - around - rotation * u };
    squares += (left.dx - stretchAcross * u) ** 2 + (left.dy - stretchAround * v) ** 2;
    return left;
  });
  return {
    ok: true,
    value: {
      across,
      around,
      ...linear,
      middle,
      afterMoves,
      unexplainedMm: Math.sqrt(squares / (2 * n)),
    },
  };
}

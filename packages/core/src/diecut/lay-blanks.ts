import { type Outline, boundsOf, signedArea, simplify } from '../geometry/index.js';
import {
  type BlankArrangement,
  type BlankChoice,
  type BlankLayouts,
  type BlankRequest,
  type PlacedBlank,
  BLANK_ARRANGEMENTS,
  GUARD_MM,
  atOrigin,
  layTurned,
  layoutOf,
  rowsOf,
  turnedBlank,
} from './blank-rows.js';

/** Steps of the search along a row's offset and along the shift from row to row. Cost grows with their product. */
const OFFSET_STEPS = 16;
const SHIFT_STEPS = 12;
/** Furthest that the second blank of a pair is moved along the first, as a share of its height: beyond lies the next row. */
const MOST_OFFSET = 0.9;
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

import { type ShiftDecision, type ShiftState, breakCost, lostOf, playShift, shiftEnd } from './play.js';
import { outOf, shareOf } from './out.js';
import { type PracticeShift, COPIES_A_MINUTE, COUNTING_COPIES, SHORT_COPIES, SHIFT_WASTE, driftAt } from './shift.js';

/** Steps to either side that a best decision may set a colour to. */
const REACH = 10;
const PLACES = Array.from({ length: 2 * REACH + 1 }, (_, i) => i - REACH);

/** Where register and ink are set before the copies of a look, and what it costs from there to the end. */
interface Setting {
  readonly lie: number;
  readonly ink: number;
  readonly cost: number;
}

const least = (all: readonly Setting[]): Setting => all.reduce((best, one) => (one.cost < best.cost ? one : best));

/**
 * The settings of register and ink that lose the fewest copies over the whole run, knowing what will happen: every look and every place is tried, from
 * the last back to the first. Source: identity (dynamic programming over all cases).
 */
function bestSettings(shift: PracticeShift): (look: number, lie: number, ink: number) => Setting {
  const at = (lie: number, ink: number): number => (lie + REACH) * PLACES.length + ink + REACH;
  const inside = (steps: number): number => Math.max(-REACH, Math.min(REACH, steps));
  let later: readonly number[] = PLACES.flatMap(() => PLACES.map(() => 0));
  const looks: ((lie: number, ink: number) => Setting)[] = [];
  for (let look = shift.looks - 1; look >= 0; look--) {
    const [dl, di] = [driftAt(shift.drift, look), driftAt(shift.ink, look)];
    const after = later;
    const set = PLACES.map((lie) =>
      PLACES.map((ink): Setting => {
        const bad = Math.round(shift.perLook * shareOf([...outOf(lie, lie + dl), ...outOf(ink, ink + di)]));
        return { lie, ink, cost: bad + (after[at(inside(lie + dl), inside(ink + di))] ?? 0) };
      }),
    );
    const byInk = PLACES.map((_, i) => least(set.map((row) => row[i] ?? { lie: 0, ink: 0, cost: Infinity })));
    const byLie = set.map((row) => least(row));
    const any = least(byLie);
    const more = (one: Setting, cost: number): Setting => ({ ...one, cost: one.cost + cost });
    const none: Setting = { lie: 0, ink: 0, cost: Infinity };
    const from = (lie: number, ink: number): Setting => {
      const [l, i] = [inside(lie) + REACH, inside(ink) + REACH];
      return least([
        set[l]?.[i] ?? none,
        more(byInk[i] ?? none, SHIFT_WASTE.move),
        more(byLie[l] ?? none, SHIFT_WASTE.keys),
        more(any, SHIFT_WASTE.move + SHIFT_WASTE.keys),
      ]);
    };
    looks[look] = from;
    later = PLACES.flatMap((lie) => PLACES.map((ink) => from(lie, ink).cost));
  }
  return (look, lie, ink) => looks[look]?.(lie, ink) ?? { lie, ink, cost: 0 };
}

/** The decisions that lose the fewest copies, for somebody who knows what will happen, and what they come to. */
export interface BestShift {
  readonly decisions: readonly ShiftDecision[];
  readonly extra: number;
  readonly end: ShiftState;
}

/** The best that could have been done with a run. */
export function bestShift(shift: PracticeShift): BestShift {
  const settings = bestSettings(shift);
  const cost = (roll: 'same' | 'new'): number => {
    const { copies, minutes } = breakCost(shift, roll);
    return copies + minutes * COPIES_A_MINUTE;
  };
  const roll = cost('new') < cost('same') ? 'new' : 'same';
  let [lie, ink] = [shift.lie[shift.drift.colour], 0];
  const decisions = Array.from({ length: shift.looks }, (_, look): ShiftDecision => {
    const set = settings(look, lie, ink);
    const [move, key] = [set.lie - lie, set.ink - ink];
    [lie, ink] = [set.lie + driftAt(shift.drift, look), set.ink + driftAt(shift.ink, look)];
    return {
      moves: move === 0 ? {} : { [shift.drift.colour]: move },
      keys: key === 0 ? {} : { [shift.ink.colour]: key },
      ...(look === shift.broken.at ? { roll } : {}),
    };
  });
  const blind = playShift(shift, decisions);
  // Whoever does not count runs what the counter asks for, and is short by what is missing.
  const counts = blind.missing * SHORT_COPIES > COUNTING_COPIES;
  const told = decisions.map((decision, look) =>
    counts && look === shift.short.at ? { ...decision, count: true } : decision,
  );
  const state = playShift(shift, told);
  const extra = Math.max(0, shift.ordered - (counts ? state.good : state.good + state.missing));
  return { decisions: told, extra, end: shiftEnd(shift, state, extra) };
}

/** Share of the marks of a shift, 0..1: what the best loses of what was lost. */
export const shiftShare = (shift: PracticeShift, end: ShiftState): number =>
  Math.min(1, lostOf(bestShift(shift).end) / Math.max(1, lostOf(end)));

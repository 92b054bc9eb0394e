import { dayAfter, wallClock } from '../kernel/index.js';
import { type BalancedStep, type StationBalance, balanceOf } from './balance.js';
import { type Tallied, Tally } from './tally.js';

/** Shifts of a day, and the hour on the wall that each ends at. Source: common practice, no source. */
const SHIFTS = [
  [6, 'night'],
  [14, 'early'],
  [22, 'late'],
  [24, 'night'],
] as const;
export type ShiftName = (typeof SHIFTS)[number][1];

const NIGHT_ENDS = 6;

/** The shift that a time lies in, and the day that it began on (a night belongs to the evening before). @param at ISO 8601. */
export function shiftAt(at: string, timeZone: string | undefined): { readonly day: string; readonly shift: ShiftName } {
  const wall = wallClock(Date.parse(at), timeZone);
  const hour = Number(wall.slice(11, 13));
  const shift = SHIFTS.find(([until]) => hour < until)?.[1] ?? 'night';
  const day = wall.slice(0, 10);
  return { day: hour < NIGHT_ENDS ? dayAfter(day, -1) : day, shift };
}

/** What a shift took in and gave out, in pieces, and what was still there when it ended. */
export interface ShiftBalance extends Omit<StationBalance, 'difference'> {
  readonly day: string;
  readonly shift: ShiftName;
  /** Handed on to the next shift: all that came in and is told nowhere yet. */
  readonly open: number;
}

/**
 * The balance of a station shift by shift: what was open before and came in is good, spoiled, a sample, left over, or open for the
 * next. One line a material. Source: handbook chapter 9 "Counts".
 * @param entries those of the station that count, in the order that they happened. A count of all so far says what its shift added.
 */
export function shiftBalances(
  step: BalancedStep,
  entries: readonly { readonly at: string; readonly event: Tallied }[],
  timeZone: string | undefined,
): ShiftBalance[] {
  const shifts: { day: string; shift: ShiftName; lines: StationBalance[] }[] = [];
  const all = new Tally();
  for (const { at, event } of entries) {
    const { day, shift } = shiftAt(at, timeZone);
    all.add(event, at);
    const last = shifts.at(-1);
    if (last?.day === day && last.shift === shift) last.lines = balanceOf(step, all);
    else shifts.push({ day, shift, lines: balanceOf(step, all) });
  }
  return shifts.flatMap(({ day, shift, lines }, i) =>
    lines.map((line): ShiftBalance => {
      const before = shifts[i - 1]?.lines.find(({ material }) => material === line.material);
      const own = (of: Exclude<keyof StationBalance, 'material' | 'difference'>): number =>
        Math.round((line[of] - (before?.[of] ?? 0)) * 1e6) / 1e6;
      return {
        ...{ day, shift, material: line.material, takenIn: own('takenIn'), good: own('good'), samples: own('samples') },
        ...{ spoiled: own('spoiled'), leftOver: own('leftOver'), explained: own('explained'), open: line.difference },
      };
    }),
  );
}

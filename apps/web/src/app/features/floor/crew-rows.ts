import type { FloorPlan, schedule } from '@druckerei/core';
import { type FoldedTime, round } from './folded-time';

type Span = schedule.Span;

/** People of a crew over time: how many it has, and how many its machines want. */
export interface CrewRow {
  readonly name: string;
  readonly y: number;
  /** Lines of steps, from left to right. */
  readonly present: string;
  readonly wanted: string;
}

/** A crew, and when each of its places is there. */
export interface CrewTimes {
  readonly name: string;
  readonly places: readonly schedule.OpenTime[];
}

/** Height of a crew's line, for as many as it has places. */
const CREW_PX = 24;

/** A line of steps through so many at each minute. @param levels by minute, in order. */
function stepped(levels: readonly (readonly [number, number])[], time: FoldedTime, y: number, most: number): string {
  const height = (level: number): number => y + CREW_PX / 2 - (CREW_PX * Math.min(level, most)) / Math.max(1, most);
  return levels
    .map(([minute, level], i) => `${i === 0 ? 'M 0' : `H ${round(time.x(minute))} V`} ${round(height(level))}`)
    .concat(`H ${round(time.width)}`)
    .join(' ');
}

/** How many are there at each minute, out of stretches that each hold one. */
function levelsOf(stretches: readonly Span[], until: number): [number, number][] {
  const changes = new Map<number, number>([[0, 0]]);
  const add = (minute: number, by: number): Map<number, number> => changes.set(minute, (changes.get(minute) ?? 0) + by);
  for (const [from, to] of stretches) {
    if (from >= until) continue;
    add(Math.max(0, from), 1);
    add(Math.min(until, to), -1);
  }
  let level = 0;
  return [...changes].sort(([a], [b]) => a - b).map(([minute, by]) => [minute, (level += by)]);
}

/** Crews below the machines: people present, and wanted at once. */
export function crewRows(
  plan: FloorPlan,
  crews: readonly CrewTimes[],
  time: FoldedTime,
  top: number,
  rowPx: number,
  until: number,
): CrewRow[] {
  return crews.map(({ name, places }, i): CrewRow => {
    const y = top + i * rowPx + rowPx / 2;
    const spans = places.flatMap((open) => open.spans);
    const own = new Set(places.map((_, k) => `${name} ${k + 1}`));
    const held = plan.slots.flatMap(({ place, start, end }): Span[] =>
      place !== null && own.has(place) ? [[start, end]] : [],
    );
    return {
      name,
      y,
      present: stepped(levelsOf(spans, until), time, y, places.length),
      wanted: stepped(levelsOf(held, until), time, y, places.length),
    };
  });
}

export const MINUTE_MS = 60_000;
const clocks = new Map<string, Intl.DateTimeFormat>();

function clockOf(zone: string | undefined): Intl.DateTimeFormat {
  const known = clocks.get(zone ?? '');
  if (known) return known;
  const made = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
  clocks.set(zone ?? '', made);
  return made;
}

/** What the clock on the wall says in a zone (the machine's own where undefined): `2026-03-29T03:30`. @param ms since 1970 UTC. */
export function wallClock(ms: number, zone: string | undefined): string {
  const parts = new Map(
    clockOf(zone)
      .formatToParts(ms)
      .map(({ type, value }) => [type, value]),
  );
  const of = (type: Intl.DateTimeFormatPartTypes): string => parts.get(type) ?? '';
  return `${of('year').padStart(4, '0')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`;
}

const DAY_MS = 24 * 60 * MINUTE_MS;
/** Offsets at the beginnings of days, by zone: most days have one offset, and asking a clock is slow. */
const offsets = new Map<string, number>();
const MOST_OFFSETS = 20_000;

const exactOffset = (ms: number, zone: string | undefined): number =>
  Date.parse(`${wallClock(ms, zone)}:00Z`) - Math.floor(ms / MINUTE_MS) * MINUTE_MS;

function dayOffset(day: number, zone: string | undefined): number {
  const key = `${zone ?? ''} ${day}`;
  const known = offsets.get(key);
  if (known !== undefined) return known;
  if (offsets.size >= MOST_OFFSETS) offsets.clear();
  const offset = exactOffset(day * DAY_MS, zone);
  offsets.set(key, offset);
  return offset;
}

/** How far the wall is ahead of UTC, ms. */
function offsetOf(ms: number, zone: string | undefined): number {
  const day = Math.floor(ms / DAY_MS);
  const offset = dayOffset(day, zone);
  return offset === dayOffset(day + 1, zone) ? offset : exactOffset(ms, zone);
}

/**
 * When the clock on the wall says so in a zone, ms since 1970 UTC. A time that the change to summer time leaves out counts as the same many minutes
 * after it; one that comes twice is the first. @param wall `2026-03-29T03:30`. Source: identity.
 */
export function instantOf(wall: string, zone: string | undefined): number {
  const told = Date.parse(`${wall}:00Z`);
  const offsetAt = (ms: number): number => offsetOf(ms, zone);
  // The offset before any change that day, then that after it.
  const early = told - offsetAt(told - DAY_MS);
  if (offsetAt(early) === offsetAt(told - DAY_MS)) return early;
  const late = told - offsetAt(told + DAY_MS);
  return offsetAt(late) === offsetAt(told + DAY_MS) ? late : early;
}

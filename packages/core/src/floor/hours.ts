import { type Issue, type IssueCode, MINUTE_MS, dayAfter, instantOf, wallClock } from '../kernel/index.js';
import type { Machine } from '../works/index.js';
import { type Span, OpenTime, joinSpans, withoutSpans } from '../schedule/index.js';

/** A shift: on these days of the week (1 is Monday), by the clock on the wall; past midnight where it ends no later than it begins. */
export interface Shift {
  readonly days: readonly number[];
  /** `06:00`. */
  readonly from: string;
  readonly until: string;
}

/** People who run some machines: so many stations at once as it has places. */
export interface Crew {
  readonly name: string;
  /** How many stations its people run at once. */
  readonly places: number;
  /** Machines that they know how to run; one that several crews know is run by whoever is free. */
  readonly machines: readonly string[];
  readonly shifts: readonly Shift[];
}

/** A stretch that is closed beside the shifts, or open: holidays, maintenance, a breakdown; overtime. */
export interface HoursException {
  /** The whole works where absent, and no crew either. */
  readonly machine?: string | undefined;
  /** Crew that is short, or works longer where it opens. */
  readonly crew?: string | undefined;
  /** Places of the crew that it is about; all of them where absent. */
  readonly places?: number | undefined;
  /** `2026-12-24T00:00` by the clock on the wall. */
  readonly from: string;
  readonly until: string;
  readonly opens: boolean;
  readonly why: string;
}

/** When the works runs. */
export interface FloorHours {
  readonly press: readonly Shift[];
  readonly finishing: readonly Shift[];
  /** Machines with shifts of their own. */
  readonly machines: Readonly<Record<string, readonly Shift[]>>;
  readonly exceptions: readonly HoursException[];
  /** A machine that no crew is told for runs whenever it is open. */
  readonly crews?: readonly Crew[] | undefined;
}

const WORKING_DAYS = [1, 2, 3, 4, 5];
/** One shift on working days, until a works says otherwise. */
export const USUAL_HOURS: FloorHours = {
  press: [{ days: WORKING_DAYS, from: '07:00', until: '16:00' }],
  finishing: [{ days: WORKING_DAYS, from: '07:00', until: '16:00' }],
  machines: {},
  exceptions: [],
};

/** Days that are looked ahead at. */
export const HORIZON_DAYS = 366;
const DAY_MIN = 1440;

/** Minutes from an origin to a time on the wall; negative before it. */
export const minuteOf = (wall: string, origin: number, zone: string | undefined): number =>
  Math.round((instantOf(wall, zone) - origin) / MINUTE_MS);

/** Minutes from an origin to an hour of a day on the wall; 24 is the last minute of it. */
export const hourMinute = (day: string, hour: number, origin: number, zone: string | undefined): number =>
  minuteOf(`${day}T${String(Math.min(23, hour)).padStart(2, '0')}:${hour >= 24 ? '59' : '00'}`, origin, zone);

/** The same within what is looked at: a year that somebody closes until 9999 has no more minutes than others. */
const withinHorizon = (wall: string, origin: number, zone: string | undefined): number =>
  Math.min((HORIZON_DAYS + 1) * DAY_MIN, Math.max(0, minuteOf(wall, origin, zone)));

/** 1 for Monday to 7. */
const weekday = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;

function shiftSpans(shifts: readonly Shift[], origin: number, zone: string | undefined): Span[] {
  const first = dayAfter(wallClock(origin, zone).slice(0, 10), -1);
  const spans: Span[] = [];
  for (let i = 0; i <= HORIZON_DAYS; i++) {
    const day = dayAfter(first, i);
    for (const { days, from, until } of shifts) {
      if (!days.includes(weekday(day))) continue;
      const ends = until > from ? day : dayAfter(day, 1);
      spans.push([withinHorizon(`${day}T${from}`, origin, zone), withinHorizon(`${ends}T${until}`, origin, zone)]);
    }
  }
  return joinSpans(spans);
}

/** Exceptions in minutes from an origin. */
const spannedOf = ({ exceptions }: FloorHours, origin: number, zone: string | undefined) =>
  exceptions.map((one) => ({
    ...one,
    span: [withinHorizon(one.from, origin, zone), withinHorizon(one.until, origin, zone)] as const,
  }));

/** Shifts with what is open beside them, without what is closed. */
function openWith(
  spans: readonly Span[],
  exceptions: readonly { readonly opens: boolean; readonly span: Span }[],
): OpenTime {
  const of = (opens: boolean): Span[] =>
    joinSpans(exceptions.filter((one) => one.opens === opens).map(({ span }) => span));
  return new OpenTime(withoutSpans(joinSpans([...spans, ...of(true)]), of(false)));
}

/** Whether an exception is overtime of a machine that a place of its crew stays for: each machine's its own, as long as there are places. */
const staysFor = ({ machine, opens }: HoursException, { machines, places }: Crew, place: number): boolean =>
  opens && machine !== undefined && machines.includes(machine) && machines.indexOf(machine) % places === place;

/** Open time of each place of a crew; where it is short the last of its places are closed. See {@link openTimes}. */
export function crewTimes(crew: Crew, hours: FloorHours, origin: number, zone: string | undefined): OpenTime[] {
  const spans = shiftSpans(crew.shifts, origin, zone);
  const all = spannedOf(hours, origin, zone);
  // What closes or opens the whole works closes and opens its people.
  const own = all.filter(({ crew: of, machine }) => (of === undefined ? machine === undefined : of === crew.name));
  return Array.from({ length: crew.places }, (_, place) =>
    openWith(spans, [
      ...own.filter(({ opens, places = crew.places }) => (opens ? place < places : place >= crew.places - places)),
      ...all.filter((one) => one.crew === undefined && staysFor(one, crew, place)),
    ]),
  );
}

/**
 * Open time of each machine from an origin on, in minutes: its shifts, or those of the press room or the finishing room, with what is closed
 * taken out and overtime put in. Shifts are told by the wall: over a change of summer time they are as long as the wall says. Source: identity.
 */
export function openTimes(
  hours: FloorHours,
  machines: readonly Machine[],
  origin: number,
  zone: string | undefined,
): ReadonlyMap<string, OpenTime> {
  const told = new Map<readonly Shift[], Span[]>();
  const made = new Map<string, OpenTime>();
  const exceptions = spannedOf(hours, origin, zone).filter(({ crew }) => crew === undefined);
  return new Map(
    machines.map(({ id, press }) => {
      const shifts = Object.hasOwn(hours.machines, id)
        ? (hours.machines[id] ?? [])
        : press
          ? hours.press
          : hours.finishing;
      const spans = told.get(shifts) ?? shiftSpans(shifts, origin, zone);
      told.set(shifts, spans);
      const own = exceptions.filter(({ machine }) => machine === undefined || machine === id);
      const key = JSON.stringify([shifts, own.map(({ span, opens }) => [span, opens])]);
      const open = made.get(key) ?? openWith(spans, own);
      made.set(key, open);
      return [id, open] as const;
    }),
  );
}

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
const WALL = /^\d{4}-\d\d-\d\dT([01]\d|2[0-3]):[0-5]\d$/;

const wrong = (code: IssueCode, path: string, params: Issue['params'] = {}): Issue => ({
  code,
  severity: 'error',
  path,
  params,
});

function shiftIssues(shifts: readonly Shift[], path: string): Issue[] {
  return shifts.flatMap(({ days, from, until }, i): Issue[] => {
    const at = `${path}[${i}]`;
    if (days.length === 0 || days.some((day) => !Number.isInteger(day) || day < 1 || day > 7))
      return [wrong('floor.shift-days', `${at}.days`)];
    if (!CLOCK.test(from)) return [wrong('floor.clock', `${at}.from`, { value: from })];
    return CLOCK.test(until) ? [] : [wrong('floor.clock', `${at}.until`, { value: until })];
  });
}

/** Most places of a crew: more people than that are several crews. */
export const MOST_PLACES = 50;

function crewIssues({ crews = [] }: FloorHours, known: ReadonlySet<string>): Issue[] {
  const names = new Set<string>();
  return crews.flatMap(({ name, places, machines, shifts }, i): Issue[] => {
    const path = `crews[${i}]`;
    const own: Issue[] = shiftIssues(shifts, `${path}.shifts`);
    if (name.trim() === '' || names.has(name)) own.push(wrong('floor.crew-name', `${path}.name`, { crew: name }));
    names.add(name);
    if (!Number.isInteger(places) || places < 1 || places > MOST_PLACES)
      own.push(wrong('floor.crew-size', `${path}.places`, { crew: name, most: MOST_PLACES }));
    machines.forEach((machine, k) => {
      if (!known.has(machine)) own.push(wrong('floor.no-machine', `${path}.machines[${k}]`, { machine }));
    });
    return own;
  });
}

/** What is wrong with hours, in words of the trade. */
export function checkHours(hours: FloorHours, machines: readonly Machine[]): Issue[] {
  const known = new Set(machines.map(({ id }) => id));
  const issues = [
    ...shiftIssues(hours.press, 'press'),
    ...shiftIssues(hours.finishing, 'finishing'),
    ...Object.entries(hours.machines).flatMap(([id, shifts]) => shiftIssues(shifts, `machines.${id}`)),
  ];
  for (const id of Object.keys(hours.machines))
    if (!known.has(id)) issues.push(wrong('floor.no-machine', `machines.${id}`, { machine: id }));
  issues.push(...crewIssues(hours, known));
  if (hours.press.length === 0 && hours.finishing.length === 0) issues.push(wrong('floor.never-open', 'press'));
  const crews = new Map((hours.crews ?? []).map((crew) => [crew.name, crew]));
  hours.exceptions.forEach(({ machine, crew, places, from, until }, i) => {
    const path = `exceptions[${i}]`;
    const short = crew === undefined ? undefined : crews.get(crew);
    if (crew !== undefined && !short) issues.push(wrong('floor.no-crew', `${path}.crew`, { crew }));
    else if (short && places !== undefined && places > short.places)
      issues.push(wrong('floor.crew-places', `${path}.places`, { crew: short.name, places, has: short.places }));
    if (machine !== undefined && crew !== undefined)
      issues.push(wrong('floor.machine-or-crew', path, { machine, crew }));
    if (machine !== undefined && !known.has(machine))
      issues.push(wrong('floor.no-machine', `${path}.machine`, { machine }));
    if (!isWall(from)) issues.push(wrong('floor.wall', `${path}.from`, { value: from }));
    else if (!isWall(until)) issues.push(wrong('floor.wall', `${path}.until`, { value: until }));
    else if (until <= from) issues.push(wrong('floor.ends-first', `${path}.until`, { from, until }));
  });
  return issues;
}

/** February has no 31st: a date that is read as another is none. */
const isDay = (wall: string): boolean => {
  const ms = Date.parse(`${wall}:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(wall);
};
/** Whether a text is a day and time by the clock on the wall. */
export const isWall = (text: string): boolean => WALL.test(text) && isDay(text);

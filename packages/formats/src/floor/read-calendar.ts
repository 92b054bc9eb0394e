import ICAL from 'ical.js';
import { dayAfter, instantOf, numberText, wallClock } from '@druckerei/core';

/** A stretch that a calendar tells: by the clock on the wall of the works, `2026-12-24T00:00`. */
export interface CalendarStretch {
  readonly from: string;
  readonly until: string;
  readonly why: string;
}

/** What is read of a calendar: stretches in order of time, and what was left out with the reason; or why nothing can be read. */
export type ReadCalendar =
  | { readonly ok: true; readonly stretches: readonly CalendarStretch[]; readonly left: readonly string[] }
  | { readonly ok: false; readonly problem: string };

/** What is looked at of a calendar: from now on, and not for ever. */
export interface CalendarWindow {
  readonly timeZone: string | undefined;
  /** `2026-11-30T07:00`; what is over by then is left out, and what begins after `until`. */
  readonly from: string;
  readonly until: string;
}

/** Largest calendar that is read, bytes, and most events in it. */
export const MOST_CALENDAR_BYTES = 2_000_000;
const MOST_EVENTS = 5_000;
/** Most stretches that are read: a rule that comes every minute is no calendar of a works. */
const MOST_STRETCHES = 1_000;
/** Turns of rules that are followed in all, those long over within. */
const MOST_TURNS = 50_000;
const MOST_WHY = 120;

const pad = (value: number): string => String(value).padStart(2, '0');
const plainWall = ({ year, month, day, hour, minute }: ICAL.Time): string =>
  `${String(year).padStart(4, '0')}-${pad(month)}-${pad(day)}T${pad(hour)}:${pad(minute)}`;

function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** A time of a calendar by the clock on the wall of the works: days and times without a zone are those of the works. */
function wallOf(time: ICAL.Time, zone: string | undefined, timeZone: string | undefined): string {
  if (time.isDate) return plainWall(time);
  if (zone !== undefined && isZone(zone)) return wallClock(instantOf(plainWall(time), zone), timeZone);
  const told = time.zone;
  if (told.tzid === 'floating') return plainWall(time);
  return wallClock(time.toUnixTime() * 1000, timeZone);
}

/** A turn of a rule. */
interface Occurrence {
  readonly item: ICAL.Event;
  readonly startDate: ICAL.Time;
  readonly endDate: ICAL.Time;
}
/** An event may have none, whatever its type says. */
const summaryOf = (event: { readonly summary: string | null }): string => event.summary ?? '';

class Reader {
  readonly stretches: CalendarStretch[] = [];
  readonly left: string[] = [];
  private over = 0;
  private later = 0;
  private turns = 0;

  constructor(private readonly window: CalendarWindow) {}

  take(from: string, until: string, why: string): void {
    if (until <= this.window.from) this.over++;
    else if (from >= this.window.until) this.later++;
    else if (until <= from)
      this.left.push($localize`${why === '' ? $localize`An event` : why} on ${from.slice(0, 10)} has no length.`);
    else this.stretches.push({ from, until, why: why.slice(0, MOST_WHY) });
  }

  event(component: ICAL.Component, exceptions: ICAL.Component[]): void {
    const event = new ICAL.Event(component, { exceptions, strictExceptions: false });
    const { timeZone } = this.window;
    const zoneOf = (of: ICAL.Component): string | undefined =>
      of.getFirstProperty('dtstart')?.getFirstParameter('tzid');
    const told = (one: ICAL.Event, start: ICAL.Time, end: ICAL.Time): void => {
      const zone = zoneOf(one.component);
      this.take(wallOf(start, zone, timeZone), wallOf(end, zone, timeZone), summaryOf(one));
    };
    if (!event.isRecurring()) {
      told(event, event.startDate, event.endDate);
      return;
    }
    const turns = event.iterator();
    for (; this.turns < MOST_TURNS && this.stretches.length <= MOST_STRETCHES; this.turns++) {
      const next = turns.next() as ICAL.Time | null;
      if (!next || plainWall(next).slice(0, 10) > dayAfter(this.window.until.slice(0, 10), 1)) return;
      const at = event.getOccurrenceDetails(next) as Occurrence;
      told(at.item, at.startDate, at.endDate);
    }
    if (this.stretches.length <= MOST_STRETCHES)
      this.left.push($localize`${summaryOf(event) || $localize`An event`} comes too often to be followed.`);
  }

  busy(component: ICAL.Component): void {
    for (const property of component.getAllProperties('freebusy')) {
      if (String(property.getParameter('fbtype') ?? 'BUSY').toUpperCase() === 'FREE') continue;
      for (const period of property.getValues() as ICAL.Period[])
        this.take(
          wallOf(period.start, undefined, this.window.timeZone),
          wallOf(period.getEnd(), undefined, this.window.timeZone),
          String(component.getFirstPropertyValue('summary') ?? 'busy'),
        );
    }
  }

  notes(): string[] {
    const many = (count: number, what: string): string[] =>
      count === 0 ? [] : [`${numberText(count)} ${count === 1 ? $localize`event is` : $localize`events are`} ${what}.`];
    return [
      ...many(this.over, $localize`over already`),
      ...many(this.later, $localize`more than a year away`),
      ...this.left,
    ];
  }
}

const isCancelled = (of: ICAL.Component): boolean => of.getFirstPropertyValue('status') === 'CANCELLED';

/** Events with those that stand in for one of their turns. */
function eventsOf(calendar: ICAL.Component): { event: ICAL.Component; exceptions: ICAL.Component[] }[] {
  const all = calendar.getAllSubcomponents('vevent').filter((one) => !isCancelled(one));
  const standIns = new Map<string, ICAL.Component[]>();
  const uidOf = (one: ICAL.Component): string => String(one.getFirstPropertyValue('uid') ?? '');
  for (const one of all)
    if (one.hasProperty('recurrence-id')) standIns.set(uidOf(one), [...(standIns.get(uidOf(one)) ?? []), one]);
  return all
    .filter((one) => !one.hasProperty('recurrence-id'))
    .map((event) => ({ event, exceptions: standIns.get(uidOf(event)) ?? [] }));
}

/**
 * Reads the events of an iCalendar file, and what it tells as busy, as stretches. Rules are followed within the window; what cannot be read is told and
 * the rest kept. Source: standard, RFC 5545.
 */
export function readCalendar(text: string, window: CalendarWindow): ReadCalendar {
  const wrong = (problem: string): ReadCalendar => ({ ok: false, problem });
  if (text.length > MOST_CALENDAR_BYTES)
    return wrong(
      $localize`This calendar is larger than ${MOST_CALENDAR_BYTES / 1e6} MB. Export fewer days or fewer calendars.`,
    );
  if (!/^\s*BEGIN:VCALENDAR/i.test(text))
    return wrong($localize`This is no iCalendar file: it does not begin with BEGIN:VCALENDAR. Export it as .ics.`);
  const count = text.match(/^BEGIN:(VEVENT|VFREEBUSY)/gim)?.length ?? 0;
  if (count === 0) return wrong($localize`This calendar has no events.`);
  if (count > MOST_EVENTS)
    return wrong(
      $localize`This calendar has ${numberText(count)} events, and at most ${numberText(MOST_EVENTS)} are read. Export fewer days.`,
    );
  const reader = new Reader(window);
  let calendar: ICAL.Component;
  try {
    calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  } catch (error) {
    return wrong(
      $localize`This calendar cannot be read: ${error instanceof Error ? error.message : $localize`it is broken`}.`,
    );
  }
  const tryOut = (what: string, read: () => void): void => {
    try {
      read();
    } catch (error) {
      reader.left.push(
        $localize`${what} cannot be read: ${error instanceof Error ? error.message : $localize`it is broken`}.`,
      );
    }
  };
  for (const { event, exceptions } of eventsOf(calendar))
    tryOut(String(event.getFirstPropertyValue('summary') ?? $localize`An event`), () =>
      reader.event(event, exceptions),
    );
  for (const one of calendar.getAllSubcomponents('vfreebusy')) tryOut($localize`A busy time`, () => reader.busy(one));
  if (reader.stretches.length > MOST_STRETCHES)
    return wrong(
      $localize`This calendar closes the works more than ${numberText(MOST_STRETCHES)} times. Export fewer days.`,
    );
  const stretches = [...new Map(reader.stretches.map((one) => [JSON.stringify(one), one])).values()].sort((a, b) =>
    a.from < b.from ? -1 : a.from > b.from ? 1 : 0,
  );
  return { ok: true, stretches, left: reader.notes() };
}

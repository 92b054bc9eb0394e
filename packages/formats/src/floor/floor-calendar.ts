import ICAL from 'ical.js';
import { MINUTE_MS } from '@druckerei/core';
import { type ShiftBook, type ShiftBookLine, shiftBookLines } from './shift-book.js';

const utc = (ms: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(ms), true);

function eventOf({ id, at: made, plan }: ShiftBook['schedule'], line: ShiftBookLine): ICAL.Component {
  const { slot, machine, job, title, station, changes, waitsFor } = line;
  const event = new ICAL.Component('vevent');
  const at = (minute: number): ICAL.Time => utc(plan.origin + minute * MINUTE_MS);
  const told = [title, changes, waitsFor === '' ? '' : $localize`Waits: ${waitsFor}`, slot.place ?? ''];
  event.addPropertyWithValue('uid', `${slot.job}-${slot.step}@floor.druckerei`);
  event.addPropertyWithValue('sequence', id);
  event.addPropertyWithValue('dtstamp', utc(Date.parse(made)));
  event.addPropertyWithValue('dtstart', at(slot.start));
  event.addPropertyWithValue('dtend', at(slot.end));
  event.addPropertyWithValue('summary', `${job} ${station}`);
  event.addPropertyWithValue('location', machine);
  event.addPropertyWithValue('description', told.filter((one) => one !== '').join('\n'));
  return event;
}

/** What a calendar of the floor is made of: no book where nothing is in force. */
export interface FloorCalendar {
  readonly works: string;
  readonly book?: ShiftBook | undefined;
}

/**
 * The stations of a schedule as a calendar, one event each: the same station has the same UID in every schedule, its SEQUENCE is that of the schedule.
 * Source: standard, RFC 5545.
 */
export function floorCalendar({ works, book }: FloorCalendar): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Druckerei//Floor//EN');
  calendar.addPropertyWithValue('x-wr-calname', $localize`Floor, ${works}`);
  if (book) for (const line of shiftBookLines(book)) calendar.addSubcomponent(eventOf(book.schedule, line));
  return calendar.toString();
}

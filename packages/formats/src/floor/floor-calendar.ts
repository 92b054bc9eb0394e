import ICAL from 'ical.js';
import { MINUTE_MS } from '@druckerei/core';
import { type ShiftBook, shiftBookLines } from './shift-book.js';

const utc = (ms: number): ICAL.Time => ICAL.Time.fromJSDate(new Date(ms), true);

/**
 * The stations of a schedule as a calendar, one event each: the same station has the same UID in every schedule, its SEQUENCE is that of the schedule.
 * Source: standard, RFC 5545.
 */
export function floorCalendar(book: ShiftBook): string {
  const { works, schedule } = book;
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Druckerei//Floor//EN');
  calendar.addPropertyWithValue('x-wr-calname', `Floor, ${works}`);
  for (const { slot, machine, job, title, station, changes, waitsFor } of shiftBookLines(book)) {
    const event = new ICAL.Component('vevent');
    const at = (minute: number): ICAL.Time => utc(schedule.plan.origin + minute * MINUTE_MS);
    const told = [title, changes, waitsFor === '' ? '' : `Waits: ${waitsFor}`, slot.place ?? ''];
    event.addPropertyWithValue('uid', `${slot.job}-${slot.step}@floor.druckerei`);
    event.addPropertyWithValue('sequence', schedule.id);
    event.addPropertyWithValue('dtstamp', utc(Date.parse(schedule.at)));
    event.addPropertyWithValue('dtstart', at(slot.start));
    event.addPropertyWithValue('dtend', at(slot.end));
    event.addPropertyWithValue('summary', `${job} ${station}`);
    event.addPropertyWithValue('location', machine);
    event.addPropertyWithValue('description', told.filter((one) => one !== '').join('\n'));
    calendar.addSubcomponent(event);
  }
  return calendar.toString();
}

/** Reader of calendars, fit for a browser. */
export { type CalendarStretch, type ReadCalendar, MOST_CALENDAR_BYTES, readCalendar } from './floor/read-calendar.js';

import { dayAfter, daysBetween, isCalendarDay } from './day.js';

describe('days', () => {
  it.each([
    ['2026-12-30', 3, '2027-01-02'],
    ['2028-02-28', 1, '2028-02-29'],
    ['2026-03-29', 1, '2026-03-30'],
    ['2027-01-01', -1, '2026-12-31'],
    ['2026-11-29', 0, '2026-11-29'],
  ])('%s and %i days are %s (identity, the calendar)', (day, days, then) => {
    expect(dayAfter(day, days)).toBe(then);
    expect(daysBetween(day, then)).toBe(days);
  });
});

describe('a day that there is (identity: the calendar)', () => {
  it.each(['2028-02-29', '2027-12-31', '2000-02-29'])('%s', (day) => {
    expect(isCalendarDay(day)).toBe(true);
  });
  it.each(['2027-02-29', '1900-02-29', '2027-04-31', '2027-13-01', '2027-00-10', '27-01-01', '2027-1-1', '', 'soon'])(
    'not %s',
    (day) => {
      expect(isCalendarDay(day)).toBe(false);
    },
  );
});

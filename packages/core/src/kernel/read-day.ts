import { isCalendarDay } from './day.js';

/** Which part of a date such as 4/5/2027 comes first. */
export type DayFirst = 'day' | 'month';

const DATE = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4})$/;

/** Whether days or months come first, by the dates of a list; days where all of them can be read both ways. */
export const guessDayFirst = (cells: readonly string[]): DayFirst =>
  cells.some((cell) => Number(DATE.exec(cell.trim())?.[2] ?? 0) > 12) ? 'month' : 'day';

/** A date as lists write it, as ISO 8601; undefined where there is no such day. */
export function readDay(text: string, first: DayFirst): string | undefined {
  const [, a = '', b = '', year = ''] = DATE.exec(text) ?? [];
  const [day, month] = first === 'day' ? [a, b] : [b, a];
  const iso = year === '' ? text : `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`;
  return isCalendarDay(iso) ? iso : undefined;
}

const DAY_MS = 86_400_000;

/** The day so many calendar days after another, before it where they are negative. ISO 8601 dates. Source: identity. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Whether a text is a day that there is, as an ISO 8601 date: `2027-02-30` is none. */
export const isCalendarDay = (text: string): boolean => {
  const at = /^\d{4}-\d{2}-\d{2}$/.test(text) ? Date.parse(`${text}T00:00:00Z`) : NaN;
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
};

/** Calendar days from one ISO 8601 date to another, below 0 where it comes before. Source: identity. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

const DAY_MS = 86_400_000;

/** The day so many calendar days after another, before it where they are negative. ISO 8601 dates. Source: identity. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Calendar days from one ISO 8601 date to another, below 0 where it comes before. Source: identity. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

const DAY_MS = 86_400_000;

/** The day so many calendar days after another, before it where they are negative. ISO 8601 dates. Source: identity. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

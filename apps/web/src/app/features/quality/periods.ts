/** Days that are looked back. */
export const PERIODS = [7, 30, 90, 365] as const;
export const periodText = (days: number): string =>
  days === 7 ? 'The last week' : days === 365 ? 'The last year' : `The last ${days} days`;

/** Days that are looked back. */
export const PERIODS = [7, 30, 90, 365] as const;
export const periodText = (days: number): string =>
  days === 7 ? $localize`The last week` : days === 365 ? $localize`The last year` : $localize`The last ${days} days`;

import type { CountForecast } from '@druckerei/core';
import { count, percent } from '../../../ui/format';

/** What the counts so far will come to, in a line; empty before anything is counted. */
export function forecastWords({ run, wanted }: CountForecast): string {
  if (!run) return '';
  const [low, high] = run.range;
  const range = low === high ? '' : ` (${count(low)} to ${count(high)} in nine of ten runs)`;
  const chance = Math.round(run.short * 100) / 100;
  return `${count(run.expected)} of ${count(wanted)} expected by the last count${range}, chance of falling short ${percent(chance)}.`;
}

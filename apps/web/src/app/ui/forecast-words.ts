import type { Outcome, RunForecast } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { count, percent } from './format';

/** What the counts so far will come to, in a line, or why they tell nothing; empty before anything is counted. */
export function forecastWords(forecast: Outcome<RunForecast> | undefined): string {
  if (!forecast) return '';
  if (!forecast.ok) return forecast.issues.map(issueText).join(' ');
  const { expected, wanted, range, short } = forecast.value;
  const [low, high] = range;
  const between = low === high ? '' : $localize` (${count(low)} to ${count(high)} in nine of ten runs)`;
  return $localize`${count(expected)} of ${count(wanted)} expected by the last count${between}, chance of falling short ${percent(Math.round(short * 100) / 100)}.`;
}

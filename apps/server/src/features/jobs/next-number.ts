import { nextJobNumber, numberAfter, numberEnds } from '@druckerei/core';
import { dayIn } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { currentWorks } from '../works/works.js';

/** Jobs begun last that a number is found after where the works has no pattern. */
const NEWEST = 100;

const numbers = async (queries: Queries, query: string, ...values: unknown[]): Promise<string[]> =>
  (await queries.many<{ number: string }>(query, ...values)).map(({ number }) => number);

/** The number that the next job would have: by the pattern of the works, else after the last; empty where neither tells. */
export async function nextNumber(queries: Queries): Promise<string> {
  const { numberPattern, timeZone } = await currentWorks(queries);
  if (numberPattern === undefined) return numberAfter(await numbers(queries, 'jobs/newest-numbers', NEWEST)) ?? '';
  const day = dayIn(new Date(), timeZone);
  return nextJobNumber(
    numberPattern,
    await numbers(queries, 'jobs/numbers-like', numberEnds(numberPattern, day).head),
    day,
  );
}

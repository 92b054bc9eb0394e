import { type Issue, error } from '../kernel/index.js';
import type { Job, Unordered } from './job.js';

/** Stations drawn, one run after another, that take about a second and a few hundred MB. Source: measured. */
const MOST_DRAWN = 10_000_000;

/** Stations of a job as they are drawn: an incident takes as long as a station. */
const stationsOf = ({ route }: Unordered): number =>
  route.reduce((sum, { incidents = [] }) => sum + 1 + incidents.length, 0);

/** More runs than can be drawn while somebody waits. Issues: `sure.too-many`. */
export function drawLimit(job: Unordered, draws: number): Issue[] {
  const stations = stationsOf(job);
  return draws * stations <= MOST_DRAWN
    ? []
    : [error('sure.too-many', 'norms.sure.draws', { draws, stations, most: Math.floor(MOST_DRAWN / stations) })];
}

/** Draws that a look at every single station may take, so that all of them together stay within the same limit. */
export const drawsForEach = (job: Job, most: number): number =>
  Math.max(100, Math.min(most, Math.floor(MOST_DRAWN / stationsOf(job) / job.route.length)));

import { type FlowStep, shareOfRun } from '../flow/index.js';
import { betaTable } from './beta.js';

/** Taken once: a look at the global for each of millions of calls is slow where the code runs in a context of its own. */
const { ceil, sqrt } = Math;

/** How unlike runs are to each other. Source: practice, handbook chapter 6, school 4; norms of the works. */
export interface Chance {
  /** Best and worst set-up, as shares of the usual one: a triangle with its peak at 1. */
  readonly best: number;
  readonly worst: number;
  /** Running spoilage is Beta(kappa w, kappa (1 - w)); the larger, the more alike the runs. */
  readonly kappa: number;
}

/** No chance at all: every run is the usual one. */
export const CERTAIN: Chance = { best: 1, worst: 1, kappa: Infinity };
/** Whether nothing is left to chance at a step. */
export const isCertain = ({ best, worst, kappa }: Chance): boolean => best === 1 && worst === 1 && kappa === Infinity;

/** A number drawn from a triangle. @param u 0 to 1. Source: identity (inverse of its distribution). */
export function fromTriangle(low: number, peak: number, high: number, u: number): number {
  const width = high - low;
  if (width <= 0) return peak;
  return u < (peak - low) / width ? low + sqrt(u * width * (peak - low)) : high - sqrt((1 - u) * width * (high - peak));
}

/** Running spoilage drawn around its usual share. @param u 0 to 1. */
export const drawnRunning = (running: number, kappa: number): ((u: number) => number) =>
  running === 0 || kappa === Infinity ? () => running : tableOf(kappa * running, kappa * (1 - running));

/** Draws of one step from numbers 0 to 1. */
export interface StepChance {
  /** Whole process units of set-up. */
  setup(u: number): number;
  /** Running spoilage, a share. */
  running(u: number): number;
}

/** Tables of the last few spoilages: a job asks for the same ones again and again. */
const TABLES = new Map<string, (p: number) => number>();
const MOST_TABLES = 256;

function tableOf(a: number, b: number): (p: number) => number {
  const key = `${a} ${b}`;
  const known = TABLES.get(key);
  if (known) return known;
  if (TABLES.size >= MOST_TABLES) TABLES.clear();
  const table = betaTable(a, b);
  TABLES.set(key, table);
  return table;
}

/** The chances of a step. Zero spoilage and zero set-up are constant. */
export function stepChance(step: FlowStep, { best, worst, kappa }: Chance): StepChance {
  const { setup } = step;
  return {
    setup: (u) => ceil(fromTriangle(best * setup, setup, worst * setup, u)),
    running: drawnRunning(shareOfRun(step), kappa),
  };
}

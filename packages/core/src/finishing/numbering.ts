import { type CheckSystem, checkCharacters } from './check-characters.js';

/** How a job is numbered. */
export interface NumberPlan {
  readonly first: number;
  /** From one number to the next; below 0 it counts down. Never 0. */
  readonly step: number;
  readonly prefix: string;
  /** Digits, filled with zeros. */
  readonly digits: number;
  readonly check: CheckSystem;
  /** Numbers that are left out of the run. */
  readonly skips: readonly number[];
  /** Piles are delivered face up and the lowest number lies on top: the boxes count from the last sheet on. */
  readonly lowestOnTop: boolean;
}

const MOST_SKIPS = 10_000;

/** Numbers out of a list such as `7, 100-105`; undefined where it cannot be read. */
export function readSkips(text: string): readonly number[] | undefined {
  const numbers: number[] = [];
  for (const part of text.split(',').map((one) => one.trim())) {
    if (part === '') continue;
    const range = /^(\d{1,9})(?:\s*-\s*(\d{1,9}))?$/.exec(part);
    if (!range) return undefined;
    const from = Number(range[1]);
    const to = Number(range[2] ?? range[1]);
    if (to < from || numbers.length + to - from >= MOST_SKIPS) return undefined;
    for (let n = from; n <= to; n++) numbers.push(n);
  }
  return [...new Set(numbers)].sort((a, b) => a - b);
}

/** A number as it is printed: prefix, digits, check characters. Below nil there are none to reckon. */
export const printedNumber = (value: number, { prefix, digits, check }: NumberPlan): string => {
  if (!Number.isSafeInteger(value) || value < 0) return `${prefix}${value}`;
  const body = String(value).padStart(digits, '0');
  return `${prefix}${body}${checkCharacters(body, check)}`;
};

/** The n-th number of the run, from 0, with the skipped ones left out. */
export function runNumber(n: number, { first, step, skips }: NumberPlan): number {
  let value = first + step * n;
  // Skips on the way push everything behind them on, in the order of the run.
  for (const skip of step > 0 ? skips : [...skips].reverse()) {
    const steps = (skip - first) / step;
    if (Number.isInteger(steps) && steps >= 0 && (step > 0 ? skip <= value : skip >= value)) value += step;
  }
  return value;
}

/**
 * Which number of the run stands on a position of a sheet, so that the cut piles, laid one on another in the order of
 * their positions, run in sequence: number = first + step x (j N + i) on sheet i of N at position j, both from 0. Where
 * the lowest is to lie on top of face-up piles, the first sheet through takes the last place of its pile.
 * Source: handbook chapter 7 "Numbering" (identity).
 */
export function orderOnSheet(sheet: number, position: number, sheets: number, lowestOnTop: boolean): number {
  const place = lowestOnTop ? sheets - 1 - sheet : sheet;
  return position * sheets + place;
}

/** A number that is not delivered, and the one that takes its place. */
export interface Voided {
  readonly number: number;
  readonly printed: string;
  readonly replacedBy: string;
}

/** Voided numbers with replacements from behind the run, in the order in which they were voided. */
export function replaceVoids(voided: readonly number[], count: number, plan: NumberPlan): readonly Voided[] {
  return [...new Set(voided)].map((number, i) => ({
    number,
    printed: printedNumber(number, plan),
    replacedBy: printedNumber(runNumber(count + i, plan), plan),
  }));
}

/** One line of the number list: what stands where. */
export interface NumberLine {
  readonly sheet: number;
  readonly position: number;
  readonly printed: string;
  /** The number that takes the place of one that was voided. */
  readonly replacedBy?: string;
}

/** The numbers of a range of sheets, both counted from 1 in the list. */
export function numberLines(
  plan: NumberPlan,
  sheets: number,
  positions: number,
  from: number,
  to: number,
): NumberLine[] {
  const lines: NumberLine[] = [];
  for (let sheet = Math.max(0, from); sheet < Math.min(sheets, to); sheet++)
    for (let position = 0; position < positions; position++) {
      const n = orderOnSheet(sheet, position, sheets, plan.lowestOnTop);
      lines.push({ sheet: sheet + 1, position: position + 1, printed: printedNumber(runNumber(n, plan), plan) });
    }
  return lines;
}

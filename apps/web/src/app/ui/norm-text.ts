import { type MeasureSystem, type Norm, isWithin, limitsInWords, measureOf, wordOf } from '@druckerei/core';
import { count, readNumber, unitText } from './format';

/** A norm's value in the unit that people read: shares as per cent, lengths as chosen. */
export const normValue = (norm: Norm, value: number, system: MeasureSystem): string =>
  wordOf(norm.choices?.[value] ?? '') || count(measureOf(norm.unit, system).show(value), 6);

export const normUnit = (norm: Norm, system: MeasureSystem): string => unitText(measureOf(norm.unit, system).unit, 2);

/** Reads what somebody typed for a norm; undefined where it is no number. */
export function readNorm(norm: Norm, text: string, system: MeasureSystem): number | undefined {
  const value = readNumber(text);
  return value === undefined ? undefined : measureOf(norm.unit, system).store(value);
}

/** What somebody typed for a norm comes to: its value, and why it cannot be set, nothing where it can. @param name as it is called there. */
export function typedNorm(
  norm: Norm,
  text: string,
  system: MeasureSystem,
  name: string,
): { value: number; wrong: string } {
  const value = norm.choices ? Number(text) : readNorm(norm, text, system);
  if (value === undefined)
    return { value: NaN, wrong: $localize`${name}\: “${text}” is no number; write it like 1,200 or 0.5` };
  return { value, wrong: isWithin(norm, value) ? '' : $localize`${name} goes ${limitsInWords(norm)}` };
}

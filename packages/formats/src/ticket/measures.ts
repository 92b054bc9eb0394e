import {
  type FigureKind,
  type Works,
  measureOf,
  measureSystem,
  sayMeasured,
  sizeNumber,
  unitText,
} from '@druckerei/core';
import { number } from './document.js';

/** Decimals of bare numbers in inches and pounds; metric ones have as many as the place asks for. */
const INCH_DIGITS: Readonly<Record<string, number>> = { mm: 3, um: 2, m: 1, kg: 2 };

/** How a document of a works says measures: in the system that the works reads. Drawings are dimensioned in millimetres, and say so. */
export class Said {
  private readonly system;
  constructor({ measures }: Pick<Works, 'measures'>) {
    this.system = measureSystem(measures);
  }

  /** What stands beside a number of this unit. */
  unit(unit: string): string {
    return unitText(measureOf(unit, this.system).unit, 2);
  }
  /** A number without its unit. */
  number(value: number, unit: string, digits = 0): string {
    const decimals = this.system === 'metric' ? digits : (INCH_DIGITS[unit] ?? digits);
    return number(measureOf(unit, this.system).show(value), decimals);
  }
  /** The same with it. */
  measure(value: number, unit: string, digits = 0): string {
    return `${this.number(value, unit, digits)} ${this.unit(unit)}`;
  }
  /** A value as exactly as its kind is said. */
  readonly quantity = (value: number, unit: string, kind?: FigureKind): string =>
    sayMeasured(value, unit, this.system, kind);
  /** Lengths in millimetres beside each other, such as a sheet's sides, without their unit. */
  sides(...sides: readonly number[]): string {
    const { show } = measureOf('mm', this.system);
    return sides.map((mm) => sizeNumber(show(mm), this.system === 'metric' ? 2 : 3)).join(' x ');
  }
  /** The same with it. */
  size(...sides: readonly number[]): string {
    return `${this.sides(...sides)} ${this.unit('mm')}`;
  }
}

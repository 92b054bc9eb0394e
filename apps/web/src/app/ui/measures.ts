import { Injectable, computed, signal } from '@angular/core';
import {
  type Figure,
  type FigureKind,
  type Measure,
  type MeasureSystem,
  kindOf,
  measureOf,
  measureSystem,
  sayInFull,
  sayMeasured,
  sizeNumber,
} from '@druckerei/core/kernel';

const KEY = 'druckerei.measures';

/** The system of measures that the person at this computer reads: that of the works until somebody chooses. */
@Injectable({ providedIn: 'root' })
export class Measures {
  private readonly chosen = signal(measureSystem(localStorage.getItem(KEY)));
  readonly system = this.chosen.asReadonly();
  readonly other = computed((): MeasureSystem => (this.chosen() === 'metric' ? 'inch-pound' : 'metric'));

  toggle(): void {
    this.chosen.set(this.other());
    localStorage.setItem(KEY, this.chosen());
  }

  /** Takes the system of the works, where nobody has chosen one at this computer. */
  useWorks(told: string | null | undefined): void {
    if (localStorage.getItem(KEY) === null) this.chosen.set(measureSystem(told));
  }

  of(unit: string): Measure {
    return measureOf(unit, this.system());
  }

  /** A stored value with its unit, as it is read here. */
  quantity(value: number, unit: string, kind?: FigureKind): string {
    return sayMeasured(value, unit, this.system(), kind);
  }

  /** A figure as exactly as its kind is said. */
  figure(figure: Figure): string {
    return this.quantity(figure.value, figure.unit, kindOf(figure));
  }

  /** A stored value in full, as its working shows it. */
  full(value: number, unit: string): string {
    return sayInFull(value, unit, this.system());
  }

  /** Two lengths in millimetres, such as a sheet's width and height. */
  size(widthMm: number, heightMm: number): string {
    const text = (mm: number): string => sizeNumber(this.of('mm').show(mm), 2);
    return `${text(widthMm)} × ${text(heightMm)}`;
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { count, unitText } from '../../../ui/format';
import { type Station, type StreamModel, isLag } from './stream-model';

/** The stream of a job, drawn to be picked from: stations with what goes in and out, narrowing by what is spoiled. */
@Component({
  selector: 'dk-stream',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stream.html',
  styleUrl: './stream.scss',
})
export class Stream {
  readonly model = input.required<StreamModel>();
  readonly chosen = input<string | null>(null);
  readonly chose = output<string | null>();
  /** Stations may be dragged along their lane. */
  readonly movable = input(false);
  readonly moved = output<{ step: string; before: string }>();
  readonly figureOpened = output<string>();
  /** The station under the hand, and the one that it would stand before. */
  protected readonly dragged = signal<string | null>(null);
  protected readonly over = signal<string | null>(null);
  protected readonly viewBox = computed(() => `0 0 ${this.model().width} ${this.model().height}`);
  protected readonly count = count;
  protected readonly isLag = isLag;

  protected segment({ x, y, width, thickIn, thickOut }: Station): string {
    return `M${x} ${y - thickIn / 2} L${x + width} ${y - thickOut / 2} L${x + width} ${y + thickOut / 2} L${x} ${y + thickIn / 2}Z`;
  }

  /** What falls away, as a drop below the station: hatched for set-up, plain for running. */
  protected spoils({ x, y, width, thickIn, thickOut }: Station, lost: number, share: number, offset: number): string {
    if (lost <= 0) return '';
    const left = x + width * (0.2 + 0.6 * offset);
    const wide = Math.max(3, width * 0.6 * share);
    const top = y + (thickIn + thickOut) / 4;
    return `M${left} ${top} L${left + wide} ${top} L${left + wide} ${top + 9} Q${left + wide / 2} ${top + 14} ${left} ${top + 9}Z`;
  }

  /** The first word, where room is for no more. */
  protected lagName({ step }: Station): string {
    return step.name.split(' ')[0] ?? step.name;
  }

  /** Minutes where it is less than an hour. */
  protected lagText({ step: { lagHours } }: Station): string {
    return lagHours > 0 && lagHours < 1 ? `${count(lagHours * 60)} min` : `${count(lagHours, 1)} h`;
  }

  protected share({ setupLost, runningLost }: Station): number {
    return setupLost + runningLost === 0 ? 0 : setupLost / (setupLost + runningLost);
  }

  protected spoken({ step, setupLost, runningLost, counted, takes, mark }: Station): string {
    const into = `${count(step.processUnits)} ${unitText(step.unitIn, step.processUnits)} in`;
    const out = `${count(step.needsOut)} ${unitText(step.unitOut, step.needsOut)} out`;
    return isLag(step)
      ? `${step.name}, ${count(step.lagHours, 1)} hours`
      : `${step.name}: ${into}, ${out}, ${count(setupLost)} spoiled at set-up, ${count(runningLost)} while running${counted === undefined ? '' : `, ${count(counted)} counted`}${takes.length === 0 ? '' : `, takes ${takes.join(' and ')}`}${mark === undefined ? '' : ', breaks a rule'}`;
  }

  protected take(event: PointerEvent, station: Station): void {
    if (!this.movable() || event.button !== 0) return;
    this.dragged.set(station.step.id);
    // The pointer is let free, so that the stations under it hear it.
    (event.target as Element).releasePointerCapture?.(event.pointerId);
  }
  protected enter(station: Station): void {
    if (this.dragged() !== null) this.over.set(station.step.id);
  }
  protected drop(): void {
    const [step, before] = [this.dragged(), this.over()];
    this.dragged.set(null);
    this.over.set(null);
    if (step !== null && before !== null && step !== before) this.moved.emit({ step, before });
  }

  protected onKey(event: KeyboardEvent, station: Station): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.chose.emit(station.step.id);
    }
  }
}

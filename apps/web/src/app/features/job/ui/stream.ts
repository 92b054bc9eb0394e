import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { count, unitText } from '../../../ui/format';
import type { Station, StreamModel } from './stream-model';

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
  readonly figureOpened = output<string>();
  protected readonly viewBox = computed(() => `0 0 ${this.model().width} ${this.model().height}`);
  protected readonly count = count;

  protected segment({ x, y, width, thickIn, thickOut }: Station): string {
    return `M${x} ${y - thickIn / 2} L${x + width} ${y - thickOut / 2} L${x + width} ${y + thickOut / 2} L${x} ${y + thickIn / 2}Z`;
  }

  /** What falls away, as a drop below the station: hatched for set-up, plain for running. */
  protected drop({ x, y, width, thickIn, thickOut }: Station, lost: number, share: number, offset: number): string {
    if (lost <= 0) return '';
    const left = x + width * (0.2 + 0.6 * offset);
    const wide = Math.max(3, width * 0.6 * share);
    const top = y + (thickIn + thickOut) / 4;
    return `M${left} ${top} L${left + wide} ${top} L${left + wide} ${top + 9} Q${left + wide / 2} ${top + 14} ${left} ${top + 9}Z`;
  }

  protected share({ setupLost, runningLost }: Station): number {
    return setupLost + runningLost === 0 ? 0 : setupLost / (setupLost + runningLost);
  }

  protected spoken({ step, setupLost, runningLost, counted }: Station): string {
    const into = `${count(step.processUnits)} ${unitText(step.unitIn, step.processUnits)} in`;
    const out = `${count(step.needsOut)} ${unitText(step.unitOut, step.needsOut)} out`;
    return step.operation === 'dry'
      ? `${step.name}, ${count(step.lagHours, 1)} hours`
      : `${step.name}: ${into}, ${out}, ${count(setupLost)} spoiled at set-up, ${count(runningLost)} while running${counted === undefined ? '' : `, ${count(counted)} counted`}`;
  }

  protected onKey(event: KeyboardEvent, station: Station): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.chose.emit(station.step.id);
    }
  }
}

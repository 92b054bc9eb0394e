import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { type PlanStep, type StreamModel, type StreamStation, hoursText, isLag } from '@druckerei/core';
import { count, unitText } from '../../../ui/format';
import type { StationClock } from './station-clock';

/** What is marked at a station, as it is spoken. */
const MARK_WORDS = {
  hard: $localize`, breaks a rule`,
  soft: $localize`, breaks a rule`,
  differs: $localize`, is otherwise now`,
  none: '',
} as const;

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
  /** The whole of it in the room there is; else as large as it reads well. */
  readonly fitted = input(false);
  /** When each station runs; undefined where it is not told. */
  readonly clock = input<(step: PlanStep) => StationClock | undefined>(() => undefined);
  readonly chose = output<string | null>();
  /** Stations may be dragged along their lane. */
  readonly movable = input(false);
  readonly moved = output<{ step: string; before: string }>();
  readonly figureOpened = output<string>();
  /** Lanes that are alike are asked for each by itself, or as one again: the first component of them. */
  readonly alikeToggled = output<string>();
  /** The station under the hand, and the one that it would stand before. */
  protected readonly dragged = signal<string | null>(null);
  protected readonly over = signal<string | null>(null);
  protected readonly viewBox = computed(() => `0 0 ${this.model().width} ${this.model().height}`);
  protected readonly count = count;
  protected readonly isLag = isLag;

  protected segment({ x, y, width, thickIn, thickOut }: StreamStation): string {
    return `M${x} ${y - thickIn / 2} L${x + width} ${y - thickOut / 2} L${x + width} ${y + thickOut / 2} L${x} ${y + thickIn / 2}Z`;
  }

  /** What falls away, as a drop below the station: hatched for set-up, plain for running. */
  protected spoils(
    { x, y, width, thickIn, thickOut }: StreamStation,
    lost: number,
    share: number,
    offset: number,
  ): string {
    if (lost <= 0) return '';
    const left = x + width * (0.2 + 0.6 * offset);
    const wide = Math.max(3, width * 0.6 * share);
    const top = y + (thickIn + thickOut) / 4;
    return `M${left} ${top} L${left + wide} ${top} L${left + wide} ${top + 9} Q${left + wide / 2} ${top + 14} ${left} ${top + 9}Z`;
  }

  /** The first word, where room is for no more. */
  protected lagName({ step }: StreamStation): string {
    return step.name.split(' ')[0] ?? step.name;
  }

  protected lagText({ step: { lagHours } }: StreamStation): string {
    return hoursText(lagHours);
  }

  protected share({ setupLost, runningLost }: StreamStation): number {
    return setupLost + runningLost === 0 ? 0 : setupLost / (setupLost + runningLost);
  }

  protected spoken({ step, setupLost, runningLost, counted, takes, mark }: StreamStation): string {
    const into = $localize`${count(step.processUnits)} ${unitText(step.unitIn, step.processUnits)} in`;
    const out = $localize`${count(step.needsOut)} ${unitText(step.unitOut, step.needsOut)} out`;
    const clock = this.clock()(step)?.spoken ?? '';
    return isLag(step)
      ? `${step.name}, ${hoursText(step.lagHours)}${clock}`
      : $localize`${step.name}\: ${into}, ${out}, ${count(setupLost)} spoiled at set-up, ${count(runningLost)} while running${counted === undefined ? '' : $localize`, ${count(counted)} counted`}${takes.length === 0 ? '' : $localize`, takes ${takes.join($localize` and `)}`}${MARK_WORDS[mark ?? 'none']}${clock}`;
  }

  protected take(event: PointerEvent, station: StreamStation): void {
    if (!this.movable() || event.button !== 0) return;
    this.dragged.set(station.step.id);
    // The pointer is let free, so that the stations under it hear it.
    (event.target as Element).releasePointerCapture?.(event.pointerId);
  }
  protected enter(station: StreamStation): void {
    if (this.dragged() !== null) this.over.set(station.step.id);
  }
  protected drop(): void {
    const [step, before] = [this.dragged(), this.over()];
    this.dragged.set(null);
    this.over.set(null);
    if (step !== null && before !== null && step !== before) this.moved.emit({ step, before });
  }

  protected onKey(event: KeyboardEvent, station: StreamStation): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.chose.emit(station.step.id);
    }
  }
}

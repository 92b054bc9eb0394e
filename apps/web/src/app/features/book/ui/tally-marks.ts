import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { WordPipe } from '../../../ui/word';

const MOST = 40;
const STEP = 7;
const FIVE = 5;

/** Strokes of a tally, every fifth across the four before it: one for each entry of a line. */
@Component({
  selector: 'dk-tally-marks',
  imports: [WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      [attr.width]="width()"
      height="22"
      [attr.viewBox]="'0 0 ' + width() + ' 22'"
      role="img"
      [attr.aria-label]="count() + (count() === 1 ? (' entry' | word) : (' entries' | word))"
    >
      <path [attr.d]="path()" />
    </svg>
    @if (count() > most) {
      <span>+{{ count() - most }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 4px;
      color: var(--mat-sys-on-surface-variant);
    }
    path {
      fill: none;
      stroke: currentColor;
      stroke-width: 1.8;
      stroke-linecap: round;
    }
  `,
})
export class TallyMarks {
  readonly count = input.required<number>();
  protected readonly most = MOST;
  private readonly drawn = computed(() => Math.min(this.count(), MOST));
  protected readonly width = computed(() => Math.ceil(this.drawn() / FIVE) * (FIVE - 1 + 1.4) * STEP + 4);
  protected readonly path = computed(() => {
    const strokes: string[] = [];
    for (let i = 0; i < this.drawn(); i++) {
      const bundle = Math.floor(i / FIVE) * (FIVE - 1 + 1.4) * STEP + 4;
      const place = i % FIVE;
      const x = bundle + place * STEP;
      strokes.push(
        place === FIVE - 1 ? `M${bundle - 3} 17L${bundle + (FIVE - 2) * STEP + 3} 5` : `M${x} 3L${x - 1} 19`,
      );
    }
    return strokes.join('');
  });
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type DieDrawing, type Outline, boundsOf } from '@druckerei/core';
import { WordPipe } from '../../../ui/word';

const closedPath = (points: Outline): string => `${openPath(points)}Z`;
const openPath = (points: Outline): string => `M${points.map(({ x, y }) => `${x} ${-y}`).join('L')}`;

/** A blank to scale: cut solid, crease dashed, perforation dotted, glue hatched. */
@Component({
  selector: 'dk-die-view',
  imports: [WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      class="drawing"
      [attr.viewBox]="viewBox()"
      role="img"
      [attr.aria-label]="'Blank to scale: {0}' | word: drawing().name"
    >
      <defs>
        <pattern id="glue" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" class="hatch" />
        </pattern>
      </defs>
      <path class="cut outline" [attr.d]="outline()" />
      @for (area of areas(); track $index) {
        <path class="glue" fill="url(#glue)" [attr.d]="area" />
      }
      @for (line of lines(); track $index) {
        <path [attr.class]="line.kind" [attr.d]="line.d" />
      }
    </svg>
  `,
  styleUrl: '../pages/bench-page.scss',
})
export class DieView {
  readonly drawing = input.required<DieDrawing>();
  protected readonly viewBox = computed(() => {
    const { left, bottom, right, top } = boundsOf(this.drawing().outline);
    const room = Math.max(right - left, top - bottom) * 0.02;
    return `${left - room} ${-top - room} ${right - left + 2 * room} ${top - bottom + 2 * room}`;
  });
  protected readonly outline = computed(() => closedPath(this.drawing().outline));
  protected readonly areas = computed(() => this.drawing().areas.map(({ outline }) => closedPath(outline)));
  protected readonly lines = computed(() =>
    this.drawing().lines.map(({ kind, points }) => ({ kind, d: openPath(points) })),
  );
}

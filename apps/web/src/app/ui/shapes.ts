import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Shape } from '@druckerei/core';

type Drawn = Exclude<Shape, { readonly kind: 'measure' }>;

/** Boxes and runs of a drawing to scale; its measures are for who has room for them. Roles are told by stroke and fill. */
@Component({
  // An SVG element may hold nothing but SVG elements.
  // eslint-disable-next-line @angular-eslint/component-selector
  selector: 'g[dkShapes]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (shape of drawn(); track $index) {
      @if (shape.kind === 'box') {
        <svg:rect
          [attr.class]="shape.role"
          [attr.x]="shape.x"
          [attr.y]="shape.y"
          [attr.width]="shape.width"
          [attr.height]="shape.height"
        />
        @if (shape.label) {
          <svg:text [attr.x]="shape.x + shape.width / 2" [attr.y]="shape.y + shape.height / 2">
            {{ shape.label }}
          </svg:text>
        }
      } @else {
        <svg:path [attr.class]="shape.role" [attr.d]="run(shape)" />
        @if (shape.label && shape.points[0]; as first) {
          <svg:text [attr.x]="first.x + letter() * 0.8" [attr.y]="first.y + letter()">{{ shape.label }}</svg:text>
        }
      }
    }
  `,
  styles: `
    text {
      fill: var(--mat-sys-on-surface);
      text-anchor: middle;
      dominant-baseline: middle;
    }
    rect,
    path {
      stroke: var(--mat-sys-on-surface);
      stroke-width: 1.2;
      vector-effect: non-scaling-stroke;
      fill: none;
    }
    .sheet {
      stroke: var(--mat-sys-outline);
      stroke-dasharray: 6 4;
    }
    .piece,
    .cloth {
      fill: var(--mat-sys-surface-container-lowest);
    }
    .board,
    .block {
      fill: var(--mat-sys-surface-container-highest);
    }
    .glue {
      fill: var(--dk-stream);
      stroke-dasharray: 1 3;
    }
    .window {
      fill: var(--mat-sys-surface);
    }
    .fold {
      stroke-dasharray: 8 5;
    }
    .cut {
      stroke: var(--mat-sys-primary);
      stroke-width: 1.6;
    }
    .edge {
      stroke-width: 2;
    }
  `,
})
export class Shapes {
  readonly shapes = input.required<readonly Shape[]>({ alias: 'dkShapes' });
  /** Height of letters, millimetres. */
  readonly letter = input(0);
  protected readonly drawn = computed(() => this.shapes().filter((shape): shape is Drawn => shape.kind !== 'measure'));

  protected run({ points, closed }: Extract<Shape, { kind: 'path' }>): string {
    return `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}${closed === true ? 'Z' : ''}`;
  }
}

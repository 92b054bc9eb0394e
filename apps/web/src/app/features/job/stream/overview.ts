import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { StreamModel } from '@druckerei/core';

/** What of a drawing is in sight, as shares 0..1 of its width and height. */
export interface Seen {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The whole stream, small, with what of it is in sight; a press on it goes there. The stream itself takes the keys. */
@Component({
  selector: 'dk-overview',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg
      preserveAspectRatio="none"
      [attr.viewBox]="viewBox()"
      aria-hidden="true"
      (pointerdown)="go($event)"
      (pointermove)="go($event)"
    >
      @for (band of model().bands; track band.id) {
        <path class="band" [attr.d]="band.path" />
      }
      @for (station of model().stations; track station.step.id) {
        <rect
          class="station"
          [class.chosen]="station.step.id === chosen()"
          [attr.x]="station.x"
          [attr.y]="station.y - 24"
          [attr.width]="station.width"
          height="48"
        />
      }
      <rect
        class="seen"
        [attr.x]="seen().x * model().width"
        [attr.y]="seen().y * model().height"
        [attr.width]="seen().width * model().width"
        [attr.height]="seen().height * model().height"
      />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--mat-sys-outline-variant);
      background: var(--mat-sys-surface-container-low);
    }
    svg {
      display: block;
      width: 100%;
      height: 36px;
      cursor: pointer;
      touch-action: none;
    }
    .band {
      fill: var(--dk-stream);
    }
    .station {
      fill: var(--dk-station);
    }
    .station.chosen {
      fill: var(--mat-sys-primary);
    }
    .seen {
      fill: color-mix(in srgb, var(--mat-sys-primary) 10%, transparent);
      stroke: var(--mat-sys-primary);
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class Overview {
  readonly model = input.required<StreamModel>();
  readonly seen = input.required<Seen>();
  readonly chosen = input<string | null>(null);
  /** A place of the drawing that was asked for, as shares of it. */
  readonly went = output<{ readonly x: number; readonly y: number }>();
  protected readonly viewBox = computed(() => `0 0 ${this.model().width} ${this.model().height}`);

  protected go(event: PointerEvent): void {
    if (event.buttons !== 1) return;
    const svg = event.currentTarget as SVGSVGElement;
    const matrix = svg.getScreenCTM();
    if (!matrix) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    this.went.emit({ x: x / this.model().width, y: y / this.model().height });
  }
}

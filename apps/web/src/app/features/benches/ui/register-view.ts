import { numberText } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ColourOffsets, MarkPlace } from '@druckerei/core';

interface Arrow {
  readonly colour: string;
  readonly d: string;
  readonly x: number;
  readonly y: number;
}

/** Share of the sheet's width that an offset of the tolerance is drawn as. */
const TOLERANCE_SHARE = 0.05;
/** Parts of a head of an arrow, as shares of the sheet's width. */
const HEAD = 0.012;

/** The sheet with the offsets at its marks, enlarged: an arrow a colour with its letter, and the tolerance as a ring. */
@Component({
  selector: 'dk-register-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg class="drawing" [attr.viewBox]="viewBox()" role="img" [attr.aria-label]="label()">
      <rect class="sheet" x="0" y="0" [attr.width]="widthMm()" [attr.height]="heightMm()" />
      <rect class="gripper" x="0" [attr.y]="heightMm() - 12" [attr.width]="widthMm()" height="12" />
      @for (mark of spots(); track $index) {
        <circle class="ring" [attr.cx]="mark.x" [attr.cy]="mark.y" [attr.r]="ring()" />
        <path class="cross" [attr.d]="'M' + (mark.x - 9) + ' ' + mark.y + 'h18m-9 -9v18'" />
        <text class="mark" [attr.x]="mark.x" [attr.y]="mark.y + ring() + 26">{{ $index + 1 }}</text>
      }
      @for (arrow of arrows(); track $index) {
        <path class="arrow" [attr.d]="arrow.d" />
        <text [attr.x]="arrow.x" [attr.y]="arrow.y">{{ arrow.colour }}</text>
      }
    </svg>
    <p i18n class="quiet">
      Arrows are {{ times() }} times as long as the offsets; the ring is the tolerance. Gripper edge at the bottom.
    </p>
  `,
  styleUrl: '../pages/bench-page.scss',
  styles: `
    .gripper {
      fill: var(--dk-spoiled);
    }
    .ring {
      fill: none;
      stroke: var(--mat-sys-outline);
      stroke-dasharray: 5 4;
      vector-effect: non-scaling-stroke;
    }
    .cross,
    .arrow {
      fill: none;
      stroke: var(--mat-sys-on-surface);
      stroke-width: 1.6;
      vector-effect: non-scaling-stroke;
    }
    text {
      font-size: 24px;
      font-weight: 600;
      text-anchor: middle;
      fill: var(--mat-sys-on-surface);
    }
    .mark {
      font-weight: 400;
      fill: var(--mat-sys-on-surface-variant);
    }
  `,
})
export class RegisterView {
  readonly widthMm = input.required<number>();
  readonly heightMm = input.required<number>();
  readonly marks = input.required<readonly MarkPlace[]>();
  readonly colours = input.required<readonly { readonly colour: string; readonly offsets: ColourOffsets }[]>();
  readonly toleranceMm = input.required<number>();

  protected readonly viewBox = computed(() => `-20 -20 ${this.widthMm() + 40} ${this.heightMm() + 40}`);
  protected readonly ring = computed(() => this.widthMm() * TOLERANCE_SHARE);
  private readonly scale = computed(() => this.ring() / Math.max(1e-6, this.toleranceMm()));
  protected readonly times = computed(() => numberText(Math.round(this.scale())));
  protected readonly spots = computed(() => this.marks().map(({ xMm, yMm }) => ({ x: xMm, y: this.heightMm() - yMm })));
  protected readonly arrows = computed((): Arrow[] =>
    this.colours().flatMap(({ colour, offsets }) =>
      offsets.flatMap(({ dx, dy }, i) => {
        const spot = this.spots()[i];
        return spot ? [this.arrow(colour, spot.x, spot.y, dx * this.scale(), -dy * this.scale())] : [];
      }),
    ),
  );
  protected readonly label = computed(
    () =>
      $localize`Sheet with ${this.marks().length} marks and the offsets of ${this.colours()
        .map(({ colour }) => colour)
        .join(', ')}`,
  );

  /** A line with a head, its letter beyond its end. */
  private arrow(colour: string, x: number, y: number, dx: number, dy: number): Arrow {
    const length = Math.hypot(dx, dy);
    const [ux, uy] = length < 1e-9 ? [0, -1] : [dx / length, dy / length];
    const head = Math.min(length, HEAD * this.widthMm());
    const end = { x: x + dx, y: y + dy };
    const wing = (side: number): string =>
      `M${end.x} ${end.y}l${-head * (ux + side * uy * 0.5)} ${-head * (uy - side * ux * 0.5)}`;
    return {
      colour,
      d: `M${x} ${y}L${end.x} ${end.y}${wing(1)}${wing(-1)}`,
      x: end.x + ux * 18,
      y: end.y + uy * 18 + 8,
    };
  }
}

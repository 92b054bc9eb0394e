import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Machine } from '@druckerei/core';
import { Measures } from '../../../ui/measures';

interface Box {
  readonly kind: 'plate' | 'most' | 'margin' | 'least';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Room around the drawing and height of its row of units, shares of its longer side. */
const ROOM = 0.06;
const UNIT_ROW = 0.16;
const TEXT = 0.035;

const pairOf = (value: readonly [number, number] | undefined): readonly [number, number] | undefined =>
  value?.every((mm) => Number.isFinite(mm) && mm > 0) ? value : undefined;

/**
 * A machine to scale, as it is typed: the largest and the smallest that it takes, the margins of a press with what is left to
 * print, its plate around them, its units in a row above.
 */
@Component({
  selector: 'dk-machine-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (model(); as m) {
      <svg [attr.viewBox]="m.viewBox" role="img" [attr.aria-label]="m.label">
        @for (roller of m.rollers; track $index) {
          <circle
            class="unit"
            [class.coating]="roller.coating"
            [attr.cx]="roller.x"
            [attr.cy]="roller.y"
            [attr.r]="roller.r"
          />
        }
        @for (box of m.boxes; track $index) {
          <rect
            [class]="box.kind"
            [attr.x]="box.x"
            [attr.y]="box.y"
            [attr.width]="box.width"
            [attr.height]="box.height"
          />
        }
        @for (text of m.texts; track text.words) {
          <text [attr.x]="text.x" [attr.y]="text.y" [attr.font-size]="m.size" text-anchor="middle">
            {{ text.words }}
          </text>
        }
      </svg>
    } @else {
      <p i18n class="quiet">It is drawn to scale once its largest and smallest sizes are told.</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
      width: 100%;
      max-height: 440px;
    }
    rect,
    circle {
      vector-effect: non-scaling-stroke;
      fill: none;
      stroke: var(--mat-sys-outline);
    }
    .most {
      fill: var(--mat-sys-surface-container-lowest);
      stroke: var(--mat-sys-on-surface);
      stroke-width: 1.5;
    }
    .margin {
      fill: var(--dk-stream);
      stroke: none;
      opacity: 0.75;
    }
    .least {
      stroke: var(--mat-sys-primary);
      stroke-dasharray: 6 4;
      stroke-width: 1.5;
    }
    .plate {
      stroke-dasharray: 2 3;
    }
    .unit {
      fill: var(--mat-sys-surface-container-high);
    }
    .coating {
      fill: var(--dk-stream);
      stroke-dasharray: 3 2;
    }
    text {
      fill: var(--mat-sys-on-surface);
    }
  `,
})
export class MachineDrawing {
  private readonly measures = inject(Measures);
  readonly machine = input.required<Partial<Pick<Machine, 'press' | 'takes' | 'name'>>>();

  protected readonly model = computed(() => {
    const { press, takes, name = '' } = this.machine();
    const most = pairOf(press?.maxSheetMm ?? takes?.maxMm);
    if (!most) return undefined;
    const least = pairOf(press?.minSheetMm ?? takes?.minMm);
    const plate = pairOf(press?.plate && [press.plate.widthMm, press.plate.heightMm]);
    const long = Math.max(...most, ...(least ?? []), ...(plate ?? []));
    const size = long * TEXT;
    const at = (kind: Box['kind'], [width, height]: readonly [number, number], foot: number): Box => ({
      kind,
      x: -width / 2,
      y: foot - height,
      width,
      height,
    });
    // The gripper edge lies below: the smallest sheet stands on it as the largest does.
    const sheet = at('most', most, 0);
    const small = least && at('least', least, 0);
    const gripperOver = plate && press ? (plate[1] - most[1]) / 2 : 0;
    const around = plate && at('plate', plate, Math.max(0, gripperOver));
    // A smallest that is larger than the largest, as it may be typed, is drawn whole too.
    const all = [sheet, around, small].filter((box) => box !== undefined);
    const top = Math.min(...all.map(({ y }) => y));
    const units = this.rollers(press, long, top - long * 0.04);
    const left = Math.min(...all.map(({ x }) => x));
    const height = long * (units.length > 0 ? UNIT_ROW : 0);
    const foot = Math.max(0, around ? around.y + around.height : 0);
    const room = long * ROOM;
    return {
      size,
      boxes: [around, sheet, ...this.margins(press, sheet), small].filter((box) => box !== undefined),
      rollers: units,
      texts: [
        { x: 0, y: foot + size * 1.4, words: this.words(most, least) },
        ...(press && press.gripperMm > 0
          ? [{ x: 0, y: size * -0.4 - press.gripperMm, words: $localize`gripper edge` }]
          : []),
      ],
      viewBox: `${left - room} ${top - height - room} ${-2 * left + 2 * room} ${foot - top + height + 2 * room + size * 2}`,
      label: $localize`${name}, to scale: ${this.words(most, least)}`,
    };
  });

  private words(most: readonly [number, number], least: readonly [number, number] | undefined): string {
    const unit = this.measures.of('mm').unit;
    const size = ([a, b]: readonly [number, number]): string => this.measures.size(a, b);
    return $localize`up to ${size(most)} ${unit}${least ? $localize`, from ${size(least)} ${unit}` : ''}`;
  }

  /** What cannot be printed on: gripper, tail and both sides. */
  private margins(press: Machine['press'], { x, y, width, height }: Box): Box[] {
    if (!press) return [];
    const { gripperMm, tailMm, sideMm } = press;
    return [
      { x, y: y + height - gripperMm, width, height: gripperMm },
      { x, y, width, height: tailMm },
      { x, y, width: sideMm, height },
      { x: x + width - sideMm, y, width: sideMm, height },
    ]
      .filter((margin) => margin.width > 0 && margin.height > 0)
      .map((margin) => ({ kind: 'margin', ...margin }));
  }

  private rollers(press: Machine['press'], long: number, bottom: number) {
    if (!press) return [];
    const { units, coatingUnits = 0 } = press;
    const all = Math.min(30, units + coatingUnits);
    const r = Math.min(long * UNIT_ROW * 0.22, long / (all * 2.6 + 1));
    // Plate cylinder over blanket cylinder, unit by unit.
    return Array.from({ length: all }, (_, i) =>
      [3, 1].map((above) => ({
        x: (i - (all - 1) / 2) * r * 2.6,
        y: bottom - above * r,
        r,
        coating: i >= units,
      })),
    ).flat();
  }
}

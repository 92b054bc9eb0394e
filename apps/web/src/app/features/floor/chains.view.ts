import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  afterNextRender,
  computed,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { FloorSlot } from '@druckerei/core';
import { chipPaths, chipsOf, cordsOf } from './cord-paths';
import { type DropPlace, type FloorDrawing, type ThreadPart, dropAt, partAt } from './floor-drawing';
import { type FloorNames, changesText } from '@druckerei/contract';
import type { WorksClock } from './floor-words';

/** Steps in which it is noticed what is in sight, and what is taken for it until the page is laid out. */
const STEP_PX = 400;
const FIRST_SEEN_PX = 1_600;
/** Pixels that a pointer moves before it drags. */
const DRAG_PX = 5;

/** Machines as rows, work as cords with a waist at every set-up, the thread of a chosen job from row to row. */
@Component({
  selector: 'dk-chains',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let at = drawing();
    <div class="names" [style.height.px]="at.height" aria-hidden="true">
      @for (row of at.rows; track row.machine) {
        <span [style.top.px]="row.y - 20">{{ names().machine(row.machine) }}</span>
      }
      @for (crew of at.crews; track crew.name) {
        <span i18n class="crew" [style.top.px]="crew.y - 20">{{ crew.name }}, people</span>
      }
    </div>
    <div
      class="chains"
      tabindex="0"
      role="group"
      i18n-aria-label
      aria-label="Chains of work by machine; the shift book has the same in words"
      #window
      (scroll)="look(window)"
      (window:resize)="look(window)"
    >
      <svg
        #sheet
        [attr.width]="at.width + 40"
        [attr.height]="at.height"
        aria-hidden="true"
        [class.picked]="chosen() !== undefined"
        (pointerdown)="grasp($event, sheet)"
        (pointermove)="drag($event, sheet)"
        (pointerup)="release($event)"
        (pointercancel)="release($event)"
      >
        @for (day of at.days; track day.minute) {
          <line class="day" [attr.x1]="day.x" [attr.x2]="day.x" y1="0" [attr.y2]="at.height" />
          <text class="day-name" [attr.x]="day.x + 5" y="16">{{ clock().dayText(day.minute) }}</text>
        }
        @for (seam of at.seams; track seam) {
          <line class="seam" [attr.x1]="seam" [attr.x2]="seam" y1="24" [attr.y2]="at.height" />
        }
        <title>{{ told() }}</title>
        @for (row of rows(); track $index) {
          <path class="waist" [attr.d]="row.waists" />
          <path class="cord" [attr.d]="row.cords" />
          <path class="cord late" [attr.d]="row.late" />
          <path class="mark" [attr.d]="row.marks" />
        }
        @for (chip of chips(); track chip.colour) {
          <path class="chip" [attr.d]="chip.path" [attr.fill]="chip.colour" />
        }
        @if (own(); as cords) {
          <path class="waist own" [attr.d]="cords.waists" />
          <path class="cord own" [attr.d]="cords.cords" />
          <path class="cord own" [attr.d]="cords.late" />
        }
        @for (part of labels(); track part.slot.step + part.slot.job) {
          <text class="number" [attr.x]="part.run[0] + 6" [attr.y]="part.y + 4 - (part.thick < 12 ? 12 : 0)">
            {{ names().number(part.slot.job) }}
          </text>
        }
        @for (crew of at.crews; track crew.name) {
          <path class="present" [attr.d]="crew.present" />
          <path class="wanted" [attr.d]="crew.wanted" />
        }
        @if (place(); as into) {
          <path class="into" [attr.d]="arrow(into)" />
        }
        @for (part of thread(); track $index) {
          <path class="thread" [class.lies]="part.kind === 'lies'" [attr.d]="curve(part)" />
        }
      </svg>
    </div>
  `,
  styles: `
    :host {
      display: flex;
      border: 1px solid var(--mat-sys-outline-variant);
      background: var(--mat-sys-surface-container-lowest);
    }
    .names {
      position: relative;
      flex: none;
      width: 190px;
      border-right: 1px solid var(--mat-sys-outline-variant);
      font-size: 13px;
    }
    .names span {
      position: absolute;
      left: 10px;
      right: 8px;
      height: 40px;
      display: flex;
      align-items: center;
      line-height: 1.2;
    }
    .chains {
      flex: 1;
      overflow-x: auto;
    }
    svg {
      display: block;
      user-select: none;
      touch-action: pan-x pan-y;
    }
    .day {
      stroke: var(--mat-sys-outline-variant);
    }
    .day-name {
      font-size: 12px;
      fill: var(--mat-sys-on-surface-variant);
    }
    .seam {
      stroke: var(--mat-sys-outline-variant);
      stroke-width: 6;
      opacity: 0.45;
    }
    svg {
      cursor: pointer;
    }
    .cord {
      fill: light-dark(#6d7f73, #8fa396);
    }
    .cord.late {
      fill: var(--mat-sys-error);
    }
    .cord.own {
      fill: var(--mat-sys-primary);
    }
    .waist {
      stroke: var(--mat-sys-outline);
      stroke-width: 2.5;
    }
    .mark {
      fill: var(--mat-sys-outline);
    }
    .chip {
      stroke: var(--mat-sys-outline);
      stroke-width: 0.5px;
    }
    .picked :is(.cord, .waist, .mark, .chip):not(.own) {
      opacity: 0.35;
    }
    .crew {
      color: var(--mat-sys-on-surface-variant);
    }
    .present,
    .wanted {
      fill: none;
      stroke: var(--mat-sys-outline);
      stroke-width: 1.5;
      stroke-dasharray: 3 2;
      pointer-events: none;
    }
    .wanted {
      stroke: var(--mat-sys-primary);
      stroke-dasharray: none;
    }
    .number {
      font-size: 11px;
      fill: var(--mat-sys-on-surface);
      pointer-events: none;
      paint-order: stroke;
      stroke: var(--mat-sys-surface-container-lowest);
      stroke-width: 3px;
    }
    .into {
      fill: var(--mat-sys-primary);
      pointer-events: none;
    }
    .thread {
      fill: none;
      stroke: var(--mat-sys-primary);
      stroke-width: 2;
      stroke-dasharray: 2 4;
      pointer-events: none;
    }
    .thread.lies {
      stroke-dasharray: 8 4;
    }
  `,
})
export class ChainsView {
  readonly drawing = input.required<FloorDrawing>();
  readonly thread = input<readonly ThreadPart[]>([]);
  readonly names = input.required<FloorNames>();
  readonly clock = input.required<WorksClock>();
  readonly chosen = input<number>();
  readonly picked = output<number>();
  /** Machines that a station can be dragged to; nothing is dragged where there is none. */
  readonly able = input<(slot: FloorSlot) => readonly string[]>(() => []);
  readonly over = output<{ slot: FloorSlot; place: DropPlace | undefined }>();
  readonly dropped = output<{ slot: FloorSlot; place: DropPlace | undefined }>();
  protected readonly place = signal<DropPlace | undefined>(undefined);
  private grasped: { slot: FloorSlot; x: number; y: number; dragging: boolean } | undefined;

  /** Parts of the chosen job, above the others. */
  protected readonly own = computed(() => {
    const chosen = this.chosen();
    if (chosen === undefined) return undefined;
    return cordsOf(this.drawing().rows.flatMap(({ parts }) => parts.filter(({ slot }) => slot.job === chosen)));
  });
  /** From where to where the drawing is in sight, in steps with one to spare, so that scrolling draws seldom. */
  private readonly from = signal(-STEP_PX);
  private readonly to = signal(FIRST_SEEN_PX);
  private readonly inSight = computed(() => {
    const [from, to] = [this.from(), this.to()];
    return this.drawing().rows.map(({ parts }) => parts.filter(({ waist, run }) => run[1] >= from && waist[0] <= to));
  });
  protected readonly rows = computed(() => this.inSight().map(cordsOf));
  protected readonly chips = computed(() => chipPaths(this.inSight().flatMap((parts) => parts.flatMap(chipsOf))));
  protected readonly labels = computed(() => this.inSight().flatMap((parts) => parts.filter(({ label }) => label)));
  protected look({ scrollLeft, clientWidth }: Element): void {
    this.from.set((Math.floor(scrollLeft / STEP_PX) - 1) * STEP_PX);
    this.to.set((Math.ceil((scrollLeft + clientWidth) / STEP_PX) + 1) * STEP_PX);
  }
  /** The part under the pointer, in words. */
  protected readonly told = signal('');

  private readonly window = viewChild.required<ElementRef<HTMLElement>>('window');
  constructor() {
    afterNextRender(() => {
      this.look(this.window().nativeElement);
    });
  }

  private pointOf(event: PointerEvent, sheet: Element): readonly [number, number] {
    const box = sheet.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }
  protected grasp(event: PointerEvent, sheet: Element): void {
    const part = partAt(this.drawing(), ...this.pointOf(event, sheet));
    if (part) this.grasped = { slot: part.slot, x: event.clientX, y: event.clientY, dragging: false };
  }
  protected drag(event: PointerEvent, sheet: Element): void {
    const { grasped } = this;
    const [x, y] = this.pointOf(event, sheet);
    if (!grasped) {
      const part = partAt(this.drawing(), x, y);
      this.told.set(part ? this.wordsOf(part.slot) : '');
      return;
    }
    if (!grasped.dragging) {
      if (Math.hypot(event.clientX - grasped.x, event.clientY - grasped.y) < DRAG_PX) return;
      grasped.dragging = true;
      sheet.setPointerCapture(event.pointerId);
    }
    const place = dropAt(this.drawing(), grasped.slot, this.able()(grasped.slot), x, y);
    const before = this.place();
    if (place?.machine === before?.machine && place?.before === before?.before && place?.last === before?.last) return;
    this.place.set(place);
    this.over.emit({ slot: grasped.slot, place });
  }
  protected release(event: PointerEvent): void {
    const { grasped } = this;
    this.grasped = undefined;
    if (!grasped) return;
    if (grasped.dragging)
      this.dropped.emit({ slot: grasped.slot, place: event.type === 'pointerup' ? this.place() : undefined });
    else this.picked.emit(grasped.slot.job);
    this.place.set(undefined);
  }
  protected arrow({ x, y }: DropPlace): string {
    return `M ${x} ${y - 14} l -6 -8 l 12 0 z M ${x - 1} ${y - 16} h 2 v 32 h -2 z`;
  }

  protected curve({ from: [x1, y1], to: [x2, y2] }: ThreadPart): string {
    const bend = Math.max(12, Math.abs(x2 - x1) / 2);
    return `M ${x1} ${y1} C ${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
  }
  private wordsOf(slot: FloorSlot): string {
    const changes = changesText(slot);
    const [names, clock] = [this.names(), this.clock()];
    return [
      `${names.number(slot.job)} ${names.title(slot.job)}`,
      names.step(slot.job, slot.step),
      $localize`${clock.text(slot.start)} to ${clock.text(slot.end)}`,
      ...(changes === '' ? [] : [$localize`first: ${changes}`]),
    ].join('\n');
  }
}

import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { FloorSlot } from '@druckerei/core';
import { CHIP_PX, type CordPart, type DropPlace, type FloorDrawing, type ThreadPart, dropAt } from './floor-drawing';
import { type FloorNames, changesText } from '@druckerei/contract';
import type { WorksClock } from './floor-words';

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
        <span class="crew" [style.top.px]="crew.y - 20">{{ crew.name }}, people</span>
      }
    </div>
    <div
      class="chains"
      tabindex="0"
      role="group"
      aria-label="Chains of work by machine; the shift book has the same in words"
    >
      <svg
        #sheet
        [attr.width]="at.width + 40"
        [attr.height]="at.height"
        aria-hidden="true"
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
        @for (row of at.rows; track row.machine) {
          @for (part of row.parts; track part.slot.step + part.slot.job) {
            <g
              class="part"
              [class.late]="part.late"
              [class.chosen]="part.slot.job === chosen()"
              [class.faint]="chosen() !== undefined && part.slot.job !== chosen()"
              (pointerdown)="grasp($event, part.slot)"
            >
              <title>{{ told(part) }}</title>
              <line
                class="waist"
                [attr.x1]="part.waist[0]"
                [attr.x2]="part.waist[1]"
                [attr.y1]="part.y"
                [attr.y2]="part.y"
              />
              @if (part.chips.length === 0 && part.slot.changes.length > 0) {
                <path class="mark" [attr.d]="mark(part)" />
              }
              <rect
                class="cord"
                [attr.x]="part.run[0]"
                [attr.width]="width(part)"
                [attr.y]="part.y - part.thick / 2"
                [attr.height]="part.thick"
                rx="4"
              />
              @for (chip of part.chips; track $index) {
                <rect
                  class="chip"
                  [attr.x]="chip.x"
                  [attr.y]="chip.y"
                  [attr.width]="chipPx"
                  [attr.height]="chipPx"
                  [attr.fill]="chip.colour"
                />
              }
              @if (part.label) {
                <text class="number" [attr.x]="part.run[0] + 6" [attr.y]="part.y + 4 - (part.thick < 12 ? 12 : 0)">
                  {{ names().number(part.slot.job) }}
                </text>
              }
            </g>
          }
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
    .part {
      cursor: pointer;
    }
    .cord {
      fill: light-dark(#6d7f73, #8fa396);
    }
    .waist {
      stroke: var(--mat-sys-outline);
      stroke-width: 2.5;
    }
    .mark {
      fill: var(--mat-sys-outline);
    }
    .chip {
      stroke: var(--mat-sys-surface-container-lowest);
      stroke-width: 0.75px;
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
    .late .cord {
      fill: var(--mat-sys-error);
    }
    .chosen .cord {
      fill: var(--mat-sys-primary);
    }
    .faint {
      opacity: 0.35;
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
  protected readonly chipPx = CHIP_PX;
  protected readonly place = signal<DropPlace | undefined>(undefined);
  private grasped: { slot: FloorSlot; x: number; y: number; dragging: boolean } | undefined;

  protected grasp(event: PointerEvent, slot: FloorSlot): void {
    this.grasped = { slot, x: event.clientX, y: event.clientY, dragging: false };
  }
  protected drag(event: PointerEvent, sheet: Element): void {
    const { grasped } = this;
    if (!grasped) return;
    if (!grasped.dragging) {
      if (Math.hypot(event.clientX - grasped.x, event.clientY - grasped.y) < DRAG_PX) return;
      grasped.dragging = true;
      sheet.setPointerCapture(event.pointerId);
    }
    const box = sheet.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
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

  /** A run of a moment is seen too. */
  protected width({ run: [from, to] }: CordPart): number {
    return Math.max(2, to - from);
  }
  protected mark({ waist: [x], y }: CordPart): string {
    return `M ${x} ${y} l 5 -5 l 5 5 l -5 5 z`;
  }
  protected curve({ from: [x1, y1], to: [x2, y2] }: ThreadPart): string {
    const bend = Math.max(12, Math.abs(x2 - x1) / 2);
    return `M ${x1} ${y1} C ${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
  }
  protected told({ slot }: CordPart): string {
    const changes = changesText(slot);
    const [names, clock] = [this.names(), this.clock()];
    return [
      `${names.number(slot.job)} ${names.title(slot.job)}`,
      names.step(slot.job, slot.step),
      `${clock.text(slot.start)} to ${clock.text(slot.end)}`,
      ...(changes === '' ? [] : [`first: ${changes}`]),
    ].join('\n');
  }
}

import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RunRoll } from '@druckerei/core';
import { count, unitText } from '../../../ui/format';

const WIDTH = 720;
const ROOM = 88;
const GAP = 10;
/** Rolls drawn one by one; more are told in the table alone. */
const MOST_DRAWN = 24;

const told = (n: number, unit: string): string => `${count(n)} ${unitText(unit, n)}`;

/** The rolls of a run drawn to scale, as they come to the press and as they leave it, and the run as a line of splices. */
@Component({
  selector: 'dk-roll-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height()" role="img" [attr.aria-label]="spoken()">
      @for (roll of drawn(); track roll.number) {
        <g>
          <circle class="full" [attr.cx]="roll.cx" [attr.cy]="roll.cy" [attr.r]="roll.full" />
          @if (roll.rest > roll.core) {
            <circle class="rest" [attr.cx]="roll.cx" [attr.cy]="roll.cy" [attr.r]="roll.rest" />
          }
          <circle class="core" [attr.cx]="roll.cx" [attr.cy]="roll.cy" [attr.r]="roll.core" />
          <text [attr.x]="roll.cx" [attr.y]="roll.cy + radius + 14">{{ roll.number }}</text>
        </g>
      }
      <line class="run" x1="8" [attr.x2]="width - 8" [attr.y1]="lineY()" [attr.y2]="lineY()" />
      @for (splice of splices(); track $index) {
        <line class="splice" [attr.x1]="splice" [attr.x2]="splice" [attr.y1]="lineY() - 6" [attr.y2]="lineY() + 6" />
      }
      <text class="end" [attr.x]="8" [attr.y]="lineY() + 20">0 m</text>
      <text class="end right" [attr.x]="width - 8" [attr.y]="lineY() + 20">{{ count(total()) }} m</text>
    </svg>
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Roll</th>
          <th i18n scope="col" class="number">From, m</th>
          <th i18n scope="col" class="number">To, m</th>
          <th i18n scope="col" class="number">Begins at, mm</th>
          <th i18n scope="col" class="number">Ends at, mm</th>
          <th i18n scope="col" class="number">Left, m</th>
        </tr>
      </thead>
      <tbody>
        @for (roll of rolls(); track roll.number) {
          <tr>
            <td>{{ roll.number }}</td>
            <td class="number">{{ count(roll.fromM) }}</td>
            <td class="number">{{ count(roll.toM) }}</td>
            <td class="number">{{ count(roll.startMm) }}</td>
            <td class="number">{{ count(roll.endMm) }}</td>
            <td class="number">{{ roll.leftM >= 0.5 ? count(roll.leftM) : '' }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      max-width: 900px;
    }
    .full {
      fill: var(--dk-stream);
      stroke: var(--dk-spoiled);
    }
    .rest {
      fill: var(--dk-station);
      stroke: var(--dk-spoiled);
    }
    .core {
      fill: var(--mat-sys-surface);
      stroke: var(--dk-spoiled);
    }
    .run {
      stroke: var(--dk-station);
      stroke-width: 6;
    }
    .splice {
      stroke: var(--mat-sys-on-surface);
      stroke-width: 2;
    }
    text {
      fill: var(--mat-sys-on-surface);
      font-size: 11px;
      text-anchor: middle;
    }
    .end {
      text-anchor: start;
    }
    .right {
      text-anchor: end;
    }
    table {
      border-collapse: collapse;
      margin-top: 8px;
    }
    th,
    td {
      padding: 3px 18px 3px 0;
      font-weight: 400;
      text-align: left;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class RollPlan {
  readonly rolls = input.required<readonly RunRoll[]>();
  /** Outside diameter of the core. */
  readonly coreMm = input.required<number>();
  protected readonly width = WIDTH;
  protected readonly radius = ROOM / 2 - 4;
  protected readonly count = count;
  private readonly perRow = Math.floor((WIDTH + GAP) / (ROOM + GAP));
  protected readonly total = computed(() => this.rolls().at(-1)?.toM ?? 0);
  protected readonly drawn = computed(() => {
    const [first] = this.rolls();
    const scale = this.radius / ((first?.startMm ?? 1) / 2);
    return this.rolls()
      .slice(0, MOST_DRAWN)
      .map((roll, i) => ({
        number: roll.number,
        cx: (i % this.perRow) * (ROOM + GAP) + ROOM / 2,
        cy: Math.floor(i / this.perRow) * (ROOM + 18) + ROOM / 2,
        full: (roll.startMm / 2) * scale,
        rest: (roll.endMm / 2) * scale,
        core: (this.coreMm() / 2) * scale,
      }));
  });
  protected readonly lineY = computed(() => Math.ceil(this.drawn().length / this.perRow) * (ROOM + 18) + 14);
  protected readonly height = computed(() => this.lineY() + 28);
  protected readonly splices = computed(() =>
    this.rolls()
      .slice(1)
      .map(({ fromM }) => 8 + ((WIDTH - 16) * fromM) / Math.max(1, this.total())),
  );
  protected readonly spoken = computed(
    () =>
      $localize`${told(this.rolls().length, 'rolls')}, ${told(this.splices().length, 'splices')}, ${count(this.total())} metres`,
  );
}

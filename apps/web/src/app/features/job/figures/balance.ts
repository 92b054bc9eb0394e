import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatTooltipModule } from '@angular/material/tooltip';
import { type Plan, bottleneckOf, figureOf, valueAt } from '@druckerei/core';
import { Measures } from '../../../ui/measures';
import { FigureButton } from '../../../ui/figure-button';

const ITEMS = [
  'total.pressSheets',
  'total.paperKg',
  'total.plates',
  'total.inkKg',
  'total.hours',
  'total.leadHours',
  'total.cost',
] as const;

/** The balance line: what the job comes to, what the last change did to each, and what keeps it longest. */
@Component({
  selector: 'dk-balance',
  imports: [FigureButton, MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (item of items(); track item.id) {
      <div [attr.data-figure]="item.id">
        <span class="name">{{ item.name }}</span>
        <dk-figure [figure]="item.figure" (opened)="figureOpened.emit($event)" />
        <span class="was">{{ item.was }}</span>
      </div>
    }
    <ng-content />
    @if (bottleneck(); as most) {
      <div data-test="bottleneck">
        <span i18n class="name">Bottleneck</span>
        <button type="button" (click)="chose.emit(most.step)" [matTooltip]="most.why">{{ most.name }}</button>
        <span class="was">{{ most.why }}</span>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(8, minmax(0, 1fr)) minmax(0, 1.4fr);
      border-block: 1px solid var(--mat-sys-outline-variant);
      background: var(--mat-sys-surface-container-low);
    }
    div {
      padding: 4px 12px;
      border-left: 1px solid var(--mat-sys-outline-variant);
      min-width: 0;
    }
    div:first-child {
      border-left: 0;
    }
    .name,
    .was {
      display: block;
      font-size: 11.5px;
      line-height: 16px;
      color: var(--mat-sys-on-surface-variant);
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .was {
      min-height: 16px;
    }
    dk-figure,
    div > button {
      font-size: 16px;
      font-weight: 650;
      white-space: nowrap;
    }
    div > button {
      display: block;
      max-width: 100%;
      min-height: 24px;
      padding: 0 3px;
      margin: 0 -3px;
      overflow: hidden;
      text-overflow: ellipsis;
      border: 0;
      border-radius: 3px;
      background: none;
      color: inherit;
      font-family: inherit;
      font-size: 14px;
      text-align: left;
      cursor: pointer;
    }
    div > button:hover {
      background: color-mix(in srgb, var(--mat-sys-primary) 12%, transparent);
    }
    @media (max-width: 900px) {
      :host {
        grid-template-columns: repeat(4, 1fr);
      }
      div:nth-child(4n + 1) {
        border-left: 0;
      }
      div:nth-child(n + 5) {
        border-top: 1px solid var(--mat-sys-outline-variant);
      }
    }
  `,
})
export class Balance {
  private readonly measures = inject(Measures);
  readonly plan = input.required<Plan>();
  readonly before = input<Plan | null>(null);
  /** Stations and machines by their ids. */
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly figureOpened = output<string>();
  readonly chose = output<string>();
  protected readonly items = computed(() => {
    // Whoever sees no prices has a plan without its cost.
    return ITEMS.filter((id) => figureOf(this.plan(), id)).map((id) => {
      const [figure, was] = [figureOf(this.plan(), id), valueAt(this.before(), id)];
      const changed = figure && was !== undefined && was !== figure.value;
      return {
        id,
        name: figure?.name ?? '',
        figure,
        was: changed ? $localize`was ${this.measures.quantity(was, figure.unit)}` : '',
      };
    });
  });
  protected readonly bottleneck = computed(() => {
    const most = bottleneckOf(this.plan());
    if (!most) return undefined;
    const { step, hours, kind, machine } = most;
    const total = this.plan().totals.hours;
    const time = this.measures.quantity(hours, 'h');
    return {
      step,
      name: this.names().get(machine ?? step) ?? step,
      why:
        kind === 'machine' ? $localize`${time} of ${this.measures.quantity(total, 'h')}` : $localize`${time} of lying`,
    };
  });
}

import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type Plan, figureOf, valueAt } from '@druckerei/core';
import { Measures } from '../../../ui/measures';
import { FigureButton } from '../ui/figure-button';

const ITEMS = [
  'total.pressSheets',
  'total.paperKg',
  'total.plates',
  'total.inkKg',
  'total.hours',
  'total.leadHours',
  'total.cost',
] as const;

/** The balance line: what the job comes to, and what the last change did to each. */
@Component({
  selector: 'dk-balance',
  imports: [FigureButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (item of items(); track item.id) {
      <div [attr.data-figure]="item.id">
        <span class="name">{{ item.name }}</span>
        <dk-figure [figure]="item.figure" (opened)="figureOpened.emit($event)" />
        <span class="was">{{ item.was }}</span>
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(7, minmax(0, 1fr));
      border-block: 1px solid var(--mat-sys-outline-variant);
      background: var(--mat-sys-surface-container-low);
    }
    div {
      padding: 6px 14px;
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
      color: var(--mat-sys-on-surface-variant);
      white-space: nowrap;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    .was {
      min-height: 16px;
    }
    dk-figure {
      font-size: 16px;
      font-weight: 650;
      white-space: nowrap;
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
      div:last-child {
        grid-column: span 2;
      }
    }
  `,
})
export class Balance {
  private readonly measures = inject(Measures);
  readonly plan = input.required<Plan>();
  readonly before = input<Plan | null>(null);
  readonly figureOpened = output<string>();
  protected readonly items = computed(() => {
    return ITEMS.map((id) => {
      const [figure, was] = [figureOf(this.plan(), id), valueAt(this.before(), id)];
      const changed = figure && was !== undefined && was !== figure.value;
      return {
        id,
        name: figure?.name ?? '',
        figure,
        was: changed ? `was ${this.measures.quantity(was, figure.unit)}` : '',
      };
    });
  });
}

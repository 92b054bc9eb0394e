import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type Delivery, coveredDeliveries, orderLimits, outcomesOf, figureOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { RoomStore } from '../record/room.store';
import { DateField } from '../parts/date-field';
import { Field } from '../parts/field';
import { WordPipe } from '../../../ui/word';

/** What becomes of the order: delivered and invoiced as planned, as the counts so far promise, and in which parts. */
@Component({
  selector: 'dk-delivery-fields',
  imports: [DateField, Field, MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3 i18n>Delivery</h3>
    <table data-test="outcomes">
      <thead>
        <tr>
          <th i18n scope="col">If it comes out</th>
          <th i18n scope="col" class="number">Good</th>
          <th i18n scope="col" class="number">Delivered</th>
          <th i18n scope="col" class="number">Invoiced</th>
          <th i18n scope="col" class="number">Kept</th>
          <th i18n scope="col" class="number">Missing</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="number">{{ count(row.good) }}</td>
            <td class="number">{{ count(row.delivered) }}</td>
            <td class="number">{{ count(row.invoiced) }}</td>
            <td class="number">{{ count(row.kept) }}</td>
            <td class="number">{{ count(row.short) }}</td>
          </tr>
        }
      </tbody>
    </table>
    @for (part of parts(); track $index; let i = $index) {
      <div class="part">
        <dk-field
          i18n-label
          label="Delivery {{ i + 1 }}"
          [path]="['order', 'deliveries', i, 'quantity']"
          [unit]="unit()"
        />
        <dk-date-field i18n-label label="Due" [path]="['order', 'deliveries', i, 'due']" />
        <span i18n class="quiet"
          >{{ count(part.covered) }} covered
          {{ forecast() ? ('by the counts so far' | word) : ('as planned' | word) }}</span
        >
        @if (editor.editable()) {
          <button matIconButton [attr.aria-label]="'Take out delivery {0}' | word: i + 1" (click)="remove(i)">
            <mat-icon>close</mat-icon>
          </button>
        }
      </div>
    }
    @if (wrong(); as message) {
      <p role="alert" class="wrong">{{ message }}</p>
    }
    @if (editor.editable()) {
      <button matButton (click)="add()">
        <mat-icon>add</mat-icon><ng-container i18n>Partial delivery</ng-container>
      </button>
    }
  `,
  styleUrl: '../parts/bench.scss',
  styles: `
    .part {
      display: grid;
      grid-template-columns: 1fr 1fr minmax(0, 1.2fr) 48px;
      align-items: center;
      gap: 12px;
      margin-top: 10px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class DeliveryFields {
  protected readonly editor = inject(JobEditor);
  private readonly room = inject(RoomStore);
  protected readonly count = count;
  private readonly order = computed(() => this.editor.job()?.order);
  protected readonly forecast = computed(() => {
    const found = this.room.forecast();
    return found?.ok ? found.value : undefined;
  });
  protected readonly unit = computed(() => figureOf(this.editor.plan(), 'order.quantity')?.unit ?? '');
  protected readonly rows = computed(() => {
    const order = this.order();
    if (!order) return [];
    const { least, most } = orderLimits(order);
    const forecast = this.forecast();
    const cases: [string, number][] = [
      [$localize`as planned`, order.quantity + order.plannedOvers],
      ...(least < order.quantity ? [[$localize`the fewest that are taken`, least] as [string, number]] : []),
      ...(most < Infinity && most > order.quantity
        ? [[$localize`the most that are taken`, most] as [string, number]]
        : []),
      ...(forecast
        ? ([
            [$localize`by the counts so far`, forecast.expected],
            [$localize`in the worst of twenty runs`, forecast.range[0]],
          ] as [string, number][])
        : []),
    ];
    return cases.map(([name, good]) => ({ name, ...outcomesOf(order, good) }));
  });
  protected readonly parts = computed(() => {
    const order = this.order();
    if (!order) return [];
    return coveredDeliveries(order, this.forecast()?.expected ?? order.quantity + order.plannedOvers);
  });
  protected readonly wrong = computed(() => this.editor.issueAt('order.deliveries'));

  private put(deliveries: readonly Delivery[]): void {
    this.editor.set(['order', 'deliveries'], deliveries.length > 0 ? deliveries : undefined);
  }
  /** The first parts the whole order; each further one takes half of the last. */
  protected add(): void {
    const order = this.order();
    if (!order) return;
    const all: readonly Delivery[] = order.deliveries ?? [{ quantity: order.quantity, due: this.editor.job()?.due }];
    const last = all.at(-1);
    const half = Math.floor((last?.quantity ?? 0) / 2);
    if (last && half > 0)
      this.put([...all.slice(0, -1), { ...last, quantity: last.quantity - half }, { quantity: half }]);
  }
  /** What a delivery held goes to the one beside it. */
  protected remove(at: number): void {
    const all = this.order()?.deliveries ?? [];
    const beside = at === 0 ? 1 : at - 1;
    const gone = all[at]?.quantity ?? 0;
    const left = all
      .map((part, i) => (i === beside ? { ...part, quantity: part.quantity + gone } : part))
      .filter((_, i) => i !== at);
    this.put(left.length > 1 ? left : []);
  }
}

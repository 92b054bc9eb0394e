import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { itemsTotal } from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { Field } from '../parts/field';

/** What a form of a gang carries: each item with its size, its order, how often it lies here and what is over. */
@Component({
  selector: 'dk-form-fields',
  imports: [Field, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Item</th>
          <th i18n scope="col">On the form</th>
          <th i18n scope="col">Ordered</th>
          <th i18n scope="col" class="number">Over</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id; let i = $index) {
          <tr>
            <td>
              {{ row.name }}<br /><span class="quiet">{{ row.size }}</span>
            </td>
            <td><dk-field i18n-label label="Times" [path]="['components', index(), 'carries', i, 'count']" /></td>
            <td><dk-field i18n-label label="Pieces" [path]="['items', row.at, 'quantity']" /></td>
            <td class="number">{{ row.over }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (sumDiffers(); as sum) {
      <p class="wrong">
        <ng-container i18n>The items add up to {{ count(sum) }}. </ng-container
        ><button i18n matButton type="button" (click)="takeSum(sum)">Set the order to {{ count(sum) }}</button>
      </p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 12px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th {
      font-weight: 400;
      text-align: left;
      color: var(--mat-sys-on-surface-variant);
    }
    td {
      padding: 4px 8px 4px 0;
      vertical-align: top;
    }
    .number {
      text-align: right;
    }
    .quiet {
      color: var(--mat-sys-on-surface-variant);
      font-size: 12px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class FormFields {
  protected readonly editor = inject(JobEditor);
  private readonly measures = inject(Measures);
  /** Place of the form in the job's components. */
  readonly index = input.required<number>();
  protected readonly count = count;
  protected readonly rows = computed(() => {
    const job = this.editor.job();
    const form = job?.components[this.index()];
    const parted = this.editor
      .plan()
      ?.steps.find(({ component, operation }) => component === form?.id && operation === 'cut');
    return (form?.carries ?? []).map(({ item: id }) => {
      const at = job?.items?.findIndex((item) => item.id === id) ?? -1;
      const { name = id, widthMm = 0, heightMm = 0 } = job?.items?.[at] ?? {};
      const over = parted?.overruns[`item.${id}`];
      return {
        id,
        at,
        name,
        size: `${this.measures.size(widthMm, heightMm)} ${this.measures.of('mm').unit}`,
        over: over === undefined ? '' : count(over),
      };
    });
  });
  /** What the items add up to, where the order says otherwise. */
  protected readonly sumDiffers = computed(() => {
    const job = this.editor.job();
    const sum = job && itemsTotal(job);
    return sum === job?.order.quantity ? undefined : sum;
  });

  protected takeSum(sum: number): void {
    this.editor.set(['order', 'quantity'], sum);
  }
}

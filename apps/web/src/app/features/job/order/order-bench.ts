import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { type OversPolicy, normsOf, figureOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../../../ui/figure-button';
import { CountTable } from './count-table';
import { CustomerLine } from './customer-line';
import { DeliveryFields } from './delivery-fields';
import { Choice } from '../parts/choice';
import { DateField } from '../parts/date-field';
import { Field } from '../parts/field';

/** The order: how many, by when, what may be delivered, and by which school the sheets are reckoned. */
@Component({
  selector: 'dk-order-bench',
  imports: [
    Choice,
    CountTable,
    CustomerLine,
    DateField,
    DeliveryFields,
    Field,
    FigureButton,
    MatFormFieldModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n>Order</h2>
    <div class="fields">
      <dk-field i18n-label label="Quantity" [path]="['order', 'quantity']" [unit]="unit()" />
      <dk-field i18n-label label="Planned overs" [path]="['order', 'plannedOvers']" [unit]="unit()" />
      <dk-date-field i18n-label label="Due" [path]="['due']" />
      <mat-form-field>
        <mat-label i18n>May be delivered</mat-label>
        <mat-select
          [value]="policy().kind"
          (selectionChange)="choosePolicy($event.value)"
          [disabled]="!editor.editable()"
        >
          <mat-option i18n value="exact">Exactly the order</mat-option>
          <mat-option i18n value="percent">Within per cents</mat-option>
          <mat-option i18n value="all-overs">All overs to the customer</mat-option>
        </mat-select>
      </mat-form-field>
      @if (policy().kind === 'percent') {
        <dk-field i18n-label label="Under by at most" [path]="['order', 'policy', 'under']" unit="%" />
        <dk-field i18n-label label="Over by at most" [path]="['order', 'policy', 'over']" unit="%" />
      }
      <dk-choice i18n-label label="Spoilage reckoned" [path]="['school']" [options]="schools" />
      @if (isOnDemand()) {
        <dk-field
          i18n-label
          label="Copies made in one batch"
          [path]="['order', 'batch']"
          [optional]="true"
          [norm]="batchNorm()"
        />
      }
      <mat-form-field>
        <mat-label i18n>Accountable work</mat-label>
        <mat-select
          [value]="accountable()?.remake ?? 'no'"
          (selectionChange)="account($event.value)"
          [disabled]="!editor.editable()"
        >
          <mat-option i18n value="no">No</mat-option>
          <mat-option i18n value="same">Yes, voided numbers made again</mat-option>
          <mat-option i18n value="new">Yes, others in their place</mat-option>
        </mat-select>
      </mat-form-field>
      @if (accountable()) {
        <dk-field i18n-label label="Face value of a piece" [path]="['accountable', 'faceValue']" [unit]="currency()" />
        <mat-form-field>
          <mat-label i18n>Looked at before a station is closed</mat-label>
          <mat-select
            [value]="accountable()?.inspect ?? 'no'"
            (selectionChange)="inspect($event.value)"
            [disabled]="!editor.editable()"
          >
            <mat-option i18n value="no">What the stations like</mat-option>
            <mat-option i18n value="sample">A sample of every lot</mat-option>
            <mat-option i18n value="all">Every piece</mat-option>
          </mat-select>
        </mat-form-field>
      }
      <dk-field i18n-label label="Number" [path]="['number']" kind="text" />
      <dk-field i18n-label label="Title" [path]="['title']" kind="text" />
      <dk-field class="wide" i18n-label label="Customer" [path]="['customer']" kind="text" />
    </div>
    <dk-customer-line />
    <dk-delivery-fields />
    <dk-count-table />
    <h3 i18n>Components</h3>
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Component</th>
          <th i18n scope="col">Paper</th>
          <th i18n scope="col" class="number">Into the press</th>
          <th i18n scope="col" class="number">Carriers</th>
          <th i18n scope="col" class="number">Paper</th>
        </tr>
      </thead>
      <tbody>
        @for (row of components(); track row.id) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td>{{ row.stock }}</td>
            @for (name of columns; track name) {
              <td class="number"><dk-figure [figure]="figure(row.id, name)" (opened)="figureOpened.emit($event)" /></td>
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: '../parts/bench.scss',
})
export class OrderBench {
  protected readonly editor = inject(JobEditor);
  protected readonly policy = computed((): OversPolicy => this.editor.job()?.order.policy ?? { kind: 'exact' });
  protected readonly schools = [
    { id: 'step', name: $localize`Step by step` },
    { id: 'added', name: $localize`Added up` },
    { id: 'table', name: $localize`By table` },
    { id: 'sure', name: $localize`By sureness` },
  ];

  /** Its pieces are worth something: every sheet, spoil and number is accounted for. */
  protected readonly accountable = computed(() => this.editor.job()?.accountable);
  protected readonly currency = computed(() => this.editor.works()?.currency ?? '');

  /** A single book shares its set-ups with the others of its batch. */
  protected readonly isOnDemand = computed(() => this.editor.job()?.family === 'on-demand');
  protected readonly batchNorm = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? count(normsOf(works, job.norms)('singles.batch').value) : '';
  });

  /** What the order counts: books, rolls, packs. */
  protected readonly unit = computed(() => figureOf(this.editor.plan(), 'order.quantity')?.unit ?? '');
  readonly figureOpened = output<string>();
  protected readonly columns = ['pressSheets', 'plates', 'paperKg'] as const;
  protected readonly components = computed(() =>
    (this.editor.job()?.components ?? []).map(({ id, name, stock }) => ({
      id,
      name,
      stock: this.editor.works()?.stocks.find((s) => s.id === stock)?.name ?? stock,
    })),
  );

  protected figure(component: string, name: string) {
    return figureOf(this.editor.plan(), `component.${component}.${name}`);
  }

  protected account(remake: 'no' | 'same' | 'new'): void {
    const before = this.accountable() ?? { faceValue: 0 };
    this.editor.set(['accountable'], remake === 'no' ? undefined : { ...before, remake });
  }
  protected inspect(what: 'no' | 'sample' | 'all'): void {
    this.editor.set(['accountable', 'inspect'], what === 'no' ? undefined : what);
  }

  protected choosePolicy(kind: OversPolicy['kind']): void {
    this.editor.set(['order', 'policy'], kind === 'percent' ? { kind, under: 0, over: 5 } : { kind });
  }
}

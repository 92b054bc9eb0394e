import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  numberAttribute,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { Router, RouterLink } from '@angular/router';
import type { OversPolicy } from '@druckerei/core';
import type { KeptCarrier, KeptOrder, PastJob } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { forkJoin } from 'rxjs';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { count, dateText, many } from '../../ui/format';
import { LOCALES } from '../../ui/locale';
import { NumberBox } from '../../ui/number-box';
import { StatusMark } from '../../ui/status-mark';
import { TypedBar } from '../../ui/typed-bar';
import { AgainDialog } from './again.dialog';
import { CustomerEdit } from './customer-edit';
import { OrderDialog, type OrderData } from './order.dialog';
import { WordPipe } from '../../ui/word';

/** Kinds of what may be delivered, as they are chosen; nothing where each order says it. */
const POLICIES: readonly { readonly kind: OversPolicy['kind'] | ''; readonly name: string }[] = [
  { kind: '', name: $localize`as each order says` },
  { kind: 'exact', name: $localize`exactly what is ordered` },
  { kind: 'percent', name: $localize`within per cents` },
  { kind: 'all-overs', name: $localize`all overs` },
];

/** One customer: where they are delivered to and what they keep to; what they ordered, and what became of it. */
@Component({
  selector: 'dk-customer-page',
  imports: [
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatSelectModule,
    NumberBox,
    RouterLink,
    StatusMark,
    TypedBar,
    WordPipe,
  ],
  providers: [CustomerEdit],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './customer.page.html',
  styleUrls: ['../../ui/list-page.scss', './customer.page.scss'],
})
export class CustomerPage {
  readonly id = input.required({ transform: numberAttribute });
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly store = inject(Store);
  protected readonly edit = inject(CustomerEdit);
  protected readonly mayEdit = this.store.selectSignal(selectMay('customers'));
  protected readonly mayPlan = this.store.selectSignal(selectMay('plan'));
  protected readonly locales = LOCALES;
  protected readonly policies = POLICIES;
  protected readonly count = count;
  protected readonly day = dateText;
  protected readonly jobs = signal<readonly PastJob[]>([]);
  protected readonly orders = signal<readonly KeptOrder[]>([]);
  /** What the store keeps of their jobs: plates, dies, rubbers. */
  protected readonly carriers = signal<readonly KeptCarrier[]>([]);
  protected readonly failed = signal('');
  protected readonly policyKind = computed(() => this.edit.customer()?.policy?.kind ?? '');

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => {
        this.edit.open(id);
        this.look();
      });
    });
    whenChanged(['customers', 'jobs', 'room'], () => this.look());
  }

  protected look(): void {
    forkJoin({
      jobs: this.api.pastJobs(this.id()),
      orders: this.api.orders(this.id()),
      carriers: this.api.customerCarriers(this.id()),
    }).subscribe({
      next: ({ jobs, orders, carriers }) => {
        this.carriers.set(carriers);
        this.jobs.set(jobs);
        this.orders.set(orders);
        this.failed.set('');
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  /** Where a carrier lies, whose it is, and how much of its life it has run. */
  protected carrierText({ place, owner, used, life }: KeptCarrier): string {
    const run =
      life > 0 ? $localize`${count(used)} of ${count(life)} impressions` : $localize`${count(used)} impressions`;
    return [place, owner === 'customer' ? 'theirs' : '', run].filter(Boolean).join(', ');
  }
  /** What became of a job, in words. */
  protected became({ status, counted, quantity, carriers, stops }: PastJob): string {
    return [
      counted === null ? '' : $localize`${count(counted)} good of ${count(quantity)}`,
      carriers > 0 ? $localize`${many(carriers, 'carrier')} kept` : '',
      stops > 0 ? $localize`${count(stops)} on record as tried again, taken back or stopped` : '',
      status === 'aside' ? $localize`put aside` : '',
    ]
      .filter(Boolean)
      .join('; ');
  }
  protected numbersOf({ order }: KeptOrder): string {
    const numbers = new Map(this.jobs().map(({ id, number }) => [id, number]));
    return order.jobs.map((id) => numbers.get(id) ?? String(id)).join(', ');
  }

  protected choosePolicy(kind: OversPolicy['kind'] | ''): void {
    const policy: OversPolicy | undefined =
      kind === '' ? undefined : kind === 'percent' ? { kind, under: 0, over: 5 } : { kind };
    this.edit.set({ policy });
  }
  protected also(text: string): void {
    this.edit.set({
      also: text
        .split(';')
        .map((one) => one.trim())
        .filter(Boolean),
    });
  }

  protected again(job: PastJob): void {
    this.dialog
      .open<AgainDialog, PastJob, number>(AgainDialog, { data: job, width: '560px' })
      .afterClosed()
      .subscribe((id) => {
        if (id !== undefined) void this.router.navigate(['/jobs', id]);
      });
  }

  protected openOrder(order?: KeptOrder): void {
    const stands = this.edit.stands();
    if (!stands) return;
    const free = this.jobs().filter((job) => job.order === null || job.order === order?.order.number);
    const data: OrderData = { customer: stands, order, jobs: free };
    this.dialog
      .open<OrderDialog, OrderData, boolean>(OrderDialog, { data, width: '620px' })
      .afterClosed()
      .subscribe(() => this.look());
  }
}

import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import { type BuyLine, type Holding, paperName } from '@druckerei/core';
import type { Lot } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { ChangesDialog, type ChangesData } from '../../platform/changes.dialog';
import { count, dateText, many, timeText, unitText } from '../../ui/format';
import { Measures } from '../../ui/measures';
import { failureOf } from '../../platform/problem';
import { CountFile } from './count-file';
import { FinishedPanel } from './finished.panel';
import { LotDialog } from './lot.dialog';
import { OrdersPanel } from './purchasing/orders.panel';
import { linesToOrder } from './purchasing/purchase-draft';
import { PurchaseDialog, type PurchaseData } from './purchasing/purchase.dialog';
import { PurchasingApi } from './purchasing/purchasing.api';
import { SuppliersPanel } from './purchasing/suppliers.panel';
import { DateBox } from '../../ui/date-box';
import { StoresStore } from './stores.store';
import { WordPipe } from '../../ui/word';

const MOST_NUMBERS = 2;

/** What is on hand with what is reserved of it, the one purchase list over all open jobs, and what is ordered from whom. */
@Component({
  selector: 'dk-stores-page',
  imports: [
    CountFile,
    DateBox,
    FinishedPanel,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatTabsModule,
    OrdersPanel,
    RouterLink,
    SuppliersPanel,
    WordPipe,
  ],
  providers: [StoresStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stores.page.html',
  styleUrl: './stores.page.scss',
})
export class StoresPage {
  protected readonly stores = inject(StoresStore);
  private readonly dialog = inject(MatDialog);
  private readonly measures = inject(Measures);
  private readonly purchasing = inject(PurchasingApi);
  private readonly store = inject(Store);
  protected readonly mayRecord = this.store.selectSignal(selectMay('stores'));
  protected readonly mayBuy = this.store.selectSignal(selectMay('buy'));
  /** Keys of the lines that are to be ordered together. */
  private readonly chosen = signal<ReadonlySet<string>>(new Set());
  protected readonly toOrder = computed(() =>
    this.stores.lines().filter(({ need, ordered }) => ordered > 0 && this.chosen().has(need.key)),
  );
  /** Why what was chosen cannot be ordered. */
  protected readonly failed = signal('');
  /** Which tab is open: things are taken in by hand at the first two. */
  protected readonly tab = signal(0);
  protected readonly count = count;
  protected readonly many = many;
  protected readonly dateText = dateText;
  protected readonly timeText = timeText;
  protected readonly paper = ({ paper }: Holding): string => {
    const works = this.stores.works();
    return works && paper ? paperName(paper, works) : '';
  };
  protected readonly amount = (value: number, unit: string): string =>
    unit === 'kg' ? this.measures.quantity(value, unit) : `${count(value)} ${unitText(unit, value)}`;

  constructor() {
    this.stores.load();
  }

  protected add(): void {
    this.dialog.open(LotDialog, { data: { stores: this.stores }, width: '440px' });
  }
  protected showChanges(): void {
    const names = new Map(this.stores.stores()?.holdings.map((lot) => [lot.key, lot.other?.name ?? this.paper(lot)]));
    const numbers = new Map(this.stores.needs()?.jobs.map(({ job, number }) => [String(job), number]));
    const data: ChangesData = {
      title: $localize`How reservations changed`,
      kind: 'reservation',
      subject: (subject) => {
        const [job = '', key = ''] = subject.split(/ (.*)/);
        return `${numbers.get(job) ?? $localize`job ${job}`}, ${names.get(key) ?? key}`;
      },
      value: (value) => count(Number(value ?? 0)),
    };
    this.dialog.open(ChangesDialog, { data, width: '560px' });
  }
  protected edit(lot: Lot): void {
    this.dialog.open(LotDialog, { data: { stores: this.stores, lot }, width: '440px' });
  }
  protected choose(key: string, isChosen: boolean): void {
    const next = new Set(this.chosen());
    if (isChosen) next.add(key);
    else next.delete(key);
    this.chosen.set(next);
  }
  protected isChosen(key: string): boolean {
    return this.chosen().has(key);
  }
  /** Begins an order of what is chosen. */
  protected order(): void {
    const [works, lines] = [this.stores.works(), linesToOrder(this.toOrder())];
    if (!works) return;
    this.failed.set('');
    this.purchasing.suppliers({ limit: 500 }).subscribe({
      next: ({ rows: suppliers }) => {
        const data: PurchaseData = { works, suppliers, lines };
        this.dialog
          .open(PurchaseDialog, { data, width: '860px', maxWidth: '94vw' })
          .afterClosed()
          .subscribe((made) => {
            if (!made) return;
            this.chosen.set(new Set());
            this.stores.look();
          });
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
  /** What is on its way of a line, and what of it comes too late. */
  protected coming({ coming, late, orders, need }: BuyLine): string {
    const numbers = orders.map(({ order, day }) => `${order}, ${dateText(day)}`).join('; ');
    if (orders.length === 0) return '';
    const parts = [
      coming > 0 ? this.amount(coming, need.unit) : '',
      late > 0 ? $localize`${this.amount(late, need.unit)} too late` : '',
    ];
    return `${parts.filter(Boolean).join(', ') || $localize`for other jobs`} (${numbers})`;
  }
  /** Numbers of the jobs, as many as a line has room for. */
  protected jobs(numbers: readonly string[]): string {
    return numbers.length <= MOST_NUMBERS
      ? numbers.join(', ')
      : $localize`${numbers[0]} and ${count(numbers.length - 1)} more`;
  }
  /** What comes over, where it is more than nothing as it is written. */
  protected over({ left, need: { unit } }: BuyLine): string {
    return left > 0.005 && (unit === 'kg' || Math.round(left) > 0) ? this.amount(left, unit) : '';
  }
  /** Packs of a line in words; nothing where it comes by the piece. */
  protected packs({ need, packs, short }: BuyLine): string {
    if (need.pack === 1 || short === 0) return '';
    return `${count(packs)} × ${this.amount(need.pack, need.unit)}`;
  }
}

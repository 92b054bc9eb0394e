import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { RouterLink } from '@angular/router';
import { openOf } from '@druckerei/core';
import { type KeptPurchase, dayIn } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { forkJoin } from 'rxjs';
import { Api } from '../../../platform/api';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';
import { SearchedList } from '../../../platform/searched-list';
import { selectMay } from '../../../platform/session.state';
import { count, dateText, money, timeText, unitText } from '../../../ui/format';
import { EndDialog } from './end.dialog';
import { linesOf } from './purchase-draft';
import { PurchaseDialog, type PurchaseData } from './purchase.dialog';
import { PurchasingApi } from './purchasing.api';
import { ReceiveDialog } from './receive.dialog';
import { WordPipe } from '../../../ui/word';

type Line = KeptPurchase['lines'][number];

/** Orders to suppliers: what is still to come of each, and what has come. */
@Component({
  selector: 'dk-orders-panel',
  imports: [
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatSlideToggleModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './orders.panel.html',
  styleUrl: '../stores.page.scss',
  host: { class: 'panel' },
})
export class OrdersPanel {
  private readonly api = inject(PurchasingApi);
  private readonly works = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly store = inject(Store);
  protected readonly mayBuy = this.store.selectSignal(selectMay('buy'));
  protected readonly mayReceive = this.store.selectSignal(selectMay('stores'));
  /** Something was sent, ended or has come. */
  readonly changed = output();
  /** Drafts and sent alone. */
  protected readonly open = signal(true);
  protected readonly list = new SearchedList<KeptPurchase>((asked) =>
    this.api.purchases({ ...asked, ...(this.open() ? { open: 'true' } : {}) }),
  );
  /** Jobs of a line that there is room for. */
  protected readonly most = 3;
  protected readonly count = count;
  protected readonly money = money;
  protected readonly day = dateText;
  protected readonly time = timeText;
  private readonly today = dayIn(new Date());

  constructor() {
    whenChanged(['stores'], this.list.again);
  }

  protected amount = (value: number, unit: string): string => `${count(value, 3)} ${unitText(unit, value)}`;
  protected isLate({ state, expected }: KeptPurchase): boolean {
    return state === 'sent' && expected < this.today;
  }
  /** What is still to come of a line, or by how much what came differs from what was ordered. */
  protected difference({ state }: KeptPurchase, line: Line): string {
    const left = line.received - line.quantity;
    if (left > 0) return $localize`${this.amount(left, line.unit)} over`;
    if (openOf(line) === 0) return $localize`all of it`;
    if (state === 'closed') return $localize`${this.amount(openOf(line), line.unit)} short`;
    return state === 'sent' ? $localize`${this.amount(openOf(line), line.unit)} to come` : '';
  }
  protected whole(isOpen: boolean): void {
    this.open.set(isOpen);
    this.list.again();
  }

  protected edit(purchase: KeptPurchase): void {
    forkJoin({ works: this.works.works(), suppliers: this.api.suppliers({ limit: 500 }) }).subscribe({
      next: ({ works, suppliers }) => {
        const data: PurchaseData = { works, suppliers: suppliers.rows, lines: linesOf(purchase), purchase };
        this.show(PurchaseDialog, data, '860px');
      },
      error: (error: unknown) => this.list.failed.set(failureOf(error).text),
    });
  }
  protected receive(purchase: KeptPurchase): void {
    this.show(ReceiveDialog, purchase, '820px');
  }
  protected end(purchase: KeptPurchase): void {
    this.show(EndDialog, purchase, '480px');
  }
  private show(dialog: Parameters<MatDialog['open']>[0], data: unknown, width: string): void {
    this.dialog
      .open(dialog, { data, width, maxWidth: '94vw' })
      .afterClosed()
      .subscribe(() => this.again());
  }
  protected send({ id, version }: KeptPurchase): void {
    this.api.setPurchase(id, { version, state: 'sent' }).subscribe({
      next: () => this.again(),
      error: (error: unknown) => this.list.failed.set(failureOf(error).text),
    });
  }
  private again(): void {
    this.list.again();
    this.changed.emit();
  }
}

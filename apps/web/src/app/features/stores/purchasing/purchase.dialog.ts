import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Works } from '@druckerei/core';
import type { KeptPurchase, KeptSupplier } from '@druckerei/contract';
import { map, switchMap } from 'rxjs';
import { Contested } from '../../../platform/contested';
import { DateBox } from '../../../ui/date-box';
import { count, money, readNumber, unitText } from '../../../ui/format';
import { type DraftLine, PurchaseDraft, numberAfter } from './purchase-draft';
import { Standing, type StandingRow } from '../../../ui/standing';
import { PurchasingApi } from './purchasing.api';
import { WordPipe } from '../../../ui/word';

export interface PurchaseData {
  readonly works: Works;
  readonly suppliers: readonly KeptSupplier[];
  readonly lines: readonly DraftLine[];
  /** The draft that is opened again; a new order where absent. */
  readonly purchase?: KeptPurchase;
}

/** An order to a supplier as it is written: who sells, by when, how much of what at which price. */
@Component({
  selector: 'dk-purchase-dialog',
  imports: [
    DateBox,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatSelectModule,
    Standing,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './purchase.dialog.html',
  styleUrl: './dialog.scss',
})
export class PurchaseDialog {
  protected readonly data = inject<PurchaseData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PurchaseDialog, KeptPurchase>>(MatDialogRef);
  private readonly api = inject(PurchasingApi);
  protected readonly draft = new PurchaseDraft(this.data.suppliers, this.data.works, this.data.lines);
  private readonly stands = signal(this.data.purchase);
  protected readonly sending = new Contested(() =>
    this.api.purchases({ search: this.data.purchase?.number ?? '' }).pipe(
      map(({ rows }) => {
        this.stands.set(rows.find(({ id }) => id === this.data.purchase?.id) ?? this.stands());
      }),
    ),
  );
  protected readonly count = count;
  protected readonly money = money;
  protected readonly currency = this.data.works.currency;

  constructor() {
    const { purchase } = this.data;
    if (purchase) {
      this.draft.number.set(purchase.number);
      this.draft.supplier.set(purchase.supplier);
      this.draft.wantOn(purchase.expected);
      this.draft.note.set(purchase.note ?? '');
      return;
    }
    this.api.purchases({ limit: 1 }).subscribe({
      next: ({ rows }) => {
        if (this.draft.number() === '') this.draft.number.set(numberAfter(rows[0]?.number));
      },
      // Without a number to follow, one is typed.
      error: () => undefined,
    });
  }

  protected amount(value: number, unit: string): string {
    return `${count(value, 3)} ${unitText(unit, value)}`;
  }
  /** What a supplier asks, told beside the name. */
  protected asked({ name, told, cost }: { name: string; told: number; cost: number }): string {
    const all = this.draft.lines().length;
    const of = told < all ? $localize` for ${count(told)} of ${count(all)} lines` : '';
    return told === 0 ? name : `${name}: ${money(cost)} ${this.currency}${of}`;
  }
  protected quantity(at: number, text: string): void {
    const quantity = readNumber(text);
    this.sending.refuse('');
    if (quantity !== undefined && quantity > 0) this.draft.set(at, { quantity });
    else
      this.sending.refuse(
        $localize`A quantity above 0 is wanted, like 2,500. Take the line out if nothing of it is ordered.`,
      );
  }
  protected price(at: number, text: string): void {
    const price = readNumber(text);
    this.sending.refuse('');
    if (text.trim() === '') this.draft.set(at, { typedPrice: undefined });
    else if (price !== undefined && price >= 0) this.draft.set(at, { typedPrice: price });
    else this.sending.refuse($localize`A price is a number, like 1,250.50. Leave it empty for that of the supplier.`);
  }

  /** What stands beside what is written, where somebody else was faster. */
  protected standing(): StandingRow[] {
    const [now, yours] = [this.stands(), this.draft.order()];
    if (!now) return [];
    const names = new Map(this.data.suppliers.map(({ id, supplier }) => [id, supplier.name]));
    const lines = this.draft
      .rows()
      .map(
        ({ line, price }) =>
          `${this.amount(line.quantity, line.unit)} ${line.name}${price === undefined ? '' : `, ${money(price)}`}`,
      );
    const stands = now.lines.map(
      ({ quantity, unit, name, price }) =>
        `${this.amount(quantity, unit)} ${name}${price === null ? '' : `, ${money(price)}`}`,
    );
    return [
      { what: $localize`Supplier`, now: now.supplierName, yours: names.get(yours.supplier) ?? '' },
      { what: $localize`Wanted on`, now: now.expected, yours: yours.expected },
      { what: $localize`Lines`, now: stands.join('; '), yours: lines.join('; ') },
      { what: $localize`What else it says`, now: now.note ?? '', yours: yours.note ?? '' },
    ].filter((row) => row.now !== row.yours);
  }

  /** Keeps it as a draft, or keeps it and says that it is sent. */
  protected keep(isSent: boolean): void {
    const order = this.draft.order();
    if (order.number === '' || order.supplier === 0 || order.lines.length === 0) {
      this.sending.refuse(
        order.number === ''
          ? $localize`The order wants a number.`
          : order.supplier === 0
            ? $localize`Choose who is to deliver. Suppliers are entered in their own tab.`
            : $localize`Nothing is left to order.`,
      );
      return;
    }
    const before = this.stands();
    const kept = before ? this.api.changePurchase(before.id, before.version, order) : this.api.addPurchase(order);
    this.sending.send(
      kept.pipe(
        switchMap((made) => {
          this.stands.set(made);
          return isSent ? this.api.setPurchase(made.id, { version: made.version, state: 'sent' }) : [made];
        }),
        map((made) => {
          this.stands.set(made);
        }),
      ),
      () => this.dialog.close(this.stands()),
    );
  }
}

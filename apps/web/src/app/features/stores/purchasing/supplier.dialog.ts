import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type KnownItem, type SupplyPrice, PRICE_COUNTS } from '@druckerei/core';
import type { KeptSupplier, Supplier } from '@druckerei/contract';
import { map } from 'rxjs';
import { Contested } from '../../../platform/contested';
import { count, readNumber } from '../../../ui/format';
import { LOCALES } from '../../../ui/locale';
import { PriceFile } from './price-file';
import { pastedPrices } from './pasted-prices';
import { NO_PRICE, type PriceRow, keyIn, pricesOf, rowOf } from './price-rows';
import { Standing, type StandingRow } from '../../../ui/standing';
import { PurchasingApi } from './purchasing.api';
import { WordPipe } from '../../../ui/word';

export interface SupplierData {
  /** None where it is a new one. */
  readonly supplier?: KeptSupplier | undefined;
  readonly items: readonly KnownItem[];
  readonly currency: string;
}

/** A supplier: who they are, how long they take, and what they ask for what. */
@Component({
  selector: 'dk-supplier-dialog',
  imports: [
    MatButtonModule,
    MatCheckboxModule,
    MatDialogModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatSelectModule,
    PriceFile,
    ReactiveFormsModule,
    Standing,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './supplier.dialog.html',
  styleUrl: './dialog.scss',
})
export class SupplierDialog {
  protected readonly data = inject<SupplierData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<SupplierDialog, boolean>>(MatDialogRef);
  private readonly api = inject(PurchasingApi);
  protected readonly counts = PRICE_COUNTS;
  protected readonly locales = LOCALES;
  private readonly stands = signal(this.data.supplier);
  private readonly begin = this.data.supplier?.supplier;
  protected readonly form = inject(FormBuilder).nonNullable.group({
    name: [this.begin?.name ?? '', Validators.required],
    reference: this.begin?.reference ?? '',
    leadDays: this.begin?.leadDays === undefined ? '' : count(this.begin.leadDays),
    address: this.begin?.address ?? '',
    note: this.begin?.note ?? '',
    locale: this.begin?.locale ?? '',
    retired: this.begin?.retired ?? false,
  });
  protected readonly rows = signal<readonly PriceRow[]>(
    (this.begin?.prices ?? []).map((price) => rowOf(price, this.data.items, (value) => count(value, 4))),
  );
  protected readonly sending = new Contested(() =>
    this.api.suppliers({ search: this.begin?.name ?? '' }).pipe(
      map(({ rows }) => {
        this.stands.set(rows.find(({ id }) => id === this.data.supplier?.id) ?? this.stands());
      }),
    ),
  );

  protected set(at: number, change: Partial<PriceRow>): void {
    this.rows.update((rows) => rows.map((row, i) => (i === at ? { ...row, ...change } : row)));
  }
  protected add(): void {
    this.rows.update((rows) => [...rows, { ...NO_PRICE, ...(rows.at(-1) ?? {}), price: '', from: '' }]);
  }
  /** Lines out of a sheet become prices behind those that are there; a row that nobody has begun gives way to them. */
  protected paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text') ?? '';
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const begun = this.rows().filter(({ price }) => price.trim() !== '');
    this.rows.set([...begun, ...pastedPrices(text)]);
  }
  /** Prices out of a file take the place of those of the same things; the others stay. */
  protected takePrices(prices: readonly SupplyPrice[]): void {
    const taken = new Set(prices.map(({ item }) => item));
    const others = this.rows().filter(
      ({ item, price }) => price.trim() !== '' && !taken.has(keyIn(this.data.items, item.trim()) ?? item.trim()),
    );
    const rows = prices.map((price) => rowOf(price, this.data.items, (value) => count(value, 4)));
    this.rows.set([...others, ...rows]);
  }
  protected drop(at: number): void {
    this.rows.update((rows) => rows.filter((_, i) => i !== at));
  }

  /** The supplier as typed, or what is wrong with it in words. */
  private typed(): Supplier | { readonly wrong: string } {
    const { name, leadDays, retired, ...texts } = this.form.getRawValue();
    const days = leadDays.trim() === '' ? undefined : readNumber(leadDays);
    const read = pricesOf(this.rows(), this.data.items);
    if ('wrong' in read) return read;
    if (leadDays.trim() !== '' && (days === undefined || !Number.isInteger(days) || days < 0))
      return { wrong: $localize`Days to deliver are a whole number, like 3.` };
    return {
      name,
      ...Object.fromEntries(Object.entries(texts).filter(([, text]) => text.trim() !== '')),
      ...(days === undefined ? {} : { leadDays: days }),
      ...(retired ? { retired } : {}),
      prices: read.prices,
    };
  }

  /** What stands beside what is typed, where somebody else was faster. */
  protected standing(): StandingRow[] {
    const [now, yours] = [this.stands()?.supplier, this.typed()];
    if (!now || 'wrong' in yours) return [];
    const prices = ({ prices: told = [] }: Supplier): string =>
      told
        .map((price) => rowOf(price, this.data.items, (value) => count(value, 4)))
        .map(
          ({ item, price, per, measure, from }) =>
            `${item} ${price} / ${per} ${measure}${from === '' ? '' : $localize` from ${from}`}`,
        )
        .join('; ');
    return [
      { what: $localize`Name`, now: now.name, yours: yours.name },
      { what: $localize`Our number with them`, now: now.reference ?? '', yours: yours.reference ?? '' },
      { what: $localize`Days to deliver`, now: String(now.leadDays ?? ''), yours: String(yours.leadDays ?? '') },
      { what: $localize`Language and dates`, now: now.locale ?? '', yours: yours.locale ?? '' },
      { what: $localize`Address`, now: now.address ?? '', yours: yours.address ?? '' },
      { what: $localize`Note`, now: now.note ?? '', yours: yours.note ?? '' },
      { what: $localize`Retired`, now: now.retired ? 'yes' : 'no', yours: yours.retired ? 'yes' : 'no' },
      { what: $localize`Prices`, now: prices(now), yours: prices(yours) },
    ].filter((row) => row.now !== row.yours);
  }

  protected enter(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const supplier = this.typed();
    if ('wrong' in supplier) {
      this.sending.refuse(supplier.wrong);
      return;
    }
    const before = this.stands();
    const call = before ? this.api.changeSupplier(before.id, before.version, supplier) : this.api.addSupplier(supplier);
    this.sending.send(call.pipe(map(() => undefined)), () => this.dialog.close(true));
  }
}

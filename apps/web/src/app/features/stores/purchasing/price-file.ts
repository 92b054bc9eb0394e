import { ChangeDetectionStrategy, Component, computed, input, output, signal, viewChild } from '@angular/core';
import {
  type AskedColumn,
  type KnownItem,
  type SupplyPrice,
  ASKED_COLUMNS,
  PRICE_COUNTS,
  guessAskedColumns,
  readAskedPrices,
} from '@druckerei/core';
import { MOST_PRICES, issueText } from '@druckerei/contract';
import { ListFile, type ListKind } from '../../../ui/list-file';

/** A supplier's price list out of a file. */
@Component({
  selector: 'dk-price-file',
  imports: [ListFile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-list-file i18n-label label="Prices out of a file" [kind]="kind()" (taken)="take($event)">
      <label
        ><ng-container i18n>Where no column says it, a price is for </ng-container
        ><select (change)="per.set(+$any($event.target).value)">
          @for (one of counts; track one) {
            <option [value]="one" [selected]="one === per()">{{ one }}</option>
          }
        </select>
        <select i18n-aria-label aria-label="Which it counts" (change)="measure.set($any($event.target).value)">
          <option value="kg" [selected]="measure() === 'kg'">kg</option>
          <option i18n value="unit" [selected]="measure() === 'unit'">of its unit</option>
        </select></label
      >
    </dk-list-file>
  `,
  styleUrl: '../../../ui/plain-select.scss',
})
export class PriceFile {
  readonly items = input.required<readonly KnownItem[]>();
  readonly currency = input.required<string>();
  readonly taken = output<readonly SupplyPrice[]>();
  protected readonly counts = PRICE_COUNTS;
  protected readonly per = signal<number>(100);
  protected readonly measure = signal<SupplyPrice['measure']>('kg');
  readonly file = viewChild.required<ListFile<SupplyPrice>>(ListFile);
  private readonly guessed = {
    name: 'prices',
    columns: ASKED_COLUMNS,
    wanted: ['item', 'price'] satisfies AskedColumn[],
    figures: ['price', 'from'] satisfies AskedColumn[],
    dates: ['first', 'last'] satisfies AskedColumn[],
    ...{ one: 'price', several: 'prices', most: MOST_PRICES },
    guess: guessAskedColumns,
  };
  /** The list stays while an option is changed: what guesses its columns is the same. */
  protected readonly kind = computed((): ListKind<SupplyPrice> => {
    const per = { per: PRICE_COUNTS.find((one) => one === this.per()) ?? 1, measure: this.measure() };
    const [items, currency] = [this.items(), this.currency()];
    return {
      ...this.guessed,
      read: (rows, key, first) =>
        readAskedPrices(rows, { ...key, per, currency }, items, first).map((one) =>
          'price' in one
            ? { line: one.line, item: one.price }
            : { line: one.line, why: one.issues.map(issueText).join(' ') },
        ),
    };
  });

  protected take(prices: readonly SupplyPrice[]): void {
    this.taken.emit(prices);
    this.file().leave();
  }
}

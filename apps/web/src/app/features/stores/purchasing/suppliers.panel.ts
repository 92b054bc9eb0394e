import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import type { KnownItem } from '@druckerei/core';
import type { KeptSupplier } from '@druckerei/contract';
import { whenChanged } from '../../../platform/live';
import { SearchedList } from '../../../platform/searched-list';
import { count, many } from '../../../ui/format';
import { PurchasingApi } from './purchasing.api';
import { SupplierDialog, type SupplierData } from './supplier.dialog';
import { WordPipe } from '../../../ui/word';

/** Who sells to the works, and how much of what they ask is known. */
@Component({
  selector: 'dk-suppliers-panel',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <mat-form-field class="search" subscriptSizing="dynamic">
        <mat-label i18n>Search name, number, address</mat-label>
        <input matInput #words type="search" [value]="list.search()" (input)="list.find(words.value)" />
      </mat-form-field>
      <span class="gap"></span>
      <button matButton="outlined" (click)="open()">
        <mat-icon>add</mat-icon><ng-container i18n>A new supplier</ng-container>
      </button>
    </div>
    @if (list.failed(); as message) {
      <p role="alert" class="wrong">{{ message }} <button i18n matButton (click)="list.again()">Look again</button></p>
    }
    <table data-test="suppliers">
      <thead>
        <tr>
          <th i18n scope="col">Supplier</th>
          <th i18n scope="col">Our number with them</th>
          <th i18n scope="col" class="number">Days to deliver</th>
          <th i18n scope="col">Prices</th>
          <th scope="col"><span i18n class="cdk-visually-hidden">Change</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of list.rows(); track row.id) {
          <tr>
            <th scope="row">
              {{ row.supplier.name }}
              @if (row.supplier.retired) {
                , <b i18n>retired</b>
              }
              <div class="quiet">{{ row.supplier.address ?? '' }}</div>
            </th>
            <td>{{ row.supplier.reference ?? '' }}</td>
            <td class="number">{{ row.supplier.leadDays === undefined ? '' : count(row.supplier.leadDays) }}</td>
            <td>{{ prices(row) }}</td>
            <td>
              <button matIconButton [attr.aria-label]="'Change {0}' | word: row.supplier.name" (click)="open(row)">
                <mat-icon>edit</mat-icon>
              </button>
            </td>
          </tr>
        } @empty {
          <tr>
            <td colspan="5" class="empty">
              {{
                !list.loaded()
                  ? ('Looking for the suppliers.' | word)
                  : list.search().trim() !== ''
                    ? ('No supplier holds these words.' | word)
                    : ('No supplier is entered yet. Enter the first with what they ask, to order from them.' | word)
              }}
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (list.total() > list.rows().length) {
      <p class="more">
        <ng-container i18n>{{ count(list.rows().length) }} of {{ count(list.total()) }} suppliers. </ng-container
        ><button i18n matButton (click)="list.more()">Show more</button>
      </p>
    }
  `,
  styleUrl: '../stores.page.scss',
  host: { class: 'panel' },
})
export class SuppliersPanel {
  private readonly api = inject(PurchasingApi);
  private readonly dialog = inject(MatDialog);
  /** What the works may be sold, and the currency of its prices. */
  readonly items = input.required<readonly KnownItem[]>();
  readonly currency = input.required<string>();
  protected readonly list = new SearchedList<KeptSupplier>((asked) => this.api.suppliers(asked));
  protected readonly count = count;

  constructor() {
    whenChanged(['works'], this.list.again);
  }

  protected prices({ supplier: { prices = [] } }: KeptSupplier): string {
    const things = new Set(prices.map(({ item }) => item)).size;
    return prices.length === 0
      ? $localize`none told`
      : $localize`${many(prices.length, 'price')} of ${many(things, 'thing')}`;
  }
  protected open(supplier?: KeptSupplier): void {
    const data: SupplierData = { supplier, items: this.items(), currency: this.currency() };
    this.dialog
      .open(SupplierDialog, { data, width: '1160px', maxWidth: '94vw' })
      .afterClosed()
      .subscribe(this.list.again);
  }
}

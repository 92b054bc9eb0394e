import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import {
  type Customer,
  type CustomerColumn,
  type CustomerRow,
  CUSTOMER_COLUMNS,
  type EnteredCustomers,
  MOST_ENTRIES,
  customerLines,
  guessCustomerColumns,
} from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { ListTaking } from '../../platform/list-taking';
import { failureOf } from '../../platform/problem';
import { SearchedList } from '../../platform/searched-list';
import { selectMay } from '../../platform/session.state';
import { count, dateText, many } from '../../ui/format';
import { ListFile, type ListKind } from '../../ui/list-file';

/** A customer out of a line of a list. */
interface Listed {
  readonly line: number;
  readonly customer: Customer;
}

/** Whom the works prints for. */
@Component({
  selector: 'dk-customers-page',
  imports: [ListFile, MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1 i18n>Customers</h1>
      <mat-form-field>
        <mat-label i18n>Search name, number, place</mat-label>
        <input matInput #words type="search" [value]="list.search()" (input)="list.find(words.value)" />
      </mat-form-field>
      <span class="gap"></span>
      @if (mayEdit()) {
        <mat-form-field>
          <mat-label i18n>Name of a new customer</mat-label>
          <input matInput #name maxlength="120" (keydown.enter)="add(name.value)" />
        </mat-form-field>
        <button matButton="filled" (click)="add(name.value)">
          <mat-icon>add</mat-icon><ng-container i18n>Enter it</ng-container>
        </button>
      }
    </div>
    @if (mayEdit()) {
      <dk-list-file
        i18n-label
        label="Customers out of a file"
        [kind]="kind"
        [taking]="taking"
        (taken)="enter($event)"
      />
    }
    @if (list.failed(); as message) {
      <p role="alert">{{ message }} <button i18n matButton (click)="list.again()">Look again</button></p>
    }
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Customer</th>
          <th i18n scope="col">Number</th>
          <th i18n scope="col" class="number">Places</th>
          <th i18n scope="col" class="number">Jobs</th>
          <th i18n scope="col">Last job</th>
        </tr>
      </thead>
      <tbody>
        @for (row of list.rows(); track row.id) {
          <tr [class.retired]="row.retired">
            <th scope="row">
              <a [routerLink]="['/customers', row.id]">{{ row.name }}</a>
              @if (row.retired) {
                , <b i18n>retired</b>
              }
            </th>
            <td>{{ row.reference ?? '' }}</td>
            <td class="number">{{ count(row.places) }}</td>
            <td class="number">{{ count(row.jobs) }}</td>
            <td>{{ day(row.lastJob) }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="5" class="empty">
              @if (!list.loaded()) {
                <ng-container i18n> Looking for the customers. </ng-container>
              } @else if (list.search().trim() !== '') {
                <ng-container i18n> No customer holds these words. </ng-container>
              } @else {
                <ng-container i18n>
                  No customer is entered yet. Enter the first by its name, as jobs name it.
                </ng-container>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (list.total() > list.rows().length) {
      <p class="more">
        <ng-container i18n>{{ count(list.rows().length) }} of {{ count(list.total()) }} customers. </ng-container
        ><button i18n matButton (click)="list.more()">Show more</button>
      </p>
    }
  `,
  styleUrl: '../../ui/list-page.scss',
})
export class CustomersPage {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('customers'));
  protected readonly count = count;
  protected readonly day = dateText;
  protected readonly list = new SearchedList<CustomerRow>((asked) => this.api.customers(asked));

  private readonly file = viewChild<ListFile<Listed>>(ListFile);
  protected readonly taking = new ListTaking<EnteredCustomers>({
    taken: ({ ids }) => $localize`${many(ids.length, 'customer')} entered.`,
    stopped: $localize`Stopped. Nothing was taken, unless it had just come to its end.`,
  });
  protected readonly kind: ListKind<Listed> = {
    name: 'customers',
    columns: CUSTOMER_COLUMNS,
    wanted: ['name'] satisfies CustomerColumn[],
    figures: ['under', 'over', 'weight', 'transit'] satisfies CustomerColumn[],
    dates: [],
    ...{ one: 'customer', several: 'customers', most: MOST_ENTRIES },
    guess: guessCustomerColumns,
    *read(rows, key, first) {
      const lines = yield* customerLines(rows, key, first);
      return lines.map((one) => ('customer' in one ? { line: one.line, item: one } : { line: one.line, why: one.why }));
    },
  };

  constructor() {
    whenChanged(['customers', 'jobs'], this.list.again);
  }

  protected enter(listed: readonly Listed[]): void {
    this.list.failed.set('');
    this.taking.take(this.api.addCustomers(listed.map(({ customer }) => customer)), listed, () => {
      this.file()?.leave();
      this.list.again();
    });
  }

  protected add(name: string): void {
    if (name.trim() === '') {
      this.list.failed.set($localize`A customer wants a name: as jobs name it.`);
      return;
    }
    this.api.addCustomer({ name: name.trim() }).subscribe({
      next: ({ id }) => void this.router.navigate(['/customers', id]),
      error: (error: unknown) => this.list.failed.set(failureOf(error).text),
    });
  }
}

import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { offerWorking } from '@druckerei/core';
import type { Offer, OfferLine } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { SearchedList } from '../../platform/searched-list';
import { count, dateText, money, percent } from '../../ui/format';
import { TakeDialog } from './take.dialog';

/** What customers were offered, and what came of it. */
@Component({
  selector: 'dk-offers-page',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <h1 i18n>Offers</h1>
      <mat-form-field>
        <mat-label i18n>Search number, customer, title, state</mat-label>
        <input matInput #words type="search" [value]="list.search()" (input)="list.find(words.value)" />
      </mat-form-field>
      <span class="gap"></span>
      <span i18n class="quiet">A new one is made at a job, under Quantities.</span>
    </div>
    @if (list.failed(); as message) {
      <p role="alert">{{ message }} <button i18n matButton (click)="list.again()">Look again</button></p>
    }
    <table>
      <thead>
        <tr>
          <th i18n scope="col">Offer</th>
          <th i18n scope="col" class="number">Quantity</th>
          <th i18n scope="col" class="number">Cost</th>
          <th i18n scope="col" class="number">Price</th>
          <th i18n scope="col" class="number">A thousand</th>
          <th i18n scope="col">Holds until</th>
          <th i18n scope="col">State</th>
          <th scope="col"><span i18n class="cdk-visually-hidden">What to do</span></th>
        </tr>
      </thead>
      <tbody>
        @for (offer of list.rows(); track offer.id) {
          @for (line of offer.lines; track line.quantity; let first = $first) {
            <tr>
              @if (first) {
                <th scope="row" [attr.rowspan]="offer.lines.length">
                  {{ offer.number }}<br />{{ offer.customer }}
                  <div i18n class="quiet">{{ offer.title }}, {{ percent(offer.margin) }} of the price earned</div>
                </th>
              }
              <td class="number">{{ count(line.quantity) }}</td>
              <td class="number">{{ money(line.cost) }}</td>
              <td class="number" [title]="working(offer, line)">{{ money(line.price) }} {{ offer.currency }}</td>
              <td class="number">{{ money(line.perThousand) }}</td>
              @if (first) {
                <td [attr.rowspan]="offer.lines.length">{{ day(offer.until) }}</td>
                <td [attr.rowspan]="offer.lines.length">
                  @if (offer.job) {
                    <a i18n [routerLink]="['/jobs', offer.job]">taken</a>
                  } @else {
                    {{ offer.state }}
                  }
                </td>
                <td [attr.rowspan]="offer.lines.length">
                  <a matButton [href]="'/api/offers/' + offer.id + '/offer.pdf'" target="_blank" rel="noopener"
                    ><mat-icon>description</mat-icon><ng-container i18n>As it is sent</ng-container></a
                  >
                  @if (offer.state === 'open') {
                    <button i18n matButton (click)="take(offer)">Taken</button>
                    <button i18n matButton (click)="set(offer, 'declined')">Declined</button>
                  }
                  @if (offer.state === 'declined') {
                    <button i18n matButton (click)="set(offer, 'open')">Open again</button>
                  }
                </td>
              }
            </tr>
          }
        } @empty {
          <tr>
            <td colspan="8" class="empty">
              @if (!list.loaded()) {
                <ng-container i18n> Looking for the offers. </ng-container>
              } @else if (list.search().trim() !== '') {
                <ng-container i18n> No offer holds these words. </ng-container>
              } @else {
                <ng-container i18n>
                  Nothing was offered yet. Open a job, compare its quantities, and offer them.
                </ng-container>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (list.total() > list.rows().length) {
      <p class="more">
        <ng-container i18n>{{ count(list.rows().length) }} of {{ count(list.total()) }} offers. </ng-container
        ><button i18n matButton (click)="list.more()">Show more</button>
      </p>
    }
  `,
  styleUrl: '../../ui/list-page.scss',
})
export class OffersPage {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly count = count;
  protected readonly money = money;
  protected readonly percent = percent;
  protected readonly day = dateText;
  protected readonly list = new SearchedList<Offer>((asked) => this.api.offers(asked));

  constructor() {
    whenChanged(['customers', 'jobs'], this.list.again);
  }

  protected readonly working = ({ margin }: Offer, { cost }: OfferLine): string => offerWorking(cost, margin);

  protected set(offer: Offer, state: 'open' | 'declined'): void {
    this.api.setOffer(offer.id, offer.version, state).subscribe({
      next: () => this.list.again(),
      error: (error: unknown) => this.list.failed.set(failureOf(error).text),
    });
  }

  protected take(offer: Offer): void {
    this.dialog
      .open<TakeDialog, Offer, number>(TakeDialog, { data: offer, width: '460px' })
      .afterClosed()
      .subscribe((job) => {
        if (job !== undefined) void this.router.navigate(['/jobs', job]);
        else this.list.again();
      });
  }
}

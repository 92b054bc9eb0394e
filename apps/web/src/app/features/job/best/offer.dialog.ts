import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Job, MOST_MARGIN, dayAfter, offerPrice } from '@druckerei/core';
import { type Offer, dayIn } from '@druckerei/contract';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { DateBox } from '../../../ui/date-box';
import { count, money } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { WordPipe } from '../../../ui/word';

export interface OfferData {
  readonly currency: string;
  /** Jobs at their quantities, and what each costs. */
  readonly rungs: readonly { readonly job: Job; readonly quantity: number; readonly cost: number }[];
}

/** Days that an offer usually holds, and per cents of its price that are earned, until somebody says otherwise. Source: common practice, no source. */
const USUAL_DAYS = 30;
const USUAL_PERCENT = 20;

/** An offer of the quantities that were reckoned: its number, what is earned of the price, until when it holds. */
@Component({
  selector: 'dk-offer-dialog',
  imports: [DateBox, MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, NumberBox, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Offer these quantities</h2>
    <mat-dialog-content>
      @if (made(); as offer) {
        <p i18n role="status">
          {{ offer.number }} is made.
          <a [href]="'/api/offers/' + offer.id + '/offer.pdf'" target="_blank" rel="noopener">As it is sent</a>
        </p>
      } @else {
        <div class="fields">
          <mat-form-field>
            <mat-label i18n>Number of the offer</mat-label>
            <input matInput #field maxlength="40" [value]="number()" (input)="number.set(field.value)" />
          </mat-form-field>
          <dk-number i18n-label label="Earned of the price" unit="%" [(value)]="margin" [error]="wrong()" />
          <dk-date i18n-label label="Holds until" [value]="until()" (picked)="until.set($event)" />
          <mat-form-field class="wide">
            <mat-label i18n>What else it says</mat-label>
            <textarea matInput #words rows="2" maxlength="2000" (input)="note.set(words.value)"></textarea>
          </mat-form-field>
        </div>
        <table>
          <thead>
            <tr>
              <th i18n scope="col" class="number">Quantity</th>
              <th i18n scope="col" class="number">Cost</th>
              <th i18n scope="col" class="number">Price, {{ data.currency }}</th>
              <th i18n scope="col" class="number">A thousand</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.quantity) {
              <tr>
                <td class="number">{{ count(row.quantity) }}</td>
                <td class="number">{{ money(row.cost) }}</td>
                <td class="number">{{ money(row.total) }}</td>
                <td class="number">{{ money(row.perThousand) }}</td>
              </tr>
            }
          </tbody>
        </table>
        <p i18n class="quiet">price = cost / (1 - what is earned of it), up to the next hundredth</p>
      }
      @if (failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>{{ made() ? ('Close' | word) : ('Leave it' | word) }}</button>
      @if (!made()) {
        <button i18n matButton="filled" (click)="send()" [disabled]="!ready()">Make the offer</button>
      }
    </mat-dialog-actions>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 16px;
      padding-top: 6px;
    }
    .wide {
      grid-column: 1 / -1;
    }
    table {
      width: 100%;
      margin: 12px 0 0;
      border-collapse: collapse;
    }
    .number {
      text-align: right;
      padding: 3px 8px;
      font-variant-numeric: tabular-nums;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class OfferDialog {
  protected readonly data = inject<OfferData>(MAT_DIALOG_DATA);
  private readonly api = inject(Api);
  protected readonly count = count;
  protected readonly money = money;
  protected readonly number = signal(`O-${this.data.rungs[0]?.job.number ?? ''}`);
  protected readonly margin = signal(USUAL_PERCENT);
  protected readonly until = signal(dayAfter(dayIn(new Date()), USUAL_DAYS));
  protected readonly note = signal('');
  protected readonly failed = signal('');
  protected readonly made = signal<Offer | undefined>(undefined);
  protected readonly wrong = computed(() => {
    const margin = this.margin();
    return margin >= 0 && margin <= MOST_MARGIN * 100 ? '' : $localize`From 0 to ${MOST_MARGIN * 100} %`;
  });
  protected readonly ready = computed(() => this.wrong() === '' && this.number().trim() !== '' && this.until() !== '');
  protected readonly rows = computed(() =>
    this.data.rungs.map((rung) => ({
      ...rung,
      ...offerPrice(rung.cost, this.wrong() === '' ? this.margin() / 100 : 0, rung.quantity),
    })),
  );

  protected send(): void {
    this.failed.set('');
    const [number, note] = [this.number().trim(), this.note().trim()];
    this.api
      .addOffer({
        number,
        margin: this.margin() / 100,
        until: this.until(),
        ...(note === '' ? {} : { note }),
        jobs: this.data.rungs.map(({ job }) => job),
      })
      .subscribe({
        next: (offer) => this.made.set(offer),
        error: (error: unknown) => this.failed.set(failureOf(error).text),
      });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { openOf } from '@druckerei/core';
import type { KeptPurchase } from '@druckerei/contract';
import { map } from 'rxjs';
import { Contested } from '../../../platform/contested';
import { count, readNumber, unitText } from '../../../ui/format';
import { PurchasingApi } from './purchasing.api';
import { WordPipe } from '../../../ui/word';

/** Numbers of jobs that a line has room for. */
const MOST_NUMBERS = 3;

interface Typed {
  readonly quantity: string;
  readonly place: string;
}

/** What has come of an order, line by line, and where it lies. */
@Component({
  selector: 'dk-receive-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>What has come of {{ order().number }}</h2>
    <mat-dialog-content>
      <mat-form-field class="wide">
        <mat-label i18n>Number of the delivery note</mat-label>
        <input matInput #note maxlength="120" cdkFocusInitial />
      </mat-form-field>
      <table data-test="receive">
        <thead>
          <tr>
            <th i18n scope="col">What</th>
            <th i18n scope="col" class="number">To come</th>
            <th i18n scope="col" class="number">Has come</th>
            <th i18n scope="col">Where it lies</th>
          </tr>
        </thead>
        <tbody>
          @for (line of order().lines; track $index) {
            <tr>
              <th scope="row">
                {{ line.name }}
                @if (line.jobs.length > 0) {
                  <span i18n class="quiet">for {{ jobs(line) }}</span>
                }
              </th>
              <td class="number">{{ count(open(line), 3) }} {{ unitText(line.unit, open(line)) }}</td>
              <td class="number">
                <input
                  class="plain"
                  inputmode="decimal"
                  [attr.aria-label]="'Has come: {0}' | word: line.name"
                  [value]="typed()[$index]?.quantity"
                  (input)="type($index, { quantity: $any($event.target).value })"
                />
              </td>
              <td>
                <input
                  class="plain long"
                  maxlength="80"
                  [attr.aria-label]="'Where it lies: {0}' | word: line.name"
                  (input)="type($index, { place: $any($event.target).value })"
                />
              </td>
            </tr>
          }
        </tbody>
      </table>
      <p i18n class="quiet">
        Leave a quantity empty where nothing came. What jobs are to have of it is reserved for them.
      </p>
      @if (sending.changed() || sending.failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Leave it</button>
      <button i18n matButton="filled" (click)="enter(note.value)">Take it in</button>
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
})
export class ReceiveDialog {
  private readonly given = inject<KeptPurchase>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<ReceiveDialog, boolean>>(MatDialogRef);
  private readonly api = inject(PurchasingApi);
  protected readonly order = signal(this.given);
  protected readonly count = count;
  protected readonly unitText = unitText;
  protected readonly open = openOf;
  protected readonly typed = signal<readonly Typed[]>(
    this.given.lines.map((line) => ({ quantity: openOf(line) > 0 ? count(openOf(line), 3) : '', place: '' })),
  );
  /** Somebody else was faster: what is still to come is looked at anew, and what is typed stays. */
  protected readonly sending = new Contested(() =>
    this.api.purchases({ search: this.given.number }).pipe(
      map(({ rows }) => {
        this.order.set(rows.find(({ id }) => id === this.given.id) ?? this.order());
      }),
    ),
  );

  protected jobs({ jobs }: KeptPurchase['lines'][number]): string {
    const numbers = jobs.slice(0, MOST_NUMBERS).map(({ number }) => number);
    const more = jobs.length - numbers.length;
    return `${numbers.join(', ')}${more > 0 ? $localize` and ${count(more)} more` : ''}`;
  }
  protected type(at: number, change: Partial<Typed>): void {
    this.typed.update((all) => all.map((one, i) => (i === at ? { ...one, ...change } : one)));
  }

  protected enter(note: string): void {
    const lines = this.typed().flatMap(({ quantity, place }, line) =>
      quantity.trim() === '' ? [] : [{ line, quantity: readNumber(quantity) ?? NaN, place: place.trim() }],
    );
    const wrong = lines.find(({ quantity }) => !(quantity > 0));
    if (lines.length === 0 || wrong) {
      const name = wrong && this.order().lines[wrong.line]?.name;
      this.sending.refuse(
        wrong
          ? $localize`${name}\: a quantity above 0 is wanted, like 2,500.`
          : $localize`Nothing has come: enter a quantity.`,
      );
      return;
    }
    const { id, version } = this.order();
    const call = this.api.receive(id, { version, lines, ...(note.trim() === '' ? {} : { note: note.trim() }) });
    this.sending.send(call.pipe(map(() => undefined)), () => this.dialog.close(true));
  }
}

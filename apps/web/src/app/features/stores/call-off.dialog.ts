import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { leavesBy } from '@druckerei/core';
import type { Finished } from '@druckerei/contract';
import { DateBox } from '../../ui/date-box';
import { Contested } from '../../platform/contested';
import { count, dateText, readNumber } from '../../ui/format';
import { Standing, type StandingRow } from '../../ui/standing';
import type { FinishedStore } from './finished.store';
import { loadWords } from './load-words';

export interface CallOffData {
  readonly stock: InstanceType<typeof FinishedStore>;
  readonly lot: Finished['lots'][number];
}

const whole = (text: string, least: number): number | undefined => {
  const value = readNumber(text);
  return value !== undefined && Number.isInteger(value) && value >= least ? value : undefined;
};

/** Sends pieces of a lot to a destination: what they load, and by when they leave so that they arrive in time. */
@Component({
  selector: 'dk-call-off-dialog',
  imports: [DateBox, MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, Standing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Call off {{ data.lot.title }}</h2>
    <form (submit)="$event.preventDefault(); call()">
      <mat-dialog-content>
        <p i18n class="quiet">{{ count(lot().pieces) }} on hand, {{ lot().place }}.</p>
        <mat-form-field>
          <mat-label i18n>Pieces</mat-label>
          <input matInput #p inputmode="numeric" [value]="pieces()" (input)="pieces.set(p.value)" cdkFocusInitial />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>To</mat-label>
          <input matInput #d maxlength="80" list="dk-destinations" [value]="destination()" (input)="choose(d.value)" />
        </mat-form-field>
        <datalist id="dk-destinations">
          @for (one of data.stock.finished()?.destinations; track one.name) {
            <option [value]="one.name"></option>
          }
        </datalist>
        <mat-form-field>
          <mat-label i18n>Days on the road</mat-label>
          <input matInput #t inputmode="numeric" [value]="days()" (input)="days.set(t.value)" />
          <mat-hint i18n>kept for this destination</mat-hint>
        </mat-form-field>
        <dk-date i18n-label label="Due there" [value]="due()" (picked)="due.set($event)" />
        <p aria-live="polite" data-test="load">{{ outlook() }}</p>
        @if (sending.changed(); as why) {
          <dk-standing [why]="why" [rows]="standing()" />
        }
        @if (sending.failed(); as message) {
          <p role="alert" class="wrong">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Call off</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class CallOffDialog {
  protected readonly data = inject<CallOffData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CallOffDialog>>(MatDialogRef);
  protected readonly pieces = signal(String(Math.min(this.data.lot.perPallet ?? 1, this.data.lot.pieces)));
  protected readonly destination = signal('');
  protected readonly days = signal('');
  protected readonly due = signal('');
  /** The lot as it was seen last; nothing is left of one that is gone. */
  protected readonly lot = computed(() => {
    const now = this.data.stock.finished();
    return now
      ? (now.lots.find(({ id }) => id === this.data.lot.id) ?? { ...this.data.lot, pieces: 0 })
      : this.data.lot;
  });
  protected readonly sending = new Contested(() => this.data.stock.refresh());
  protected readonly count = count;
  protected readonly outlook = computed(() => {
    const [pieces, days] = [whole(this.pieces(), 1), whole(this.days(), 0)];
    const load = pieces === undefined ? undefined : this.data.stock.loadOf(this.lot(), pieces);
    if (load === undefined) return '';
    const leaves =
      this.due() === '' || days === undefined ? '' : $localize` Leaves by ${dateText(leavesBy(this.due(), days))}.`;
    return `${loadWords(load)}.${leaves}`;
  });

  /** A destination that is known brings its days. */
  protected choose(name: string): void {
    this.destination.set(name);
    const known = this.data.stock.finished()?.destinations.find((one) => one.name === name.trim());
    if (known) this.days.set(String(known.days));
  }

  protected call(): void {
    const [lot, { stock }] = [this.lot(), this.data];
    const [pieces, days, destination] = [whole(this.pieces(), 1), whole(this.days(), 0), this.destination().trim()];
    const wrong =
      pieces === undefined
        ? $localize`A whole number of pieces is wanted, like 2,500.`
        : destination === ''
          ? $localize`Say where the pieces go.`
          : $localize`Days on the road are a whole number, 0 where they arrive the same day.`;
    if (pieces === undefined || destination === '' || days === undefined) {
      this.sending.refuse(wrong);
      return;
    }
    const due = this.due() === '' ? {} : { due: this.due() };
    const call = stock.callOff(lot.id, {
      pieces,
      expected: lot.pieces,
      version: lot.version,
      seen: stock.finished()?.mark ?? 0,
      destination,
      transitDays: days,
      ...due,
    });
    this.sending.send(call, () => this.dialog.close());
  }

  protected standing(): StandingRow[] {
    const days = this.data.stock.finished()?.destinations.find(({ name }) => name === this.destination().trim())?.days;
    return [
      { what: $localize`Pieces`, now: $localize`${count(this.lot().pieces)} on hand`, yours: this.pieces() },
      { what: $localize`Days on the road`, now: days === undefined ? '' : count(days), yours: this.days() },
    ];
  }
}

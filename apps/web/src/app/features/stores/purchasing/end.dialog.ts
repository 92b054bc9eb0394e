import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { KeptPurchase } from '@druckerei/contract';
import { failureOf } from '../../../platform/problem';
import { PurchasingApi } from './purchasing.api';
import { WordPipe } from '../../../ui/word';

/** Ends an order before all of it has come: withdrawn where nothing has, closed where some has. */
@Component({
  selector: 'dk-end-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>End order {{ order.number }}</h2>
    <form (submit)="$event.preventDefault(); end(why.value)">
      <mat-dialog-content>
        <p i18n>
          {{
            state === 'closed'
              ? ('Some of it has come. No more is counted as coming from now on.' | word)
              : ('Nothing of it has come. It is withdrawn, and nothing is counted as coming.' | word)
          }}
          Tell the supplier too.
        </p>
        <mat-form-field class="wide">
          <mat-label i18n>Why</mat-label>
          <input matInput #why maxlength="300" cdkFocusInitial />
        </mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it open</button>
        <button i18n matButton="filled" type="submit">End it</button>
      </mat-dialog-actions>
    </form>
  `,
  styleUrl: './dialog.scss',
})
export class EndDialog {
  protected readonly order = inject<KeptPurchase>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<EndDialog, boolean>>(MatDialogRef);
  private readonly api = inject(PurchasingApi);
  protected readonly state = this.order.receipts.length > 0 ? 'closed' : 'withdrawn';
  protected readonly failed = signal('');

  protected end(why: string): void {
    const reason = why.trim() === '' ? {} : { reason: why.trim() };
    this.api.setPurchase(this.order.id, { version: this.order.version, state: this.state, ...reason }).subscribe({
      next: () => this.dialog.close(true),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

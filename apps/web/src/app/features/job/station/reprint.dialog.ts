import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router } from '@angular/router';
import { type Job, reprintOf } from '@druckerei/core';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { readNumber } from '../../../ui/format';

/** A job for more of one part, when its run came out short. */
@Component({
  selector: 'dk-reprint-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>More of {{ name }}</h2>
    <form (submit)="$event.preventDefault(); make(number.value, pieces.value)">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label i18n>Pieces wanted</mat-label>
          <input matInput #pieces inputmode="numeric" cdkFocusInitial />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Number of the new job</mat-label>
          <input matInput #number maxlength="40" [value]="data.job.number + '-R'" />
        </mat-form-field>
        @if (failed(); as message) {
          <p role="alert" class="wrong">{{ message }}</p>
        }
        <p i18n class="quiet">It holds this part alone, from its paper to where it joins the others.</p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Make the job</button>
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
export class ReprintDialog {
  protected readonly data = inject<{ job: Job; component: string }>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<ReprintDialog>>(MatDialogRef);
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly name = this.data.job.components.find(({ id }) => id === this.data.component)?.name ?? '';
  protected readonly failed = signal('');

  protected make(number: string, text: string): void {
    const pieces = readNumber(text);
    if (pieces === undefined || !Number.isInteger(pieces) || pieces < 1) {
      this.failed.set($localize`A whole number of pieces is wanted, like 400.`);
      return;
    }
    const job = { ...reprintOf(this.data.job, this.data.component, pieces), number: number.trim() };
    this.api.createJob(job).subscribe({
      next: ({ id }) => {
        this.dialog.close();
        void this.router.navigate(['/jobs', id]);
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { failureOf } from '../../platform/problem';
import { readNumber } from '../../ui/format';
import type { FinishedStore } from './finished.store';

/** Takes finished pieces of a job into the stock. */
@Component({
  selector: 'dk-finished-in-dialog',
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Finished pieces into the stock</h2>
    <form (submit)="$event.preventDefault(); keep(pieces.value, place.value)">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label i18n>Job</mat-label>
          <mat-select [value]="job()" (selectionChange)="job.set($event.value)" cdkFocusInitial>
            @for (one of stock.jobs(); track one.id) {
              <mat-option [value]="one.id">{{ one.number }} {{ one.title }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field
          ><mat-label i18n>Pieces</mat-label><input matInput #pieces inputmode="numeric"
        /></mat-form-field>
        <mat-form-field
          ><mat-label i18n>Where they lie</mat-label><input matInput #place maxlength="80"
        /></mat-form-field>
        @if (failed(); as message) {
          <p role="alert" class="wrong">{{ message }}</p>
        }
        @if (asked()) {
          <mat-checkbox i18n [checked]="meant()" (change)="meant.set($event.checked)"
            >It is so, I counted again</mat-checkbox
          >
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Take in</button>
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
export class FinishedInDialog {
  protected readonly stock = inject<InstanceType<typeof FinishedStore>>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<FinishedInDialog>>(MatDialogRef);
  protected readonly job = signal(this.stock.jobs()[0]?.id);
  protected readonly failed = signal('');
  /** More than the job can give: asked back, and said to be so. */
  protected readonly asked = signal(false);
  protected readonly meant = signal(false);

  protected keep(text: string, place: string): void {
    const [job, pieces] = [this.job(), readNumber(text)];
    if (job === undefined || pieces === undefined || !Number.isInteger(pieces) || pieces < 1) {
      this.failed.set($localize`A whole number of pieces is wanted, like 2,500.`);
      return;
    }
    this.stock.add({ job, pieces, place, ...(this.meant() ? { meant: true } : {}) }).subscribe({
      next: () => this.dialog.close(),
      error: (error: unknown) => {
        const { text, problem } = failureOf(error);
        this.failed.set(text);
        this.asked.set(problem?.errors?.some(({ path: at }) => at === 'meant') ?? false);
      },
    });
  }
}

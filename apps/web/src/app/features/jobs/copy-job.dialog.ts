import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { JobRow, Revision } from '@druckerei/contract';
import { failureOf } from '../../platform/problem';
import type { JobsStore } from './jobs.store';

@Component({
  selector: 'dk-copy-job-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Copy {{ data.row.number }} to a new job</h2>
    <mat-dialog-content>
      <mat-form-field
        ><mat-label>Number</mat-label><input matInput #number cdkFocusInitial maxlength="40"
      /></mat-form-field>
      <mat-form-field
        ><mat-label>Title</mat-label><input matInput #title [value]="data.row.title" maxlength="120"
      /></mat-form-field>
      @if (failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Leave it</button>
      <button matButton="filled" (click)="copy(number.value, title.value)">Copy</button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0;
    }
    p {
      color: var(--mat-sys-error);
    }
  `,
})
export class CopyJobDialog {
  protected readonly data = inject<{ row: JobRow; jobs: InstanceType<typeof JobsStore> }>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CopyJobDialog, Revision>>(MatDialogRef);
  protected readonly failed = signal<string | undefined>(undefined);

  protected copy(number: string, title: string): void {
    this.data.jobs.copy(this.data.row.id, { number, title }).subscribe({
      next: (revision) => this.dialog.close(revision),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

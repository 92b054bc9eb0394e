import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { DateBox } from '../../ui/date-box';

/** A day on which a matter of the desk comes again. */
@Component({
  selector: 'dk-put-off-dialog',
  imports: [DateBox, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Put it off</h2>
    <mat-dialog-content>
      <dk-date i18n-label label="Until which day" [value]="until()" (picked)="until.set($event)" />
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Cancel</button>
      <button i18n matButton="filled" [disabled]="until() <= data.today" (click)="ref.close(until())">
        Put it off
      </button>
    </mat-dialog-actions>
  `,
})
export class PutOffDialog {
  protected readonly data = inject<{ readonly today: string; readonly until: string }>(MAT_DIALOG_DATA);
  protected readonly ref = inject(MatDialogRef<PutOffDialog, string>);
  protected readonly until = signal(this.data.until);
}

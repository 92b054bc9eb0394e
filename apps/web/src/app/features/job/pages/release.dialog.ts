import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import type { Job } from '@druckerei/core';

@Component({
  selector: 'dk-release-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Release {{ job.number }}?</h2>
    <mat-dialog-content i18n
      >The revision is frozen with the works it was planned with: norms, machines, papers, inks and prices. A later
      change opens the next revision.</mat-dialog-content
    >
    <mat-dialog-actions align="end">
      <button i18n matButton [mat-dialog-close]="false">Leave it a draft</button>
      <button i18n matButton="filled" [mat-dialog-close]="true" cdkFocusInitial>Release</button>
    </mat-dialog-actions>
  `,
})
export class ReleaseDialog {
  protected readonly job = inject<Job>(MAT_DIALOG_DATA);
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { isWithin, limitsInWords } from '@druckerei/core';
import { failureOf } from '../../platform/problem';
import { Measures } from '../../ui/measures';
import { normUnit, normValue, readNorm } from './norm-text';
import type { NormRow, NormsStore } from './norms.store';

/** Changes one norm, with the reason that goes into its history. */
@Component({
  selector: 'dk-norm-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ row.norm.subject }}: {{ row.norm.name }}</h2>
    <form (submit)="$event.preventDefault(); change(value.value, reason.value)">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label>Value</mat-label>
          <input matInput #value inputmode="decimal" cdkFocusInitial [value]="text(row.value)" />
          <span matTextSuffix>&nbsp;{{ unit }}</span>
          <mat-hint>{{ limits }}; shipped {{ text(row.norm.value) }}</mat-hint>
        </mat-form-field>
        <mat-form-field><mat-label>Why</mat-label><input matInput #reason maxlength="300" /></mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
        <p class="quiet">Drafts are planned anew with it. Released revisions keep the norms they were planned with.</p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button matButton type="button" mat-dialog-close>Leave it</button>
        <button matButton="filled" type="submit">Set the norm</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0 10px;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class NormDialog {
  private readonly data = inject<{ row: NormRow; norms: InstanceType<typeof NormsStore> }>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NormDialog>>(MatDialogRef);
  protected readonly row = this.data.row;
  private readonly system = inject(Measures).system();
  protected readonly text = (value: number): string => normValue(this.row.norm, value, this.system);
  protected readonly unit = normUnit(this.row.norm, this.system);
  protected readonly limits = limitsInWords(this.row.norm);
  protected readonly failed = signal<string | undefined>(undefined);

  protected change(text: string, reason: string): void {
    // What was not touched stays to the last digit.
    const value = text === this.text(this.row.value) ? this.row.value : readNorm(this.row.norm, text, this.system);
    if (value === undefined || !isWithin(this.row.norm, value)) {
      this.failed.set(
        value === undefined
          ? `“${text}” is no number; write it like 1,200 or 0.5`
          : `${this.row.norm.name} goes ${this.limits}`,
      );
      return;
    }
    this.data.norms.change(this.row.norm.id, { value, expected: this.row.value, reason }).subscribe({
      next: () => this.dialog.close(),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

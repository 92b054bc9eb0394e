import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type Operation, OPERATIONS, OPERATION_RULES, RULE_WEIGHTS, houseRuleId } from '@druckerei/core';
import { failureOf } from '../../platform/problem';
import type { NormsStore } from './norms.store';

const WEIGHT_NAMES = {
  off: 'off',
  soft: $localize`soft: a warning`,
  hard: $localize`hard: nothing is released against it`,
} as const;

/** Adds a rule of the house: in one lane, one operation comes before another. Its reason is shown where it fires. */
@Component({
  selector: 'dk-house-rule-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>A rule of this house</h2>
    <form (submit)="$event.preventDefault(); add(reason.value)">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label i18n>This comes first</mat-label>
          <mat-select [value]="first()" (selectionChange)="first.set($event.value)" cdkFocusInitial>
            @for (one of operations; track one.id) {
              <mat-option [value]="one.id">{{ one.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Then this</mat-label>
          <mat-select [value]="then()" (selectionChange)="then.set($event.value)">
            @for (one of operations; track one.id) {
              <mat-option [value]="one.id">{{ one.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>How much it counts</mat-label>
          <mat-select [value]="weight()" (selectionChange)="weight.set($event.value)">
            @for (one of weights; track one.value) {
              <mat-option [value]="one.value">{{ one.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field><mat-label i18n>Why</mat-label><input matInput #reason maxlength="300" /></mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Set the rule</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin: 6px 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class HouseRuleDialog {
  private readonly norms = inject<InstanceType<typeof NormsStore>>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<HouseRuleDialog>>(MatDialogRef);
  protected readonly operations = OPERATIONS.map((id) => ({ id, name: OPERATION_RULES[id].name }));
  protected readonly weights = RULE_WEIGHTS.map((id, value) => ({ value, name: WEIGHT_NAMES[id] }));
  protected readonly first = signal<Operation>('coat');
  protected readonly then = signal<Operation>('foil');
  protected readonly weight = signal(1);
  protected readonly failed = signal('');

  protected add(reason: string): void {
    if (this.first() === this.then()) {
      this.failed.set($localize`Choose two operations: one cannot come before itself.`);
      return;
    }
    if (reason.trim() === '') {
      this.failed.set($localize`Say why: the reason is shown where the rule fires.`);
      return;
    }
    const id = houseRuleId(this.first(), this.then());
    const expected = this.norms.works()?.norms[id]?.value ?? 0;
    this.norms.change(id, { value: this.weight(), expected, reason }).subscribe({
      next: () => this.dialog.close(),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type FloorSlot, MINUTE_MS, wallClock } from '@druckerei/core';
import type { Floor, KeptPin } from '@druckerei/contract';
import { failureOf } from '../../platform/problem';
import { timeText } from '../../ui/format';
import { FloorApi } from './floor.api';

export interface PinData {
  readonly slot: FloorSlot;
  readonly pin: KeptPin | undefined;
  readonly title: string;
  readonly machines: readonly { readonly id: string; readonly name: string }[];
  readonly origin: number;
  readonly timeZone: string | undefined;
}

/** Fixes the machine or the hour of a station, whatever is planned anew. */
@Component({
  selector: 'dk-pin-dialog',
  imports: [MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Fix {{ data.title }}</h2>
    <mat-dialog-content>
      @if (data.pin; as pin) {
        <p i18n>Fixed by {{ pin.by }}, {{ timeText(pin.at) }}.</p>
      }
      <p i18n>What is fixed stays when the floor is planned anew. Whatever else is planned goes around it.</p>
      <mat-form-field>
        <mat-label i18n>Machine</mat-label>
        <mat-select [value]="machine()" (selectionChange)="machine.set($event.value)">
          <mat-option i18n value="">any that can do it</mat-option>
          @for (one of data.machines; track one.id) {
            <mat-option [value]="one.id">{{ one.name }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
      <mat-form-field>
        <mat-label i18n>Begins at</mat-label>
        <input matInput type="datetime-local" #when [value]="start()" (input)="start.set(when.value)" />
        <mat-hint i18n>By the clock of the works; empty for any hour</mat-hint>
      </mat-form-field>
      <mat-form-field>
        <mat-label i18n>Why</mat-label>
        <input matInput #why maxlength="200" [value]="reason()" (input)="reason.set(why.value)" />
      </mat-form-field>
      @if (failed()) {
        <p role="alert">{{ failed() }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      @if (data.pin) {
        <button i18n matButton (click)="send('', '')">Let it go</button>
      }
      <button i18n matButton mat-dialog-close>Cancel</button>
      <button
        i18n
        matButton="filled"
        [disabled]="machine() === '' && start() === ''"
        (click)="send(machine(), start())"
      >
        Fix
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-form-field {
      display: block;
      margin-bottom: 8px;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class PinDialog {
  protected readonly data = inject<PinData>(MAT_DIALOG_DATA);
  private readonly api = inject(FloorApi);
  private readonly ref = inject<MatDialogRef<PinDialog, Floor>>(MatDialogRef);
  protected readonly timeText = timeText;
  protected readonly machine = signal(this.data.pin ? (this.data.pin.machine ?? '') : (this.data.slot.machine ?? ''));
  protected readonly start = signal(
    this.data.pin
      ? (this.data.pin.start ?? '')
      : wallClock(this.data.origin + this.data.slot.start * MINUTE_MS, this.data.timeZone),
  );
  protected readonly reason = signal(this.data.pin?.reason ?? '');
  protected readonly failed = signal('');

  protected send(machine: string, start: string): void {
    const { job, step } = this.data.slot;
    const reason = this.reason().trim();
    this.api
      .setPin({
        job,
        step,
        ...(machine ? { machine } : {}),
        ...(start ? { start } : {}),
        ...(reason ? { reason } : {}),
      })
      .subscribe({
        next: (floor) => this.ref.close(floor),
        error: (error: unknown) => this.failed.set(failureOf(error).text),
      });
  }
}

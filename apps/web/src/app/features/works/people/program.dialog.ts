import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { MadeToken, Person, RoleOf } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { failureOf } from '../../../platform/problem';
import { dateText } from '../../../ui/format';
import { PeopleApi } from './people.api';

export interface ProgramData {
  /** None where a program is let in. */
  readonly program: Person | undefined;
  readonly roles: readonly RoleOf[];
}

/** How long a token holds, in days. */
const TERMS: readonly (readonly [days: number | null, words: string])[] = [
  [30, 'A month'],
  [90, 'Three months'],
  [365, 'A year'],
  [null, 'Until it is withdrawn'],
];

/** A program that is let in or changed: its name, its role, and its token, which is shown once. */
@Component({
  selector: 'dk-program-dialog',
  imports: [MatButtonModule, MatCheckboxModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.program ? data.program.name : 'Let a program in' }}</h2>
    <mat-dialog-content>
      @if (made(); as token) {
        <p>
          This is the token of {{ name() }}{{ token.until ? ', until ' + day(token.until) : '' }}. Keep it where only
          the program reads it: whoever has it may do what the role may. It is not shown again.
        </p>
        <p class="token">
          <code data-test="token">{{ token.token }}</code>
        </p>
        <p class="quiet">The program sends it with every call: Authorization: Bearer, a space, and the token.</p>
        <button matButton (click)="copy(token)">{{ copied() ? 'Copied' : 'Copy it' }}</button>
      } @else {
        <div class="fields">
          <mat-form-field>
            <mat-label>Name</mat-label>
            <input matInput maxlength="60" [value]="name()" (input)="name.set($any($event.target).value)" />
          </mat-form-field>
          <mat-form-field>
            <mat-label>Role</mat-label>
            <mat-select [value]="role()" (selectionChange)="role.set($event.value)">
              @for (one of data.roles; track one.id) {
                <mat-option [value]="one.id">{{ one.name }}</mat-option>
              }
            </mat-select>
            <mat-hint>Make a role of its own for it, with no more than it needs.</mat-hint>
          </mat-form-field>
          <mat-form-field>
            <mat-label>{{ data.program ? 'A new token holds' : 'Its token holds' }}</mat-label>
            <mat-select [value]="days()" (selectionChange)="days.set($event.value)">
              @for (term of terms; track term[0]) {
                <mat-option [value]="term[0]">{{ term[1] }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        </div>
        @if (data.program; as program) {
          <mat-checkbox [checked]="disabled()" (change)="disabled.set($event.checked)"
            >Disabled: may not come in, whatever its token</mat-checkbox
          >
          <p>
            <button matButton (click)="renew(program)">Make a new token</button>
            <button matButton (click)="withdraw(program)" [disabled]="!program.program?.holds">
              Withdraw the token
            </button>
          </p>
        }
      }
      @if (failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>{{ made() ? 'Close' : 'Cancel' }}</button>
      @if (!made()) {
        <button matButton="filled" (click)="send()" [disabled]="!ready()">
          {{ data.program ? 'Change' : 'Let it in, and make a token' }}
        </button>
      }
    </mat-dialog-actions>
  `,
  styles: `
    .fields {
      display: grid;
      gap: 10px;
      padding-top: 6px;
    }
    .token {
      overflow-wrap: anywhere;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class ProgramDialog {
  protected readonly data = inject<ProgramData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<ProgramDialog>>(MatDialogRef);
  private readonly api = inject(PeopleApi);
  protected readonly day = dateText;
  protected readonly terms = TERMS;
  protected readonly name = signal(this.data.program?.name ?? '');
  protected readonly role = signal(this.data.program?.role ?? 'viewer');
  protected readonly days = signal<number | null>(365);
  protected readonly disabled = signal(this.data.program?.disabled ?? false);
  protected readonly made = signal<MadeToken | undefined>(undefined);
  protected readonly copied = signal(false);
  protected readonly failed = signal('');
  protected readonly ready = computed(() => this.name().trim() !== '');

  private ask<T>(call: Observable<T>, taken: (answer: T) => void): void {
    this.failed.set('');
    call.subscribe({ next: taken, error: (error: unknown) => this.failed.set(failureOf(error).text) });
  }

  protected send(): void {
    const { program } = this.data;
    const [name, role] = [this.name(), this.role()];
    if (program)
      this.ask(this.api.changePerson(program.id, { name, role, disabled: this.disabled() }), () => this.dialog.close());
    else this.ask(this.api.addProgram({ name, role, days: this.days() }), (made) => this.made.set(made));
  }
  protected renew({ id }: Person): void {
    this.ask(this.api.renewToken(id, this.days()), (made) => this.made.set(made));
  }
  protected withdraw({ id }: Person): void {
    this.ask(this.api.withdrawToken(id), () => this.dialog.close());
  }
  protected copy({ token }: MadeToken): void {
    void navigator.clipboard.writeText(token).then(() => this.copied.set(true));
  }
}

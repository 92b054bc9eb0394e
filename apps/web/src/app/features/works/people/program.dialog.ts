import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { MadeToken, Person, RoleOf } from '@druckerei/contract';
import { Asking } from '../../../platform/asking';
import { dateText } from '../../../ui/format';
import { PeopleApi } from './people.api';
import { ToldOnce } from './told-once';
import { WordPipe } from '../../../ui/word';

export interface ProgramData {
  /** None where a program is let in. */
  readonly program: Person | undefined;
  readonly roles: readonly RoleOf[];
}

/** How long a token holds, in days. */
const TERMS: readonly (readonly [days: number | null, words: string])[] = [
  [30, $localize`A month`],
  [90, $localize`Three months`],
  [365, $localize`A year`],
  [null, $localize`Until it is withdrawn`],
];

/** A program that is let in or changed: its name, its role, and its token, which is shown once. */
@Component({
  selector: 'dk-program-dialog',
  imports: [
    MatButtonModule,
    ToldOnce,
    MatCheckboxModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.program ? data.program.name : ('Let a program in' | word) }}</h2>
    <mat-dialog-content>
      @if (made(); as token) {
        <p i18n>
          This is the token of {{ name() }}{{ token.until ? (', until ' | word) + day(token.until) : '' }}. Keep it
          where only the program reads it: whoever has it may do what the role may. It is not shown again.
        </p>
        <dk-told-once kind="token" [text]="token.token" />
        <p i18n class="quiet">The program sends it with every call: Authorization: Bearer, a space, and the token.</p>
      } @else {
        <div class="fields">
          <mat-form-field>
            <mat-label i18n>Name</mat-label>
            <input matInput maxlength="60" [value]="name()" (input)="name.set($any($event.target).value)" />
          </mat-form-field>
          <mat-form-field>
            <mat-label i18n>Role</mat-label>
            <mat-select [value]="role()" (selectionChange)="role.set($event.value)">
              @for (one of data.roles; track one.id) {
                <mat-option [value]="one.id">{{ one.name }}</mat-option>
              }
            </mat-select>
            <mat-hint i18n>Make a role of its own for it, with no more than it needs.</mat-hint>
          </mat-form-field>
          <mat-form-field>
            <mat-label>{{ data.program ? ('A new token holds' | word) : ('Its token holds' | word) }}</mat-label>
            <mat-select [value]="days()" (selectionChange)="days.set($event.value)">
              @for (term of terms; track term[0]) {
                <mat-option [value]="term[0]">{{ term[1] }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        </div>
        @if (data.program; as program) {
          <mat-checkbox i18n [checked]="disabled()" (change)="disabled.set($event.checked)"
            >Disabled: may not come in, whatever its token</mat-checkbox
          >
          <p>
            <button i18n matButton (click)="renew(program)">Make a new token</button>
            <button i18n matButton (click)="withdraw(program)" [disabled]="!program.program?.holds">
              Withdraw the token
            </button>
          </p>
        }
      }
      @if (asking.failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>{{ made() ? ('Close' | word) : ('Cancel' | word) }}</button>
      @if (!made()) {
        <button matButton="filled" (click)="send()" [disabled]="!ready()">
          {{ data.program ? ('Change' | word) : ('Let it in, and make a token' | word) }}
        </button>
      }
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
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
  protected readonly asking = new Asking();
  protected readonly ready = computed(() => this.name().trim() !== '');

  protected send(): void {
    const { program } = this.data;
    const [name, role] = [this.name(), this.role()];
    if (program)
      this.asking.ask(this.api.changePerson(program.id, { name, role, disabled: this.disabled() }), () =>
        this.dialog.close(),
      );
    else this.asking.ask(this.api.addProgram({ name, role, days: this.days() }), (made) => this.made.set(made));
  }
  protected renew({ id }: Person): void {
    this.asking.ask(this.api.renewToken(id, this.days()), (made) => this.made.set(made));
  }
  protected withdraw({ id }: Person): void {
    this.asking.ask(this.api.withdrawToken(id), () => this.dialog.close());
  }
}

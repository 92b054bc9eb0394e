import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { MadeLink, Person, RoleOf, SignIns } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { Asking } from '../../../platform/asking';
import { timeText } from '../../../ui/format';
import { PeopleApi } from './people.api';
import { ToldOnce } from './told-once';
import { WordPipe } from '../../../ui/word';

export interface PersonData {
  /** Nobody where somebody is invited. */
  readonly person: Person | undefined;
  readonly roles: readonly RoleOf[];
}

/** Somebody who is invited or changed: name, role, whether they are let in, a link, their sessions. */
@Component({
  selector: 'dk-person-dialog',
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
    <h2 mat-dialog-title>{{ data.person ? data.person.name : ('Invite somebody' | word) }}</h2>
    <mat-dialog-content>
      @if (link(); as link) {
        <p i18n>
          Give this link to {{ name() }}, by a way that nobody else reads. It lets them choose a password, once, until
          {{ time(link.until) }}; it is not shown again.
        </p>
        <dk-told-once kind="link" [text]="origin + link.path" />
      } @else {
        <div class="fields">
          <mat-form-field>
            <mat-label i18n>Name</mat-label>
            <input matInput maxlength="80" [value]="name()" (input)="name.set($any($event.target).value)" />
          </mat-form-field>
          @if (!data.person) {
            <mat-form-field>
              <mat-label i18n>Name to sign in with</mat-label>
              <input matInput maxlength="80" [value]="login()" (input)="login.set($any($event.target).value)" />
            </mat-form-field>
          }
          <mat-form-field>
            <mat-label i18n>Role</mat-label>
            <mat-select [value]="role()" (selectionChange)="role.set($event.value)">
              @for (one of data.roles; track one.id) {
                <mat-option [value]="one.id">{{ one.name }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        </div>
        @if (data.person; as person) {
          <mat-checkbox i18n [checked]="disabled()" (change)="disabled.set($event.checked)"
            >Disabled: may not sign in, every session ends</mat-checkbox
          >
          <p>
            <button matButton (click)="recover(person)">
              {{ person.invited ? ('Make a new link' | word) : ('Cannot sign in: make a link' | word) }}
            </button>
            <button i18n matButton (click)="endSessions(person)" [disabled]="person.sessions === 0">
              End the sessions
            </button>
            <button i18n matButton (click)="look(person)">Sign-ins</button>
          </p>
          @if (signIns(); as all) {
            <ul>
              @for (one of all; track $index) {
                <li i18n>{{ time(one.at) }}: {{ one.what }}, {{ one.result }}, from {{ one.address }}</li>
              } @empty {
                <li i18n class="quiet">Never signed in.</li>
              }
            </ul>
          }
        }
      }
      @if (said()) {
        <p role="status">{{ said() }}</p>
      }
      @if (asking.failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>{{ link() ? ('Close' | word) : ('Cancel' | word) }}</button>
      @if (!link()) {
        <button matButton="filled" (click)="send()" [disabled]="!ready()">
          {{ data.person ? ('Change' | word) : ('Invite, and make a link' | word) }}
        </button>
      }
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
  styles: `
    ul {
      max-height: 200px;
      margin: 0;
      padding-left: 20px;
      overflow-y: auto;
    }
  `,
})
export class PersonDialog {
  protected readonly data = inject<PersonData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PersonDialog, boolean>>(MatDialogRef);
  private readonly api = inject(PeopleApi);
  protected readonly origin = location.origin;
  protected readonly time = timeText;
  protected readonly name = signal(this.data.person?.name ?? '');
  protected readonly login = signal(this.data.person?.login ?? '');
  protected readonly role = signal(this.data.person?.role ?? 'viewer');
  protected readonly disabled = signal(this.data.person?.disabled ?? false);
  protected readonly link = signal<MadeLink | undefined>(undefined);
  protected readonly signIns = signal<SignIns | undefined>(undefined);
  protected readonly said = signal('');
  protected readonly asking = new Asking();
  protected readonly ready = computed(() => this.name().trim() !== '' && this.login().trim() !== '');

  private ask<T>(call: Observable<T>, taken: (answer: T) => void): void {
    this.said.set('');
    this.asking.ask(call, taken);
  }

  protected send(): void {
    const { person } = this.data;
    const [name, role] = [this.name(), this.role()];
    if (person)
      this.ask(this.api.changePerson(person.id, { name, role, disabled: this.disabled() }), () =>
        this.dialog.close(true),
      );
    else this.ask(this.api.invite({ login: this.login(), name, role }), (link) => this.link.set(link));
  }
  protected recover({ id }: Person): void {
    this.ask(this.api.recover(id), (link) => this.link.set(link));
  }
  protected endSessions({ id }: Person): void {
    this.ask(this.api.endSessions(id), () => this.said.set($localize`Every session has ended.`));
  }
  protected look({ id }: Person): void {
    this.ask(this.api.signIns(id), (all) => this.signIns.set(all));
  }
}

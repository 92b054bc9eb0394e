import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { SessionActions } from '../../platform/session.state';
import { StreamMark } from './stream-mark';

const LEAST_LETTERS = 10;

/** Where a works begins: whoever reads the code in the terminal makes the account of its first manager. */
@Component({
  selector: 'dk-first-page',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule, RouterLink, StreamMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <dk-stream-mark />
      <h1 i18n>The first manager</h1>
      <p i18n class="quiet">
        Nobody has an account in this works yet. The terminal where the server was started shows a code: whoever reads
        it there makes the first account.
      </p>
      <form [formGroup]="form" (ngSubmit)="make()">
        <mat-form-field>
          <mat-label i18n>Code from the terminal</mat-label>
          <input matInput formControlName="code" autocomplete="off" spellcheck="false" cdkFocusInitial />
          <mat-error i18n>As the terminal shows it</mat-error>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Your name</mat-label><input matInput formControlName="name" autocomplete="name" />
          <mat-error i18n>As colleagues read it beside what you change</mat-error>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Name to sign in with</mat-label
          ><input matInput formControlName="login" autocomplete="username" />
          <mat-error i18n>At most 80 letters</mat-error>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Password</mat-label>
          <input matInput formControlName="password" type="password" autocomplete="new-password" />
          <mat-hint i18n>Ten letters or more; a few words that belong together for you alone</mat-hint>
          <mat-error i18n>Ten letters or more</mat-error>
        </mat-form-field>
        @if (failed(); as message) {
          <p class="error" role="alert">{{ message }} <a i18n routerLink="/sign-in">Go to sign in</a></p>
        }
        <button i18n matButton="filled" [disabled]="asking()">Begin</button>
      </form>
    </section>
  `,
  styleUrl: './sign-in.page.scss',
})
export class FirstPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  protected readonly failed = signal('');
  protected readonly asking = signal(false);
  private readonly text = (least = 1): [string, ReturnType<typeof Validators.minLength>[]] => [
    '',
    [Validators.required, Validators.minLength(least)],
  ];
  protected readonly form = inject(FormBuilder).nonNullable.group({
    code: this.text(),
    name: this.text(),
    login: this.text(),
    password: this.text(LEAST_LETTERS),
  });

  protected make(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid || this.asking()) return;
    this.asking.set(true);
    this.failed.set('');
    this.api.makeFirstManager(this.form.getRawValue()).subscribe({
      next: ({ account }) => this.store.dispatch(SessionActions.signedIn({ account, to: '/works' })),
      error: (error: unknown) => {
        this.asking.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { SessionActions } from '../../platform/session.state';
import { StreamMark } from './stream-mark';

/** Where the link of an invitation or a recovery leads: its holder chooses a password, and is in. */
@Component({
  selector: 'dk-welcome-page',
  imports: [
    FormsModule,
    MatButtonModule,
    MatFormFieldModule,
    MatInputModule,
    MatProgressBarModule,
    RouterLink,
    StreamMark,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <dk-stream-mark />
      @if (who(); as who) {
        <h1 i18n>Welcome, {{ who.name }}</h1>
        <p i18n>
          You sign in as <b>{{ who.login }}</b>. Choose a password: ten letters or more, a few words that belong
          together for you alone.
        </p>
        <form (ngSubmit)="choose(password.value)">
          <input type="text" name="login" autocomplete="username" [value]="who.login" hidden />
          <mat-form-field>
            <mat-label i18n>Password</mat-label>
            <input matInput #password name="password" type="password" autocomplete="new-password" cdkFocusInitial />
          </mat-form-field>
          @if (failed(); as message) {
            <p class="error" role="alert">{{ message }}</p>
          }
          <button i18n matButton="filled" [disabled]="asking()">Begin</button>
        </form>
      } @else if (failed(); as message) {
        <h1 i18n>This link leads nowhere</h1>
        <p class="error" role="alert">{{ message }}</p>
        <p><a i18n routerLink="/sign-in">Go to sign in</a></p>
      } @else {
        <mat-progress-bar mode="indeterminate" i18n-aria-label aria-label="Looking whom the link is for" />
      }
    </section>
  `,
  styleUrl: './sign-in.page.scss',
})
export class WelcomePage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly token = location.hash.slice(1);
  protected readonly who = signal<{ login: string; name: string } | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly asking = signal(false);

  constructor() {
    this.api.linkFor(this.token).subscribe({
      next: (who) => this.who.set(who),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected choose(password: string): void {
    if (this.asking()) return;
    this.asking.set(true);
    this.failed.set('');
    this.api.welcome(this.token, password).subscribe({
      next: ({ account }) => this.store.dispatch(SessionActions.signedIn({ account, to: '/jobs' })),
      error: (error: unknown) => {
        this.asking.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  inject,
  input,
  linkedSignal,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../platform/session.state';
import { StreamMark } from './stream-mark';

/** What the server says where it wants a code beside the password. */
const WANTS_CODE = 'The code of your second factor';

@Component({
  selector: 'dk-sign-in-page',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink, StreamMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <dk-stream-mark />
      <h1>Druckerei</h1>
      <p class="quiet">Plans print jobs from order to ticket.</p>
      <form (ngSubmit)="signIn(login.value, password.value, code()?.nativeElement?.value)">
        <mat-form-field
          ><mat-label>Name</mat-label
          ><input matInput #login name="login" autocomplete="username" required cdkFocusInitial
        /></mat-form-field>
        <mat-form-field
          ><mat-label>Password</mat-label
          ><input matInput #password name="password" type="password" autocomplete="current-password" required
        /></mat-form-field>
        @if (wantsCode()) {
          <mat-form-field>
            <mat-label>Code of your second factor</mat-label>
            <input matInput #code name="code" inputmode="numeric" autocomplete="one-time-code" />
            <mat-hint>As your app shows it now, or a recovery code</mat-hint>
          </mat-form-field>
        }
        @if (refused(); as message) {
          <p class="error" role="alert">{{ message }}</p>
        }
        <button matButton="filled" [disabled]="state().kind === 'asking'">Sign in</button>
      </form>
      @if (first()) {
        <p>Nobody has an account in this works yet. <a routerLink="/first">Make the first manager</a></p>
      }
      @if (demo()) {
        <div class="demo">
          <h2>Demo works</h2>
          <p class="quiet">Sign in as</p>
          @for (role of roles; track role.login) {
            <button matButton="outlined" (click)="signIn(role.login, 'weir-and-wheel')">{{ role.name }}</button>
          }
        </div>
      }
    </section>
  `,
  styleUrl: './sign-in.page.scss',
})
export class SignInPage {
  private readonly store = inject(Store);
  /** Where to go after signing in, from the address. */
  readonly to = input<string>();
  protected readonly state = this.store.selectSignal(sessionFeature.selectSignIn);
  protected readonly first = this.store.selectSignal(sessionFeature.selectFirst);
  protected readonly demo = this.store.selectSignal(sessionFeature.selectDemo);
  protected readonly roles = [
    { login: 'manager', name: 'Production manager' },
    { login: 'operator', name: 'Press operator' },
    { login: 'viewer', name: 'Sales desk' },
  ];
  protected readonly refused = computed(() => {
    const state = this.state();
    return state.kind === 'refused' ? state.message : undefined;
  });

  protected readonly code = viewChild<ElementRef<HTMLInputElement>>('code');
  /** Asked for once the password was right; it stays until somebody is in. */
  protected readonly wantsCode = linkedSignal<string | undefined, boolean>({
    source: this.refused,
    computation: (refused, before) => before?.value === true || (refused?.startsWith(WANTS_CODE) ?? false),
  });

  protected signIn(login: string, password: string, code = ''): void {
    const to = this.to();
    this.store.dispatch(
      SessionActions.signIn({
        login,
        password,
        ...(code === '' ? {} : { code }),
        to: to?.startsWith('/') && !to.startsWith('//') ? to : '/desk',
      }),
    );
  }
}

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
const WANTS_CODE = $localize`The code of your second factor`;

@Component({
  selector: 'dk-sign-in-page',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule, RouterLink, StreamMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <dk-stream-mark />
      <h1 i18n>Druckerei</h1>
      <p i18n class="quiet">Plans print jobs from order to ticket.</p>
      <form (ngSubmit)="signIn(login.value, password.value, code()?.nativeElement?.value)">
        <mat-form-field
          ><mat-label i18n>Name</mat-label
          ><input matInput #login name="login" autocomplete="username" required cdkFocusInitial
        /></mat-form-field>
        <mat-form-field
          ><mat-label i18n>Password</mat-label
          ><input matInput #password name="password" type="password" autocomplete="current-password" required
        /></mat-form-field>
        @if (wantsCode()) {
          <mat-form-field>
            <mat-label i18n>Code of your second factor</mat-label>
            <input matInput #code name="code" inputmode="numeric" autocomplete="one-time-code" />
            <mat-hint i18n>As your app shows it now, or a recovery code</mat-hint>
          </mat-form-field>
        }
        @if (refused(); as message) {
          <p class="error" role="alert">{{ message }}</p>
        }
        <button i18n matButton="filled" [disabled]="state().kind === 'asking'">Sign in</button>
      </form>
      @if (first()) {
        <p i18n>Nobody has an account in this works yet. <a routerLink="/first">Make the first manager</a></p>
      }
      @if (demo()) {
        <div class="demo">
          <h2 i18n>Demo works</h2>
          <p i18n class="quiet">Sign in as</p>
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
    { login: 'manager', name: $localize`Production manager` },
    { login: 'operator', name: $localize`Press operator` },
    { login: 'viewer', name: $localize`Sales desk` },
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

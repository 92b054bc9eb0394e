import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Store } from '@ngrx/store';
import { SessionActions, sessionFeature } from '../../platform/session.state';

@Component({
  selector: 'dk-sign-in-page',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <svg viewBox="0 0 600 120" aria-hidden="true" preserveAspectRatio="none">
        <path
          d="M0 18 C180 18 220 40 330 46 S480 52 600 52 V70 C480 70 430 72 330 78 S180 102 0 102Z"
          fill="var(--dk-stream)"
        />
        <path
          d="M0 46 C160 46 220 56 330 59 S480 60 600 60 V62 C480 62 430 62 330 64 S160 74 0 74Z"
          fill="var(--dk-station)"
        />
      </svg>
      <h1>Druckerei</h1>
      <p class="quiet">Plans print jobs from order to ticket.</p>
      <form (ngSubmit)="signIn(login.value, password.value)">
        <mat-form-field
          ><mat-label>Name</mat-label
          ><input matInput #login name="login" autocomplete="username" required cdkFocusInitial
        /></mat-form-field>
        <mat-form-field
          ><mat-label>Password</mat-label
          ><input matInput #password name="password" type="password" autocomplete="current-password" required
        /></mat-form-field>
        @if (refused(); as message) {
          <p class="error" role="alert">{{ message }}</p>
        }
        <button matButton="filled" [disabled]="state().kind === 'asking'">Sign in</button>
      </form>
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
  styles: `
    :host {
      display: grid;
      place-items: center;
      flex: 1;
      padding: 24px;
    }
    section {
      width: min(420px, 100%);
      padding: 0 32px 28px;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 8px;
      overflow: hidden;
    }
    svg {
      display: block;
      height: 96px;
      width: calc(100% + 64px);
      margin: 0 -32px 16px;
    }
    h1 {
      font-size: 26px;
    }
    p {
      margin: 4px 0 16px;
    }
    form {
      display: flex;
      flex-direction: column;
      gap: 14px;
    }
    .error {
      color: var(--mat-sys-error);
      margin: 0;
    }
    .demo {
      margin-top: 24px;
      padding-top: 16px;
      border-top: 1px solid var(--mat-sys-outline-variant);
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .demo h2,
    .demo p {
      flex-basis: 100%;
      margin: 0;
    }
  `,
})
export class SignInPage {
  private readonly store = inject(Store);
  /** Where to go after signing in, from the address. */
  readonly to = input<string>();
  protected readonly state = this.store.selectSignal(sessionFeature.selectSignIn);
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

  protected signIn(login: string, password: string): void {
    const to = this.to();
    this.store.dispatch(
      SessionActions.signIn({ login, password, to: to?.startsWith('/') && !to.startsWith('//') ? to : '/jobs' }),
    );
  }
}

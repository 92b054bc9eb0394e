import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { DomSanitizer } from '@angular/platform-browser';
import type { NewFactor } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { SessionActions, needsFactor, sessionFeature } from '../../platform/session.state';

/** What somebody may do with their own account: another password, a second factor, an end to sessions elsewhere. */
@Component({
  selector: 'dk-account-page',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './account.page.html',
  styleUrl: './account.page.scss',
})
export class AccountPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly sanitizer = inject(DomSanitizer);
  protected readonly account = this.store.selectSignal(sessionFeature.selectAccount);
  protected readonly needs = needsFactor;
  protected readonly said = signal('');
  protected readonly failed = signal('');
  protected readonly factor = signal<NewFactor | undefined>(undefined);
  /** Code of the factor that stands, while another is taken up. */
  protected readonly old = signal('');
  protected readonly codes = signal<readonly string[]>([]);
  /** The drawing comes from our own server, out of the secret alone. */
  protected readonly drawing = computed(() =>
    this.sanitizer.bypassSecurityTrustUrl(`data:image/svg+xml;base64,${btoa(this.factor()?.drawing ?? '')}`),
  );
  protected readonly grouped = computed(
    () =>
      this.factor()
        ?.secret.match(/.{1,4}/g)
        ?.join(' ') ?? '',
  );

  private send<T>(call: Observable<T>, taken: (answer: T) => void): void {
    this.said.set('');
    this.failed.set('');
    call.subscribe({ next: taken, error: (error: unknown) => this.failed.set(failureOf(error).text) });
  }

  protected password(form: { reset(): void }, now: string, next: string): void {
    this.send(this.api.ownPassword(now, next), () => {
      form.reset();
      this.said.set($localize`Your password is changed. Every other session of yours has ended.`);
    });
  }
  protected endOthers(): void {
    this.send(this.api.endOtherSessions(), () => this.said.set($localize`Every other session of yours has ended.`));
  }
  protected begin(): void {
    this.old.set('');
    this.send(this.api.newFactor(), (factor) => this.factor.set(factor));
  }
  protected takeUp(code: string): void {
    const factor = this.factor();
    if (!factor) return;
    this.send(this.api.setFactor(factor.secret, code, this.old().trim()), (codes) => {
      this.factor.set(undefined);
      this.codes.set(codes);
      this.renew();
    });
  }
  protected drop(old: string): void {
    this.send(this.api.dropFactor(old.trim()), () => {
      this.said.set($localize`You sign in by your password alone.`);
      this.renew();
    });
  }
  private renew(): void {
    this.api.session().subscribe((found) => this.store.dispatch(SessionActions.found(found)));
  }
}

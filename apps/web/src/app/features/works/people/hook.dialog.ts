import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type Hook, type HookEvent, HOOK_EVENTS, HOOK_EVENT_IDS } from '@druckerei/contract';
import { Asking } from '../../../platform/asking';
import { HooksApi } from './hooks.api';
import { ToldOnce } from './told-once';
import { WordPipe } from '../../../ui/word';

/** An address that is told something, or is changed: its name, what it is told, and its secret, which is shown once. */
@Component({
  selector: 'dk-hook-dialog',
  imports: [
    MatButtonModule,
    ToldOnce,
    MatCheckboxModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ hook ? hook.name : ('Tell an address' | word) }}</h2>
    <mat-dialog-content>
      @if (secret(); as made) {
        <p i18n>
          This is what messages to {{ name() }} are signed with. Give it to whoever checks them there; it is not shown
          again.
        </p>
        <dk-told-once kind="secret" [text]="made" />
        <p i18n class="quiet">
          Each message has webhook-id, webhook-timestamp and webhook-signature in its head: HMAC-SHA-256 over id, time
          and body, as the open standard of webhooks has it.
        </p>
      } @else {
        <div class="fields">
          <mat-form-field>
            <mat-label i18n>Name</mat-label>
            <input matInput maxlength="60" [value]="name()" (input)="name.set($any($event.target).value)" />
          </mat-form-field>
          <mat-form-field>
            <mat-label i18n>Address</mat-label>
            <input
              matInput
              type="url"
              maxlength="500"
              placeholder="https://"
              [value]="url()"
              [attr.aria-invalid]="asking.failedAt('url') ? true : null"
              (input)="url.set($any($event.target).value)"
            />
            @if (asking.failedAt('url'); as wrong) {
              <mat-hint class="wrong" role="alert">{{ wrong }}</mat-hint>
            } @else {
              <mat-hint i18n>Over https where the way leads out of the house.</mat-hint>
            }
          </mat-form-field>
          <div role="group" i18n-aria-label aria-label="What it is told">
            @for (event of eventIds; track event) {
              <mat-checkbox [checked]="events().includes(event)" (change)="tick(event, $event.checked)">{{
                words[event]
              }}</mat-checkbox>
            }
          </div>
          @if (hook) {
            <mat-checkbox i18n [checked]="paused()" (change)="paused.set($event.checked)"
              >Paused: what happens now it is never told</mat-checkbox
            >
          }
        </div>
        @if (hook; as one) {
          <p>
            <button i18n matButton (click)="renew(one)">Make a new secret</button>
            <button i18n matButton (click)="drop(one)">Take the address away</button>
          </p>
        }
      }
      @if (!asking.failedAt('url') && asking.failed()) {
        <p role="alert">{{ asking.failed() }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>{{ secret() ? ('Close' | word) : ('Cancel' | word) }}</button>
      @if (!secret()) {
        <button matButton="filled" (click)="send()" [disabled]="!ready()">
          {{ hook ? ('Change' | word) : ('Tell it, and make a secret' | word) }}
        </button>
      }
    </mat-dialog-actions>
  `,
  styleUrl: './dialog.scss',
  styles: `
    [role='group'] {
      display: grid;
      grid-template-columns: 1fr 1fr;
    }
  `,
})
export class HookDialog {
  /** None where an address is added. */
  protected readonly hook = inject<Hook | undefined>(MAT_DIALOG_DATA, { optional: true }) ?? undefined;
  private readonly dialog = inject<MatDialogRef<HookDialog>>(MatDialogRef);
  private readonly api = inject(HooksApi);
  protected readonly eventIds = HOOK_EVENT_IDS;
  protected readonly words = HOOK_EVENTS;
  protected readonly name = signal(this.hook?.name ?? '');
  protected readonly url = signal(this.hook?.url ?? '');
  protected readonly events = signal<readonly HookEvent[]>(this.hook?.events ?? HOOK_EVENT_IDS);
  protected readonly paused = signal(this.hook?.paused ?? false);
  protected readonly secret = signal('');
  protected readonly asking = new Asking();
  protected readonly ready = computed(
    () => this.name().trim() !== '' && this.url().trim() !== '' && this.events().length > 0,
  );

  protected tick(event: HookEvent, on: boolean): void {
    this.events.update((events) => this.eventIds.filter((one) => (one === event ? on : events.includes(one))));
  }

  protected send(): void {
    const told = { name: this.name(), url: this.url().trim(), events: [...this.events()], paused: this.paused() };
    if (this.hook) this.asking.ask(this.api.change(this.hook.id, told), () => this.dialog.close());
    else this.asking.ask(this.api.add(told), ({ secret }) => this.secret.set(secret));
  }
  protected renew({ id }: Hook): void {
    this.asking.ask(this.api.renewSecret(id), ({ secret }) => this.secret.set(secret));
  }
  protected drop({ id }: Hook): void {
    this.asking.ask(this.api.drop(id), () => this.dialog.close());
  }
}

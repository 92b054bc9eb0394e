import { ChangeDetectionStrategy, Component, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { type Hook, type HookMessage, HOOK_EVENTS } from '@druckerei/contract';
import { type Observable, switchMap, timer } from 'rxjs';
import { failureOf } from '../../../platform/problem';
import { timeText } from '../../../ui/format';
import { HooksApi } from './hooks.api';
import { WordPipe } from '../../../ui/word';

/** Milliseconds between two looks at what has arrived. */
const LOOK_MS = 2_000;

/** The latest messages to an address, how they ended, and one to try it out. */
@Component({
  selector: 'dk-hook-messages-dialog',
  imports: [MatButtonModule, MatDialogModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Messages to {{ hook.name }}</h2>
    <mat-dialog-content>
      @if (failed(); as message) {
        <p role="alert">{{ message }}</p>
      }
      @if (messages(); as all) {
        @if (all.length > 0) {
          <table>
            <thead>
              <tr>
                <th i18n scope="col">Made</th>
                <th i18n scope="col">Says</th>
                <th i18n scope="col">State</th>
                <th i18n scope="col">Tries</th>
                <th i18n scope="col">Last try</th>
                <th scope="col"><span i18n class="cdk-visually-hidden">Again</span></th>
              </tr>
            </thead>
            <tbody>
              @for (message of all; track message.id) {
                <tr>
                  <td>{{ time(message.at) }}</td>
                  <td>{{ says(message) }}</td>
                  <td>{{ message.state }}</td>
                  <td class="number">{{ message.tries }}</td>
                  <td>{{ message.outcome | word }}</td>
                  <td>
                    @if (message.state === 'given up') {
                      <button i18n matButton (click)="again(message)">Send again</button>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
        } @else {
          <p i18n>Nothing was told yet.</p>
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton (click)="tryOut()">Try it out</button>
      <button i18n matButton="filled" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      padding: 4px 12px 4px 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    .number {
      text-align: right;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class HookMessagesDialog {
  protected readonly hook = inject<Hook>(MAT_DIALOG_DATA);
  private readonly api = inject(HooksApi);
  private readonly destroyed = inject(DestroyRef);
  protected readonly time = timeText;
  protected readonly messages = signal<readonly HookMessage[] | undefined>(undefined);
  protected readonly failed = signal('');

  constructor() {
    this.show(timer(0, LOOK_MS).pipe(switchMap(() => this.api.messages(this.hook.id))));
  }

  private show(asked: Observable<HookMessage[]>): void {
    asked.pipe(takeUntilDestroyed(this.destroyed)).subscribe({
      next: (messages) => this.messages.set(messages),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected readonly says = ({ event }: HookMessage): string =>
    (HOOK_EVENTS as Readonly<Record<string, string>>)[event] ?? $localize`Nothing, to try it out`;
  protected tryOut(): void {
    this.show(this.api.tryOut(this.hook.id));
  }
  protected again({ id }: HookMessage): void {
    this.show(this.api.sendAgain(this.hook.id, id));
  }
}

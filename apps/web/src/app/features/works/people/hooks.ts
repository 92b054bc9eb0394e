import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import type { Hook } from '@druckerei/contract';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';
import { many, timeText } from '../../../ui/format';
import { HooksApi } from './hooks.api';
import { HookDialog } from './hook.dialog';
import { HookMessagesDialog } from './hook-messages.dialog';
import { WordPipe } from '../../../ui/word';

/** Addresses of other programs that are told what happens, and how that goes. */
@Component({
  selector: 'dk-hooks',
  imports: [MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head roles">
      <h2 i18n>Told to other programs</h2>
      <span class="gap"></span>
      <button matButton (click)="open()">
        <mat-icon>add</mat-icon><ng-container i18n>Tell an address</ng-container>
      </button>
    </div>
    @if (failed(); as message) {
      <p role="alert">{{ message }} <button i18n matButton (click)="load()">Look again</button></p>
    }
    @if (hooks().length > 0) {
      <table>
        <thead>
          <tr>
            <th i18n scope="col">Name</th>
            <th i18n scope="col">Address</th>
            <th i18n scope="col">Is told</th>
            <th i18n scope="col">Last message</th>
            <th scope="col"><span i18n class="cdk-visually-hidden">Look and change</span></th>
          </tr>
        </thead>
        <tbody>
          @for (hook of hooks(); track hook.id) {
            <tr [class.retired]="hook.paused">
              <th scope="row">{{ hook.name }}</th>
              <td class="address">{{ hook.url }}</td>
              <td>{{ toldOf(hook) }}</td>
              <td [class.wrong]="isWrong(hook)">{{ lastOf(hook) }}</td>
              <td class="does">
                <button i18n matButton (click)="look(hook)" [attr.aria-label]="'Messages to {0}' | word: hook.name">
                  Messages
                </button>
                <button matIconButton (click)="open(hook)" [attr.aria-label]="'Change {0}' | word: hook.name">
                  <mat-icon>edit</mat-icon>
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
    <p i18n class="quiet">
      An address is told when a job is released, counted, done or late: a message each, signed, and tried again for a
      day where it does not arrive. No message says what something costs.
    </p>
  `,
  styleUrl: '../../../ui/list-page.scss',
  styles: `
    :host {
      display: block;
      padding: 0;
    }
    .address {
      overflow-wrap: anywhere;
    }
    .does {
      white-space: nowrap;
    }
    .does > * {
      vertical-align: middle;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class Hooks {
  private readonly api = inject(HooksApi);
  private readonly dialog = inject(MatDialog);
  protected readonly hooks = signal<readonly Hook[]>([]);
  protected readonly failed = signal('');

  constructor() {
    this.load();
    whenChanged(['people'], () => this.load());
  }

  protected load(): void {
    this.failed.set('');
    this.api.all().subscribe({
      next: (hooks) => this.hooks.set(hooks),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  /** Their ids end with it: released, counted. */
  protected readonly toldOf = ({ events }: Hook): string => events.map((event) => event.split('.')[1]).join(', ');
  protected readonly isWrong = ({ last }: Hook): boolean => last !== null && last.state !== 'delivered';

  protected lastOf({ paused, last, waiting }: Hook): string {
    const wait = waiting > 0 ? [$localize`${many(waiting, 'message', 'messages')} waiting`] : [];
    const went = last
      ? [`${last.state === 'given up' ? $localize`given up, ` : ''}${last.outcome}, ${timeText(last.at)}`]
      : [];
    const words = [...(paused ? ['paused'] : []), ...went, ...wait];
    return words.length > 0 ? words.join('; ') : $localize`none yet`;
  }

  protected open(hook?: Hook): void {
    this.dialog
      .open(HookDialog, { data: hook, width: '480px' })
      .afterClosed()
      .subscribe(() => this.load());
  }
  protected look(hook: Hook): void {
    this.dialog
      .open(HookMessagesDialog, { data: hook, width: '760px', maxWidth: '95vw' })
      .afterClosed()
      .subscribe(() => this.load());
  }
}

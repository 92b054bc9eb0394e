import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import type { FloorFeed } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { failureOf } from '../../platform/problem';
import { timeText } from '../../ui/format';
import { FloorApi } from './floor.api';
import { WordPipe } from '../../ui/word';

/** The address under which a calendar reads the schedule in force: made, shown once, ended. */
@Component({
  selector: 'dk-feed-dialog',
  imports: [MatButtonModule, MatDialogModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>The floor as a calendar</h2>
    <mat-dialog-content>
      <p i18n>
        A calendar that takes addresses shows when each station of the schedule in force runs, and follows every new
        one. Whoever has the address can read it without signing in: give it to nobody else.
      </p>
      @if (address(); as text) {
        <label class="address">
          <ng-container i18n>Your address; it is shown this once </ng-container
          ><input readonly [value]="text" (focus)="copy.select()" #copy />
        </label>
      } @else if (feed(); as one) {
        <p data-test="feed">
          {{
            one.madeAt === null
              ? ('You have no address.' | word)
              : ('Your address was made ' | word) + timeText(one.madeAt) + '.'
          }}
        </p>
      }
      @if (failed()) {
        <p role="alert" class="failed">{{ failed() }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      @if (feed()?.madeAt) {
        <button i18n matButton (click)="end()">End it</button>
      }
      <button matButton (click)="make()">
        {{ feed()?.madeAt ? ('Make another' | word) : ('Make an address' | word) }}
      </button>
      <button i18n matButton="filled" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    .address {
      display: block;
    }
    input {
      box-sizing: border-box;
      width: 100%;
      margin-top: 4px;
      padding: 8px;
      font: inherit;
      color: inherit;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
    }
    .failed {
      color: var(--mat-sys-error);
    }
  `,
})
export class FeedDialog {
  private readonly api = inject(FloorApi);
  protected readonly feed = signal<FloorFeed | undefined>(undefined);
  protected readonly address = signal('');
  protected readonly failed = signal('');
  protected readonly timeText = timeText;

  constructor() {
    this.ask(this.api.feed(), (feed) => {
      this.feed.set(feed);
    });
  }
  protected make(): void {
    this.ask(this.api.makeFeed(), ({ path, madeAt }) => {
      this.feed.set({ madeAt });
      this.address.set(new URL(path, location.origin).href);
    });
  }
  protected end(): void {
    this.ask(this.api.dropFeed(), (feed) => {
      this.feed.set(feed);
      this.address.set('');
    });
  }
  private ask<T>(call: Observable<T>, took: (value: T) => void): void {
    this.failed.set('');
    call.subscribe({
      next: took,
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterLink } from '@angular/router';
import type { BookCheck } from '@druckerei/contract';
import { firstValueFrom } from 'rxjs';
import { BookApi } from '../../platform/book-api';
import { failureOf } from '../../platform/problem';
import { count, many, timeText } from '../../ui/format';
import { WordPipe } from '../../ui/word';

const FAULTS: Readonly<Record<BookCheck['faults'][number]['fault'], string>> = {
  link: $localize`does not follow the entry before it: one was taken out, put in or moved`,
  hash: $localize`was changed: its text is not what was hashed`,
  text: $localize`says something else than its text`,
};

/** Whether the chain of the book holds, and whether a hash on paper stands in it. */
@Component({
  selector: 'dk-check-page',
  imports: [MatButtonModule, MatIconModule, MatProgressBarModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p><a i18n routerLink="/book">Stations</a></p>
    <h1 i18n>The chain of the book</h1>
    <p i18n>
      Every entry of the floor carries the hash of the one before it. An entry that was changed, moved or taken out
      breaks the chain here; what was cut off at its end does not show in it: look for the last hash of a certificate or
      a printed page, which has to be found.
    </p>
    @if (failed(); as why) {
      <p class="wrong" role="alert">{{ why }}</p>
    }
    @if (busy()) {
      <mat-progress-bar mode="indeterminate" i18n-aria-label aria-label="Walking the chain" />
    }
    @if (checked(); as book) {
      @if (book.faults.length === 0) {
        <p class="state" data-test="chain">
          <mat-icon aria-hidden="true">link</mat-icon
          ><ng-container i18n
            >The chain holds: {{ many(book.entries, 'entry', 'entries') }}, walked in
            {{ count(book.milliseconds) }} ms.</ng-container
          >
        </p>
      } @else {
        <p class="state wrong" role="alert" data-test="chain">
          <mat-icon aria-hidden="true">link_off</mat-icon
          ><ng-container i18n
            >The chain is broken. Keep a copy of the database, and ask whoever looks after it who may write to
            it.</ng-container
          >
        </p>
        <ul>
          @for (fault of book.faults; track fault.id) {
            <li i18n>Entry {{ fault.id }} {{ faults[fault.fault] }}.</li>
          }
        </ul>
      }
      @if (book.head; as head) {
        <p i18n>
          Last entry {{ head.id }}, hash <code>{{ head.sha256 }}</code>
        </p>
      }
      @if (book.asked; as asked) {
        <p class="state" role="status" data-test="asked">
          @if (asked.entry; as entry) {
            <mat-icon aria-hidden="true">check_circle</mat-icon
            ><ng-container i18n>This hash is that of entry {{ entry.id }}, entered {{ time(entry.at) }}. </ng-container>
          } @else {
            <mat-icon aria-hidden="true">block</mat-icon
            ><ng-container i18n
              >No entry has this hash: the book was cut off or made anew since it was printed, or the hash was not
              copied whole.
            </ng-container>
          }
        </p>
      }
    }
    <form (submit)="look($event, hash.value)">
      <label
        ><span i18n>Hash on paper</span
        ><input #hash (input)="typed.set(hash.value)" maxlength="80" spellcheck="false" autocomplete="off"
      /></label>
      <button matButton="filled" [disabled]="busy()">
        {{ typed().trim() === '' ? ('Walk the chain again' | word) : ('Look for it' | word) }}
      </button>
    </form>
  `,
  styles: `
    :host {
      display: block;
      box-sizing: border-box;
      width: 100%;
      max-width: 900px;
      margin: 0 auto;
      padding: 12px 20px 40px;
    }
    h1 {
      font-size: 22px;
      margin: 0;
    }
    .state {
      display: flex;
      align-items: center;
      gap: 10px;
      font-size: 17px;
      font-weight: 650;
    }
    a {
      color: var(--mat-sys-primary);
    }
    mat-icon {
      flex: none;
      font-size: 24px;
      width: 24px;
      height: 24px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
    code {
      overflow-wrap: anywhere;
    }
    form {
      display: flex;
      align-items: end;
      gap: 10px;
      margin-top: 16px;
    }
    label {
      display: flex;
      flex-direction: column;
      flex: 1;
    }
    input {
      font: inherit;
      height: 40px;
      padding: 0 10px;
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
      background: var(--mat-sys-surface-container-lowest);
      color: inherit;
    }
    button {
      height: 40px;
    }
  `,
})
export class CheckPage {
  private readonly api = inject(BookApi);
  protected readonly checked = signal<BookCheck | undefined>(undefined);
  protected readonly failed = signal('');
  protected readonly busy = signal(false);
  protected readonly typed = signal('');
  protected readonly faults = FAULTS;
  protected readonly count = count;
  protected readonly many = many;
  protected readonly time = timeText;

  constructor() {
    void this.walk();
  }

  protected look(event: Event, text: string): void {
    event.preventDefault();
    const hash = text.replace(/\s/g, '').toLowerCase();
    if (hash !== '' && !/^[0-9a-f]{64}$/.test(hash))
      this.failed.set($localize`A hash has 64 digits and letters a to f; spaces between them do not matter.`);
    else void this.walk(hash === '' ? undefined : hash);
  }

  private async walk(hash?: string): Promise<void> {
    this.busy.set(true);
    this.failed.set('');
    try {
      this.checked.set(await firstValueFrom(this.api.check(hash)));
    } catch (error) {
      this.failed.set(failureOf(error).text);
    }
    this.busy.set(false);
  }
}

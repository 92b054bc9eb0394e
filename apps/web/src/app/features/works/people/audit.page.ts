import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import type { AuditRecord } from '@druckerei/contract';
import { type Subscription } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { count, timeText } from '../../../ui/format';

/** What was written by whom, newest first; searched, and given as a table. */
@Component({
  selector: 'dk-audit-page',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <a routerLink="/works/people">People</a>
      <h1>What was done</h1>
      <mat-form-field>
        <mat-label>Search who, what, of which</mat-label>
        <input matInput #search type="search" maxlength="100" (input)="find(search.value)" />
      </mat-form-field>
      <span class="gap"></span>
      <a matButton [href]="table()" download><mat-icon>download</mat-icon>As a table</a>
    </div>
    @if (failed(); as message) {
      <p role="alert">{{ message }} <button matButton (click)="find(words())">Look again</button></p>
    }
    <table>
      <thead>
        <tr>
          <th scope="col">When</th>
          <th scope="col">Who</th>
          <th scope="col">What</th>
          <th scope="col">Of which</th>
        </tr>
      </thead>
      <tbody>
        @for (line of lines(); track $index) {
          <tr>
            <td class="when">{{ time(line.at) }}</td>
            <th scope="row">{{ line.by }}</th>
            <td>{{ line.what }}</td>
            <td>{{ line.subject }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="empty">{{ words() ? 'No line holds these words.' : 'Nothing was written yet.' }}</td>
          </tr>
        }
      </tbody>
    </table>
    @if (total() > lines().length) {
      <p class="more">
        {{ count(lines().length) }} of {{ count(total()) }} lines.
        <button matButton (click)="more()">Show more</button>
      </p>
    }
  `,
  styleUrl: '../../../ui/list-page.scss',
})
export class AuditPage {
  private readonly api = inject(Api);
  protected readonly time = timeText;
  protected readonly count = count;
  protected readonly words = signal('');
  protected readonly lines = signal<readonly AuditRecord[]>([]);
  protected readonly total = signal(0);
  protected readonly failed = signal('');
  protected readonly table = computed(() => `/api/audit.csv?search=${encodeURIComponent(this.words())}`);
  private asking: Subscription | undefined;

  constructor() {
    this.find('');
  }

  protected find(words: string): void {
    this.words.set(words);
    this.lines.set([]);
    this.more();
  }
  protected more(): void {
    this.failed.set('');
    this.asking?.unsubscribe();
    this.asking = this.api.audit({ search: this.words(), offset: this.lines().length }).subscribe({
      next: ({ rows, total }) => {
        this.lines.update((before) => [...before, ...rows]);
        this.total.set(total);
      },
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}

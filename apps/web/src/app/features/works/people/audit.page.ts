import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import type { AuditRecord } from '@druckerei/contract';
import { SearchedList } from '../../../platform/searched-list';
import { count, timeText } from '../../../ui/format';
import { PeopleApi } from './people.api';

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
        <input matInput #search type="search" maxlength="100" (input)="list.find(search.value)" />
      </mat-form-field>
      <span class="gap"></span>
      <a matButton [href]="table()" download><mat-icon>download</mat-icon>As a table</a>
    </div>
    @if (list.failed(); as message) {
      <p role="alert">{{ message }} <button matButton (click)="list.again()">Look again</button></p>
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
        @for (line of list.rows(); track $index) {
          <tr>
            <td class="when">{{ time(line.at) }}</td>
            <th scope="row">{{ line.by }}</th>
            <td>{{ line.what }}</td>
            <td>{{ line.subject }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="empty">
              {{ list.search() ? 'No line holds these words.' : 'Nothing was written yet.' }}
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (list.total() > list.rows().length) {
      <p class="more">
        {{ count(list.rows().length) }} of {{ count(list.total()) }} lines.
        <button matButton (click)="list.more()">Show more</button>
      </p>
    }
  `,
  styleUrl: '../../../ui/list-page.scss',
})
export class AuditPage {
  private readonly api = inject(PeopleApi);
  protected readonly time = timeText;
  protected readonly count = count;
  protected readonly list = new SearchedList<AuditRecord>(({ skip, ...asked }) =>
    this.api.audit({ ...asked, offset: skip }),
  );
  protected readonly table = computed(() => `/api/audit.csv?search=${encodeURIComponent(this.list.search())}`);
}

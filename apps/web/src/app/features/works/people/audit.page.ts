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
import { WordPipe } from '../../../ui/word';

/** What was written by whom, newest first; searched, and given as a table. */
@Component({
  selector: 'dk-audit-page',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="head">
      <a i18n routerLink="/works/people">People</a>
      <h1 i18n>What was done</h1>
      <mat-form-field>
        <mat-label i18n>Search who, what, of which</mat-label>
        <input matInput #search type="search" maxlength="100" (input)="list.find(search.value)" />
      </mat-form-field>
      <span class="gap"></span>
      <a matButton [href]="table()" download
        ><mat-icon>download</mat-icon><ng-container i18n>As a table</ng-container></a
      >
    </div>
    @if (list.failed(); as message) {
      <p role="alert">{{ message }} <button i18n matButton (click)="list.again()">Look again</button></p>
    }
    <table>
      <thead>
        <tr>
          <th i18n scope="col">When</th>
          <th i18n scope="col">Who</th>
          <th i18n scope="col">What</th>
          <th i18n scope="col">Of which</th>
        </tr>
      </thead>
      <tbody>
        @for (line of list.rows(); track $index) {
          <tr>
            <td class="when">{{ time(line.at) }}</td>
            <th scope="row">{{ line.by }}</th>
            <td>{{ line.what | word }}</td>
            <td>{{ line.subject }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="empty">
              {{ list.search() ? ('No line holds these words.' | word) : ('Nothing was written yet.' | word) }}
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (list.total() > list.rows().length) {
      <p class="more">
        <ng-container i18n>{{ count(list.rows().length) }} of {{ count(list.total()) }} lines. </ng-container
        ><button i18n matButton (click)="list.more()">Show more</button>
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

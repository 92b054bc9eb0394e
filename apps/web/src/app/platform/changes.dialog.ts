import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import type { Change, ChangeKind } from '@druckerei/contract';
import { catchError, map, of } from 'rxjs';
import { Api } from './api';
import { failureOf } from './problem';
import { timeText } from '../ui/format';

export interface ChangesData {
  readonly title: string;
  readonly kind: ChangeKind;
  /** What was changed, in words. */
  readonly subject: (subject: string) => string;
  /** A value in words; of nothing where it was not there. */
  readonly value: (value: Change['before']) => string;
}

/** How things of a kind changed: what, from what to what, by whom, when; newest first. */
@Component({
  selector: 'dk-changes-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.title }}</h2>
    <mat-dialog-content>
      @if (found(); as found) {
        @if (found.failed) {
          <p role="alert">{{ found.failed }}</p>
        }
        <ul data-test="changes">
          @for (change of found.changes; track $index) {
            <li i18n>
              {{ data.subject(change.subject) }}: {{ data.value(change.before) }} to {{ data.value(change.after) }}
              <span class="quiet">{{ change.by }}, {{ time(change.at) }}</span>
            </li>
          } @empty {
            @if (!found.failed) {
              <li i18n class="quiet">Nothing has changed yet.</li>
            }
          }
        </ul>
      } @else {
        <p i18n class="quiet">Looking…</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button i18n matButton mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    ul {
      margin: 0;
      padding-left: 20px;
    }
    li {
      padding: 3px 0;
    }
  `,
})
export class ChangesDialog {
  protected readonly data = inject<ChangesData>(MAT_DIALOG_DATA);
  protected readonly time = timeText;
  protected readonly found = toSignal(
    inject(Api)
      .changes(this.data.kind)
      .pipe(
        map((changes) => ({ changes, failed: '' })),
        catchError((error: unknown) => of({ changes: [], failed: failureOf(error).text })),
      ),
  );
}

import type { ItemKind } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { catchError, map, of } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { timeText } from '../../ui/format';

export interface ItemHistoryData {
  readonly title: string;
  readonly kind: ItemKind;
  readonly subject: string;
  /** Fields in which two states of it differ, in words. */
  readonly differences: (before: unknown, after: unknown) => { what: string; now: string; yours: string }[];
}

/** How one machine or paper came to be as it is: every version with who made it, newest first. */
@Component({
  selector: 'dk-item-history',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.title }}</h2>
    <mat-dialog-content>
      @if (found(); as found) {
        @if (found.failed) {
          <p role="alert">{{ found.failed }}</p>
        }
        @for (version of found.versions; track $index) {
          <section>
            <b>{{ version.by }},</b> <span class="quiet">{{ time(version.at) }}</span>
            @if (version.before === null) {
              <p i18n>Entered.</p>
            } @else {
              <ul>
                @for (one of version.differing; track one.what) {
                  <li i18n>{{ one.what }}: {{ one.now }} to {{ one.yours }}</li>
                }
              </ul>
            }
          </section>
        } @empty {
          @if (!found.failed) {
            <p i18n class="quiet">It is as it was entered with the works.</p>
          }
        }
      } @else {
        <p i18n class="quiet">Looking…</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button i18n matButton mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    .quiet {
      margin-left: 6px;
    }
    ul,
    p {
      margin: 2px 0 10px;
    }
  `,
})
export class ItemHistoryDialog {
  protected readonly data = inject<ItemHistoryData>(MAT_DIALOG_DATA);
  protected readonly time = timeText;
  protected readonly found = toSignal(
    inject(Api)
      .itemVersions(this.data.kind, this.data.subject)
      .pipe(
        map((versions) => ({
          failed: '',
          versions: versions.map((one) => ({ ...one, differing: this.data.differences(one.before, one.after) })),
        })),
        catchError((error: unknown) => of({ versions: [], failed: failureOf(error).text })),
      ),
  );
}

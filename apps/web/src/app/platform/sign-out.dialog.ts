import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { WordPipe } from '../ui/word';

/** What the server does not have yet of whoever signs out. */
export interface Unsent {
  /** Numbers of jobs that were typed into. */
  readonly jobs: readonly string[];
  /** Entries of the press room and of stations. */
  readonly entries: number;
}

/** Says what is not sent yet before somebody signs out: it stays on this computer, under their name. */
@Component({
  selector: 'dk-sign-out-dialog',
  imports: [MatButtonModule, MatDialogModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Not everything is sent yet</h2>
    <mat-dialog-content>
      <ul data-test="unsent">
        @if (unsent.jobs.length > 0) {
          <li i18n>Changes of {{ unsent.jobs.join(', ') }}</li>
        }
        @if (unsent.entries > 0) {
          <li i18n>
            {{ unsent.entries === 1 ? ('An entry' | word) : unsent.entries + (' entries' | word) }} of the press room or
            a station
          </li>
        }
      </ul>
      <p i18n>They stay on this computer, and are sent when you sign in here again. Nobody else sees or sends them.</p>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton [mat-dialog-close]="true">Sign out all the same</button>
      <button i18n matButton="filled" [mat-dialog-close]="false" cdkFocusInitial>Stay</button>
    </mat-dialog-actions>
  `,
})
export class SignOutDialog {
  protected readonly unsent = inject<Unsent>(MAT_DIALOG_DATA);
}

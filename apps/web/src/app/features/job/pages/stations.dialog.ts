import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';
import type { FloorPromise } from '@druckerei/contract';
import { surenessText } from '../../../ui/floor-words';
import { timeText } from '../../../ui/format';
import { WordPipe } from '../../../ui/word';

/** The clock of a job's stream: when each of its stations begins and is through. */
@Component({
  selector: 'dk-stations-dialog',
  imports: [MatButtonModule, MatDialogModule, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>When each station runs</h2>
    <mat-dialog-content>
      <p>
        {{
          promise.inForce
            ? ('As the schedule in force has it.' | word)
            : ('The earliest in the gaps of the schedule in force, nothing of it moved. It is held for nobody until the job is released and planned.'
              | word)
        }}
      </p>
      <p>{{ surenessText(promise) }}</p>
      <table i18n-aria-label aria-label="When each station runs">
        <thead>
          <tr>
            <th i18n scope="col">Station</th>
            <th i18n scope="col">On</th>
            <th i18n scope="col">Begins</th>
            <th i18n scope="col">Through</th>
            @if (promise.inForce) {
              <th i18n scope="col">Waits</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (one of promise.stations; track one.step) {
            <tr>
              <th scope="row">{{ one.name }}</th>
              <td>{{ one.on ?? '' }}</td>
              <td class="clock">{{ timeText(one.start) }}</td>
              <td class="clock">{{ timeText(one.end) }}</td>
              @if (promise.inForce) {
                <td>{{ one.waits }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <a i18n matButton routerLink="/floor" mat-dialog-close>To the floor</a>
      <button i18n matButton="filled" mat-dialog-close>Close</button>
    </mat-dialog-actions>
  `,
  styles: `
    table {
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      font-weight: 400;
      padding: 4px 16px 4px 0;
      border-bottom: 1px solid var(--mat-sys-outline-variant);
    }
    thead th {
      font-weight: 650;
    }
    .clock {
      white-space: nowrap;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class StationsDialog {
  protected readonly promise = inject<FloorPromise>(MAT_DIALOG_DATA);
  protected readonly timeText = timeText;
  protected readonly surenessText = surenessText;
}

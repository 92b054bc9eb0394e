import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { changeInWords } from '@druckerei/contract';
import { diffJobs } from '@druckerei/core';
import { timeText } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';

/** Two versions in hand: mine on this screen, theirs on the server. Nothing is lost until somebody chooses. */
@Component({
  selector: 'dk-conflict',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (theirs(); as t) {
      <section role="alert" i18n-aria-label aria-label="Two versions">
        <h2 i18n>{{ t.changedBy }} changed this job at {{ time(t.changedAt) }}</h2>
        <table>
          <thead>
            <tr>
              <th i18n scope="col">Field</th>
              <th i18n scope="col">Theirs</th>
              <th i18n scope="col">Yours</th>
            </tr>
          </thead>
          <tbody>
            @for (change of changes(); track $index) {
              <tr>
                <th scope="row">{{ change.name }}</th>
                <td>{{ change.before }}</td>
                <td>{{ change.after }}</td>
              </tr>
            } @empty {
              <tr>
                <td i18n colspan="3">Both say the same.</td>
              </tr>
            }
          </tbody>
        </table>
        <button i18n matButton="filled" (click)="editor.keepMine()">Save mine over theirs</button>
        <button i18n matButton="outlined" (click)="editor.takeTheirs()">Take theirs</button>
      </section>
    }
  `,
  styles: `
    section {
      margin: 12px 20px;
      padding: 14px 18px;
      border: 2px solid var(--dk-warn);
      border-radius: 6px;
      background: var(--mat-sys-surface-container-lowest);
    }
    table {
      margin: 10px 0;
      border-collapse: collapse;
    }
    th,
    td {
      text-align: left;
      padding: 4px 24px 4px 0;
      font-weight: 400;
      overflow-wrap: anywhere;
    }
    thead th {
      font-weight: 650;
    }
    button {
      margin-right: 8px;
    }
  `,
})
export class Conflict {
  protected readonly editor = inject(JobEditor);
  protected readonly time = timeText;
  protected readonly theirs = computed(() => {
    const save = this.editor.save();
    return save.kind === 'conflict' ? save.theirs : undefined;
  });
  protected readonly changes = computed(() => {
    const works = this.editor.works();
    return works ? diffJobs(this.theirs()?.job, this.editor.job()).map((change) => changeInWords(change, works)) : [];
  });
}

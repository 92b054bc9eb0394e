import { ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { type CountColumn, type CountedLine, COUNT_COLUMNS, guessCountColumns, readCountList } from '@druckerei/core';
import { MOST_COUNTED, issueText } from '@druckerei/contract';
import { BookApi } from '../../platform/book-api';
import { deviceName } from '../../platform/book-outbox';
import { failureOf, refusedLines } from '../../platform/problem';
import { enteredText } from '../../ui/entered-words';
import { ListFile, type ListKind } from '../../ui/list-file';

/** Counts of several stations out of a file: of a machine's own counter, or a list that was kept on paper. */
@Component({
  selector: 'dk-counts-file',
  imports: [ListFile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-list-file label="Counts out of a file" [kind]="kind" [busy]="busy()" (taken)="take($event)">
      <span>Times are those of the works' clock. A list that is taken twice is entered once.</span>
    </dk-list-file>
    @if (said(); as text) {
      <p role="status">{{ text }}</p>
    }
    @if (failed(); as text) {
      <p role="alert">{{ text }}</p>
    }
  `,
  styleUrl: '../../ui/plain-select.scss',
})
export class CountsFile {
  private readonly api = inject(BookApi);
  private readonly file = viewChild.required<ListFile<CountedLine>>(ListFile);
  protected readonly busy = signal(false);
  protected readonly said = signal('');
  protected readonly failed = signal('');
  protected readonly kind: ListKind<CountedLine> = {
    name: 'counts',
    columns: COUNT_COLUMNS,
    wanted: ['job', 'station', 'when'] satisfies CountColumn[],
    // Counts are whole: no sign parts them.
    figures: [],
    dates: ['when'] satisfies CountColumn[],
    one: 'count',
    several: 'counts',
    most: MOST_COUNTED,
    guess: guessCountColumns,
    read: (rows, key, first) =>
      readCountList(rows, key, first).map((one) =>
        'issues' in one ? { line: one.line, why: one.issues.map(issueText).join(' ') } : { line: one.line, item: one },
      ),
  };

  protected take(listed: readonly CountedLine[]): void {
    this.busy.set(true);
    this.failed.set('');
    this.said.set('');
    const lines = listed.map(({ line: _line, ...one }) => one);
    this.api.enterCounts({ device: deviceName(), lines }).subscribe({
      next: (made) => {
        this.busy.set(false);
        this.said.set(enteredText(made));
        this.file().leave();
      },
      error: (error: unknown) => {
        this.busy.set(false);
        const { text, problem } = failureOf(error);
        const refused = refusedLines(problem, (at) => listed[at]?.line);
        this.failed.set(refused === '' ? text : `Nothing was taken. ${refused}`);
      },
    });
  }
}

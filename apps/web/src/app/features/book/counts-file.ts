import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { type CountColumn, type CountedLine, COUNT_COLUMNS, countLines, guessCountColumns } from '@druckerei/core';
import { MOST_ENTRIES, issueText } from '@druckerei/contract';
import { BookApi } from '../../platform/book-api';
import { deviceName } from '../../platform/book-outbox';
import { ListTaking } from '../../platform/list-taking';
import { enteredText } from '../../ui/entered-words';
import { ListFile, type ListKind } from '../../ui/list-file';

/** Counts of several stations out of a file: of a machine's own counter, or a list that was kept on paper. */
@Component({
  selector: 'dk-counts-file',
  imports: [ListFile],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-list-file i18n-label label="Counts out of a file" [kind]="kind" [taking]="taking" (taken)="take($event)">
      <span i18n>Times are those of the works' clock. A list that is taken twice is entered once.</span>
    </dk-list-file>
  `,
  styleUrl: '../../ui/plain-select.scss',
})
export class CountsFile {
  private readonly api = inject(BookApi);
  private readonly file = viewChild.required<ListFile<CountedLine>>(ListFile);
  protected readonly taking = new ListTaking({
    taken: enteredText,
    stopped: $localize`Stopped. What was entered until then stays; the same list taken again enters the rest.`,
  });
  protected readonly kind: ListKind<CountedLine> = {
    name: 'counts',
    columns: COUNT_COLUMNS,
    wanted: ['job', 'station', 'when'] satisfies CountColumn[],
    // Counts are whole: no sign parts them.
    figures: [],
    dates: ['when'] satisfies CountColumn[],
    one: 'count',
    several: 'counts',
    most: MOST_ENTRIES,
    guess: guessCountColumns,
    *read(rows, key, first) {
      const lines = yield* countLines(rows, key, first);
      return lines.map((one) =>
        'issues' in one ? { line: one.line, why: one.issues.map(issueText).join(' ') } : { line: one.line, item: one },
      );
    },
  };

  protected take(listed: readonly CountedLine[]): void {
    const lines = listed.map(({ line: _line, ...one }) => one);
    const sent = this.api.enterCounts({ device: deviceName(), lines });
    this.taking.take(sent, listed, () => this.file().leave());
  }
}

import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import {
  type DayFirst,
  type OrderColumn,
  type OrderedJob,
  ORDER_COLUMNS,
  guessDayFirst,
  guessOrderColumns,
  startOrders,
} from '@druckerei/core';
import { MOST_BEGUN, issueText, usualText } from '@druckerei/contract';
import { type RefusedLine, refusedCsv } from '@druckerei/formats/tables';
import { Store } from '@ngrx/store';
import { catchError, of } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf, refusedLines } from '../../platform/problem';
import { selectMay } from '../../platform/session.state';
import { ColumnTable } from '../../ui/column-table';
import { count, many } from '../../ui/format';
import { kept } from '../../ui/kept';
import { PastedTable, textOfFile } from '../../ui/pasted-table';
import { saveText } from '../../ui/save-text';

type Columns = Partial<Record<OrderColumn, number>>;
/** Lines that are shown of the list, and of what is told of it; lines that are read before the page may draw again. */
const SHOWN = 100;
const TOLD = 40;
const AT_ONCE = 5;

/** A list of orders, pasted or read: which column is what, what each line comes to, what is wrong with it, and beginning the jobs. */
@Component({
  selector: 'dk-order-list-page',
  imports: [
    ColumnTable,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatSelectModule,
    RouterLink,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './order-list.page.html',
  styleUrls: ['../../ui/list-page.scss', './order-list.page.scss'],
})
export class OrderListPage {
  private readonly api = inject(Api);
  private readonly works = toSignal(this.api.works());
  /** The next job number of the works, asked for each list anew; empty where none can be told. */
  private readonly nextNumber = signal('');
  protected readonly mayPlan = inject(Store).selectSignal(selectMay('plan'));
  protected readonly count = count;
  protected readonly many = many;
  protected readonly most = MOST_BEGUN;
  protected readonly shownLines = TOLD;
  protected readonly columnNames = (Object.keys(ORDER_COLUMNS) as OrderColumn[]).map((id) => ({
    id,
    name: ORDER_COLUMNS[id],
  }));
  /** What the columns of lists with these headings were said to be. */
  private readonly known = kept<Record<string, Columns>>('order-list-columns', {});
  protected readonly list = new PastedTable<OrderColumn>(guessOrderColumns, SHOWN);
  protected readonly first = signal<DayFirst>('day');
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  protected readonly done = signal(0);

  protected readonly tooMany = computed(() => this.list.rows().length > MOST_BEGUN);

  /** How many lines have been read; undefined when all are. */
  protected readonly reading = signal<{ readonly done: number } | undefined>(undefined);
  protected readonly begun = signal<readonly (OrderedJob & { readonly line: number })[]>([]);
  protected readonly refused = signal<readonly RefusedLine[]>([]);
  /** Lines of which something is taken as usual, or was not understood. */
  protected readonly notes = computed(() =>
    this.begun()
      .filter(({ usual, left }) => usual.length + left.length > 0)
      .map(({ line, job, usual, left }) => ({
        line,
        number: job.number,
        usual: usualText(usual),
        left: left.join(', '),
      })),
  );
  /** Which reading is the newest: an older one ends. */
  private turn = 0;

  constructor() {
    effect(() => {
      const [rows, columns, first, works, number] = [
        this.list.rows(),
        this.list.chosen(),
        this.first(),
        this.works(),
        this.nextNumber(),
      ];
      untracked(() => {
        this.turn++;
        this.begun.set([]);
        this.refused.set([]);
        this.reading.set(undefined);
        if (works && rows.length > 0 && columns.product !== undefined && !this.tooMany())
          void this.read(rows, { columns, first }, works, number, this.turn);
      });
    });
  }

  /** Reads the lines, a few at a time, so that the page stays quick and another choice ends it. */
  private async read(
    rows: readonly (readonly string[])[],
    key: Parameters<typeof startOrders>[1],
    works: Parameters<typeof startOrders>[2],
    nextNumber: string,
    turn: number,
  ): Promise<void> {
    const [begun, refused]: [(OrderedJob & { line: number })[], RefusedLine[]] = [[], []];
    this.reading.set({ done: 0 });
    await new Promise((resolve) => setTimeout(resolve));
    let at = 0;
    for (const made of startOrders(rows, key, works, nextNumber)) {
      const line = at + this.list.firstLine();
      if (made.ok) begun.push({ ...made.value, line });
      else refused.push({ line, cells: rows[at] ?? [], why: made.issues.map(issueText).join(' ') });
      at++;
      if (at % AT_ONCE === 0) {
        this.reading.set({ done: at });
        await new Promise((resolve) => setTimeout(resolve));
      }
      if (turn !== this.turn) return;
    }
    this.begun.set(begun);
    this.refused.set(refused);
    this.reading.set(undefined);
  }

  protected take(text: string): void {
    this.api
      .nextNumber()
      .pipe(catchError(() => of('')))
      .subscribe((number) => this.nextNumber.set(number));
    this.list.take(text);
    this.failed.set('');
    this.done.set(0);
    const known = this.known()[this.listName()];
    if (known) this.list.chosen.set(known);
    this.guessDates(this.list.chosen());
  }

  /** By what a list is known again; empty where it has no headings. */
  private readonly listName = computed(() => this.list.headings()?.join('\t') ?? '');

  private guessDates({ due }: Columns): void {
    if (due !== undefined) this.first.set(guessDayFirst(this.list.rows().map((row) => row[due] ?? '')));
  }

  protected async open(files: FileList | null): Promise<void> {
    const text = await textOfFile(files);
    if (text !== undefined) this.take(text);
  }

  protected choose(at: number, is: OrderColumn | ''): void {
    this.list.choose(at, is);
    const columns = this.list.chosen();
    if (is === 'due') this.guessDates(columns);
    const name = this.listName();
    if (name !== '') this.known.update((known) => ({ ...known, [name]: columns }));
  }

  protected saveRefused(): void {
    const headings = this.list.columns().map(({ heading }) => heading);
    saveText('orders-not-begun.csv', 'text/csv', refusedCsv(headings, this.refused()));
  }

  protected begin(): void {
    const begun = this.begun();
    this.busy.set(true);
    this.failed.set('');
    this.api.createJobs(begun.map(({ job }) => job)).subscribe({
      next: ({ ids }) => {
        this.busy.set(false);
        this.list.take('');
        this.done.set(ids.length);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        const { text, problem } = failureOf(error);
        const lines = refusedLines(problem, (at) => begun[at]?.line);
        this.failed.set(lines === '' ? text : $localize`None was begun. ${lines}`);
      },
    });
  }
}

import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type DayFirst, type InSteps, guessDayFirst, guessDecimal } from '@druckerei/core';
import { refusedCsv } from '@druckerei/formats/tables';
import { ColumnTable } from './column-table';
import { count, many } from './format';
import { kept } from './kept';
import { LinesInSteps } from './lines-in-steps';
import { ListOutcome, type Taking } from './list-outcome';
import { PastedTable, textOfFile } from './pasted-table';
import { saveText } from './save-text';
import { WordPipe } from './word';

/** How the lines of a list are to be read: place of each column, decimal sign, what comes first in a date. */
export interface ListKey {
  readonly columns: Partial<Readonly<Record<string, number>>>;
  readonly decimal: '.' | ',';
  readonly dates: DayFirst;
}

/** A kind of list: what its columns may tell, and how its lines are read. */
export interface ListKind<T> {
  /** By which the columns that were chosen are remembered. */
  readonly name: string;
  /** What its columns may tell, as people call it. */
  readonly columns: Readonly<Record<string, string>>;
  /** Columns that a line cannot do without. */
  readonly wanted: readonly string[];
  /** Columns of figures and of dates. */
  readonly figures: readonly string[];
  readonly dates: readonly string[];
  /** What one line is, and several are: "price", "prices". */
  readonly one: string;
  readonly several: string;
  /** How many are taken at once. */
  readonly most: number;
  readonly guess: (headings: readonly string[]) => Partial<Record<string, number>>;
  /** Its lines, in steps where there may be many. @param first number of the first of the rows. */
  readonly read: (
    rows: readonly (readonly string[])[],
    key: ListKey,
    first: number,
  ) => readonly ReadLine<T>[] | InSteps<readonly ReadLine<T>[]>;
}

/** A line that was read, or why it cannot be taken. */
export type ReadLine<T> = { readonly line: number } & ({ readonly item: T } | { readonly why: string });

/** Lines that are shown of a list, and of what is told of it. */
const SHOWN = 100;
const TOLD = 20;

/** A list out of a file: which column is what, what cannot be taken and why, and taking the rest. Options of its own stand within. */
@Component({
  selector: 'dk-list-file',
  imports: [ColumnTable, ListOutcome, MatButtonModule, MatIconModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (list().text() === '') {
      <button matButton type="button" (click)="file.click()"><mat-icon>upload_file</mat-icon>{{ label() }}</button>
      <button matButton type="button" [attr.aria-expanded]="pasting()" (click)="pasting.set(!pasting())">
        <mat-icon>content_paste</mat-icon><ng-container i18n>Paste lines</ng-container>
      </button>
      <input #file type="file" accept=".csv,.txt,.tsv,text/csv" hidden (change)="open(file.files); file.value = ''" />
      @if (pasting()) {
        <textarea
          #pasted
          rows="5"
          [attr.aria-label]="'Lines of a sheet: {0}' | word: kind().several"
          i18n-placeholder
          placeholder="Copy the lines out of a sheet, with their heading, and paste them here"
          (input)="begin(pasted.value)"
        ></textarea>
      }
    } @else {
      <section [attr.aria-label]="label()">
        <dk-column-table
          i18n-label
          label="Lines of the list"
          [columns]="list().columns()"
          [names]="columnNames()"
          [rows]="list().preview()"
          [firstLine]="list().firstLine()"
          (chosen)="choose($event.at, $event.is)"
        />
        @if (list().rows().length > list().preview().length) {
          <p i18n class="quiet">{{ count(list().preview().length) }} of {{ count(list().rows().length) }} lines.</p>
        }
        @if (list().table().cut) {
          <p i18n role="alert">
            The list is longer than the {{ count(list().rows().length) }} lines that are read at once. Read the rest of
            it afterwards.
          </p>
        }
        <p class="how">
          @if (tells(kind().figures)) {
            <label
              ><ng-container i18n>Decimal sign </ng-container
              ><select (change)="decimal.set($any($event.target).value)">
                <option i18n value="." [selected]="decimal() === '.'">point</option>
                <option i18n value="," [selected]="decimal() === ','">comma</option>
              </select></label
            >
          }
          @if (tells(kind().dates)) {
            <label
              ><ng-container i18n>In a date like 4/5/2027 </ng-container
              ><select (change)="dates.set($any($event.target).value)">
                <option i18n value="day" [selected]="dates() === 'day'">the day comes first</option>
                <option i18n value="month" [selected]="dates() === 'month'">the month comes first</option>
              </select></label
            >
          }
          <ng-content />
        </p>
        @if (untold(); as column) {
          <p i18n role="alert">Say which column is: {{ column }}.</p>
        } @else {
          @if (soFar(); as many) {
            <p i18n data-test="list-read">Reading: {{ count(many) }} of {{ count(list().rows().length) }} lines.</p>
          } @else {
            <p role="status" data-test="list-file">{{ outcome() }}</p>
          }
          @for (one of refused().slice(0, told); track one.line) {
            <p class="wrong">
              <b i18n>Line {{ one.line }}:</b> {{ one.why }}
            </p>
          }
          @if (refused().length > told) {
            <p i18n>and {{ count(refused().length - told) }} more.</p>
          }
        }
        @if (items().length > kind().most) {
          <p i18n role="alert">
            At most {{ count(kind().most) }} {{ kind().several }} are taken at once, all or none of them. Part the list.
          </p>
        }
        <p>
          <button
            i18n
            matButton="outlined"
            type="button"
            [disabled]="isUnderWay() || items().length === 0 || items().length > kind().most"
            (click)="take()"
          >
            Take {{ many(items().length, kind().one, kind().several) }}
          </button>
          @if (refused().length > 0) {
            <button matButton type="button" (click)="saveRefused()">
              <mat-icon>download</mat-icon><ng-container i18n>Lines that cannot, as CSV</ng-container>
            </button>
          }
          <button i18n matButton type="button" [disabled]="isUnderWay()" (click)="leave()">Leave the file</button>
        </p>
      </section>
    }
    @if (taking(); as one) {
      <dk-list-outcome [taking]="one" [label]="label()" />
    }
  `,
  styleUrl: './plain-select.scss',
  styles: `
    section {
      margin: 8px 0;
      padding: 8px;
      border: 1px solid var(--mat-sys-outline-variant);
      border-radius: 4px;
    }
    textarea {
      display: block;
      box-sizing: border-box;
      width: 100%;
      margin: 8px 0;
      padding: 8px;
      font: inherit;
      color: inherit;
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
    }
    .how {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
    }
    p {
      margin: 6px 0;
    }
    .wrong b {
      color: var(--mat-sys-error);
    }
  `,
})
export class ListFile<T> {
  readonly label = input.required<string>();
  readonly kind = input.required<ListKind<T>>();
  /** What was taken before is on its way, and nothing is told of how far it is. */
  readonly busy = input(false);
  /** How far it is, and what came of it. */
  readonly taking = input<Taking | undefined>(undefined);
  readonly taken = output<readonly T[]>();
  protected readonly isUnderWay = computed(() => this.busy() || this.taking()?.way() !== undefined);
  protected readonly count = count;
  protected readonly many = many;
  protected readonly told = TOLD;
  protected readonly pasting = signal(false);
  protected readonly columnNames = computed(() =>
    Object.entries(this.kind().columns).map(([id, name]) => ({ id, name })),
  );
  private readonly guess = computed(() => this.kind().guess);
  /** One for as long as its columns are guessed alike: options that are changed leave it as it is. */
  protected readonly list = computed(() => new PastedTable<string>(this.guess(), SHOWN));
  protected readonly decimal = linkedSignal(() => guessDecimal(this.list().rows()));
  protected readonly dates = linkedSignal((): DayFirst => {
    const at = this.kind().dates.flatMap((column) => this.list().chosen()[column] ?? []);
    return guessDayFirst(
      this.list()
        .rows()
        .flatMap((row) => at.map((place) => row[place] ?? '')),
    );
  });
  /** What the columns of lists with these headings were said to be. */
  private readonly known = kept<Record<string, Partial<Record<string, number>>>>('list-columns', {});
  private readonly listName = computed(() => {
    const headings = this.list().headings()?.join('\t');
    return headings === undefined ? undefined : `${this.kind().name}\t${headings}`;
  });

  /** Whether one of these columns is told. */
  protected readonly tells = (columns: readonly string[]): boolean =>
    columns.some((column) => this.list().chosen()[column] !== undefined);
  protected readonly untold = computed(() => {
    const column = this.kind().wanted.find((one) => this.list().chosen()[one] === undefined);
    return column === undefined ? undefined : this.kind().columns[column];
  });
  private readonly reading = new LinesInSteps<ReadLine<T>>();
  protected readonly soFar = this.reading.soFar;
  protected readonly items = computed(() => this.reading.lines().flatMap((one) => ('item' in one ? [one.item] : [])));
  protected readonly refused = computed(() => {
    const [rows, first] = [this.list().rows(), this.list().firstLine()];
    return this.reading
      .lines()
      .flatMap((one) => ('why' in one ? [{ line: one.line, cells: rows[one.line - first] ?? [], why: one.why }] : []));
  });
  protected readonly outcome = computed(() => {
    const [taken, refused] = [this.items().length, this.refused().length];
    const { one, several } = this.kind();
    return $localize`${many(taken, one, several)} can be taken${refused > 0 ? $localize`; ${many(refused, 'line')} cannot` : ''}.`;
  });

  constructor() {
    effect((onCleanup) => {
      const rows = this.list().rows();
      const key = { columns: this.list().chosen(), decimal: this.decimal(), dates: this.dates() };
      const read = this.untold() === undefined ? this.kind().read(rows, key, this.list().firstLine()) : [];
      untracked(() => onCleanup(this.reading.read(read)));
    });
  }

  protected async open(files: FileList | null): Promise<void> {
    const text = await textOfFile(files);
    if (text !== undefined) this.begin(text);
  }
  /** Begins with the text of a list. */
  begin(text: string): void {
    this.pasting.set(false);
    this.list().take(text);
    const known = this.known()[this.listName() ?? ''];
    if (known) this.list().chosen.set(known);
  }
  /** Puts the list away. */
  leave(): void {
    this.list().take('');
  }

  protected choose(at: number, is: string): void {
    this.list().choose(at, is);
    const [name, columns] = [this.listName(), this.list().chosen()];
    if (name !== undefined) this.known.update((before) => ({ ...before, [name]: columns }));
  }
  protected saveRefused(): void {
    const headings = this.list()
      .columns()
      .map(({ heading }) => heading);
    saveText('lines-not-taken.csv', 'text/csv', refusedCsv(headings, this.refused()));
  }
  protected take(): void {
    this.taken.emit(this.items());
  }
}

import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  type AskedColumn,
  type DayFirst,
  type KnownItem,
  type SupplyPrice,
  ASKED_COLUMNS,
  PRICE_COUNTS,
  guessAskedColumns,
  guessDayFirst,
  guessDecimal,
  readAskedPrices,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { refusedCsv } from '@druckerei/formats/tables';
import { ColumnTable } from '../../../ui/column-table';
import { count, many } from '../../../ui/format';
import { kept } from '../../../ui/kept';
import { PastedTable, textOfFile } from '../../../ui/pasted-table';
import { saveText } from '../../../ui/save-text';

type Columns = Partial<Record<AskedColumn, number>>;
/** Lines that are shown of the list, and of what is told of it. */
const SHOWN = 100;
const TOLD = 20;

/** A supplier's price list out of a file: which column is what, what cannot be taken and why, and taking the rest. */
@Component({
  selector: 'dk-price-file',
  imports: [ColumnTable, MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (list.text() === '') {
      <button matButton type="button" (click)="file.click()">
        <mat-icon>upload_file</mat-icon>Prices out of a file
      </button>
      <input #file type="file" accept=".csv,.txt,.tsv,text/csv" hidden (change)="open(file.files); file.value = ''" />
    } @else {
      <section aria-label="Prices out of a file">
        <dk-column-table
          label="Lines of the price list"
          [columns]="list.columns()"
          [names]="columnNames"
          [rows]="list.preview()"
          [firstLine]="list.firstLine()"
          (chosen)="choose($event.at, $any($event.is))"
        />
        @if (list.rows().length > list.preview().length) {
          <p class="quiet">{{ count(list.preview().length) }} of {{ count(list.rows().length) }} lines.</p>
        }
        <p class="how">
          <label
            >Decimal sign
            <select class="plain" (change)="decimal.set($any($event.target).value)">
              <option value="." [selected]="decimal() === '.'">point</option>
              <option value="," [selected]="decimal() === ','">comma</option>
            </select></label
          >
          @if (list.chosen().per === undefined) {
            <label
              >A price is for
              <select class="plain" (change)="per.set(+$any($event.target).value)">
                @for (one of counts; track one) {
                  <option [value]="one" [selected]="one === per()">{{ one }}</option>
                }
              </select>
              <select class="plain" aria-label="Which it counts" (change)="measure.set($any($event.target).value)">
                <option value="kg" [selected]="measure() === 'kg'">kg</option>
                <option value="unit" [selected]="measure() === 'unit'">of its unit</option>
              </select></label
            >
          }
          @if (list.chosen().first !== undefined || list.chosen().last !== undefined) {
            <label
              >In a date like 4/5/2027
              <select class="plain" (change)="dates.set($any($event.target).value)">
                <option value="day" [selected]="dates() === 'day'">the day comes first</option>
                <option value="month" [selected]="dates() === 'month'">the month comes first</option>
              </select></label
            >
          }
        </p>
        @if (untold(); as column) {
          <p role="alert">Say which column is: {{ column }}.</p>
        } @else {
          <p role="status" data-test="price-file">{{ outcome() }}</p>
          @for (one of refused().slice(0, told); track one.line) {
            <p class="wrong">
              <b>Line {{ one.line }}:</b> {{ one.why }}
            </p>
          }
          @if (refused().length > told) {
            <p>and {{ count(refused().length - told) }} more.</p>
          }
        }
        <p>
          <button
            matButton="outlined"
            type="button"
            [disabled]="untold() !== undefined || prices().length === 0"
            (click)="take()"
          >
            Take {{ many(prices().length, 'price') }}
          </button>
          @if (refused().length > 0) {
            <button matButton type="button" (click)="saveRefused()">
              <mat-icon>download</mat-icon>Lines that cannot, as CSV
            </button>
          }
          <button matButton type="button" (click)="list.take('')">Leave the file</button>
        </p>
      </section>
    }
  `,
  styleUrl: './dialog.scss',
  styles: `
    section {
      margin: 8px 0;
      padding: 8px;
      border: 1px solid var(--mat-sys-outline-variant);
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
export class PriceFile {
  readonly items = input.required<readonly KnownItem[]>();
  readonly currency = input.required<string>();
  readonly taken = output<readonly SupplyPrice[]>();
  protected readonly count = count;
  protected readonly many = many;
  protected readonly told = TOLD;
  protected readonly counts = PRICE_COUNTS;
  protected readonly columnNames = (Object.keys(ASKED_COLUMNS) as AskedColumn[]).map((id) => ({
    id,
    name: ASKED_COLUMNS[id],
  }));
  protected readonly list = new PastedTable<AskedColumn>(guessAskedColumns, SHOWN);
  protected readonly decimal = signal<'.' | ','>('.');
  protected readonly dates = signal<DayFirst>('day');
  protected readonly per = signal<number>(100);
  protected readonly measure = signal<SupplyPrice['measure']>('kg');
  /** What the columns of lists with these headings were said to be. */
  private readonly known = kept<Record<string, Columns>>('asked-list-columns', {});
  private readonly listName = computed(() => this.list.headings()?.join('\t') ?? '');

  /** What a line cannot do without. */
  protected readonly untold = computed(
    () =>
      (['item', 'price'] as const)
        .filter((one) => this.list.chosen()[one] === undefined)
        .map((one) => ASKED_COLUMNS[one])[0],
  );
  private readonly lines = computed(() => {
    if (this.untold() !== undefined) return [];
    const per = PRICE_COUNTS.find((one) => one === this.per()) ?? 1;
    const key = {
      columns: this.list.chosen(),
      decimal: this.decimal(),
      dates: this.dates(),
      per: { per, measure: this.measure() },
      currency: this.currency(),
    };
    return readAskedPrices(this.list.rows(), key, this.items(), this.list.firstLine());
  });
  protected readonly prices = computed(() => this.lines().flatMap((one) => ('price' in one ? [one.price] : [])));
  protected readonly refused = computed(() =>
    this.lines().flatMap((one) =>
      'issues' in one
        ? [
            {
              line: one.line,
              cells: this.list.rows()[one.line - this.list.firstLine()] ?? [],
              why: one.issues.map(issueText).join(' '),
            },
          ]
        : [],
    ),
  );

  protected readonly outcome = computed(() => {
    const [taken, refused] = [this.prices().length, this.refused().length];
    return `${many(taken, 'price')} can be taken${refused > 0 ? `; ${many(refused, 'line')} cannot` : ''}.`;
  });

  protected async open(files: FileList | null): Promise<void> {
    const text = await textOfFile(files);
    if (text !== undefined) this.begin(text);
  }

  /** Begins with the text of a list. */
  begin(text: string): void {
    this.list.take(text);
    const known = this.known()[this.listName()];
    if (known) this.list.chosen.set(known);
    this.decimal.set(guessDecimal(this.list.rows()));
    this.guessDates();
  }
  private guessDates(): void {
    const { first, last } = this.list.chosen();
    const cells = this.list.rows().flatMap((row) => [first, last].map((at) => row[at ?? -1] ?? ''));
    this.dates.set(guessDayFirst(cells));
  }

  protected choose(at: number, is: AskedColumn | ''): void {
    this.list.choose(at, is);
    this.guessDates();
    const [name, columns] = [this.listName(), this.list.chosen()];
    if (name !== '') this.known.update((before) => ({ ...before, [name]: columns }));
  }

  protected saveRefused(): void {
    const headings = this.list.columns().map(({ heading }) => heading);
    saveText('prices-not-taken.csv', 'text/csv', refusedCsv(headings, this.refused()));
  }

  protected take(): void {
    this.taken.emit(this.prices());
    this.list.take('');
  }
}

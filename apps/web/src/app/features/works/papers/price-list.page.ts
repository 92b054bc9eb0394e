import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import {
  type PriceColumn,
  type PriceListKey,
  PRICED_PER,
  PRICE_COLUMNS,
  guessColumns,
  guessDecimal,
  readPriceList,
  sayNumber,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { count, many } from '../../../ui/format';
import { ColumnTable } from '../../../ui/column-table';
import { NumberBox } from '../../../ui/number-box';
import { PastedTable, textOfFile } from '../../../ui/pasted-table';
import { WorksStore } from '../works.store';
import { WordPipe } from '../../../ui/word';

const PER_NAMES: Readonly<Record<(typeof PRICED_PER)[number], string>> = {
  kg: $localize`a kilogram`,
  '100 kg': $localize`100 kilograms`,
  t: $localize`a tonne`,
  '1000 sheets': $localize`1,000 sheets`,
  m2: $localize`a square metre`,
};
/** Lines and mistakes that are shown. */
const SHOWN_LINES = 12;
const SHOWN_WRONG = 40;
/** Prices that are shown as they come out, for somebody to see whether they can be. */
const EXAMPLES = 3;

type Options = Omit<PriceListKey, 'columns'>;
const USUAL: Options = { decimal: '.', per: 'kg', bulk: 1.2, coated: false, grain: 'long' };

/** A supplier's price list, pasted or read: which column is what, what it comes to, what is wrong with it, and entering it. */
@Component({
  selector: 'dk-price-list-page',
  imports: [
    ColumnTable,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatSelectModule,
    NumberBox,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './price-list.page.html',
  styleUrls: ['../../../ui/list-page.scss', './price-list.page.scss'],
})
export class PriceListPage {
  protected readonly works = inject(WorksStore);
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('machines'));
  protected readonly count = count;
  protected readonly columnNames = (Object.keys(PRICE_COLUMNS) as PriceColumn[]).map((id) => ({
    id,
    name: PRICE_COLUMNS[id],
  }));
  protected readonly pers = PRICED_PER.map((id) => ({ id, name: PER_NAMES[id] }));
  protected readonly list = new PastedTable<PriceColumn>(guessColumns, SHOWN_LINES);
  protected readonly options = signal<Options>(USUAL);
  protected readonly sending = signal(false);
  protected readonly failed = signal('');
  protected readonly done = signal('');

  /** What has to be told before anything can be read. */
  protected readonly wants = computed(() =>
    (['name', 'gsm'] as const)
      .filter((column) => this.list.chosen()[column] === undefined)
      .map((column) => PRICE_COLUMNS[column]),
  );
  protected readonly read = computed(() => {
    const works = this.works.works();
    if (!works || this.list.rows().length === 0 || this.wants().length > 0) return undefined;
    const key: PriceListKey = { columns: this.list.chosen(), ...this.options() };
    const list = readPriceList(this.list.rows(), key, works, this.list.firstLine());
    const known = new Map(works.stocks.map((stock) => [stock.id, stock]));
    const added = list.stocks.filter(({ id }) => !known.has(id)).length;
    return {
      list,
      added,
      examples: list.prices
        .slice(0, EXAMPLES)
        .map(
          ({ stock, perKg }) =>
            $localize`${list.stocks.find(({ id }) => id === stock)?.name ?? stock} at ${sayNumber(perKg, works.currency)}`,
        ),
      changed: list.stocks.length - added,
      wrongLines: new Set(list.wrong.map(({ line }) => line)).size,
      wrong: list.wrong.slice(0, SHOWN_WRONG).map(({ line, issue }) => $localize`Line ${line}\: ${issueText(issue)}`),
      more: Math.max(0, list.wrong.length - SHOWN_WRONG),
    };
  });

  protected take(text: string): void {
    this.list.take(text);
    this.failed.set('');
    this.done.set('');
    this.options.update((options) => ({ ...options, decimal: guessDecimal(this.list.table().rows) }));
  }

  protected async open(files: FileList | null): Promise<void> {
    const text = await textOfFile(files);
    if (text !== undefined) this.take(text);
  }

  protected option(change: Partial<Options>): void {
    this.options.update((options) => ({ ...options, ...change }));
  }

  protected enter(reason: string): void {
    const read = this.read();
    if (!read) return;
    const { stocks, prices } = read.list;
    this.sending.set(true);
    this.failed.set('');
    const norms = Object.fromEntries(prices.map(({ stock, perKg }) => [`price.stock.${stock}`, perKg]));
    this.works.enter({ stocks, norms, reason: reason.trim() || $localize`price list` }).subscribe({
      next: () => {
        this.sending.set(false);
        this.list.take('');
        this.done.set($localize`${many(read.added, 'paper')} entered, ${count(read.changed)} brought up to date.`);
      },
      error: (error: unknown) => {
        this.sending.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}

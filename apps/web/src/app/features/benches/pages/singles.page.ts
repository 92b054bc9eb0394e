import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type SingleOrder, type SingleState, SINGLE_FILMS, checkersFor } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { selectMay } from '../../../platform/session.state';
import { ChangesDialog, type ChangesData } from '../../../platform/changes.dialog';
import { count, dateText, readNumber } from '../../../ui/format';
import { BenchForm } from '../state/bench-form';
import { Bench } from '../parts/bench';
import { SinglesStore } from '../state/singles.store';
import { WordPipe } from '../../../ui/word';

/** An order out of one line; the reason where it is none. */
function readOrder(line: string, at: number): SingleOrder | string {
  const [id = '', title = '', width = '', height = '', pages = '', stock = '', film = '', due = ''] = line
    .split(';')
    .map((part) => part.trim());
  const [widthMm, heightMm, many] = [width, height, pages].map(readNumber);
  const finish = SINGLE_FILMS.find((one) => one === film);
  const where = $localize`Line ${at + 1}\: `;
  if (id === '' || title === '') return $localize`${where}a number and a title are wanted first.`;
  if (!widthMm || !heightMm || widthMm < 0 || heightMm < 0)
    return $localize`${where}width and height are millimetres above 0.`;
  if (!many || !Number.isInteger(many) || many < 4) return $localize`${where}pages are a whole number from 4 on.`;
  if (!finish) return $localize`${where}film is matt, gloss or none, not “${film}”.`;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(due)) return $localize`${where}due is a date like 2026-12-04.`;
  return { id, title, widthMm, heightMm, pages: many, stock, film: finish, due };
}

/** A line of books and how long one is looked at: practice of the demo works. */
const START = { text: '', booksPerHour: '300', seconds: '11' };

const STATE_NAMES: Readonly<Record<SingleState, string>> = {
  open: $localize`to be printed`,
  printed: 'printed',
  kitted: 'matched',
  checked: 'checked',
};

/** The order book of single books: batched by format, paper and film, matched by code, looked over, with the people that it wants. */
@Component({
  selector: 'dk-singles-page',
  imports: [Bench, MatButtonModule, MatFormFieldModule, MatInputModule, WordPipe],
  providers: [SinglesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './singles.page.html',
  styleUrl: './bench-page.scss',
})
export class SinglesPage {
  protected readonly singles = inject(SinglesStore);
  private readonly dialog = inject(MatDialog);
  protected readonly mayRecord = inject(Store).selectSignal(selectMay('record'));
  protected readonly bench = new BenchForm('singles', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly dateText = dateText;
  protected readonly stateName = (state: SingleState): string => STATE_NAMES[state];
  private readonly read = computed(() =>
    this.form()
      .text.split('\n')
      .filter((line) => line.trim() !== '')
      .map(readOrder),
  );
  protected readonly wrong = computed(() => this.read().filter((one) => typeof one === 'string'));
  protected readonly orders = computed(() => this.read().flatMap((one) => (typeof one === 'string' ? [] : [one])));
  protected readonly people = computed(() => {
    const [rate, seconds] = [readNumber(this.form().booksPerHour), readNumber(this.form().seconds)];
    return rate && seconds && rate > 0 && seconds > 0 ? checkersFor(rate, seconds) : undefined;
  });

  constructor() {
    this.singles.load();
  }

  protected showChanges(): void {
    const data: ChangesData = {
      title: $localize`How the books went on`,
      kind: 'single-book',
      subject: (code) => code,
      value: (state) => STATE_NAMES[state as SingleState],
    };
    this.dialog.open(ChangesDialog, { data, width: '460px' });
  }

  protected enter(): void {
    if (this.orders().length > 0 && this.wrong().length === 0)
      this.singles.add(this.orders(), () => this.bench.set({ text: '' }));
  }

  /** Cover and block are matched as they are read; both stay where they do not belong together. */
  protected kit(cover: HTMLInputElement, block: HTMLInputElement): void {
    this.singles.kit(cover.value, block.value, () => {
      cover.value = '';
      block.value = '';
      cover.focus();
    });
  }
}

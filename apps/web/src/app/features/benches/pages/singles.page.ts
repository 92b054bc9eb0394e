import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { type SingleOrder, batchOrders, checkersFor } from '@druckerei/core';
import { count, dateText, readNumber } from '../../../ui/format';

/** A few made-up orders to begin with. */
const BEGIN = `W-101; Walking guide, east; 148; 210; 160; cream 90 g; matt; 2026-12-04
W-102; Walking guide, west; 148; 210; 144; cream 90 g; matt; 2026-12-03
W-103; Hut book; 130; 200; 96; white 80 g; gloss; 2026-12-04
W-104; Walking guide, north; 148; 210; 176; cream 90 g; matt; 2026-12-04`;
const FILMS = ['matt', 'gloss', 'none'] as const;

/** An order out of one line; the reason where it is none. */
function readOrder(line: string, at: number): SingleOrder | string {
  const [id = '', title = '', width = '', height = '', pages = '', stock = '', film = '', due = ''] = line
    .split(';')
    .map((part) => part.trim());
  const [widthMm, heightMm, many] = [width, height, pages].map(readNumber);
  const finish = FILMS.find((one) => one === film);
  const where = `Line ${at + 1}: `;
  if (id === '' || title === '') return `${where}a number and a title are wanted first.`;
  if (!widthMm || !heightMm || widthMm < 0 || heightMm < 0) return `${where}width and height are millimetres above 0.`;
  if (!many || !Number.isInteger(many) || many < 4) return `${where}pages are a whole number from 4 on.`;
  if (!finish) return `${where}film is matt, gloss or none, not “${film}”.`;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(due)) return `${where}due is a date like 2026-12-04.`;
  return { id, title, widthMm, heightMm, pages: many, stock, film: finish, due };
}

/** The order book of single books: batched by format, paper and film, with the people that the final check wants. */
@Component({
  selector: 'dk-singles-page',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './singles.page.html',
  styleUrl: './bench-page.scss',
})
export class SinglesPage {
  protected readonly book = signal(BEGIN);
  protected readonly booksPerHour = signal('300');
  protected readonly seconds = signal('11');
  protected readonly count = count;
  protected readonly dateText = dateText;
  private readonly read = computed(() =>
    this.book()
      .split('\n')
      .filter((line) => line.trim() !== '')
      .map(readOrder),
  );
  protected readonly wrong = computed(() => this.read().filter((one) => typeof one === 'string'));
  protected readonly batches = computed(() =>
    batchOrders(this.read().flatMap((one) => (typeof one === 'string' ? [] : [one]))),
  );
  protected readonly people = computed(() => {
    const [rate, seconds] = [readNumber(this.booksPerHour()), readNumber(this.seconds())];
    return rate && seconds && rate > 0 && seconds > 0 ? checkersFor(rate, seconds) : undefined;
  });
}

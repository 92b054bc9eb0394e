import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatTabsModule } from '@angular/material/tabs';
import { RouterLink } from '@angular/router';
import { type BuyLine, type Holding, paperKey, paperName } from '@druckerei/core';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { ChangesDialog, type ChangesData } from '../../platform/changes.dialog';
import { count, dateText, timeText, unitText } from '../../ui/format';
import { Measures } from '../../ui/measures';
import { FinishedPanel } from './finished.panel';
import { LotDialog } from './lot.dialog';
import { DateBox } from '../../ui/date-box';
import { StoresStore } from './stores.store';

const MOST_NUMBERS = 2;

/** Paper and rolls on hand with what is reserved of them, and the one purchase list over all open jobs. */
@Component({
  selector: 'dk-stores-page',
  imports: [
    DateBox,
    FinishedPanel,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatTabsModule,
    RouterLink,
  ],
  providers: [StoresStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stores.page.html',
  styleUrl: './stores.page.scss',
})
export class StoresPage {
  protected readonly stores = inject(StoresStore);
  private readonly dialog = inject(MatDialog);
  private readonly measures = inject(Measures);
  protected readonly mayRecord = inject(Store).selectSignal(selectMay('stores'));
  /** Which tab is open: paper is taken in at the first two. */
  protected readonly tab = signal(0);
  protected readonly count = count;
  protected readonly dateText = dateText;
  protected readonly timeText = timeText;
  protected readonly paper = ({ paper }: Holding): string => {
    const works = this.stores.works();
    return works ? paperName(paper, works) : '';
  };
  protected readonly amount = (value: number, unit: string): string =>
    unit === 'kg' ? this.measures.quantity(value, unit) : `${count(value)} ${unitText(unit, value)}`;

  protected readonly unitOf = ({ paper }: Holding): string => (paper.heightMm === undefined ? 'rolls' : 'sheets');

  constructor() {
    this.stores.load();
  }

  protected add(): void {
    this.dialog.open(LotDialog, { data: { stores: this.stores }, width: '440px' });
  }
  protected showChanges(): void {
    const names = new Map(
      this.stores.stores()?.holdings.map((holding) => [paperKey(holding.paper), this.paper(holding)]),
    );
    const numbers = new Map(this.stores.needs()?.jobs.map(({ job, number }) => [String(job), number]));
    const data: ChangesData = {
      title: 'How reservations changed',
      kind: 'reservation',
      subject: (subject) => {
        const [job = '', key = ''] = subject.split(/ (.*)/);
        return `${numbers.get(job) ?? `job ${job}`}, ${names.get(key) ?? key}`;
      },
      value: (value) => count(Number(value ?? 0)),
    };
    this.dialog.open(ChangesDialog, { data, width: '560px' });
  }
  protected edit(lot: Holding): void {
    this.dialog.open(LotDialog, { data: { stores: this.stores, lot }, width: '440px' });
  }
  /** Numbers of the jobs, as many as a line has room for. */
  protected jobs(numbers: readonly string[]): string {
    return numbers.length <= MOST_NUMBERS ? numbers.join(', ') : `${numbers[0]} and ${count(numbers.length - 1)} more`;
  }
  /** Packs of a line in words; nothing where it comes by the piece. */
  protected packs({ need, packs, short }: BuyLine): string {
    if (need.pack === 1 || short === 0) return '';
    return `${count(packs)} × ${this.amount(need.pack, need.unit)}`;
  }
}

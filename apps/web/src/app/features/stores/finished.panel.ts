import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import type { Finished } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { selectMay } from '../../platform/session.state';
import { ChangesDialog, type ChangesData } from '../../platform/changes.dialog';
import { count, dateText, timeText } from '../../ui/format';
import { CallOffDialog } from './call-off.dialog';
import { FinishedInDialog } from './finished-in.dialog';
import { FinishedStore } from './finished.store';
import { loadWords } from './load-words';
import { WordPipe } from '../../ui/word';

/** Finished goods that wait for their call-off, and what has left. */
@Component({
  selector: 'dk-finished-panel',
  imports: [MatButtonModule, MatIconModule, RouterLink, WordPipe],
  providers: [FinishedStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './finished.panel.html',
  styleUrl: './stores.page.scss',
  host: { class: 'panel' },
})
export class FinishedPanel {
  protected readonly stock = inject(FinishedStore);
  private readonly dialog = inject(MatDialog);
  protected readonly mayRecord = inject(Store).selectSignal(selectMay('stores'));
  protected readonly count = count;
  protected readonly dateText = dateText;
  protected readonly timeText = timeText;
  protected readonly loadWords = loadWords;

  constructor() {
    this.stock.load();
  }

  protected add(): void {
    this.dialog.open(FinishedInDialog, { data: this.stock, width: '440px' });
  }
  protected showChanges(): void {
    const data: ChangesData = {
      title: $localize`How the roads changed`,
      kind: 'destination',
      subject: (name) => name,
      value: (days) => (days === null ? $localize`new` : $localize`${count(Number(days))} days`),
    };
    this.dialog.open(ChangesDialog, { data, width: '460px' });
  }
  protected callOff(lot: Finished['lots'][number]): void {
    this.dialog.open(CallOffDialog, { data: { stock: this.stock, lot }, width: '460px' });
  }
}

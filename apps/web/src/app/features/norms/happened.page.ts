import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import type { Happened, HappenedJob } from '@druckerei/contract';
import { happenedCsv } from '@druckerei/formats/tables';
import { askAgain } from '../../platform/ask-again';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';
import { count, many, money, monthText } from '../../ui/format';
import { saveText } from '../../ui/save-text';
import { LearningApi } from './learning.api';
import { amountOf, lateText, reasonsText } from './learning-words';

/** What was planned and what happened, job by job of a month: the largest differences first, with their reasons. */
@Component({
  selector: 'dk-happened-page',
  imports: [MatButtonModule, MatFormFieldModule, MatIconModule, MatProgressBarModule, MatSelectModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './happened.page.html',
  styleUrl: './happened.page.scss',
})
export class HappenedPage {
  private readonly api = inject(LearningApi);
  protected readonly told = signal<Happened | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly failed = signal('');
  /** Job whose differences are open. */
  protected readonly open = signal<number | undefined>(undefined);

  protected readonly count = count;
  protected readonly many = many;
  protected readonly money = money;
  protected readonly monthText = monthText;
  protected readonly lateText = lateText;
  protected readonly reasonsText = reasonsText;
  protected readonly amountOf = amountOf;

  constructor() {
    this.load();
    whenChanged(['works', 'room'], () => this.load(this.told()?.month));
    askAgain(
      () => this.told()?.waiting,
      () => this.load(this.told()?.month),
    );
  }

  protected load(month?: string): void {
    this.busy.set(true);
    this.api.happened(month).subscribe({
      next: (told) => {
        this.told.set(told);
        this.busy.set(told.waiting > 0);
        this.failed.set('');
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }

  /** How far off a sum is, as a share of the plan. */
  protected off(planned: number, happened: number): string {
    if (planned === 0 || happened === planned) return '';
    const share = (happened - planned) / planned;
    return `${share > 0 ? '+' : '−'}${count(Math.abs(share) * 100, 1)} %`;
  }

  protected show({ job: { id } }: HappenedJob): void {
    this.open.set(this.open() === id ? undefined : id);
  }

  protected save(told: Happened): void {
    saveText(`happened-${told.month}.csv`, 'text/csv', happenedCsv(told));
  }
}

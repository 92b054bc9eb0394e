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
import { Asked } from '../../platform/asked';
import { whenChanged } from '../../platform/live';
import { count, many, money, monthText } from '../../ui/format';
import { saveText } from '../../ui/save-text';
import { LearningApi } from './learning.api';
import { amountOf, lateText, reasonsText } from './learning-words';
import { WordPipe } from '../../ui/word';

/** What was planned and what happened, job by job of a month: the largest differences first, with their reasons. */
@Component({
  selector: 'dk-happened-page',
  imports: [
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatProgressBarModule,
    MatSelectModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './happened.page.html',
  styleUrl: './happened.page.scss',
})
export class HappenedPage {
  private readonly api = inject(LearningApi);
  protected readonly asked = new Asked<Happened>();
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
    whenChanged(['works', 'room'], () => this.load(this.asked.answer()?.month));
    askAgain(
      () => this.asked.answer()?.waiting,
      () => this.load(this.asked.answer()?.month),
    );
  }

  protected load(month?: string): void {
    this.asked.ask(this.api.happened(month));
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
